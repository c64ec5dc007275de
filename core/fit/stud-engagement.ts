/** Thread that a wheel nut or bolt needs: one diameter in steel, and at least so many turns. */
export const DIAMETERS_NEEDED = 1
export const TURNS_NEEDED = 6.5

export interface StudEngagement {
  engagedMm: number
  neededMm: number
  verdict: 'fits' | 'needs'
  /** By how much longer a stud or bolt must be, mm; 0 when it is long enough. */
  longerByMm: number
}

/**
 * Thread left for the nut (stud) or in the hub (bolt) once hat, spacer and wheel lie between. The nut's
 * own thread length and closed nuts are looked at on the car.
 *
 * @param studLengthMm stud: from the hub face to its end; bolt: from its seat to its end
 * @param wheelPadMm from the wheel's hub pad to the seat of nut or bolt
 */
export function studEngagement(
  studLengthMm: number,
  hatThicknessMm: number,
  spacerMm: number,
  wheelPadMm: number,
  threadMm: number,
  pitchMm: number,
): StudEngagement {
  const engagedMm = studLengthMm - hatThicknessMm - spacerMm - wheelPadMm
  const neededMm = Math.max(DIAMETERS_NEEDED * threadMm, TURNS_NEEDED * pitchMm)
  const longerByMm = Math.max(neededMm - engagedMm, 0)
  return { engagedMm, neededMm, verdict: longerByMm === 0 ? 'fits' : 'needs', longerByMm }
}
