import { availableParallelism } from 'node:os'
import type { EvaluateAnswer, EvaluateTask } from '../workers/evaluate.ts'
import { threadPool } from './thread-pool.ts'

/** A setup takes a second at most; a project of many is asked for setup by setup. */
export const MOST_SECONDS = 10

let pool: ReturnType<typeof threadPool<EvaluateTask, EvaluateAnswer>> | undefined

/** The threads that evaluate for the API; they start with the first request and end with the server. */
export const evaluators = () =>
  (pool ??= threadPool<EvaluateTask, EvaluateAnswer>(new URL('./workers/evaluate.mjs', import.meta.url).href, {
    threads: Math.max(2, availableParallelism() - 1),
    queue: 128,
    mostMs: MOST_SECONDS * 1000,
    memoryMb: 1024,
  }))

export const endEvaluators = async (): Promise<void> => {
  await pool?.close()
  pool = undefined
}
