import { describe, expect, test } from '@jest/globals'
import { PDFDocument } from 'pdf-lib'
import { deflateSync } from 'node:zlib'
import { DEMO_PROJECT } from '../demo/project.ts'
import type { Project } from '../records/project.ts'
import { isPdf, readProjectFromPdf } from './project-in-pdf.ts'
import { writeProject } from './project-file.ts'

const text = writeProject(DEMO_PROJECT as Project)
async function pdfWith(attached: Record<string, string | Uint8Array>): Promise<Uint8Array> {
  const file = await PDFDocument.create()
  file.addPage()
  for (const [name, content] of Object.entries(attached))
    await file.attach(typeof content === 'string' ? new TextEncoder().encode(content) : content, name, { mimeType: 'application/json' })
  return await file.save({ useObjectStreams: false })
}
const said = async (bytes: Uint8Array) => {
  const read = await readProjectFromPdf(bytes)
  return read.ok ? 'a project' : read.problems.map((one) => `${one.place} ${one.message}`).join('; ')
}
/** The stream of the first attachment with other contents. */
function withStream(pdf: Uint8Array, contents: Uint8Array): Uint8Array {
  const all = Buffer.from(pdf)
  const head = all.indexOf('/EmbeddedFile')
  const from = all.indexOf('stream\n', head) + 'stream\n'.length
  const to = all.indexOf('\nendstream', from)
  return Buffer.concat([all.subarray(0, from), contents, all.subarray(to)])
}

describe('a project in a PDF', () => {
  test('is found among other attachments', async () => {
    expect(await said(await pdfWith({ 'club.json': text }))).toBe('a project')
    expect(await said(await pdfWith({ 'other.json': '{"a":1}', 'club.json': text, 'note.txt': 'hello' }))).toBe('a project')
  })
  test('has the same checks as any file', async () => {
    expect(await said(await pdfWith({ 'club.json': '{"format":"something"}' }))).toContain('is not a project of this application')
    expect(await said(await pdfWith({ 'club.json': text.replace('"mm"', '"furlong"') }))).toContain('must be')
  })
  test('that is not there, or in a file that is none, is said in a sentence', async () => {
    expect(await said(await pdfWith({}))).toContain('holds no project')
    expect(await said(await pdfWith({ 'note.txt': text }))).toContain('holds no project')
    expect(await said(new TextEncoder().encode('%PDF-1.7 and then nothing'))).toMatch(/damaged|holds no project/)
    const whole = await pdfWith({ 'club.json': text })
    for (const share of [0.1, 0.4, 0.8, 0.97]) expect(await said(whole.slice(0, Math.floor(whole.length * share)))).not.toBe('')
  })
  test('whose stream is damaged or unpacks to gigabytes is refused', async () => {
    const whole = await pdfWith({ 'club.json': text })
    expect(await said(withStream(whole, Buffer.alloc(2000, 7)))).toContain('damaged')
    const bomb = deflateSync(Buffer.alloc(70_000_000, 32))
    expect(await said(withStream(whole, bomb))).toContain('larger than 64 MB')
  })
  test('bytes anywhere in the file may be wrong: there is always an answer', async () => {
    const whole = await pdfWith({ 'club.json': text })
    let seed = 17
    for (let round = 0; round < 40; round += 1) {
      const broken = whole.slice()
      for (let i = 0; i < 30; i += 1) {
        seed = (seed * 48271) % 2147483647
        broken[seed % broken.length] = seed % 251
      }
      expect(await said(broken)).not.toBe('')
    }
  })
  test('is told by its first bytes', () => {
    expect(isPdf(new TextEncoder().encode('%PDF-1.7'))).toBe(true)
    expect(isPdf(new TextEncoder().encode('{"format":1}'))).toBe(false)
  })
})
