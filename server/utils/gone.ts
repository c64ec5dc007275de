import type { ServerResponse } from 'node:http'

/** Aborts when whoever waits for an answer hangs up before it is whole. */
export function goneSignal(response: ServerResponse): AbortSignal {
  const gone = new AbortController()
  response.once('close', () => {
    if (!response.writableFinished) gone.abort()
  })
  return gone.signal
}
