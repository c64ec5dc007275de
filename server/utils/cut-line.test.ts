import { createServer, request as ask, type Server } from 'node:http'
import { once } from 'node:events'
import type { AddressInfo } from 'node:net'
import { afterEach, expect, test } from '@jest/globals'
import { cutAfterAnswer } from './cut-line.ts'

let server: Server
afterEach(() => {
  server.closeAllConnections()
  server.close()
})

test('a body that never ends is cut after the answer, and the answer arrives', async () => {
  server = createServer((request, response) => {
    cutAfterAnswer(request, response)
    response.writeHead(415).end('no')
  }).listen(0, '127.0.0.1')
  await once(server, 'listening')
  const sending = ask({ port: (server.address() as AddressInfo).port, host: '127.0.0.1', method: 'POST' })
  const answered = once(sending, 'response') as Promise<[{ statusCode: number; resume(): void }]>
  const cut = new Promise((resolve) => sending.on('error', resolve).on('close', resolve))
  const send = (error?: Error | null) => {
    if (!error) sending.write(Buffer.alloc(100_000), send)
  }
  send()
  const [response] = await answered
  response.resume()
  expect(response.statusCode).toBe(415)
  await cut
})
