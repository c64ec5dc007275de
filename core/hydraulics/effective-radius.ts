/** Radius at which a pad's friction acts, taken as the middle of the swept ring, mm (worn-in pads). */
export const meanRadiusMm = (outerMm: number, innerMm: number): number => (outerMm + innerMm) / 2

/** The same for even pressure over the ring, mm: 2/3 (ro3 - ri3)/(ro2 - ri2) (R. Limpert, Brake Design and Safety, ch. 2). */
export function uniformPressureRadiusMm(outerMm: number, innerMm: number): number {
  // divided through by ro - ri, so that a thin ring loses no digits
  return (2 / 3) * ((outerMm * outerMm + outerMm * innerMm + innerMm * innerMm) / (outerMm + innerMm))
}
