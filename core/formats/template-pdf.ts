import { PDFDocument, rgb, StandardFonts, type PDFFont, type PDFPage } from 'pdf-lib'
import type { TemplateMark, Style, Template } from './template.ts'

const POINTS_PER_MM = 72 / 25.4
const WIDTHS_MM: Readonly<Record<Style, number>> = { cut: 0.6, outline: 0.25, axis: 0.2, bar: 0.3, tile: 0.15, faint: 0.15 }
const DASHES_MM: Readonly<Partial<Record<Style, number[]>>> = { axis: [6, 1.5, 1, 1.5], tile: [1, 1] }
const INK = rgb(0, 0, 0)
const PAPER = rgb(1, 1, 1)
const PALE = rgb(0.62, 0.62, 0.62)

/** A template as PDF in true size, a page a sheet. Signs that the built-in font lacks become question marks. */
export async function templatePdf(template: Template): Promise<Uint8Array> {
  const file = await PDFDocument.create()
  // no clock in the core: the date stands on the sheet
  file.setCreationDate(new Date(0))
  file.setModificationDate(new Date(0))
  const font = await file.embedFont(StandardFonts.Helvetica)
  for (const { marks } of template.pages) {
    const page = file.addPage([template.width * POINTS_PER_MM, template.height * POINTS_PER_MM])
    for (const mark of marks) draw(page, font, mark, template.width)
  }
  return await file.save()
}

function draw(page: PDFPage, font: PDFFont, mark: TemplateMark, paperMm: number): void {
  if (mark.kind === 'text') {
    const text = printable(font, mark.text)
    // a long title gets smaller rather than off the paper
    const room = (paperMm - mark.x - 8) * POINTS_PER_MM
    const wanted = mark.sizeMm * POINTS_PER_MM
    const size = Math.min(wanted, (wanted * room) / Math.max(font.widthOfTextAtSize(text, wanted), 1e-6))
    page.drawText(text, { x: mark.x * POINTS_PER_MM, y: mark.y * POINTS_PER_MM, size, font, color: INK })
    return
  }
  if (mark.kind === 'disc') {
    page.drawCircle({
      x: mark.x * POINTS_PER_MM,
      y: mark.y * POINTS_PER_MM,
      size: mark.radius * POINTS_PER_MM,
      color: mark.shade === 'black' ? INK : PAPER,
    })
    return
  }
  if (mark.kind === 'box') {
    const [x, y, width, height] = [mark.x, mark.y, mark.width, mark.height].map((mm) => mm * POINTS_PER_MM) as [
      number,
      number,
      number,
      number,
    ]
    page.drawRectangle({ x, y, width, height, color: INK })
    return
  }
  const dash = DASHES_MM[mark.style]
  mark.points.slice(1).forEach(([x, y], i) => {
    const [x0, y0] = mark.points[i]!
    page.drawLine({
      start: { x: x0 * POINTS_PER_MM, y: y0 * POINTS_PER_MM },
      end: { x: x * POINTS_PER_MM, y: y * POINTS_PER_MM },
      thickness: WIDTHS_MM[mark.style] * POINTS_PER_MM,
      color: mark.style === 'faint' ? PALE : INK,
      ...(dash ? { dashArray: dash.map((mm) => mm * POINTS_PER_MM) } : {}),
    })
  })
}

function printable(font: PDFFont, text: string): string {
  const known = new Set(font.getCharacterSet())
  return [...text]
    .map((sign) =>
      known.has(sign.codePointAt(0)!) ? sign : sign === '\u202f' || sign === '\u2212' ? (sign === '\u2212' ? '-' : ' ') : '?',
    )
    .join('')
}
