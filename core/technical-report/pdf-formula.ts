import type { ReportBlock } from './blocks.ts'
import { formulaBox, type FormulaPen } from './formula-boxes.ts'
import { formulaTree } from './formula.ts'
import { GAP, MARGIN, SIZE, type PdfSheet } from './pdf-sheet.ts'
import { INK } from './pdf-words.ts'

/** The formula, the same with its numbers, what comes out. */
export function putFormula(sheet: PdfSheet, { text, inWords, filled, result }: Extract<ReportBlock, { kind: 'formula' }>): void {
  if (inWords) sheet.paragraph('P', text, { indent: 10 })
  else mathLine(sheet, text)
  if (filled !== undefined) mathLine(sheet, `= ${filled}`)
  sheet.paragraph('P', `= ${result}`, { strong: true, indent: 10 })
}

function mathLine(sheet: PdfSheet, text: string): void {
  const pen: FormulaPen = {
    widthOf: (word, size) => sheet.words.widthOf(sheet.words.known(word), false, size),
    word: (word, x, baseY, size) => sheet.words.put(sheet.words.known(word), x, baseY - size * 0.97, false, size),
    line: ([x1, y1], [x2, y2], width) => sheet.doc.lineWidth(width).strokeColor(INK).moveTo(x1, y1).lineTo(x2, y2).stroke(),
  }
  const tree = formulaTree(text)
  let box = formulaBox(tree, SIZE.formula, pen)
  // one that is wider than the page is set smaller, as far as it can still be read
  const ratio = (sheet.width - 20) / box.width
  if (ratio < 0.6) return sheet.paragraph('P', text, { indent: 10 })
  if (ratio < 1) box = formulaBox(tree, SIZE.formula * ratio, pen)
  sheet.room(box.above + box.below)
  const { y } = sheet
  sheet.tagged('Formula', () => box.draw(MARGIN + 10, y + box.above), { alt: text })
  sheet.y += box.above + box.below + GAP
}
