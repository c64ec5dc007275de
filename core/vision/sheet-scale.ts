import type { PictureScale } from './placing.ts'
import { poseOf } from './pose.ts'
import { unevenOf, withUneven, type Printed } from './printed.ts'
import type { SheetReading } from './read-sheet.ts'
import type { Sure } from './sure.ts'

/** The scale of a picture of the sheet: what was read in it together with what was measured of the paper. */
export function sheetScale(
  reading: SheetReading,
  focal35Mm: number | undefined,
  { heightMm, printedMm }: { heightMm: Sure; printedMm: Printed },
): Extract<PictureScale, { by: 'sheet' }> {
  const { focal, lnUneven } = poseOf(reading.map, reading.spread, focal35Mm, unevenOf(printedMm))
  return { by: 'sheet', reading, focal, heightMm, printedMm: withUneven(printedMm, lnUneven) }
}

/** Nothing is known of how evenly a printer works: the picture alone says it. */
const ANY_PRINTER: Sure = { value: 0, u: 0.1 }
/** How uneven the sheet is as the picture alone shows it: natural logarithm of the scale across over that along. */
export const seenUneven = ({ map, spread }: SheetReading, focal35Mm?: number): Sure => poseOf(map, spread, focal35Mm, ANY_PRINTER).lnUneven
