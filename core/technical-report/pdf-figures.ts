import { INKS, SHADES, type VectorDrawing } from './drawing.ts'
import { MARGIN, type PdfSheet } from './pdf-sheet.ts'
import { INK } from './pdf-words.ts'

/** A drawing as lines and words, as wide as the text. */
export function putDrawing(sheet: PdfSheet, drawing: VectorDrawing, description: string): void {
  const ratio = Math.min(sheet.width / drawing.width, (sheet.bottom - MARGIN - 40) / drawing.height)
  const height = drawing.height * ratio
  sheet.room(height + 34)
  const { y } = sheet
  const at = ([a, b]: readonly [number, number]) => [MARGIN + a * ratio, y + b * ratio] as const
  sheet.tagged(
    'Figure',
    () => {
      for (const mark of drawing.marks) {
        if (mark.kind === 'text') {
          const size = mark.size * ratio
          const text = sheet.words.known(mark.text)
          const width = sheet.words.widthOf(text, mark.strong === true, size)
          const [x, base] = at(mark.at)
          sheet.words.put(
            text,
            x - (mark.anchor === 'middle' ? width / 2 : mark.anchor === 'end' ? width : 0),
            base - size * 0.97,
            mark.strong === true,
            size,
          )
          continue
        }
        if (mark.kind === 'dot') {
          const [x, cy] = at(mark.at)
          sheet.doc.circle(x, cy, mark.radius * ratio).fill(INK)
          continue
        }
        const { width, dash } = INKS[mark.ink]
        sheet.doc.lineWidth(width * ratio).strokeColor(INK)
        if (dash) sheet.doc.dash(dash[0] * ratio, { space: dash[1] * ratio })
        mark.points.forEach((point, i) => (i === 0 ? sheet.doc.moveTo(...at(point)) : sheet.doc.lineTo(...at(point))))
        if (mark.closed) sheet.doc.closePath()
        const fill = SHADES[mark.shade ?? 'none']
        if (fill) sheet.doc.fillAndStroke(fill, INK)
        else sheet.doc.stroke()
        if (dash) sheet.doc.undash()
      }
    },
    { alt: sheet.words.known(description) },
  )
  sheet.y += height + 4
}

/** @returns false where the picture cannot be read */
export function putPicture(sheet: PdfSheet, jpeg: string, description: string): boolean {
  let image: { width: number; height: number }
  try {
    image = (sheet.doc as unknown as { openImage(src: string): { width: number; height: number } }).openImage(jpeg)
  } catch {
    return false
  }
  const ratio = Math.min((sheet.width * 0.6) / image.width, 190 / image.height)
  const height = image.height * ratio
  sheet.room(height + 24)
  const { y } = sheet
  sheet.tagged('Figure', () => sheet.doc.image(image as unknown as string, MARGIN, y, { width: image.width * ratio, height }), {
    alt: sheet.words.known(description),
  })
  sheet.y += height + 4
  return true
}
