type PdfPage = { ok: true; bitmap: ImageBitmap; pages: number } | { ok: false; message: string }

/** So many pixels is a page's longer side drawn with. */
const LONGEST_PX = 3200

/** Where the program that reads PDFs would ask a page for canvases, it gets ones that need none. */
class Canvases {
  create(width: number, height: number) {
    const canvas = new OffscreenCanvas(Math.max(width, 1), Math.max(height, 1))
    return { canvas, context: canvas.getContext('2d', { willReadFrequently: true }) }
  }
  reset(one: { canvas: OffscreenCanvas }, width: number, height: number) {
    one.canvas.width = Math.max(width, 1)
    one.canvas.height = Math.max(height, 1)
  }
  destroy(one: { canvas: OffscreenCanvas | null; context: unknown }) {
    one.canvas = null
    one.context = null
  }
}
class NoFilters {
  addFilter = () => 'none'
  addHCMFilter = () => 'none'
  addAlphaFilter = () => 'none'
  addLuminosityFilter = () => 'none'
  addHighlightHCMFilter = () => 'none'
  destroy = () => undefined
}

/** The fourteen letter forms that every reader of PDFs has, for files that bring none of their own: they ship with us. */
const LETTERS = import.meta.glob<string>('../../node_modules/pdfjs-dist/standard_fonts/*.{pfb,ttf}', { query: '?url', import: 'default' })
class Letters {
  async fetch({ kind, filename }: { kind: string; filename: string }): Promise<Uint8Array> {
    if (kind !== 'standardFontDataUrl') throw new Error(`no ${filename}: it is not among the letters`)
    const found = Object.entries(LETTERS).find(([path]) => path.endsWith(`/${filename}`))
    if (!found) throw new Error(`no letters called ${filename}`)
    return new Uint8Array(await (await fetch(await found[1]())).arrayBuffer())
  }
}

/** One page of a PDF as a picture. Nothing in the file is run, and nothing is fetched for it. */
export async function openPage(file: Blob, name: string, page: number): Promise<PdfPage> {
  // both with the first PDF only: half a megabyte
  const [pdf, worker] = await Promise.all([import('pdfjs-dist'), import('pdfjs-dist/build/pdf.worker.mjs')])
  // it would start a worker of its own; this is one
  ;(globalThis as { pdfjsWorker?: unknown }).pdfjsWorker = worker
  const task = pdf.getDocument({
    data: new Uint8Array(await file.arrayBuffer()),
    isEvalSupported: false,
    disableFontFace: true,
    useSystemFonts: false,
    useWorkerFetch: false,
    BinaryDataFactory: Letters,
    enableXfa: false,
    disableAutoFetch: true,
    CanvasFactory: Canvases,
    FilterFactory: NoFilters,
    verbosity: 0,
  } as Parameters<typeof pdf.getDocument>[0])
  try {
    const document = await task.promise
    const sheet = await document.getPage(Math.min(Math.max(page, 1), document.numPages))
    const size = sheet.getViewport({ scale: 1 })
    if (!(size.width > 1 && size.height > 1 && size.width < 30_000 && size.height < 30_000))
      return { ok: false, message: `Page ${page} of ${name} has no size that can be drawn. Nothing was changed.` }
    const viewport = sheet.getViewport({ scale: LONGEST_PX / Math.max(size.width, size.height) })
    const canvas = new OffscreenCanvas(Math.max(Math.round(viewport.width), 1), Math.max(Math.round(viewport.height), 1))
    const context = canvas.getContext('2d', { willReadFrequently: true })
    await sheet.render({ canvas: null, canvasContext: context as unknown as CanvasRenderingContext2D, viewport, background: '#fff' })
      .promise
    return { ok: true, bitmap: await createImageBitmap(canvas), pages: document.numPages }
  } catch (error) {
    const kind = (error as { name?: string }).name
    const why =
      kind === 'PasswordException'
        ? 'is locked with a password. Save a copy without one.'
        : kind === 'InvalidPDFException'
          ? 'is damaged or incomplete.'
          : `cannot be drawn: ${((error as Error).message ?? 'unknown fault').slice(0, 160)}.`
    return { ok: false, message: `${name} ${why} Nothing was changed.` }
  } finally {
    void task.destroy()
  }
}
