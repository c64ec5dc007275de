import { wrap, type Remote } from 'comlink'
import { onScopeDispose } from 'vue'
import type { FoundLine, FoundPlane, FoundRound, OpenedScan, ScanApi, ScanPlacing } from '../workers/scan.worker.ts'

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

  async function open(file: File): Promise<OpenedScan | undefined> {
    close()
    const cancelled = new Promise<undefined>((resolve) => (stopped = () => resolve(undefined)))
    try {
      const buffer = await file.arrayBuffer()
      return await Promise.race([start().open(file.name, buffer), cancelled])
    } catch {
      return { ok: false, message: `${file.name.slice(0, 80)} cannot be read. Copy it to this machine and try again.` }
    }
  }
  return {
    open,
    close,
    setUnit: (unit: Parameters<ScanApi['setUnit']>[0]): Promise<string | undefined> => start().setUnit(unit),
    face: (triangle: number): Promise<FoundPlane> => start().face(triangle),
    round: (triangle: number, axis: Parameters<ScanApi['round']>[1]): Promise<FoundRound> => start().round(triangle, axis),
    line: (kind: 'caliper' | 'wheel', placing: ScanPlacing): Promise<FoundLine> => start().line(kind, placing),
  }
}
