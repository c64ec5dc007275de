import type { IncomingMessage, ServerResponse } from 'node:http'

/** What is still let run in after an answer, bytes: what was under way already. */
const LET_RUN_IN = 1_000_000

/** Cuts the line of a request that goes on after its answer: nobody reads it any more. */
export function cutAfterAnswer(request: IncomingMessage, response: ServerResponse): void {
  response.once('finish', () => {
    if (request.complete) return
    let size = 0
    request.on('data', (chunk: Buffer) => {
      size += chunk.length
      if (size > LET_RUN_IN) request.destroy()
    })
  })
}
