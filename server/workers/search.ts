import type { MessagePort } from 'node:worker_threads'
import { checkProject } from '#core/formats/project-file.ts'
import { readQuery } from '#core/decide/read-query.ts'
import { searching } from '#core/decide/search.ts'
import type { Timed } from '../utils/thread-pool.ts'

/** A request as it reaches the worker; what is found on the way goes to the port, a line of JSON each. */
export interface SearchTask {
  text: string
  port: MessagePort
}
export type SearchAnswer = { ok: true } | { ok: false; problems: { path: string; place: string; message: string }[] }

const SAY_EVERY_MS = 250

/** Runs in a thread of its own: reads a project and what is asked, and searches its library. */
export default function searchLibrary({ task: { text, port }, begun }: Timed<SearchTask>): SearchAnswer {
  Atomics.store(begun, 0, 1)
  const refuse = (path: string, message: string): SearchAnswer => ({ ok: false, problems: [{ path, place: 'the request', message }] })
  let body: unknown
  try {
    body = JSON.parse(text)
  } catch {
    return refuse('', 'is not JSON: send { "project": …, "ask": … }.')
  }
  if (typeof body !== 'object' || body === null || !('project' in body))
    return refuse('project', 'is missing: send { "project": …, "ask": … }.')
  const read = checkProject(body.project)
  if (!read.ok) return { ok: false, problems: read.problems }
  const asked = readQuery('ask' in body ? body.ask : undefined, read.project)
  if (!asked.ok) return { ok: false, problems: asked.problems.map(({ path, message }) => ({ path, place: 'the request', message })) }
  const say = (line: object) => port.postMessage(JSON.stringify(line))
  const going = searching(read.project, asked.ask)
  let saidAt = performance.now()
  let best = ''
  for (;;) {
    const { done, value } = going.next()
    if (done) {
      say({ kind: 'result', result: value })
      port.postMessage(undefined)
      port.close()
      return { ok: true }
    }
    if (performance.now() - saidAt < SAY_EVERY_MS) continue
    saidAt = performance.now()
    say({ kind: 'progress', done: Math.round(value.done * 1000) / 1000 })
    const now = JSON.stringify(value.best)
    if (value.best && now !== best) say({ kind: 'find', find: value.best })
    best = now
  }
}
