import { spawn, type ChildProcess } from 'node:child_process'
import { existsSync } from 'node:fs'
import http from 'node:http'
import { DEMO_PROJECT } from '../core/demo/project.ts'
import { stream } from '../core/testing/heavy.ts'
import { largeProject } from '../core/testing/large.ts'

/**
 * Requests whose sender goes away: at any moment, before the body is whole or while the answer is computed. The server has to
 * be free again at once: a search that somebody waits for is answered about as soon as before.
 */

const SERVER = '.output/server/index.mjs'
const PORT = 4197

interface Answer {
  status: number
  ms: number
}
/** @param leaveMs when the sender goes; undefined: it waits for the answer */
function post(path: string, body: string, sent: number, leaveMs?: number): Promise<Answer | undefined> {
  return new Promise((done) => {
    const from = performance.now()
    const headers = { 'content-type': 'application/json', 'content-length': Buffer.byteLength(body) }
    const request = http.request({ host: '127.0.0.1', port: PORT, path, method: 'POST', headers }, (answer) => {
      answer.resume()
      answer.on('end', () => done({ status: answer.statusCode ?? 0, ms: performance.now() - from }))
    })
    request.on('error', () => done(undefined))
    request.write(body.slice(0, sent))
    if (sent >= body.length) request.end()
    if (leaveMs !== undefined) setTimeout(() => (request.destroy(), done(undefined)), leaveMs)
  })
}

async function started(): Promise<ChildProcess> {
  const child = spawn(process.execPath, [SERVER], {
    env: { ...process.env, PORT: String(PORT), HOST: '127.0.0.1' },
    stdio: ['ignore', 'pipe', 'inherit'],
  })
  await new Promise<void>((ready, fail) => {
    child.stdout.on('data', (chunk: Buffer) => /listening/i.test(String(chunk)) && ready())
    child.on('exit', (code) => fail(new Error(`the server ended with ${code}`)))
  })
  return child
}

const SMALL = JSON.stringify({ project: DEMO_PROJECT })
const LARGE = JSON.stringify({ project: largeProject(), ask: { vary: { front: true, rear: true, wheel: true, hydraulics: true } } })
const MOST_RATIO = 8

/** @returns how many rounds were made, and what failed */
export async function abandonedRequests(until: number, firstSeed: number): Promise<{ rounds: number; failures: string[] }> {
  if (!existsSync(SERVER)) return { rounds: 0, failures: [`${SERVER} is missing: run npm run build first`] }
  const child = await started()
  const failures: string[] = []
  let rounds = 0
  try {
    await post('/api/search', SMALL, SMALL.length)
    for (let seed = firstSeed; Date.now() < until || seed === firstSeed; seed += 1) {
      const next = stream(1 + (seed % 2147483646))
      for (let i = 0; i < 8; i += 1) next()
      const alone = (await post('/api/search', SMALL, SMALL.length))?.ms ?? Infinity
      const gone = Array.from({ length: 1 + Math.floor(12 * next()) }, () => {
        const body = next() < 0.7 ? LARGE : SMALL
        const path = next() < 0.8 ? '/api/search' : '/api/evaluate'
        return post(path, body, next() < 0.2 ? Math.floor(next() * body.length) : body.length, 2 + 900 * next() ** 2)
      })
      await Promise.all(gone)
      const after = await post('/api/search', SMALL, SMALL.length)
      rounds += 1
      if (after?.status !== 200)
        failures.push(`seed ${seed}: after ${gone.length} abandoned requests a search is answered with ${after?.status ?? 'nothing'}`)
      else if (after.ms > MOST_RATIO * alone + 500)
        failures.push(
          `seed ${seed}: a search takes ${alone.toFixed(0)} ms, after ${gone.length} abandoned requests ${after.ms.toFixed(0)} ms`,
        )
    }
  } finally {
    child.kill()
  }
  return { rounds, failures }
}
