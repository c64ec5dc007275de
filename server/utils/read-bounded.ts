import type { IncomingMessage } from 'node:http'

/**
 * The body of a request as text, read no further than `limit` bytes.
 * @returns undefined when there is more, and the rest is let run off so that the answer arrives; and when whoever sends it goes away
 */
export async function readBounded(request: IncomingMessage, limit: number): Promise<string | undefined> {
  if (Number(request.headers['content-length'] ?? 0) > limit) {
    request.resume()
    return undefined
  }
  const chunks: Buffer[] = []
  let size = 0
  try {
    for await (const chunk of request) {
      size += (chunk as Buffer).length
      if (size <= limit) chunks.push(chunk as Buffer)
    }
  } catch (error) {
    // whoever asked has gone: there is nobody to answer
    if (request.destroyed) return undefined
    throw error
  }
  return size > limit ? undefined : Buffer.concat(chunks).toString('utf8')
}
