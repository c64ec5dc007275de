import type { IncomingMessage } from 'node:http'

/**
 * The body of a request as text, read no further than `limit` bytes.
 * @returns undefined when there is more; the rest is let run off so that the answer arrives
 */
export async function readBounded(request: IncomingMessage, limit: number): Promise<string | undefined> {
  if (Number(request.headers['content-length'] ?? 0) > limit) {
    request.resume()
    return undefined
  }
  const chunks: Buffer[] = []
  let size = 0
  for await (const chunk of request) {
    size += (chunk as Buffer).length
    if (size <= limit) chunks.push(chunk as Buffer)
  }
  return size > limit ? undefined : Buffer.concat(chunks).toString('utf8')
}
