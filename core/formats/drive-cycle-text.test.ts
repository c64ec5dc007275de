import { describe, expect, test } from '@jest/globals'
import { runs } from '../testing/runs.ts'
import { schemaProblems } from '../records/schema-problems.ts'
import fc from 'fast-check'
import { CYCLES } from '../heat/drive-cycles.ts'
import { STANDARD_GRAVITY } from '../quantity/units.ts'
import { writtenCycle } from '../records/drive-cycle.ts'
import { memberSchema } from '../records/record-schema.ts'
import type { WrittenZone } from '../records/drive-cycle.ts'
import { readTrace, readZones } from './drive-cycle-text.ts'

/** A lap of zones as a logger would write it. */
function traceOf(zones: readonly WrittenZone[], everyS: number, noise: (i: number) => number = () => 0): string {
  const knots: [number, number][] = []
  let seconds = 0
  zones.forEach((zone, i) => {
    const next = zones[(i + 1) % zones.length]!
    knots.push([seconds, zone.fromKmh])
    seconds += (zone.fromKmh - zone.toKmh) / 3.6 / (zone.decelG * STANDARD_GRAVITY)
    knots.push([seconds, zone.toKmh])
    seconds += zone.secondsToNext
    if (i === zones.length - 1) knots.push([seconds, next.fromKmh])
  })
  const rows = ['time (s),speed (km/h)']
  for (let i = 0; i * everyS <= seconds; i += 1) {
    const t = i * everyS
    const at = Math.max(
      1,
      knots.findIndex((knot) => knot[0] >= t),
    )
    const [[s0, v0], [s1, v1]] = [knots[at - 1]!, knots[at]!]
    rows.push(`${t.toFixed(3)},${(v0 + ((v1 - v0) * (t - s0)) / (s1 - s0 || 1) + noise(i)).toFixed(3)}`)
  }
  return rows.join('\n')
}
const hard = CYCLES.find((one) => one.id === 'hard')!.duty as unknown as { zones: WrittenZone[] }

describe('a speed trace', () => {
  test.each([0.02, 0.1, 0.2])('gives back the zones it was driven with, every %d s', (everyS) => {
    const read = readTrace(traceOf(hard.zones, everyS))
    expect(read.ok && read.zones.length).toBe(hard.zones.length)
    if (!read.ok) return
    read.zones.forEach((zone, i) => {
      const was = hard.zones[i]!
      expect(Math.abs(zone.fromKmh - was.fromKmh)).toBeLessThan(3 + 30 * everyS)
      expect(Math.abs(zone.toKmh - was.toKmh)).toBeLessThan(3 + 30 * everyS)
      expect(Math.abs(zone.decelG / was.decelG - 1)).toBeLessThan(0.15)
    })
    // what is braked away in a lap is what was
    const energy = (zones: readonly WrittenZone[]) => zones.reduce((sum, one) => sum + one.fromKmh ** 2 - one.toKmh ** 2, 0)
    expect(Math.abs(energy(read.zones) / energy(hard.zones) - 1)).toBeLessThan(0.06)
  })
  test('noise of a satellite receiver makes no zones and loses none', () => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: -0.6, max: 0.6, noNaN: true }), { minLength: 40, maxLength: 60 }), (noise) => {
        const read = readTrace(traceOf(hard.zones, 0.1, (i) => noise[i % noise.length]!))
        expect(read.ok && read.zones.length).toBe(hard.zones.length)
      }),
      { numRuns: 30 },
    )
  })
  test('units by the name of the column', () => {
    const rows = Array.from({ length: 60 }, (_, i) => `${i * 100},${Math.max(10, 40 - 0.5 * i)}`)
    const read = readTrace(['time ms,speed m/s', ...rows].join('\n'))
    expect(read).toMatchObject({ ok: true, zones: [{ fromKmh: expect.closeTo(144, 0) }] })
  })
  test.each([
    ['', 'There is nothing in it.'],
    ['a,b\n1,2', 'It needs a column "time" and a column "speed"; it has a, b.'],
    ['time,speed\n1,x', 'Row 2 has no number under time or speed.'],
    ['time,speed\n1,900', 'Row 2: 900 km/h cannot be meant; name the unit in the first row.'],
    ['time,speed\n1,90\n0.5,80', 'Row 3: the time goes back. Put the laps one after the other.'],
    ['time,speed\n1,90\n2,91\n3,92', 'No speed in it falls by more than 15 km/h at more than 0.3 g.'],
  ])('%j is refused with words', (text, message) => expect(readTrace(text)).toEqual({ ok: false, message }))
  test('any text is answered', () => {
    fc.assert(
      fc.property(fc.string({ unit: fc.constantFrom(...'0123456789.,;\t\n-timespd /h"'.split('')), maxLength: 300 }), (text) => {
        expect(typeof readTrace(`time,speed\n${text}`).ok).toBe('boolean')
        expect(typeof readZones(text).ok).toBe('boolean')
      }),
    )
  })
})

describe('a block of zones', () => {
  test('by tabs, semicolons or spaces, with a decimal comma', () => {
    const zones = [
      { fromKmh: 95, toKmh: 45, decelG: 0.8, secondsToNext: 9 },
      { fromKmh: 110, toKmh: 50.5, decelG: 0.75, secondsToNext: 8 },
    ]
    for (const text of ['95\t45\t0,8\t9\n110\t50,5\t0,75\t8\n', '95;45;0.8;9\r\n110;50.5;0.75;8', ' 95 45 0.8 9\n\n110  50.5 0.75 8'])
      expect(readZones(text)).toMatchObject({ ok: true, zones })
  })
  test.each([
    ['no numbers', 'There is no zone in it: each line holds two speeds in km/h, g and seconds.'],
    ['95 45 0.8', 'Line 1 needs four numbers: speed before and after in km/h, g, seconds to the next zone.'],
    ['95 45 0.8 9\n45 95 0.8 9', 'Line 2 has to end slower than it begins.'],
    [Array.from({ length: 61 }, () => '95 45 0.8 9').join('\n'), 'It has 61 lines; a lap has at most 60 zones.'],
  ])('%j is refused with words', (text, message) => expect(readZones(text)).toEqual({ ok: false, message }))
})

test('zones of a trace are such as a session takes, or the trace is refused with the place', () => {
  const step = fc.record({ seconds: fc.double({ min: 0.05, max: 400, noNaN: true }), kmh: fc.double({ min: 0, max: 450, noNaN: true }) })
  fc.assert(
    fc.property(fc.array(step, { minLength: 3, maxLength: 40 }), (steps) => {
      let at = 0
      const rows = steps.map(({ seconds, kmh }) => `${(at += seconds).toFixed(2)},${kmh.toFixed(1)}`)
      const read = readTrace(['time,speed km/h', ...rows].join('\n'))
      if (read.ok) expect(schemaProblems(memberSchema(writtenCycle), { kind: 'laps', laps: 1, zones: read.zones })).toEqual([])
      else expect(read.message.length).toBeGreaterThan(20)
    }),
    { seed: 20261130, numRuns: runs(200, 2000) },
  )
})
