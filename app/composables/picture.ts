import { wrap, type Remote } from 'comlink'
import { onScopeDispose, ref, shallowRef, toRaw } from 'vue'
import type { Px } from '#core/vision/grey.ts'
import type { FourMarks } from '#core/vision/marks.ts'
import type { DrawnScene } from '#core/vision/simulated-camera.ts'
import type { Traced } from '#core/vision/snap.ts'
import type { PictureRequest, OpenPicture, Opened, PictureApi } from '../workers/picture.worker.ts'

/** A picture that keeps the reader busy longer than this is given up, ms. */
const PATIENCE_MS = 30_000

const plain = <T>(value: T): T => JSON.parse(JSON.stringify(toRaw(value))) as T

/** A picture in hand, in a worker of its own: it is read there, asked there, and goes with the worker. */
export function usePicture() {
  let worker: Worker | undefined
  let remote: Remote<PictureApi> | undefined
  const shown = shallowRef<Opened>()
  const busy = ref(false)
  let stopped: (() => void) | undefined

  function start(): Remote<PictureApi> {
    worker ??= new Worker(new URL('../workers/picture.worker.ts', import.meta.url), { type: 'module' })
    return (remote ??= wrap<PictureApi>(worker))
  }
  function close(): void {
    worker?.terminate()
    worker = remote = undefined
    shown.value?.shown.close()
    shown.value = undefined
    stopped?.()
  }
  onScopeDispose(close)

  async function taken(name: string, work: (api: Remote<PictureApi>) => Promise<OpenPicture>): Promise<OpenPicture> {
    busy.value = true
    const given = new Promise<OpenPicture>((done) => {
      stopped = () => done({ ok: false, message: `${name} was left. Nothing was changed.` })
    })
    const late = setTimeout(() => {
      close()
    }, PATIENCE_MS)
    const found = await Promise.race([
      work(start()).catch((error: unknown): OpenPicture => ({
        ok: false,
        message: `${name} cannot be read: ${((error as Error).message ?? 'an unknown fault').slice(0, 160)}. Nothing was changed.`,
      })),
      given,
    ])
    clearTimeout(late)
    stopped = undefined
    busy.value = false
    if (found.ok) {
      shown.value?.shown.close()
      shown.value = found
    }
    return found
  }

  return {
    shown,
    busy,
    close,
    open: (file: File, page = 1): Promise<OpenPicture> =>
      taken(file.name.slice(0, 80), (api) => api.open(file, file.name.slice(0, 80), page) as Promise<OpenPicture>),
    example: (drawn: DrawnScene[]): Promise<OpenPicture> =>
      taken('The example', (api) => api.example(plain(drawn)) as Promise<OpenPicture>),
    findMarks: () => start().findMarks(),
    readMarks: (marks: FourMarks, exact: boolean) => start().readMarks(plain(marks), exact),
    snap: (px: Px, reachPx: number, what: Traced, linePx: number) => start().snap(plain(px), reachPx, what, linePx),
    follow: (from: Px, to: Px, what: Traced, linePx: number) => start().follow(plain(from), plain(to), what, linePx),
    piece: (px: Px, sizePx: number, by: number) => start().piece(plain(px), sizePx, by),
    outline: <Tag extends string>(asked: PictureRequest<Tag>) => start().outline(plain(asked)),
    behind: (asked: PictureRequest, points: [number, number][]) => start().behind(plain(asked), plain(points)),
  }
}
export type Picture = ReturnType<typeof usePicture>
