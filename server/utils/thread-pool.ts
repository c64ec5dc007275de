import { Piscina } from 'piscina'

interface PoolLimits {
  threads: number
  /** So many wait; whoever comes after is sent away for a while. */
  queue: number
  /** Nothing takes longer than this, the wait apart, ms. */
  mostMs: number
  memoryMb: number
}

type Pooled<T> = { ok: true; value: T } | { ok: false; why: 'busy' | 'tooLong' | 'tooLarge' | 'gone' }

/** What reaches the work: the task, and a flag it sets first of all, for waiting in the queue does not count. */
export interface Timed<T> {
  task: T
  begun: Int32Array
}

/**
 * Work in threads of their own, with an end to how much of it there may be and how long it may take: no task holds
 * another, and none holds the thread that answers.
 * @param filename a module whose default export takes a `Timed` task
 */
export function threadPool<T, R>(filename: string, limits: PoolLimits) {
  const pool = new Piscina<Timed<T>, R>({
    filename,
    // a thread that has nothing to do gives its memory back
    minThreads: 0,
    maxThreads: limits.threads,
    idleTimeout: 10_000,
    // the thread that answers comes first
    niceIncrement: 10,
    resourceLimits: { maxOldGenerationSizeMb: limits.memoryMb },
  })
  // what is stopped has died unasked
  pool.on('error', () => undefined)

  let taken = 0
  /**
   * Whoever waits waits here and not in the pool: when the only thread that runs is stopped, the pool starts no other for
   * what it has in its own queue.
   */
  let running = 0
  const waiting: (() => void)[] = []
  /** @returns false when whoever asked has gone before its turn */
  const turn = (gone: AbortSignal | undefined): Promise<boolean> =>
    new Promise((resolve) => {
      if (running < limits.threads) {
        running += 1
        return resolve(true)
      }
      const go = () => {
        gone?.removeEventListener('abort', left)
        resolve(true)
      }
      const left = () => {
        waiting.splice(waiting.indexOf(go), 1)
        resolve(false)
      }
      waiting.push(go)
      gone?.addEventListener('abort', left, { once: true })
    })
  /** The next in the queue takes over the place. */
  const leave = (): void => {
    const next = waiting.shift()
    if (next) next()
    else running -= 1
  }

  /**
   * @param options.handed what goes over to the thread rather than being copied: ports
   * @param options.gone aborts when whoever asked has gone: what runs or waits for them ends at once
   */
  async function run(task: T, { handed = [], gone }: { handed?: readonly Transferable[]; gone?: AbortSignal } = {}): Promise<Pooled<R>> {
    if (gone?.aborted) return { ok: false, why: 'gone' }
    if (taken >= limits.threads + limits.queue) return { ok: false, why: 'busy' }
    taken += 1
    const mine = await turn(gone)
    if (!mine || gone?.aborted) {
      if (mine) leave()
      taken -= 1
      return { ok: false, why: 'gone' }
    }
    const begun = new Int32Array(new SharedArrayBuffer(4))
    const stop = new AbortController()
    const end = () => stop.abort()
    gone?.addEventListener('abort', end)
    let fromMs: number | undefined
    const clock = setInterval(() => {
      if (Atomics.load(begun, 0) === 1) fromMs ??= performance.now()
      if (fromMs !== undefined && performance.now() - fromMs > limits.mostMs) stop.abort()
    }, 50)
    try {
      return { ok: true, value: await pool.run({ task, begun }, { signal: stop.signal, transferList: [...handed] as never }) }
    } catch (error) {
      const { name, code } = error as Error & { code?: string }
      if (name === 'AbortError') return { ok: false, why: gone?.aborted ? 'gone' : 'tooLong' }
      if (code === 'ERR_WORKER_OUT_OF_MEMORY') return { ok: false, why: 'tooLarge' }
      throw error
    } finally {
      clearInterval(clock)
      gone?.removeEventListener('abort', end)
      leave()
      taken -= 1
    }
  }
  return { run, close: () => pool.destroy() }
}
