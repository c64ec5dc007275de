import PDFDocument from 'pdfkit'
import { FINDING_SHORT } from '../figures/words.ts'
import type { Verdict } from '../figures/verdict.ts'
import { SIGNAL_WORDS } from '../records/safety-note.ts'
import type { ReportBlock, ReportDocument, ReportSection } from './blocks.ts'
import { putDrawing, putPicture } from './pdf-figures.ts'
import { putFormula } from './pdf-formula.ts'
import { GAP, LEAD, MARGIN, PdfSheet, SIZE } from './pdf-sheet.ts'
import { putTable } from './pdf-table.ts'
import { INK, SOFT } from './pdf-words.ts'

export type PdfPaper = 'A4' | 'LETTER'
interface PdfMaterial {
  /** TrueType files: they are embedded with the signs that are used. */
  fonts: { regular: Uint8Array; strong: Uint8Array }
  paper: PdfPaper
  /** Called between blocks with the share that is done, 0 to 1. */
  progress?: (share: number) => void | Promise<void>
}

const FOOT = 40

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
  private readonly sheet: PdfSheet
  private readonly chunks: Uint8Array[] = []
  private readonly contents: ContentsEntry[] = []
  private contentsPage = 0
  private figures = 0
  private readonly ended: Promise<void>

  constructor(
    private readonly report: ReportDocument,
    material: PdfMaterial,
  ) {
    const made = new Date(`${report.madeOn.slice(0, 10)}T00:00:00Z`)
    const doc = new PDFDocument({
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
      doc.on('data', (chunk: Uint8Array) => this.chunks.push(chunk))
      doc.on('end', () => done())
      doc.on('error', fail)
    })
    this.sheet = new PdfSheet(doc, material.fonts)
    const { attached } = report
    if (attached)
      doc.file(
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
    this.sheet.paragraph('Title', title, { size: SIZE.title, strong: true })
    this.sheet.paragraph('P', `${subtitle}. Made on ${madeOn}.`, { soft: true })
    this.sheet.y += GAP
  }

  beginSection(section: ReportSection, index: number): void {
    if (index > 0) this.sheet.newPage()
    const text = `${index + 1}. ${section.title}`
    this.entry(1, text, `section-${section.id}`)
    this.sheet.paragraph('H1', text, { size: SIZE.section, strong: true })
    this.sheet.doc.lineWidth(1.2).strokeColor(INK)
    this.sheet.artifact(() =>
      this.sheet.doc
        .moveTo(MARGIN, this.sheet.y)
        .lineTo(MARGIN + this.sheet.width, this.sheet.y)
        .stroke(),
    )
    this.sheet.y += GAP + 2
  }

  /** The page after the first is kept for the contents: their numbers are known last. */
  reserveContents(): void {
    this.sheet.newPage()
    this.contentsPage = this.sheet.page
  }

  private entry(level: 1 | 2, text: string, destination: string): void {
    this.contents.push({ level, text, destination, page: this.sheet.page })
    this.sheet.doc.addNamedDestination(destination, 'XYZ', 0, this.sheet.y, null as unknown as number)
  }

  block(block: ReportBlock): void {
    switch (block.kind) {
      case 'heading':
        this.sheet.room(60)
        this.sheet.y += 6
        this.entry(2, block.text, `part-${block.id}`)
        return this.sheet.paragraph('H2', block.text, { size: SIZE.heading, strong: true, keep: 30 })
      case 'text':
        return this.sheet.paragraph('P', block.text, {
          strong: block.look === 'strong',
          soft: block.look === 'soft',
          keep: block.look === 'strong' ? 16 : 0,
        })
      case 'list':
        for (const item of block.items) {
          this.sheet.room(SIZE.text * LEAD)
          const y = this.sheet.y
          const page = this.sheet.page
          this.sheet.paragraph('LI', item, { indent: 12 })
          if (page === this.sheet.page) this.sheet.artifact(() => this.sheet.words.put('–', MARGIN + 2, y, false, SIZE.text))
          this.sheet.y -= GAP - 1.5
        }
        this.sheet.y += GAP
        return
      case 'verdict':
        return this.verdict(block.verdict, block.text)
      case 'safety':
        return this.boxed(`${SIGNAL_WORDS[block.note.level]}: ${block.note.hazard} ${block.note.action}`)
      case 'table':
        return putTable(this.sheet, block)
      case 'formula':
        return putFormula(this.sheet, block)
      case 'drawing':
        putDrawing(this.sheet, block.drawing, block.description)
        return this.caption(block.caption)
      case 'picture':
        if (putPicture(this.sheet, block.jpeg, block.caption)) return this.caption(block.caption)
        return this.sheet.paragraph(
          'P',
          `The picture of “${block.caption}” cannot be read, and is left out here. The project file has it.`,
          { soft: true },
        )
      case 'blanks':
        return this.blanks(block.labels)
    }
  }

  private verdict(verdict: Verdict, words: string): void {
    const label = FINDING_SHORT[verdict].toUpperCase()
    const size = 7.5
    const labelWidth = this.sheet.words.widthOf(label, true, size) + 10
    const lines = this.sheet.words.lines(words, this.sheet.width - labelWidth - 8, false, SIZE.text)
    const height = SIZE.text * LEAD
    this.sheet.room(lines.length * height + 2)
    const { y } = this.sheet
    const { fill, ink } = LABEL[verdict]
    this.sheet.artifact(() =>
      this.sheet.doc
        .lineWidth(0.8)
        .rect(MARGIN, y - 1, labelWidth, 12)
        .fillAndStroke(fill, INK),
    )
    this.sheet.tagged('P', () => {
      this.sheet.words.put(label, MARGIN + 5, y + 1.4, true, size, ink)
      lines.forEach((line, i) => this.sheet.words.put(line, MARGIN + labelWidth + 8, y + i * height, false, SIZE.text))
    })
    this.sheet.y += Math.max(lines.length * height, 13) + GAP
  }
  private boxed(words: string): void {
    const lines = this.sheet.words.lines(words, this.sheet.width - 20, true, SIZE.text)
    const height = lines.length * SIZE.text * LEAD + 10
    this.sheet.room(height)
    const { y } = this.sheet
    this.sheet.artifact(() =>
      this.sheet.doc
        .lineWidth(1.4)
        .strokeColor(INK)
        .rect(MARGIN + 1, y, this.sheet.width - 2, height)
        .stroke(),
    )
    this.sheet.tagged('P', () =>
      lines.forEach((line, i) => this.sheet.words.put(line, MARGIN + 10, y + 6 + i * SIZE.text * LEAD, true, SIZE.text)),
    )
    this.sheet.y += height + GAP
  }

  private caption(words: string): void {
    this.figures += 1
    this.sheet.paragraph('Caption', `Figure ${this.figures}. ${words}`, { size: SIZE.small, soft: true })
  }
  private blanks(labels: readonly string[]): void {
    const height = 46
    this.sheet.room(height)
    const y = this.sheet.y + 26
    const width = this.sheet.width / labels.length
    this.sheet.tagged('P', () =>
      labels.forEach((label, i) => {
        this.sheet.doc
          .lineWidth(0.8)
          .strokeColor(INK)
          .moveTo(MARGIN + i * width, y)
          .lineTo(MARGIN + (i + 1) * width - 14, y)
          .stroke()
        this.sheet.words.put(label, MARGIN + i * width, y + 3, false, SIZE.small)
      }),
    )
    this.sheet.y += height
  }

  /** Contents on their page, numbers on all pages, then the bytes. */
  async end(): Promise<Uint8Array> {
    this.writeContents()
    const { count } = this.sheet.doc.bufferedPageRange()
    const foot = `${this.report.title}, ${this.report.madeOn}`
    for (let i = 0; i < count; i += 1) {
      this.sheet.doc.switchToPage(i)
      const y = this.sheet.doc.page.height - FOOT
      this.sheet.artifact(() => {
        this.sheet.words.put(this.sheet.words.lines(foot, this.sheet.width - 90, false, SIZE.small)[0]!, MARGIN, y, false, SIZE.small, SOFT)
        const number = `Page ${i + 1} of ${count}`
        this.sheet.words.put(
          number,
          MARGIN + this.sheet.width - this.sheet.words.widthOf(number, false, SIZE.small),
          y,
          false,
          SIZE.small,
          SOFT,
        )
      })
    }
    this.sheet.root.end()
    this.sheet.doc.end()
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
    const last = this.sheet.page
    this.sheet.doc.switchToPage(this.contentsPage)
    this.sheet.y = MARGIN
    this.sheet.paragraph('H1', 'Contents', { size: SIZE.section, strong: true })
    const step = 13
    const room = Math.floor((this.sheet.bottom - this.sheet.y) / step)
    const sections = this.contents.filter((one) => one.level === 1)
    const chosen = this.contents.length <= room ? this.contents : this.shortened(room - sections.length)
    for (const one of chosen) {
      const strong = one.level === 1
      const size = strong ? SIZE.text : SIZE.dense
      const indent = strong ? 0 : 14
      const { y } = this.sheet
      const line = this.sheet.words.lines(one.text, this.sheet.width - indent - 40, strong, size)[0]!
      const number = String(one.page + 1)
      this.sheet.tagged('TOCI', () => {
        this.sheet.words.put(line, MARGIN + indent, y, strong, size)
        this.sheet.words.put(number, MARGIN + this.sheet.width - this.sheet.words.widthOf(number, strong, size), y, strong, size)
      })
      this.sheet.doc.goTo(MARGIN, y, this.sheet.width, step, one.destination)
      this.sheet.y += step
    }
    this.sheet.doc.switchToPage(last)
  }
  /** Where not all parts have room, those of figures and single parts stay out: their section names them. */
  private shortened(room: number): ContentsEntry[] {
    const without = this.contents.filter((one) => one.level === 1 || !/^part-(figure-|part-|phase-)/.test(one.destination))
    return without.length <= room + this.report.sections.length ? without : this.contents.filter((one) => one.level === 1)
  }
}
