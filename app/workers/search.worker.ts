import { expose } from 'comlink'
import type { Project } from '../../core/records/project.ts'
import { searching, type SearchResult, type SearchProgress, type SearchReport } from '../../core/decide/search.ts'
import { evaluateInFull, type FullEvaluation } from '../../core/decide/full-evaluation.ts'
import type { SearchQuery } from '../../core/decide/search-space.ts'
import { whyNot, type WhyNot } from '../../core/decide/why-not.ts'

const SAY_EVERY_MS = 120

const api = {
  /** The whole search; says now and then how far it is. Whoever has enough ends the worker. */
  search(project: Project, ask: SearchQuery, progress: (said: SearchProgress) => void): SearchReport {
    const going = searching(project, ask)
    let saidAt = performance.now()
    for (;;) {
      const { done, value } = going.next()
      if (done) return value
      if (performance.now() - saidAt < SAY_EVERY_MS) continue
      saidAt = performance.now()
      progress(value)
    }
  },
  /** Each find in full, one after the other, told as it is known; false ends it. */
  async looks(
    project: Project,
    ask: SearchQuery,
    finds: readonly SearchResult[],
    each: (at: number, look: FullEvaluation) => Promise<boolean> | boolean,
  ): Promise<void> {
    for (const [at, find] of finds.entries()) if (!(await each(at, evaluateInFull(project, ask, find)))) return
  },
  whyNot: (project: Project, ask: SearchQuery, partId: string, result: SearchReport): WhyNot => whyNot(project, ask, partId, result),
}
export type SearchApi = typeof api

expose(api)
