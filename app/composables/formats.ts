import { wrap, type Remote } from 'comlink'
import { createSharedComposable } from '@vueuse/core'
import { shallowRef, toRaw } from 'vue'
import type { ReadProject } from '#core/formats/project-file.ts'
import type { TakenReports } from '#core/formats/fit-reports-text.ts'
import type { DxfLayer, DxfPlacing, ReadDxf } from '#core/formats/dxf-read.ts'
import type { Paper, TemplateOptions } from '#core/formats/template.ts'
import type { NamedOutline } from '#core/records/field.ts'
import type { FormatsApi, PlacedTemplate } from '../workers/formats.worker.ts'

/** A file that keeps the reader busy longer than this is given up, ms. */
const PATIENCE_MS = 20_000
/** What is read sooner than this needs no word, ms. */
const SHOW_AFTER_MS = 800

const plain = <T>(value: T): T => JSON.parse(JSON.stringify(toRaw(value))) as T

/** What came of a file, or in one sentence why nothing did. */
type FromFile<T> = { ok: true; value: T } | NotRead
interface NotRead {
  ok: false
  /** With the file's name in front. */
  message: string
  /** Without it. */
  why: string
  /** Whoever opened it has left it. */
  left: boolean
}

/**
 * Files are read, and drawings and templates made, away from the page: a hostile file holds nobody up, can be left, and
 * whatever happens to it is caught in this one place.
 */
export const useFormats = createSharedComposable(() => {
  let worker: Worker | undefined
  let remote: Remote<FormatsApi> | undefined
  /** The file that is being read, when it takes a while. */
  const reading = shallowRef<{ name: string; cancel: () => void }>()

  function start(): Remote<FormatsApi> {
    worker ??= new Worker(new URL('../workers/formats.worker.ts', import.meta.url), { type: 'module' })
    return (remote ??= wrap<FormatsApi>(worker))
  }
  function stop(): void {
    worker?.terminate()
    worker = undefined
    remote = undefined
  }

  async function from<T>(name: string, work: (api: Remote<FormatsApi>) => Promise<T>): Promise<FromFile<T>> {
    const called = name.slice(0, 80)
    const not = (why: string, left = false): NotRead => ({ ok: false, message: `${called} ${why} Nothing was changed.`, why, left })
    let end: (what: NotRead) => void = () => undefined
    const ended = new Promise<NotRead>((done) => (end = done))
    const late = setTimeout(
      () => end(not('takes too long to read, and reading was stopped. Export a smaller part of the drawing.')),
      PATIENCE_MS,
    )
    const shown = setTimeout(() => {
      reading.value = { name: called, cancel: () => end(not('was left.', true)) }
    }, SHOW_AFTER_MS)
    let read = false
    const answer = work(start()).then(
      (value): FromFile<T> => ((read = true), { ok: true, value }),
      (error: unknown): FromFile<T> => {
        read = true
        return not(`cannot be read: ${wordsOf(error)}.`)
      },
    )
    const first = await Promise.race([answer, ended])
    clearTimeout(late)
    clearTimeout(shown)
    reading.value = undefined
    // what goes on reading is stopped
    if (!read) stop()
    return first
  }

  return {
    reading,
    readProject: (file: File): Promise<FromFile<ReadProject>> => from(file.name, (api) => api.readProject(file) as Promise<ReadProject>),
    readReports: (file: File): Promise<FromFile<TakenReports>> => from(file.name, (api) => api.readReports(file) as Promise<TakenReports>),
    async readDxf(file: File): Promise<ReadDxf> {
      const found = await from(file.name, (api) => api.readDxf(file) as Promise<ReadDxf>)
      if (!found.ok) return found
      return found.value.ok ? found.value : { ok: false, message: `${file.name.slice(0, 80)}: ${found.value.message}` }
    },
    async place(layers: readonly DxfLayer[], placing: DxfPlacing, kind: 'outlines' | 'profile'): Promise<PlacedTemplate> {
      const found = await from('The drawing', (api) => api.placeDxf(plain([...layers]), placing, kind) as Promise<PlacedTemplate>)
      return found.ok ? found.value : found
    },
    write: (outlines: readonly Pick<NamedOutline, 'name' | 'points'>[]) =>
      start().writeDxf(plain(outlines.map(({ name, points }) => ({ name, points })))),
    referenceSheet: (paper: Paper) => start().referenceSheetPdf(paper),
    pdf: (outlines: readonly NamedOutline[], options: TemplateOptions) => start().templatePdf(plain([...outlines]), options),
  }
})

/** A browser's own words for a file it cannot hand over are no help. */
function wordsOf(error: unknown): string {
  const { name, message } = error as { name?: string; message?: string }
  if (name === 'NotReadableError' || name === 'NotFoundError') return 'was it moved, or is it a folder'
  return (message ?? 'an unknown fault').slice(0, 200)
}
