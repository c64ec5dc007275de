/**
 * What of the hub's centring register reaches into the wheel, mm: never below zero.
 *
 * @example
 * registerLeftMm(14, 6, 3) // => 5
 */
export const registerLeftMm = (registerHeightMm: number, hatThicknessMm: number, spacerMm: number): number =>
  Math.max(registerHeightMm - hatThicknessMm - spacerMm, 0)

/** Where a wheel stands on the car, mm: its offset ET, its width over the bead seats, what lies between it and the hub. */
interface WheelStance {
  offsetMm: number
  widthMm: number
  spacerMm: number
  hatThicknessMm: number
}

interface StanceChange {
  /** Offset that would put the wheel in the same place on the hat as it was, without a spacer. */
  effectiveOffsetMm: number
  /** Change of the track, both wheels together; + wider. */
  trackMm: number
  /** Change of the outer rim edge on one side; + outboard. */
  pokeMm: number
}

/** What spacer, hat and another wheel do to the place of a wheel, against how it stands. A thicker hat acts like a spacer. */
export function stanceChange(now: WheelStance, then: WheelStance): StanceChange {
  const outboard = then.offsetMm - now.offsetMm + now.spacerMm - then.spacerMm + now.hatThicknessMm - then.hatThicknessMm
  return {
    effectiveOffsetMm: now.offsetMm - now.spacerMm - (now.hatThicknessMm - then.hatThicknessMm),
    trackMm: 2 * outboard,
    pokeMm: outboard + (now.widthMm - then.widthMm) / 2,
  }
}
