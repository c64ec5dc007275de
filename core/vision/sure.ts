/** A number with its standard uncertainty. */
export interface Sure {
  value: number
  u: number
}
