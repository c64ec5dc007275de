import { wrap, type Remote } from 'comlink'
import { onScopeDispose, ref } from 'vue'
import type { FoundLine, FoundPieces, FoundPlane, FoundRound, OpenedScan, ScanApi, ScanPlacing } from '../workers/scan.worker.ts'

/** The worker of one scan, started with the first file and ended with the dialog. */
export function useScan() {
  let worker: Worker | undefined
  let remote: Remote<ScanApi> | undefined
  /** Answers what nobody waits for any more. */
  let stopped: (() => void) | undefined

  function start(): Remote<ScanApi> {
    worker ??= new Worker(new URL('../workers/scan.worker.ts', import.meta.url), { type: 'module' })
    return (remote ??= wrap<ScanApi>(worker))
  }
  function close(): void {
    worker?.terminate()
    worker = remote = undefined
    stopped?.()
    stopped = undefined
  }
  onScopeDispose(close)

  /** The share of the file that has been read; 1: the mesh is being prepared. */
  const share = ref(0)
  async function bytesOf(file: File): Promise<ArrayBuffer> {
    const bytes = new Uint8Array(file.size)
    let at = 0
    const reader = file.stream().getReader()
    for (;;) {
      const { done, value } = await reader.read()
      if (done) break
      bytes.set(value, at)
      at += value.byteLength
      share.value = Math.min(1, at / Math.max(file.size, 1))
    }
    return bytes.buffer
  }

  async function open(file: File): Promise<OpenedScan | undefined> {
    close()
    share.value = 0
    const cancelled = new Promise<undefined>((resolve) => (stopped = () => resolve(undefined)))
    try {
      const buffer = await Promise.race([bytesOf(file), cancelled])
      if (!buffer) return undefined
      return await Promise.race([start().open(file.name, buffer), cancelled])
    } catch {
      return { ok: false, message: `${file.name.slice(0, 80)} cannot be read. Copy it to this machine and try again.` }
    }
  }
  return {
    open,
    share,
    close,
    setUnit: (unit: Parameters<ScanApi['setUnit']>[0]): Promise<string | undefined> => start().setUnit(unit),
    face: (triangle: number): Promise<FoundPlane> => start().face(triangle),
    round: (triangle: number, axis: Parameters<ScanApi['round']>[1]): Promise<FoundRound> => start().round(triangle, axis),
    piece: (triangles: Uint32Array | undefined, name?: string): Promise<FoundPieces> => start().piece(triangles, name),
    line: (kind: 'caliper' | 'wheel', placing: ScanPlacing): Promise<FoundLine> => start().line(kind, placing),
  }
}
