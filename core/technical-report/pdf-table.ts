import { FINDING_SHORT } from '../figures/words.ts'
import type { ReportColumn, ReportTable, TableCell } from './blocks.ts'
import { GAP, LEAD, MARGIN, SIZE, type PdfSheet } from './pdf-sheet.ts'
import { INK } from './pdf-words.ts'

function cellWords(cell: TableCell): { text: string; strong: boolean } {
  if (typeof cell === 'string') return { text: cell, strong: false }
  const short = cell.verdict && FINDING_SHORT[cell.verdict]
  const text = short && !cell.text.startsWith(short) ? `${short}: ${cell.text}` : cell.text
  return { text, strong: cell.strong === true || cell.verdict !== undefined }
}

/** A table over as many pages as it takes: its head stands on each, and a row that fits on a page is not broken. */
export function putTable(sheet: PdfSheet, { columns, rows, dense }: ReportTable): void {
  const size = dense ? SIZE.dense : SIZE.text
  const height = size * LEAD
  const gap = 8
  const total = columns.reduce((sum, one) => sum + one.share, 0)
  let x = MARGIN
  const places = columns.map((one) => {
    const width = (one.share / total) * sheet.width
    const place = { x, width: width - gap }
    x += width
    return place
  })
  const element = sheet.doc.struct('Table')
  sheet.root.add(element)
  const wrap = (cells: readonly { text: string; strong: boolean }[]) =>
    cells.map((one, i) => ({ lines: sheet.words.lines(one.text, places[i]!.width, one.strong, size), strong: one.strong }))
  const draw = (cells: ReturnType<typeof wrap>, from: number, to: number, tag: 'TH' | 'TD') => {
    const row = sheet.doc.struct('TR')
    element.add(row)
    const { y } = sheet
    cells.forEach((one, i) => {
      const cell = sheet.doc.struct(tag, tag === 'TH' ? ({ scope: 'Column' } as PDFKit.Mixins.StructureElementOptions) : {})
      row.add(cell)
      const { x: left, width } = places[i]!
      const part = one.lines.slice(from, to)
      if (part.some((line) => line !== ''))
        cell.add(() =>
          part.forEach((line, at) => {
            const shift = columns[i]!.number ? width - sheet.words.widthOf(line, one.strong, size) : 0
            sheet.words.put(line, left + shift, y + at * height, one.strong, size)
          }),
        )
      cell.end()
    })
    row.end()
  }
  const heads = wrap(columns.map((one: ReportColumn) => ({ text: one.label, strong: true })))
  const headHeight = Math.max(...heads.map((one) => one.lines.length)) * height
  const headed = columns.some((one) => one.label !== '')
  const rule = (thick: number) =>
    sheet.artifact(() =>
      sheet.doc
        .lineWidth(thick)
        .strokeColor(thick > 0.5 ? INK : '#b5b5b5')
        .moveTo(MARGIN, sheet.y)
        .lineTo(MARGIN + sheet.width, sheet.y)
        .stroke(),
    )
  const head = () => {
    if (!headed) return
    draw(heads, 0, Infinity, 'TH')
    sheet.y += headHeight + 2
    rule(0.9)
    sheet.y += 3
  }
  sheet.room(headHeight + 2 * height + 8)
  head()
  for (const row of rows) {
    const cells = wrap(row.map((one) => cellWords(one)))
    const count = Math.max(...cells.map((one) => one.lines.length))
    let from = 0
    while (from < count) {
      const left = Math.floor((sheet.bottom - sheet.y) / height)
      // a row that fits on a page is not broken
      if (count - from > left && (count * height < sheet.bottom - MARGIN - headHeight - 10 || left < 1)) {
        sheet.newPage()
        head()
      }
      const part = Math.min(count - from, Math.max(Math.floor((sheet.bottom - sheet.y) / height), 1))
      draw(cells, from, from + part, 'TD')
      sheet.y += part * height + 1.5
      from += part
    }
    rule(0.4)
    sheet.y += 2.5
  }
  element.end()
  sheet.y += GAP
}
