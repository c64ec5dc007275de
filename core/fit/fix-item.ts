/**
 * A piece to buy or a thing to have done, by what it is and not by what it is called: words change with the units that
 * are read and with the next version.
 */
export interface FixItem {
  id: string
  /** What it is made for: a thread, a shape, a part's id. */
  of?: string
  /** Its size, mm; of a piece that must be so much longer or shorter, by how much. */
  mm?: number
  /** Which other sizes do as well; absent: this one alone. */
  enough?: 'atLeast' | 'atMost'
  /** Where more is too much, mm. */
  mostMm?: number
}

/** So much another size is still the same piece, mm: nobody orders or measures finer. */
const SAME_MM = 0.15
const BAR = '|'
const MOST_LETTERS = 120

/** How a line of the bill says which piece it is. */
export function fixItemKey({ id, of, mm }: FixItem): string {
  const size = mm === undefined ? '' : String(Math.round(mm * 1000) / 1000)
  return [id, (of ?? '').replaceAll(BAR, '/').slice(0, MOST_LETTERS - id.length - size.length - 2), size].join(BAR)
}

/** Whether a text is such a key, or the words of a line of an older file. */
export const isFixItemKey = (text: string): boolean => text.split(BAR).length === 3

/** Whether the piece of a key does what another one is asked for. */
export function serves(key: string, wanted: FixItem): boolean {
  const [id, of, size] = key.split(BAR)
  const [wantedId, wantedOf] = fixItemKey(wanted).split(BAR)
  if (id !== wantedId || of !== wantedOf) return false
  const { mm, enough, mostMm = Infinity } = wanted
  if (mm === undefined) return true
  if (size === undefined || size === '') return false
  const has = Number(size)
  if (Math.abs(has - mm) <= SAME_MM) return true
  if (has > mostMm + 1e-9) return false
  return enough === 'atLeast' ? has > mm : enough === 'atMost' ? has < mm : false
}
