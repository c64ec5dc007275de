import { INSTRUMENTS, type InstrumentId } from '../quantity/instrument.ts'
import { measuredValue } from '../quantity/readings.ts'
import type { Sure } from './placing.ts'
import { BAR_MM } from './sheet.ts'

/** What someone says of what is in a picture, with how sure that makes it. */

/** How far above the sheet a traced line usually lies, mm, and how well a thickness is known that someone says. */
export const USUAL_HEIGHT = {
  sheet: { value: 0, u: 0 },
  card: { value: 1, u: 0.2 },
  gauge: { value: 8, u: 0.5 },
  drawing: { value: 0, u: 0 },
} as const satisfies Record<string, Sure>

/** A bar that nobody measured: what printers at 100 % are off by, mm in 100. */
const U_PRINTED_MM = 0.3

/**
 * A bar of the sheet as it came out of the printer, mm: as it was meant while nobody has read it, whatever it would be read with.
 *
 * @example
 * printedBar(undefined, 'digitalCaliper') // => { value: 100, u: 0.3 }
 */
export function printedBar(readMm: number | undefined, instrument: InstrumentId | undefined): Sure {
  if (readMm === undefined || instrument === undefined) return { value: BAR_MM, u: U_PRINTED_MM }
  return { value: readMm, u: measuredValue([readMm], INSTRUMENTS[instrument]).uMm }
}

/** A length that a drawing says of itself: it holds to a part in a thousand, as it was copied. */
export const ofDrawing = (mm: number): Sure => ({ value: mm, u: Math.max(0.001 * mm, 0.05) })
