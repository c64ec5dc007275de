import type { IncomingMessage } from 'node:http'

/** So many bytes beyond the limit are let run off, so that a refusal still arrives; then the line is cut. */
const LET_RUN_OFF = 1_000_000

/**
 * The body of a request as text, read no further than `limit` bytes.
 * @returns undefined as soon as there is more, and when whoever sends it goes away
 */
export function readBounded(request: IncomingMessage, limit: number): Promise<string | undefined> {
  return new Promise((resolve) => {
    let chunks: Buffer[] = []
    let size = 0
    request.on('data', (chunk: Buffer) => {
      size += chunk.length
      if (size <= limit) {
        chunks.push(chunk)
        return
      }
      chunks = []
      resolve(undefined)
      if (size > limit + LET_RUN_OFF) request.destroy()
    })
    request.once('end', () => resolve(Buffer.concat(chunks).toString('utf8')))
    for (const event of ['error', 'close']) request.once(event, () => resolve(undefined))
    if (Number(request.headers['content-length'] ?? 0) > limit) resolve(undefined)
  })
}
