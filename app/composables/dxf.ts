import { wrap, type Remote } from 'comlink'
import { createSharedComposable } from '@vueuse/core'
import { toRaw } from 'vue'
import type { DxfLayer, DxfPlacing, ReadDxf } from '#core/formats/dxf-read.ts'
import type { TemplateOptions } from '#core/formats/template.ts'
import type { NamedOutline } from '#core/model/field.ts'
import type { FormatsApi, Placed } from '../workers/formats.worker.ts'

/** A file that keeps the reader busy longer than this is given up, ms. */
const PATIENCE_MS = 8000

const plain = <T>(value: T): T => JSON.parse(JSON.stringify(toRaw(value))) as T

/** Drawings and templates, made away from the page so that a hostile file cannot hold it up. */
export const useDxf = createSharedComposable(() => {
  let worker: Worker | undefined
  let remote: Remote<FormatsApi> | undefined

  function start(): Remote<FormatsApi> {
    worker ??= new Worker(new URL('../workers/formats.worker.ts', import.meta.url), { type: 'module' })
    return (remote ??= wrap<FormatsApi>(worker))
  }
  function stop(): void {
    worker?.terminate()
    worker = undefined
    remote = undefined
  }
  async function inTime<T>(work: Promise<T>): Promise<T | undefined> {
    let timer: ReturnType<typeof setTimeout>
    const late = new Promise<undefined>((done) => {
      timer = setTimeout(() => done(undefined), PATIENCE_MS)
    })
    const first = await Promise.race([work, late])
    clearTimeout(timer!)
    if (first === undefined) stop()
    return first
  }
  const TOO_LONG = 'takes too long to read and was given up. Export the outline alone.'

  return {
    async read(text: string): Promise<ReadDxf> {
      return (await inTime(start().readDxf(text) as Promise<ReadDxf>)) ?? { ok: false, message: TOO_LONG }
    },
    async place(layers: readonly DxfLayer[], placing: DxfPlacing, kind: 'outlines' | 'profile'): Promise<Placed> {
      return (await inTime(start().placeDxf(plain([...layers]), placing, kind) as Promise<Placed>)) ?? { ok: false, message: TOO_LONG }
    },
    write: (outlines: readonly Pick<NamedOutline, 'name' | 'points'>[]) =>
      start().writeDxf(plain(outlines.map(({ name, points }) => ({ name, points })))),
    pdf: (outlines: readonly NamedOutline[], options: TemplateOptions) => start().templatePdf(plain([...outlines]), options),
  }
})
