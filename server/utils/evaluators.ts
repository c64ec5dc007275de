import { availableParallelism } from 'node:os'
import type { EvaluateAnswer, EvaluateTask } from '../workers/evaluate.ts'
import type { SearchAnswer, SearchTask } from '../workers/search.ts'
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

/** A long catalogue takes seconds; more than this is narrowed by what must hold. */
export const MOST_SEARCH_SECONDS = 60

let searchPool: ReturnType<typeof threadPool<SearchTask, SearchAnswer>> | undefined

/** The threads that search for the API: few, for each takes a core to itself. */
export const searchers = () =>
  (searchPool ??= threadPool<SearchTask, SearchAnswer>(new URL('./workers/search.mjs', import.meta.url).href, {
    threads: Math.max(1, availableParallelism() - 1),
    queue: 8,
    mostMs: MOST_SEARCH_SECONDS * 1000,
    memoryMb: 512,
  }))

export const endEvaluators = async (): Promise<void> => {
  await Promise.all([pool?.close(), searchPool?.close()])
  pool = undefined
  searchPool = undefined
}
