/** How the thickness of a pad was measured. */
export type PadMeasured = 'withPlate' | 'liningOnly'

/**
 * Thickness of a pad with its backing plate, as its minimum is stated, mm.
 *
 * @param plateMm thickness of the backing plate, where the lining alone was measured
 * @returns undefined where the plate is needed and its thickness is not known
 * @example
 * withBackingPlate(6.5, 'liningOnly', 5) // => 11.5
 */
export function withBackingPlate(readMm: number, measured: PadMeasured, plateMm: number | undefined): number | undefined {
  if (measured === 'withPlate') return readMm
  return plateMm === undefined ? undefined : readMm + plateMm
}
