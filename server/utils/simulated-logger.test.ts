import { describe, expect, test } from '@jest/globals'
import { stopInTrace } from '../../core/evidence/maths/stop-in-trace.ts'
import { tracedStop } from '../../core/evidence/maths/stop-run.ts'
import { loggedStop, LOGGER_FAULTS, stopAsked, type LoggerFault } from './simulated-logger.ts'

function stream(seed: number): () => number {
  let state = seed
  return () => {
    state = (state * 48271) % 2147483647
    return state / 2147483647
  }
}
const logged = (fault: LoggerFault, seed = 5) => stopInTrace(loggedStop({ fromKmh: 100, decelG: 0.83, fault }, stream(seed)))

describe('the simulated logger', () => {
  test('gives a stop of about that deceleration, no two alike', () => {
    const found = Array.from({ length: 40 }, (_, i) => logged('none', 11 + i))
    const decels = found.map((one) => (one.ok ? tracedStop(one.samples).mfddMs2! / 9.80665 : NaN))
    expect(decels.reduce((sum, one) => sum + one, 0) / decels.length).toBeCloseTo(0.83, 1)
    expect(new Set(decels).size).toBe(40)
  })
  test.each<[LoggerFault, RegExp]>([
    ['lateTrigger', /late trigger/],
    ['dropOut', /dropped out/],
    ['lockedWheel', /locked/],
  ])('its fault %s is found and refused', (fault, words) => {
    for (let seed = 1; seed < 20; seed += 1) expect(logged(fault, seed)).toEqual({ ok: false, message: expect.stringMatching(words) })
  })
  test('takes a speed, a deceleration, a fault it knows and a pace; nonsense is none', () => {
    expect(stopAsked({ fromKmh: '100', decelG: '0.83' })).toEqual({ fromKmh: 100, decelG: 0.83, fault: 'none', pace: 1 })
    for (const fault of LOGGER_FAULTS) expect(stopAsked({ fromKmh: '100', decelG: '0.8', fault, pace: '10' })?.fault).toBe(fault)
    for (const bad of [
      {},
      { fromKmh: '5', decelG: '1' },
      { fromKmh: '100', decelG: '9' },
      { fromKmh: '1e2', decelG: '1' },
      { fromKmh: ['100'], decelG: '1' },
      { fromKmh: '100', decelG: '1', fault: 'x' },
      { fromKmh: '100', decelG: '1', pace: '0' },
    ])
      expect(stopAsked(bad)).toBeUndefined()
  })
})
