import { describe, expect, test } from '@jest/globals'
import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { produce } from 'immer'
import { DEMO_PROJECT } from '../demo/project.ts'
import { evaluate } from '../evaluate/evaluate.ts'
import { writeProject } from '../formats/project-file.ts'
import { readProjectFromPdf } from '../formats/project-in-pdf.ts'
import type { Project } from '../records/project.ts'
import { uncertaintyOf } from '../uncertainty/uncertainty-report.ts'
import type { ReportDocument, SectionId } from './blocks.ts'
import { reportPdf, type PdfPaper } from './pdf.ts'
import { nameOf, showIn } from './source.ts'
import { technicalReport } from './technical-report.ts'

const need = createRequire(import.meta.url)
const font = (weight: string) => new Uint8Array(readFileSync(need.resolve(`@expo-google-fonts/inter/${weight}/Inter_${weight}.ttf`)))
const FONTS = { regular: font('400Regular'), strong: font('600SemiBold') }
const report = (project: Project, setupId: string) => technicalReport(project, setupId, { version: '9.9.9', madeOn: '2026-09-20' })
/** The demo's report, and some of its sections alone. */
const DEMO = report(DEMO_PROJECT as Project, 'balanced')
const only = (of: ReportDocument, ...sections: SectionId[]): ReportDocument => ({
  ...of,
  sections: of.sections.filter((one) => one.id === 'summary' || sections.includes(one.id)),
})
const made = (of: ReportDocument, paper: PdfPaper = 'A4') => reportPdf(of, { fonts: FONTS, paper })
const demo = (change: (draft: Project) => void): Project => produce(DEMO_PROJECT as Project, (draft) => void change(draft as Project))

/** Another reader than the one that opens projects: text of each page without blanks, and what is attached. */
async function readByPdfJs(bytes: Uint8Array) {
  const { getDocument } = await import('pdfjs-dist/legacy/build/pdf.mjs')
  const file = await getDocument({
    data: bytes.slice(),
    useWorkerFetch: false,
    isEvalSupported: false,
    disableFontFace: true,
    verbosity: 0,
  }).promise
  const pages: string[] = []
  for (let i = 1; i <= file.numPages; i += 1) {
    const { items } = await (await file.getPage(i)).getTextContent()
    pages.push(items.map((one) => ('str' in one ? one.str : '')).join(''))
  }
  const attachments = ((await file.getAttachments()) ?? {}) as Record<string, { filename: string; content: Uint8Array }>
  const { info } = (await file.getMetadata()) as unknown as { info: Record<string, unknown> }
  const marked = await file.getMarkInfo()
  await file.destroy()
  return { pages, attachments, info, marked }
}
const bare = (text: string) => text.replace(/[\s\u00a0\u202f]+/g, '')

describe('the report as a PDF', () => {
  test('every figure stands in it as it was evaluated, the pages are numbered, the title is set', async () => {
    const project = DEMO_PROJECT as Project
    const evaluated = evaluate(project, 'balanced')
    const { pages, info, marked } = await readByPdfJs(await made(DEMO))
    const all = pages.map(bare).join('')
    const show = showIn({ project, report: evaluated, uncertainty: uncertaintyOf(project, evaluated) })
    for (const figure of Object.values(evaluated.figures)) {
      if (figure.optional && figure.value === undefined) continue
      const name = bare(nameOf(figure))
      const value = bare(`= ${show.figure(figure)}`)
      const at = all.indexOf(value, all.indexOf(name))
      expect(`${figure.id} ${at}`).not.toMatch(/-1$/)
      for (const input of figure.inputs) expect(all).toContain(bare(show.input(input)))
    }
    pages.forEach((page, i) => expect(page).toContain(`Page ${i + 1} of ${pages.length}`))
    expect(info.Title).toBe(`Technical report: ${project.name}`)
    expect(info.Language).toBe('en')
    expect(marked).toMatchObject({ Marked: true })
  })
  test('the project inside is the export, byte for byte, for two readers', async () => {
    const project = DEMO_PROJECT as Project
    const bytes = await made(only(DEMO), 'LETTER')
    const { attachments } = await readByPdfJs(bytes)
    expect(Object.values(attachments).map((one) => new TextDecoder().decode(one.content))).toEqual([writeProject(project)])
    const read = await readProjectFromPdf(bytes)
    expect(read.ok && writeProject(read.project)).toBe(writeProject(project))
  })
  test('one without the project says so when it is opened', async () => {
    const bytes = await made({ ...only(DEMO), attached: undefined })
    expect(await readProjectFromPdf(bytes)).toMatchObject({
      ok: false,
      problems: [{ message: expect.stringContaining('holds no project') }],
    })
  })
  test('names of any kind are put down, marks that turn the writing are not', async () => {
    const name = 'Жук \u202e(/)\\ <b> 車 \u0000 ' + 'x'.repeat(80)
    const project = demo((draft) => {
      draft.name = name.replace('\u0000', '')
      for (const part of draft.parts) part.name = part.name.slice(0, 30) + ' (/)\\ \u202e'
    })
    const { pages } = await readByPdfJs(await made(only(report(project, 'balanced'), 'parts')))
    expect(pages[0]).toContain('Жук')
    expect(bare(pages[0]!)).toContain('(/)\\<b>?')
    expect(pages.join('')).not.toMatch(/\u202e/)
  })
  test('the same project on the same day is the same file', async () => {
    const [a, b] = [await made(only(DEMO, 'method')), await made(only(DEMO, 'method'))]
    expect(Buffer.from(a).equals(Buffer.from(b))).toBe(true)
  })
  test('a picture that cannot be read is said, and the rest is there', async () => {
    const project = demo((draft) => {
      draft.builds = [{ id: 'balanced', notes: [{ id: 'bench.read', picture: 'data:image/jpeg;base64,AAAA' }], torques: [] }]
    })
    const { pages } = await readByPdfJs(await made(only(report(project, 'balanced'), 'work', 'method')))
    expect(bare(pages.join(''))).toContain('SHA-256')
  })
})
