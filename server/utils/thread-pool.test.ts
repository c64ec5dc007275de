import { afterAll, describe, expect, test } from '@jest/globals'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { pathToFileURL } from 'node:url'
import { threadPool } from './thread-pool.ts'

const folder = mkdtempSync(join(tmpdir(), 'pool-'))
const file = join(folder, 'work.mjs')
writeFileSync(
  file,
  `export default ({ task, begun }) => {
     Atomics.store(begun, 0, 1)
     if (task === 'forever') for (;;);
     if (task === 'fat') { const all = []; for (;;) all.push(new Array(1e6).fill(all.length)) }
     if (task === 'broken') throw new RangeError('no such thing')
     return task * 2
   }`,
)
const pool = threadPool<unknown, number>(pathToFileURL(file).href, { threads: 2, queue: 3, mostMs: 400, memoryMb: 64 })
afterAll(async () => {
  await pool.close()
  rmSync(folder, { recursive: true })
})

describe('work in threads', () => {
  test('is done, and what fails in it is thrown', async () => {
    expect(await pool.run(21)).toEqual({ ok: true, value: 42 })
    await expect(pool.run('broken')).rejects.toThrow('no such thing')
  })
  test('that never ends is ended, and holds nobody', async () => {
    const [forever, next] = await Promise.all([pool.run('forever'), pool.run(4)])
    expect(forever).toEqual({ ok: false, why: 'tooLong' })
    expect(next).toEqual({ ok: true, value: 8 })
    expect(await pool.run(5)).toEqual({ ok: true, value: 10 })
  })
  test('ends at once when whoever asked has gone, running or waiting, and holds nobody', async () => {
    const patient = threadPool<unknown, number>(pathToFileURL(file).href, { threads: 1, queue: 3, mostMs: 1e9, memoryMb: 64 })
    const hangUp = new AbortController()
    const [running, waiting] = [patient.run('forever', { gone: hangUp.signal }), patient.run('forever', { gone: hangUp.signal })]
    const next = patient.run(4)
    hangUp.abort()
    expect(await Promise.all([running, waiting])).toEqual([
      { ok: false, why: 'gone' },
      { ok: false, why: 'gone' },
    ])
    expect(await next).toEqual({ ok: true, value: 8 })
    expect(await patient.run(4, { gone: hangUp.signal })).toEqual({ ok: false, why: 'gone' })
    await patient.close()
  })
  test('goes on for whoever waits, however many before it are stopped while their thread runs or starts', async () => {
    const patient = threadPool<unknown, number>(pathToFileURL(file).href, { threads: 1, queue: 40, mostMs: 1e9, memoryMb: 64 })
    for (let round = 0; round < 6; round += 1) {
      // in every second round the thread is there already
      if (round % 2 === 1) expect(await patient.run(1)).toEqual({ ok: true, value: 2 })
      const leavers = Array.from({ length: 3 }, () => new AbortController())
      const left = leavers.map((one) => patient.run('forever', { gone: one.signal }))
      const stays = patient.run(round)
      // one after the other, each in a turn of its own
      for (const one of leavers) {
        one.abort()
        await new Promise((next) => setImmediate(next))
      }
      expect(await Promise.all(left)).toEqual(leavers.map(() => ({ ok: false, why: 'gone' })))
      expect(await stays).toEqual({ ok: true, value: 2 * round })
    }
    await patient.close()
  })
  test('that wants too much memory is ended alone', async () => {
    expect(await pool.run('fat')).toMatchObject({ ok: false })
    expect(await pool.run(6)).toEqual({ ok: true, value: 12 })
  })
  test('waits only so many deep', async () => {
    const all = await Promise.all(Array.from({ length: 8 }, (_, i) => pool.run(i)))
    expect(all.filter((one) => one.ok)).toHaveLength(5)
    expect(all.filter((one) => !one.ok)).toEqual(new Array(3).fill({ ok: false, why: 'busy' }))
    expect(await pool.run(1)).toEqual({ ok: true, value: 2 })
  })
})
