import { INSTRUMENTS, type InstrumentId } from '../quantity/instrument.ts'
import { measuredValue } from '../quantity/readings.ts'
import { unmeasuredBar } from './printed.ts'
import type { Sure } from './sure.ts'

/** What someone says of what is in a picture, with how sure that makes it. */

/** How far above the sheet a traced line usually lies, mm, and how well a thickness is known that someone says. */
export const USUAL_HEIGHT = {
  sheet: { value: 0, u: 0 },
  card: { value: 1, u: 0.2 },
  gauge: { value: 8, u: 0.5 },
  drawing: { value: 0, u: 0 },
} as const satisfies Record<string, Sure>

/**
 * A bar of the sheet as it came out of the printer, mm. Without a reading it is known no better than an unknown printer lets it be.
 *
 * @example
 * Number(printedBar(undefined, 'digitalCaliper').u.toFixed(2)) // => 2.89
 */
export function printedBar(readMm: number | undefined, instrument: InstrumentId | undefined): Sure {
  if (readMm === undefined || instrument === undefined) return unmeasuredBar()
  return { value: readMm, u: measuredValue([readMm], INSTRUMENTS[instrument]).uMm }
}

/** A length that a drawing says of itself: it holds to a part in a thousand, as it was copied. */
export const ofDrawing = (mm: number): Sure => ({ value: mm, u: Math.max(0.001 * mm, 0.05) })
