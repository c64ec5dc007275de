import { PDFArray, PDFDict, PDFDocument, PDFHexString, PDFName, PDFRawStream, PDFString, type PDFObject } from 'pdf-lib'
import { FORMAT } from '../records/project.ts'
import { MAX_FILE_BYTES, readProject, type ReadProject } from './project-file.ts'

/** A project inside the PDF of its technical report (ISO 32000-1, 7.11.4: embedded file streams). */

/** Whether bytes are a PDF: its mark stands within the first kilobyte. */
export const isPdf = (bytes: Uint8Array): boolean => {
  const head = String.fromCharCode(...bytes.subarray(0, 1024))
  return head.includes('%PDF-')
}

const refused = (message: string): ReadProject => ({ ok: false, problems: [{ path: '', place: 'the PDF', message }] })
const NO_PROJECT = 'holds no project. Open the PDF of a technical report of this application, or an exported project file.'

/**
 * The project attached to a PDF, with the same checks as any file. Whatever comes in, the answer is a project or a sentence;
 * nothing is thrown.
 */
export async function readProjectFromPdf(bytes: Uint8Array): Promise<ReadProject> {
  let streams: { name: string; stream: PDFRawStream }[]
  try {
    const file = await PDFDocument.load(bytes, { updateMetadata: false, ignoreEncryption: true, throwOnInvalidObject: true })
    streams = attachmentsOf(file)
  } catch {
    return refused('is damaged and cannot be read. Save it again from where it came from.')
  }
  const found = streams.filter(({ name }) => /\.json$/i.test(name))
  if (found.length === 0) return refused(NO_PROJECT)
  for (const { stream } of found) {
    const text = await textOf(stream)
    if (text === 'too large') return refused(`holds a project larger than ${MAX_FILE_BYTES / 1e6} MB, the limit for a project.`)
    if (text === 'damaged') return refused('holds a project that is damaged. Save the PDF again from where it came from.')
    // another program may have attached other tables beside it
    if (found.length === 1 || text.includes(`"${FORMAT}"`)) return readProject(text)
  }
  return refused(NO_PROJECT)
}

/** Names and streams of all files that a document names as attached; a tree of names may have branches. */
function attachmentsOf(file: PDFDocument): { name: string; stream: PDFRawStream }[] {
  const { context } = file
  const found: { name: string; stream: PDFRawStream }[] = []
  const seen = new Set<PDFObject>()
  const dict = (one: PDFObject | undefined): PDFDict | undefined => {
    const at = one && context.lookup(one)
    return at instanceof PDFDict ? at : undefined
  }
  const visit = (node: PDFDict | undefined): void => {
    if (!node || seen.has(node) || seen.size > 1000) return
    seen.add(node)
    const names = context.lookup(node.get(PDFName.of('Names')))
    if (names instanceof PDFArray)
      for (let i = 0; i + 1 < names.size(); i += 2) {
        const spec = dict(names.get(i + 1))
        const stream = context.lookup(dict(spec?.get(PDFName.of('EF')))?.get(PDFName.of('F')))
        const name = context.lookup(spec?.get(PDFName.of('UF')) ?? spec?.get(PDFName.of('F')))
        if (stream instanceof PDFRawStream && (name instanceof PDFString || name instanceof PDFHexString))
          found.push({ name: name.decodeText(), stream })
      }
    const kids = context.lookup(node.get(PDFName.of('Kids')))
    if (kids instanceof PDFArray) kids.asArray().forEach((one) => visit(dict(one)))
  }
  visit(dict(dict(file.catalog.get(PDFName.of('Names')))?.get(PDFName.of('EmbeddedFiles'))))
  return found
}

/** Unpacks no more than a project may hold: a few bytes can unpack to gigabytes. */
async function textOf(stream: PDFRawStream): Promise<string | 'too large' | 'damaged'> {
  const filter = stream.dict.lookup(PDFName.of('Filter'))
  const plain = filter === undefined
  if (!plain && filter !== PDFName.of('FlateDecode')) return 'damaged'
  const contents = stream.getContents()
  if (plain) return contents.byteLength > MAX_FILE_BYTES ? 'too large' : new TextDecoder().decode(contents)
  const reader = new Blob([new Uint8Array(contents)]).stream().pipeThrough(new DecompressionStream('deflate')).getReader()
  const decoder = new TextDecoder()
  let text = ''
  let size = 0
  try {
    for (;;) {
      const { done, value } = await reader.read()
      if (done) return text + decoder.decode()
      size += value.byteLength
      if (size > MAX_FILE_BYTES) {
        await reader.cancel()
        return 'too large'
      }
      text += decoder.decode(value, { stream: true })
    }
  } catch {
    return 'damaged'
  }
}
