import PDFDocument from 'pdfkit'
import { FINDING_SHORT } from '../figures/words.ts'
import type { Verdict } from '../figures/verdict.ts'
import { SIGNAL_WORDS } from '../records/safety-note.ts'
import type { ReportBlock, TableCell, ReportColumn, ReportDocument, ReportSection, ReportTable } from './document.ts'
import { INKS, SHADES, type VectorDrawing } from './drawing.ts'
import { formulaBox, type FormulaPen } from './formula-boxes.ts'
import { formulaTree } from './formula.ts'
import { INK, PdfWords, SOFT } from './pdf-words.ts'

export type PdfPaper = 'A4' | 'LETTER'
interface PdfMaterial {
  /** TrueType files: they are embedded with the signs that are used. */
  fonts: { regular: Uint8Array; strong: Uint8Array }
  paper: PdfPaper
  /** Called between blocks with the share that is done, 0 to 1. */
  progress?: (share: number) => void | Promise<void>
}

const MARGIN = 52
const FOOT = 40
const SIZE = { text: 9.5, dense: 8, title: 20, section: 15, heading: 11, small: 8, formula: 11 }
const LEAD = 1.28
/** Between two blocks. */
const GAP = 5

type Pdf = InstanceType<typeof PDFDocument>
/** Verdicts are told apart by their words and by how dark their label is, so that grey paper shows them too. */
const LABEL: Readonly<Record<Verdict, { fill: string; ink: string }>> = {
  blocked: { fill: '#111111', ink: '#ffffff' },
  unknown: { fill: '#ffffff', ink: INK },
  needs: { fill: '#555555', ink: '#ffffff' },
  check: { fill: '#d4d4d4', ink: INK },
  fits: { fill: '#ffffff', ink: INK },
}

/**
 * The report as a tagged PDF (ISO 32000-1, 14.8) with the project attached: contents with links, numbered figures and pages.
 * @returns the bytes of the file
 */
export async function reportPdf(report: ReportDocument, material: PdfMaterial): Promise<Uint8Array> {
  const writer = new PdfWriter(report, material)
  const total = report.sections.reduce((sum, one) => sum + one.blocks.length, 0)
  let done = 0
  for (const [i, section] of report.sections.entries()) {
    writer.beginSection(section, i)
    for (const block of section.blocks) {
      writer.block(block)
      done += 1
      if (done % 40 === 0) await material.progress?.(done / total)
    }
    if (i === 0) writer.reserveContents()
  }
  return await writer.end()
}

interface ContentsEntry {
  level: 1 | 2
  text: string
  destination: string
  page: number
}

class PdfWriter {
  private readonly doc: Pdf
  private readonly words: PdfWords
  private readonly root: PDFKit.PDFStructureElement
  private readonly chunks: Uint8Array[] = []
  private readonly contents: ContentsEntry[] = []
  private y = MARGIN
  private page = 0
  private contentsPage = 0
  private figures = 0
  private readonly width: number
  private readonly bottom: number
  private readonly ended: Promise<void>

  constructor(
    private readonly report: ReportDocument,
    private readonly material: PdfMaterial,
  ) {
    const made = new Date(`${report.madeOn.slice(0, 10)}T00:00:00Z`)
    this.doc = new PDFDocument({
      size: material.paper,
      // pages are broken here: the package must not break one on its own
      margins: { top: 0, bottom: 0, left: 0, right: 0 },
      bufferPages: true,
      tagged: true,
      lang: 'en',
      displayTitle: true,
      pdfVersion: '1.7',
      // none of the package's own: they lack signs that are needed
      font: '',
      info: {
        Title: report.title,
        Subject: report.subtitle,
        Creator: 'Valiant Caliper',
        Producer: 'Valiant Caliper',
        CreationDate: made,
        ModDate: made,
      },
    })
    this.ended = new Promise((done, fail) => {
      this.doc.on('data', (chunk: Uint8Array) => this.chunks.push(chunk))
      this.doc.on('end', () => done())
      this.doc.on('error', fail)
    })
    this.words = new PdfWords(this.doc, material.fonts)
    this.width = this.doc.page.width - 2 * MARGIN
    this.bottom = this.doc.page.height - MARGIN - 6
    this.root = this.doc.struct('Document')
    this.doc.addStructure(this.root)
    const { attached } = report
    if (attached)
      this.doc.file(
        new TextEncoder().encode(attached.text) as Buffer,
        {
          name: attached.name,
          type: 'application/json',
          description: 'The project that this report was made from',
          creationDate: made,
          modifiedDate: made,
          relationship: 'Source',
        } as PDFKit.Mixins.PDFAttachmentOptions,
      )
    this.title()
  }

  private title(): void {
    const { title, subtitle, madeOn } = this.report
    this.paragraph('Title', title, { size: SIZE.title, strong: true })
    this.paragraph('P', `${subtitle}. Made on ${madeOn}.`, { soft: true })
    this.y += GAP
  }

  beginSection(section: ReportSection, index: number): void {
    if (index > 0) this.newPage()
    const text = `${index + 1}. ${section.title}`
    this.entry(1, text, `section-${section.id}`)
    this.paragraph('H1', text, { size: SIZE.section, strong: true })
    this.doc.lineWidth(1.2).strokeColor(INK)
    this.artifact(() =>
      this.doc
        .moveTo(MARGIN, this.y)
        .lineTo(MARGIN + this.width, this.y)
        .stroke(),
    )
    this.y += GAP + 2
  }

  /** The page after the first is kept for the contents: their numbers are known last. */
  reserveContents(): void {
    this.newPage()
    this.contentsPage = this.page
  }

  private entry(level: 1 | 2, text: string, destination: string): void {
    this.contents.push({ level, text, destination, page: this.page })
    this.doc.addNamedDestination(destination, 'XYZ', 0, this.y, null as unknown as number)
  }

  private newPage(): void {
    this.doc.addPage()
    this.page += 1
    this.y = MARGIN
  }
  private room(height: number): void {
    if (this.y + height > this.bottom && this.y > MARGIN) this.newPage()
  }
  private artifact(draw: () => void): void {
    this.doc.markContent('Artifact')
    draw()
    this.doc.endMarkedContent()
  }
  private paragraph(tag: string, text: string, { size = SIZE.text, strong = false, soft = false, indent = 0, keep = 0 } = {}): void {
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

  block(block: ReportBlock): void {
    switch (block.kind) {
      case 'heading':
        this.room(60)
        this.y += 6
        this.entry(2, block.text, `part-${block.id}`)
        return this.paragraph('H2', block.text, { size: SIZE.heading, strong: true, keep: 30 })
      case 'text':
        return this.paragraph('P', block.text, {
          strong: block.look === 'strong',
          soft: block.look === 'soft',
          keep: block.look === 'strong' ? 16 : 0,
        })
      case 'list':
        for (const item of block.items) {
          this.room(SIZE.text * LEAD)
          const y = this.y
          const page = this.page
          this.paragraph('LI', item, { indent: 12 })
          if (page === this.page) this.artifact(() => this.words.put('–', MARGIN + 2, y, false, SIZE.text))
          this.y -= GAP - 1.5
        }
        this.y += GAP
        return
      case 'verdict':
        return this.verdict(block.verdict, block.text)
      case 'safety':
        return this.boxed(`${SIGNAL_WORDS[block.note.level]}: ${block.note.hazard} ${block.note.action}`)
      case 'table':
        return this.table(block)
      case 'formula':
        return this.formula(block)
      case 'drawing':
        return this.drawing(block.drawing, block.caption, block.description)
      case 'picture':
        return this.picture(block.jpeg, block.caption)
      case 'blanks':
        return this.blanks(block.labels)
    }
  }

  private verdict(verdict: Verdict, words: string): void {
    const label = FINDING_SHORT[verdict].toUpperCase()
    const size = 7.5
    const labelWidth = this.words.widthOf(label, true, size) + 10
    const lines = this.words.lines(words, this.width - labelWidth - 8, false, SIZE.text)
    const height = SIZE.text * LEAD
    this.room(lines.length * height + 2)
    const { y } = this
    const { fill, ink } = LABEL[verdict]
    this.artifact(() =>
      this.doc
        .lineWidth(0.8)
        .rect(MARGIN, y - 1, labelWidth, 12)
        .fillAndStroke(fill, INK),
    )
    this.tagged('P', () => {
      this.words.put(label, MARGIN + 5, y + 1.4, true, size, ink)
      lines.forEach((line, i) => this.words.put(line, MARGIN + labelWidth + 8, y + i * height, false, SIZE.text))
    })
    this.y += Math.max(lines.length * height, 13) + GAP
  }
  private boxed(words: string): void {
    const lines = this.words.lines(words, this.width - 20, true, SIZE.text)
    const height = lines.length * SIZE.text * LEAD + 10
    this.room(height)
    const { y } = this
    this.artifact(() =>
      this.doc
        .lineWidth(1.4)
        .strokeColor(INK)
        .rect(MARGIN + 1, y, this.width - 2, height)
        .stroke(),
    )
    this.tagged('P', () => lines.forEach((line, i) => this.words.put(line, MARGIN + 10, y + 6 + i * SIZE.text * LEAD, true, SIZE.text)))
    this.y += height + GAP
  }
  private tagged(tag: string, draw: () => void, options: PDFKit.Mixins.StructureElementOptions = {}): void {
    const element = this.doc.struct(tag, options)
    this.root.add(element)
    element.add(draw)
    element.end()
  }

  private cell(cell: TableCell): { text: string; strong: boolean } {
    if (typeof cell === 'string') return { text: cell, strong: false }
    const short = cell.verdict && FINDING_SHORT[cell.verdict]
    const text = short && !cell.text.startsWith(short) ? `${short}: ${cell.text}` : cell.text
    return { text, strong: cell.strong === true || cell.verdict !== undefined }
  }
  private table({ columns, rows, dense }: ReportTable): void {
    const size = dense ? SIZE.dense : SIZE.text
    const height = size * LEAD
    const gap = 8
    const total = columns.reduce((sum, one) => sum + one.share, 0)
    let x = MARGIN
    const places = columns.map((one) => {
      const width = (one.share / total) * this.width
      const place = { x, width: width - gap }
      x += width
      return place
    })
    const element = this.doc.struct('Table')
    this.root.add(element)
    const wrap = (cells: readonly { text: string; strong: boolean }[]) =>
      cells.map((one, i) => ({ lines: this.words.lines(one.text, places[i]!.width, one.strong, size), strong: one.strong }))
    const draw = (cells: ReturnType<typeof wrap>, from: number, to: number, tag: 'TH' | 'TD') => {
      const row = this.doc.struct('TR')
      element.add(row)
      const { y } = this
      cells.forEach((one, i) => {
        const cell = this.doc.struct(tag, tag === 'TH' ? ({ scope: 'Column' } as PDFKit.Mixins.StructureElementOptions) : {})
        row.add(cell)
        const { x: left, width } = places[i]!
        const part = one.lines.slice(from, to)
        if (part.some((line) => line !== ''))
          cell.add(() =>
            part.forEach((line, at) => {
              const shift = columns[i]!.number ? width - this.words.widthOf(line, one.strong, size) : 0
              this.words.put(line, left + shift, y + at * height, one.strong, size)
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
      this.artifact(() =>
        this.doc
          .lineWidth(thick)
          .strokeColor(thick > 0.5 ? INK : '#b5b5b5')
          .moveTo(MARGIN, this.y)
          .lineTo(MARGIN + this.width, this.y)
          .stroke(),
      )
    const head = () => {
      if (!headed) return
      draw(heads, 0, Infinity, 'TH')
      this.y += headHeight + 2
      rule(0.9)
      this.y += 3
    }
    this.room(headHeight + 2 * height + 8)
    head()
    for (const row of rows) {
      const cells = wrap(row.map((one) => this.cell(one)))
      const count = Math.max(...cells.map((one) => one.lines.length))
      let from = 0
      while (from < count) {
        const left = Math.floor((this.bottom - this.y) / height)
        // a row that fits on a page is not broken
        if (count - from > left && (count * height < this.bottom - MARGIN - headHeight - 10 || left < 1)) {
          this.newPage()
          head()
        }
        const part = Math.min(count - from, Math.max(Math.floor((this.bottom - this.y) / height), 1))
        draw(cells, from, from + part, 'TD')
        this.y += part * height + 1.5
        from += part
      }
      rule(0.4)
      this.y += 2.5
    }
    element.end()
    this.y += GAP
  }

  private formula({ text, inWords, filled, result }: Extract<ReportBlock, { kind: 'formula' }>): void {
    if (inWords) this.paragraph('P', text, { indent: 10 })
    else this.mathLine(text)
    if (filled !== undefined) this.mathLine(`= ${filled}`)
    this.paragraph('P', `= ${result}`, { strong: true, indent: 10 })
  }
  private mathLine(text: string): void {
    const pen: FormulaPen = {
      widthOf: (word, size) => this.words.widthOf(this.words.known(word), false, size),
      word: (word, x, baseY, size) => this.words.put(this.words.known(word), x, baseY - size * 0.97, false, size),
      line: ([x1, y1], [x2, y2], width) => this.doc.lineWidth(width).strokeColor(INK).moveTo(x1, y1).lineTo(x2, y2).stroke(),
    }
    const tree = formulaTree(text)
    let box = formulaBox(tree, SIZE.formula, pen)
    // one that is wider than the page is set smaller, as far as it can still be read
    const ratio = (this.width - 20) / box.width
    if (ratio < 0.6) return this.paragraph('P', text, { indent: 10 })
    if (ratio < 1) box = formulaBox(tree, SIZE.formula * ratio, pen)
    this.room(box.above + box.below)
    const { y } = this
    this.tagged('Formula', () => box.draw(MARGIN + 10, y + box.above), { alt: text })
    this.y += box.above + box.below + GAP
  }

  private caption(words: string): void {
    this.figures += 1
    this.paragraph('Caption', `Figure ${this.figures}. ${words}`, { size: SIZE.small, soft: true })
  }
  private drawing(drawing: VectorDrawing, caption: string, description: string): void {
    const ratio = Math.min(this.width / drawing.width, (this.bottom - MARGIN - 40) / drawing.height)
    const height = drawing.height * ratio
    this.room(height + 34)
    const { y } = this
    const at = ([a, b]: readonly [number, number]) => [MARGIN + a * ratio, y + b * ratio] as const
    this.tagged(
      'Figure',
      () => {
        for (const mark of drawing.marks) {
          if (mark.kind === 'text') {
            const size = mark.size * ratio
            const text = this.words.known(mark.text)
            const width = this.words.widthOf(text, mark.strong === true, size)
            const [x, base] = at(mark.at)
            this.words.put(
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
            this.doc.circle(x, cy, mark.radius * ratio).fill(INK)
            continue
          }
          const { width, dash } = INKS[mark.ink]
          this.doc.lineWidth(width * ratio).strokeColor(INK)
          if (dash) this.doc.dash(dash[0] * ratio, { space: dash[1] * ratio })
          mark.points.forEach((point, i) => (i === 0 ? this.doc.moveTo(...at(point)) : this.doc.lineTo(...at(point))))
          if (mark.closed) this.doc.closePath()
          const fill = SHADES[mark.shade ?? 'none']
          if (fill) this.doc.fillAndStroke(fill, INK)
          else this.doc.stroke()
          if (dash) this.doc.undash()
        }
      },
      { alt: this.words.known(description) },
    )
    this.y += height + 4
    this.caption(caption)
  }
  private picture(jpeg: string, caption: string): void {
    let image: { width: number; height: number }
    try {
      image = (this.doc as unknown as { openImage(src: string): { width: number; height: number } }).openImage(jpeg)
    } catch {
      return this.paragraph('P', `The picture of “${caption}” cannot be read, and is left out here. The attached project has it.`, {
        soft: true,
      })
    }
    const ratio = Math.min((this.width * 0.6) / image.width, 190 / image.height)
    const height = image.height * ratio
    this.room(height + 24)
    const { y } = this
    this.tagged('Figure', () => this.doc.image(image as unknown as string, MARGIN, y, { width: image.width * ratio, height }), {
      alt: this.words.known(caption),
    })
    this.y += height + 4
    this.caption(caption)
  }
  private blanks(labels: readonly string[]): void {
    const height = 46
    this.room(height)
    const y = this.y + 26
    const width = this.width / labels.length
    this.tagged('P', () =>
      labels.forEach((label, i) => {
        this.doc
          .lineWidth(0.8)
          .strokeColor(INK)
          .moveTo(MARGIN + i * width, y)
          .lineTo(MARGIN + (i + 1) * width - 14, y)
          .stroke()
        this.words.put(label, MARGIN + i * width, y + 3, false, SIZE.small)
      }),
    )
    this.y += height
  }

  /** Contents on their page, numbers on all pages, then the bytes. */
  async end(): Promise<Uint8Array> {
    this.writeContents()
    const { count } = this.doc.bufferedPageRange()
    const foot = `${this.report.title}, ${this.report.madeOn}`
    for (let i = 0; i < count; i += 1) {
      this.doc.switchToPage(i)
      const y = this.doc.page.height - FOOT
      this.artifact(() => {
        this.words.put(this.words.lines(foot, this.width - 90, false, SIZE.small)[0]!, MARGIN, y, false, SIZE.small, SOFT)
        const number = `Page ${i + 1} of ${count}`
        this.words.put(number, MARGIN + this.width - this.words.widthOf(number, false, SIZE.small), y, false, SIZE.small, SOFT)
      })
    }
    this.root.end()
    this.doc.end()
    await this.ended
    const bytes = new Uint8Array(this.chunks.reduce((sum, one) => sum + one.byteLength, 0))
    let at = 0
    for (const chunk of this.chunks) {
      bytes.set(chunk, at)
      at += chunk.byteLength
    }
    return bytes
  }

  /** Sections and as many of their parts as the page holds. */
  private writeContents(): void {
    if (this.contentsPage === 0) return
    const last = this.page
    this.doc.switchToPage(this.contentsPage)
    this.y = MARGIN
    this.paragraph('H1', 'Contents', { size: SIZE.section, strong: true })
    const step = 13
    const room = Math.floor((this.bottom - this.y) / step)
    const sections = this.contents.filter((one) => one.level === 1)
    const chosen = this.contents.length <= room ? this.contents : this.shortened(room - sections.length)
    for (const one of chosen) {
      const strong = one.level === 1
      const size = strong ? SIZE.text : SIZE.dense
      const indent = strong ? 0 : 14
      const { y } = this
      const line = this.words.lines(one.text, this.width - indent - 40, strong, size)[0]!
      const number = String(one.page + 1)
      this.tagged('TOCI', () => {
        this.words.put(line, MARGIN + indent, y, strong, size)
        this.words.put(number, MARGIN + this.width - this.words.widthOf(number, strong, size), y, strong, size)
      })
      this.doc.goTo(MARGIN, y, this.width, step, one.destination)
      this.y += step
    }
    this.doc.switchToPage(last)
  }
  /** Where not all parts have room, those of figures and single parts stay out: their section names them. */
  private shortened(room: number): ContentsEntry[] {
    const without = this.contents.filter((one) => one.level === 1 || !/^part-(figure-|part-|phase-)/.test(one.destination))
    return without.length <= room + this.report.sections.length ? without : this.contents.filter((one) => one.level === 1)
  }
}
