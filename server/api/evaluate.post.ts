import { MAX_BODY_BYTES } from '#core/formats/project-file.ts'
import { evaluators, MOST_SECONDS } from '../utils/evaluators.ts'
import { goneSignal } from '../utils/gone.ts'
import { readBounded } from '../utils/read-bounded.ts'

/**
 * A project in, the reports of its setups out: the same core as in the browser, in a thread of its own.
 * `?setup=ID` asks for one setup. 413 for a body that is too large, 400 with the list of problems, 422 for what takes too
 * long, 503 with Retry-After while too many wait.
 */
export default defineEventHandler(async (event) => {
  const refuse = (status: number, place: string, message: string) => {
    setResponseStatus(event, status)
    return { problems: [{ path: '', place, message }] }
  }
  const gone = goneSignal(event.node.res)
  const text = await readBounded(event.node.req, MAX_BODY_BYTES)
  if (text === undefined) return refuse(413, 'the request', `is larger than ${MAX_BODY_BYTES / 1e6} MB.`)
  const { setup } = getQuery(event)
  const done = await evaluators().run(setup === undefined ? { text } : { text, setup: String(setup) }, { gone })
  if (done.ok) {
    setResponseStatus(event, done.value.status)
    setResponseHeader(event, 'content-type', 'application/json')
    return done.value.body
  }
  switch (done.why) {
    case 'gone':
      return undefined
    case 'busy':
      setResponseHeader(event, 'retry-after', 2)
      return refuse(503, 'the server', 'is busy. Nothing is lost; send the request again in a moment.')
    case 'tooLarge':
      return refuse(422, 'the project', 'needs more memory than one request may have. Ask for one setup with ?setup=ID.')
    case 'tooLong':
      return refuse(422, 'the project', `takes longer than ${MOST_SECONDS} s. Request one setup with ?setup=ID.`)
  }
})
