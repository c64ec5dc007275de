/** What a pad sweeps of its rotor, mm from the hub's centre. */
interface SweptRing {
  outerMm: number
  innerMm: number
}

/**
 * The ring that rubs: what hangs over the rotor's edge or inside its friction ring rubs on nothing.
 * @returns undefined when pad and rotor do not meet
 */
export function sweptRing(padTopMm: number, liningHeightMm: number, rotorRadiusMm: number, ringInnerMm: number): SweptRing | undefined {
  const outerMm = Math.min(padTopMm, rotorRadiusMm)
  const innerMm = Math.max(padTopMm - liningHeightMm, ringInnerMm)
  return outerMm > innerMm ? { outerMm, innerMm } : undefined
}

/** The radius at which a ring's friction acts, by the school that is followed, mm. */
export const effectiveRadiusMm = ({ outerMm, innerMm }: SweptRing, school: 'mean' | 'uniformPressure'): number =>
  school === 'mean' ? meanRadiusMm(outerMm, innerMm) : uniformPressureRadiusMm(outerMm, innerMm)

/**
 * Radius at which a pad's friction acts, taken as the middle of the swept ring, mm (worn-in pads).
 *
 * @example
 * meanRadiusMm(128, 84) // => 106
 */
export const meanRadiusMm = (outerMm: number, innerMm: number): number => (outerMm + innerMm) / 2

/**
 * The same for even pressure over the ring, mm: 2/3 (ro3 - ri3)/(ro2 - ri2) (R. Limpert, Brake Design and Safety, ch. 2).
 *
 * @example
 * Math.round(uniformPressureRadiusMm(128, 84) * 10) / 10 // => 107.5
 */
export function uniformPressureRadiusMm(outerMm: number, innerMm: number): number {
  // divided through by ro - ri, so that a thin ring loses no digits
  return (2 / 3) * ((outerMm * outerMm + outerMm * innerMm + innerMm * innerMm) / (outerMm + innerMm))
}
