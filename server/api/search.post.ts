import { MessageChannel } from 'node:worker_threads'
import { MAX_BODY_BYTES } from '#core/formats/project-file.ts'
import { MOST_SEARCH_SECONDS, searchers } from '../utils/evaluators.ts'
import { goneSignal } from '../utils/gone.ts'
import { readBounded } from '../utils/read-bounded.ts'

/**
 * `{ "project": …, "ask": … }` in, JSON Lines out: progress, the best so far, the result; the same core as in the browser, in a
 * thread of its own. 413 for a body that is too large, 400 with the list of problems, 503 with Retry-After while too many
 * wait. What takes too long ends with a line that says so. Whoever hangs up is searched for no longer than that.
 */
export default defineEventHandler(async (event) => {
  const refuse = (status: number, place: string, message: string) => {
    setResponseStatus(event, status)
    return { problems: [{ path: '', place, message }] }
  }
  const gone = goneSignal(event.node.res)
  const text = await readBounded(event.node.req, MAX_BODY_BYTES)
  if (text === undefined) return refuse(413, 'the request', `is larger than ${MAX_BODY_BYTES / 1e6} MB.`)
  const { port1, port2 } = new MessageChannel()
  const { res } = event.node
  let begun = false
  let last: () => void
  const ended = new Promise<void>((resolve) => (last = resolve))
  port1.on('message', (line: string | undefined) => {
    // nothing comes after it
    if (line === undefined) return last()
    if (!begun) res.writeHead(200, { 'content-type': 'application/jsonl; charset=utf-8', 'cache-control': 'no-store' })
    begun = true
    res.write(`${line}\n`)
  })
  const done = await searchers().run({ text, port: port2 }, { handed: [port2], gone })
  if (done.ok && done.value.ok) await ended
  port1.close()
  // nobody is there to answer
  if (!done.ok && done.why === 'gone') return undefined
  if (begun) {
    if (!done.ok) res.write(`${JSON.stringify({ kind: 'ended', message: done.why === 'tooLong' ? TOO_LONG : TOO_LARGE })}\n`)
    res.end()
    return
  }
  if (done.ok) {
    if (done.value.ok) return refuse(500, 'the search', 'ended unexpectedly. Nothing was changed; send it again.')
    setResponseStatus(event, 400)
    return { problems: done.value.problems }
  }
  if (done.why === 'busy') {
    setResponseHeader(event, 'retry-after', 5)
    return refuse(503, 'the server', 'is busy. Nothing is lost; send the request again in a moment.')
  }
  return refuse(422, 'the search', done.why === 'tooLong' ? TOO_LONG : TOO_LARGE)
})
const TOO_LONG = `takes longer than ${MOST_SEARCH_SECONDS} s. Change fewer places, or add requirements.`
const TOO_LARGE = 'needs too much memory. Change fewer places, or add requirements.'
