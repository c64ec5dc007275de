import { expose } from 'comlink'
import type { Project } from '../../core/model/project.ts'
import { searching, type SearchProgress, type SearchResult } from '../../core/report/decide/search.ts'
import type { SearchAsk } from '../../core/report/decide/space.ts'
import { whyNot, type WhyNot } from '../../core/report/decide/why-not.ts'

const SAY_EVERY_MS = 120

const api = {
  /** The whole search; says now and then how far it is. Whoever has enough ends the worker. */
  search(project: Project, ask: SearchAsk, progress: (said: SearchProgress) => void): SearchResult {
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
  whyNot: (project: Project, ask: SearchAsk, partId: string, result: SearchResult): WhyNot => whyNot(project, ask, partId, result),
}
export type SearchApi = typeof api

expose(api)
