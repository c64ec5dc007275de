import { describe, expect, test } from '@jest/globals'
import type { GaugeReading } from './driver.ts'
import { keyboardGauge } from './keyboard-gauge.ts'

/** Keys with the time between them, ms; what the driver made of them, and which keys it kept from the page. */
function typed(keys: [string, number][]): { readings: GaugeReading[]; kept: string[] } {
  const target = new EventTarget()
  const readings: GaugeReading[] = []
  const kept: string[] = []
  let now = 0
  const stop = keyboardGauge(target, () => now).connect({ reading: (reading) => readings.push(reading), trouble: () => {} })
  for (const [key, after] of keys) {
    now += after
    let seen = false
    const page = () => {
      seen = true
    }
    target.addEventListener('keydown', page)
    const event = Object.assign(new Event('keydown', { cancelable: true }), { key })
    target.dispatchEvent(event)
    target.removeEventListener('keydown', page)
    if (!seen || event.defaultPrevented) kept.push(key)
  }
  stop()
  return { readings, kept }
}
const burst = (text: string, gap = 5): [string, number][] => [...text].map((key) => [key, gap])

describe('a gauge that types', () => {
  test('a fast burst and Enter is a reading that was sent', () => {
    const { readings, kept } = typed([...burst('42.03'), ['Enter', 5]])
    expect(readings).toEqual([{ valueMm: 42.03, sent: true }])
    // all but the first sign, which could still have been a key of its own
    expect(kept.join('')).toBe('2.03Enter')
  })
  test('signs and a decimal comma', () => {
    expect(typed([...burst('-7,5'), ['Enter', 5]]).readings).toEqual([{ valueMm: -7.5, sent: true }])
    expect(typed([...burst('+0012.30'), ['Enter', 5]]).readings).toEqual([{ valueMm: 12.3, sent: true }])
  })
  test('a hand is slower: its keys stay shortcuts', () => {
    const { readings, kept } = typed([
      ['4', 200],
      ['2', 200],
      ['Enter', 200],
    ])
    expect(readings).toEqual([])
    expect(kept).toEqual([])
  })
  test('two readings one after the other', () => {
    const found = typed([...burst('1.5'), ['Enter', 5], ['2', 400], ...burst('.5'), ['Enter', 5]])
    expect(found.readings.map((one) => one.valueMm)).toEqual([1.5, 2.5])
  })
  test('letters and nonsense are no reading', () => {
    expect(typed([...burst('4a2'), ['Enter', 5]]).readings.map((one) => one.valueMm)).toEqual([2])
    expect(typed([...burst('--..'), ['Enter', 5]]).readings).toEqual([])
  })
})
