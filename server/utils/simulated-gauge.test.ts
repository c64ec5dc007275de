import { describe, expect, test } from '@jest/globals'
import { gaugeOf, SimulatedGauge } from './simulated-gauge.ts'

function gauge(fault: SimulatedGauge['fault'] = 'none', jawMm = 42): SimulatedGauge {
  let state = 7
  const made = new SimulatedGauge(() => {
    state = (state * 48271) % 2147483647
    return state / 2147483647
  })
  made.jawMm = jawMm
  made.fault = fault
  return made
}
const readings = (from: SimulatedGauge, count = 400) => Array.from({ length: count }, () => from.read())
const mean = (values: number[]) => values.reduce((sum, one) => sum + one, 0) / values.length
const valuesOf = (from: SimulatedGauge) => readings(from).flatMap((one) => (one ? [Number(one.line)] : []))

describe('the simulated gauge', () => {
  test('says where its jaws are, with noise, to a hundredth', () => {
    const values = valuesOf(gauge())
    expect(mean(values)).toBeCloseTo(42, 2)
    expect(new Set(values).size).toBeGreaterThan(3)
    expect(Math.max(...values) - Math.min(...values)).toBeLessThan(0.2)
  })
  test('a press marks one reading as sent', () => {
    const one = gauge()
    one.read()
    one.press()
    expect(one.read()!.sent).toBe(true)
    expect(one.read()!.sent).toBe(false)
  })
  test('its faults: zero off, inches without a word, silence', () => {
    expect(mean(valuesOf(gauge('zeroOffset')))).toBeCloseTo(42.37, 2)
    expect(mean(valuesOf(gauge('wrongUnit')))).toBeCloseTo(42 / 25.4, 3)
    const dropping = readings(gauge('dropOut'))
    expect(dropping.filter((one) => !one).length).toBeGreaterThan(200)
    expect(dropping.some((one) => one)).toBe(true)
  })
  test('a press while it is silent is not lost', () => {
    const one = gauge('dropOut')
    one.press()
    expect(readings(one, 30).filter((said) => said?.sent)).toHaveLength(1)
  })
})

describe('one gauge a tab', () => {
  test('the same name, the same gauge; a name that is none, no gauge', () => {
    expect(gaugeOf('tab-1')).toBe(gaugeOf('tab-1'))
    expect(gaugeOf('tab-1')).not.toBe(gaugeOf('tab-2'))
    for (const bad of ['', '../x', 'a'.repeat(99), 7, undefined, null, {}]) expect(gaugeOf(bad)).toBeUndefined()
  })
  test('there are never more than so many: the oldest gives way', () => {
    const first = gaugeOf('oldest')
    for (let i = 0; i < 100; i += 1) gaugeOf(`many-${i}`)
    expect(gaugeOf('oldest')).not.toBe(first)
  })
})
