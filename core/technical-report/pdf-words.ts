import type PDFDocument from 'pdfkit'

type Pdf = InstanceType<typeof PDFDocument>
export const INK = '#111111'
export const SOFT = '#555555'

/** So many texts and words are remembered: tables say the same again and again. */
const MOST_TEXTS = 5000
const MOST_WORDS = 50_000

/** Text on the pages of a PDF: what of it can be printed, how wide it is, where its lines break. */
export class PdfWords {
  /** Widths of words in thousandths of the size, for each weight. */
  private readonly widths = { regular: new Map<string, number>(), strong: new Map<string, number>() }
  private readonly printable = new Map<string, string>()

  constructor(
    private readonly doc: Pdf,
    fonts: { regular: Uint8Array; strong: Uint8Array },
  ) {
    doc.registerFont('regular', fonts.regular as Buffer)
    doc.registerFont('strong', fonts.strong as Buffer)
  }

  /** A sign that the font lacks becomes a question mark, which the reader sees; the attached file has the name in full. */
  known(text: string): string {
    const before = this.printable.get(text)
    if (before !== undefined) return before
    this.doc.font('regular')
    const { font } = (this.doc as unknown as { _font: { font: { hasGlyphForCodePoint(code: number): boolean } } })._font
    const plain = [...text.normalize('NFC')]
      .map((sign) => {
        const code = sign.codePointAt(0)!
        // controls and marks that turn the direction of writing are nothing to print
        if (/[\p{Cc}\p{Cf}\p{Cs}]/u.test(sign)) return sign === '\n' || sign === '\t' ? ' ' : ''
        if (sign === '\u202f' || sign === '\u00a0') return '\u00a0'
        return font.hasGlyphForCodePoint(code) ? sign : '?'
      })
      .join('')
    if (this.printable.size < MOST_TEXTS) this.printable.set(text, plain)
    return plain
  }

  widthOf(text: string, strong: boolean, size: number): number {
    const weight = strong ? 'strong' : 'regular'
    let width = this.widths[weight].get(text)
    if (width === undefined) {
      width = this.doc.font(weight).fontSize(1000).widthOfString(text)
      if (this.widths[weight].size < MOST_WORDS) this.widths[weight].set(text, width)
    }
    return (width * size) / 1000
  }

  /** Lines of a text in a width: words as they come, a word that is too long cut. */
  lines(text: string, width: number, strong: boolean, size: number): string[] {
    const of = (one: string) => this.widthOf(one, strong, size)
    const blank = of(' ')
    const found: string[] = []
    let line = ''
    let used = 0
    for (const word of this.known(text).split(/ +/)) {
      let rest = word
      if (line !== '' && used + blank + of(rest) <= width) {
        line = `${line} ${rest}`
        used += blank + of(rest)
        continue
      }
      if (line !== '') found.push(line)
      while (of(rest) > width && rest.length > 1) {
        let cut = Math.max(Math.floor((rest.length * width) / of(rest)), 1)
        while (cut > 1 && of(rest.slice(0, cut)) > width) cut -= 1
        found.push(rest.slice(0, cut))
        rest = rest.slice(cut)
      }
      line = rest
      used = of(rest)
    }
    if (line !== '' || found.length === 0) found.push(line)
    return found
  }

  /** One line with its upper left corner at a place. */
  put(line: string, x: number, y: number, strong: boolean, size: number, color = INK): void {
    if (line === '') return
    this.doc
      .font(strong ? 'strong' : 'regular')
      .fontSize(size)
      .fillColor(color)
      .text(line, x, y, { lineBreak: false })
  }
}
