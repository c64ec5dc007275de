import { expose } from 'comlink'
import type { Project } from '../../core/records/project.ts'
import { searching, type Find, type SearchProgress, type SearchResult } from '../../core/decide/search.ts'
import { fullLook, type FullLook } from '../../core/decide/full-look.ts'
import type { SearchAsk } from '../../core/decide/space.ts'
import { whyNot, type WhyNot } from '../../core/decide/why-not.ts'

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
  /** Each find in full, one after the other, told as it is known; false ends it. */
  async looks(
    project: Project,
    ask: SearchAsk,
    finds: readonly Find[],
    each: (at: number, look: FullLook) => Promise<boolean> | boolean,
  ): Promise<void> {
    for (const [at, find] of finds.entries()) if (!(await each(at, fullLook(project, ask, find)))) return
  },
  whyNot: (project: Project, ask: SearchAsk, partId: string, result: SearchResult): WhyNot => whyNot(project, ask, partId, result),
}
export type SearchApi = typeof api

expose(api)
