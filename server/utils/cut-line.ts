import type { IncomingMessage, ServerResponse } from 'node:http'

/** What is still let run in after an answer, bytes: what was under way already. */
const LET_RUN_IN = 1_000_000
const LOOK_EVERY_MS = 100

/**
 * Cuts the line of a request that goes on after its answer. Node.js lets such a body run off unread, so that its bytes are counted
 * at the socket.
 */
export function cutAfterAnswer(request: IncomingMessage, response: ServerResponse): void {
  response.once('finish', () => {
    if (request.complete) return
    const { socket } = request
    const most = socket.bytesRead + LET_RUN_IN
    const watch = setInterval(() => {
      if (request.complete || socket.destroyed) clearInterval(watch)
      else if (socket.bytesRead > most) socket.destroy()
    }, LOOK_EVERY_MS).unref()
  })
}
