import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals'
import type { GaugeReading } from './driver.ts'
import { keyboardGauge } from './keyboard-gauge.ts'

beforeEach(() => void jest.useFakeTimers())
afterEach(() => void jest.useRealTimers())

/** Keys with the time between them, ms; what the driver made of them, and which keys the page got. */
async function typed(keys: [string, number][]): Promise<{ readings: GaugeReading[]; page: string[] }> {
  const target = new EventTarget()
  const readings: GaugeReading[] = []
  const page: string[] = []
  let now = 0
  const stop = keyboardGauge(target).connect({ reading: (reading) => readings.push(reading), trouble: () => {} })
  target.addEventListener('keydown', (event) => {
    if (!event.defaultPrevented) page.push((event as KeyboardEvent).key)
  })
  for (const [key, after] of keys) {
    now += after
    // as slow as the clock says: what was held back comes through
    if (after > 100) await jest.advanceTimersByTimeAsync(after)
    target.dispatchEvent(pressed(key, now))
  }
  await jest.advanceTimersByTimeAsync(60)
  stop()
  return { readings, page }
}
const pressed = (key: string, timeStamp: number) =>
  Object.defineProperties(new Event('keydown', { cancelable: true }), { key: { value: key }, timeStamp: { value: timeStamp } })
const burst = (text: string, gap = 5): [string, number][] => [...text].map((key) => [key, gap])

describe('a gauge that types', () => {
  test('a fast burst and Enter is a reading that was sent, and no key of it a shortcut', async () => {
    const { readings, page } = await typed([...burst('42.03'), ['Enter', 5]])
    expect(readings).toEqual([{ value: 42.03, sent: true }])
    expect(page).toEqual([])
  })
  test('signs and a decimal comma', async () => {
    expect((await typed([...burst('-7,5'), ['Enter', 5]])).readings).toEqual([{ value: -7.5, sent: true }])
    expect((await typed([...burst('+0012.30'), ['Enter', 5]])).readings).toEqual([{ value: 12.3, sent: true }])
  })
  test('a hand is slower: its keys stay shortcuts', async () => {
    const { readings, page } = await typed([
      ['4', 200],
      ['2', 200],
      ['Enter', 200],
    ])
    expect(readings).toEqual([])
    expect(page).toEqual(['4', '2', 'Enter'])
  })
  test('a burst that a busy page gets late is a reading all the same', async () => {
    const target = new EventTarget()
    const readings: GaugeReading[] = []
    const stop = keyboardGauge(target).connect({ reading: (reading) => readings.push(reading), trouble: () => {} })
    // the page is busy: all keys wait, and are handed over before any timer runs
    for (const [at, key] of [...'62.06', 'Enter'].entries()) target.dispatchEvent(pressed(key, 1000 + 5 * at))
    await jest.advanceTimersByTimeAsync(200)
    stop()
    expect(readings).toEqual([{ value: 62.06, sent: true }])
  })
  test('two readings one after the other', async () => {
    const found = await typed([...burst('1.5'), ['Enter', 5], ['2', 400], ...burst('.5'), ['Enter', 5]])
    expect(found.readings.map((one) => one.value)).toEqual([1.5, 2.5])
  })
  test('letters and nonsense are no reading', async () => {
    expect((await typed([...burst('4a2'), ['Enter', 5]])).readings.map((one) => one.value)).toEqual([2])
    expect((await typed([...burst('--..'), ['Enter', 5]])).readings).toEqual([])
  })
})
