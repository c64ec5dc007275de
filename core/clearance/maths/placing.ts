/**
 * Where a caliper's outline stands in the seat frame of this car. A fixed caliper sits where knuckle,
 * bracket and shim put it; the housing of a sliding one follows disc and pads, so worn parts at the
 * time of measuring flatter the gap. All in mm, z outboard, offsets inboard. `stackBeyondMm`: bracket and shims now, less
 * those the outline was taken with.
 */
export type OutlinePlacing =
  | { construction: 'fixed'; frame: 'seat'; takenWithHatMm: number; hatMm: number; stackBeyondMm: number }
  | { construction: 'fixed'; frame: 'mount'; mountFaceMm: number; bracketMm: number; shimMm: number; mountToSlotMm: number; hatMm: number }
  | ({ construction: 'sliding'; frame: 'seat'; takenWithRotorOffsetMm: number } & SlidingStack)
  | ({ construction: 'sliding'; frame: 'mount' } & SlidingStack)

interface SlidingStack {
  rotorOffsetMm: number
  rotorThicknessMm: number
  padThicknessMm: number
  takenWithRotorThicknessMm: number
  takenWithPadThicknessMm: number
}

/** What to add to an outline's z to bring it into the seat frame, mm. */
export function axialShift(p: OutlinePlacing): number {
  if (p.construction === 'fixed') {
    return p.frame === 'seat'
      ? p.takenWithHatMm - p.hatMm + p.stackBeyondMm
      : p.mountFaceMm + p.bracketMm + p.shimMm + p.mountToSlotMm - p.hatMm
  }
  // new outer pad and half the new rotor push the finger face outboard of the mid-plane
  const stack = p.padThicknessMm - p.takenWithPadThicknessMm + (p.rotorThicknessMm - p.takenWithRotorThicknessMm) / 2
  return p.frame === 'seat' ? stack - (p.rotorOffsetMm - p.takenWithRotorOffsetMm) : stack - p.rotorOffsetMm
}
