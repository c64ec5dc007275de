import type PDFDocument from 'pdfkit'
import { INK, PdfWords, SOFT } from './pdf-words.ts'

export const MARGIN = 52
export const SIZE = { text: 9.5, dense: 8, title: 20, section: 15, heading: 11, small: 8, formula: 11 }
export const LEAD = 1.28
/** Between two blocks. */
export const GAP = 5

/** Where the next block goes: the page and how far down it is written, with what every block needs to put itself there. */
export class PdfSheet {
  readonly words: PdfWords
  readonly root: PDFKit.PDFStructureElement
  readonly width: number
  readonly bottom: number
  y = MARGIN
  page = 0

  constructor(
    readonly doc: InstanceType<typeof PDFDocument>,
    fonts: { regular: Uint8Array; strong: Uint8Array },
  ) {
    this.words = new PdfWords(doc, fonts)
    this.width = doc.page.width - 2 * MARGIN
    this.bottom = doc.page.height - MARGIN - 6
    this.root = doc.struct('Document')
    doc.addStructure(this.root)
  }

  newPage(): void {
    this.doc.addPage()
    this.page += 1
    this.y = MARGIN
  }
  /** A new page where so much has no room on this one. */
  room(height: number): void {
    if (this.y + height > this.bottom && this.y > MARGIN) this.newPage()
  }
  /** What is seen and not read out: lines, page numbers. */
  artifact(draw: () => void): void {
    this.doc.markContent('Artifact')
    draw()
    this.doc.endMarkedContent()
  }
  tagged(tag: string, draw: () => void, options: PDFKit.Mixins.StructureElementOptions = {}): void {
    const element = this.doc.struct(tag, options)
    this.root.add(element)
    element.add(draw)
    element.end()
  }
  /** Lines of a text, over pages where it must. */
  paragraph(tag: string, text: string, { size = SIZE.text, strong = false, soft = false, indent = 0, keep = 0 } = {}): void {
    const lines = this.words.lines(text, this.width - indent, strong, size)
    const height = size * LEAD
    this.room(Math.min(lines.length, 2) * height + keep)
    const element = this.doc.struct(tag)
    this.root.add(element)
    let at = 0
    while (at < lines.length) {
      const here = Math.max(Math.floor((this.bottom - this.y) / height), 1)
      const part = lines.slice(at, at + here)
      element.add(() =>
        part.forEach((line, i) => this.words.put(line, MARGIN + indent, this.y + i * height, strong, size, soft ? SOFT : INK)),
      )
      this.y += part.length * height
      at += part.length
      if (at < lines.length) this.newPage()
    }
    element.end()
    this.y += GAP
  }
}
