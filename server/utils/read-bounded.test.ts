import { Readable } from 'node:stream'
import { finished } from 'node:stream/promises'
import type { IncomingMessage } from 'node:http'
import { expect, test } from '@jest/globals'
import { readBounded } from './read-bounded.ts'

const request = (chunks: string[], headers: Record<string, string> = {}) =>
  Object.assign(Readable.from(chunks.map((chunk) => Buffer.from(chunk))), { headers }) as unknown as IncomingMessage

test('a body within the limit comes as text, cut anywhere between bytes', async () => {
  const bytes = Buffer.from('größe')
  const stream = Object.assign(Readable.from([bytes.subarray(0, 3), bytes.subarray(3)]), { headers: {} }) as unknown as IncomingMessage
  expect(await readBounded(stream, 100)).toBe('größe')
})
test('of one that never ends little more than the limit is read, and the line is cut', async () => {
  let sent = 0
  const endless = Readable.from(
    (function* () {
      for (;;) {
        sent += 1
        yield Buffer.alloc(1000)
      }
    })(),
  )
  const stream = Object.assign(endless, { headers: {} }) as unknown as IncomingMessage
  expect(await readBounded(stream, 10_000)).toBeUndefined()
  await finished(endless).catch(() => undefined)
  expect(sent).toBeLessThan(1200)
  expect(stream.destroyed).toBe(true)
})
test('a larger one is refused, announced or not', async () => {
  expect(await readBounded(request(['12345', '67890']), 9)).toBeUndefined()
  expect(await readBounded(request(['12'], { 'content-length': '500' }), 9)).toBeUndefined()
  expect(await readBounded(request(['123456789']), 9)).toBe('123456789')
})
