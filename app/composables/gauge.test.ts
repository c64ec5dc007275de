import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals'
import { effectScope, type EffectScope } from 'vue'
import { useGauge } from './gauge.ts'

/** A page that hears keys, and the event stream of the simulated gauge. */
class Stream {
  static last: Stream
  closed = false
  onmessage?: (event: { data: string }) => void
  onerror?: () => void
  constructor(readonly url: string) {
    Stream.last = this
  }
  close() {
    this.closed = true
  }
  say(line: string, sent = false) {
    this.onmessage?.({ data: JSON.stringify({ line, sent }) })
  }
}
const globals = globalThis as unknown as Record<string, unknown>
let scope: EffectScope
beforeEach(() => {
  globals.window = new EventTarget()
  globals.EventSource = Stream
  scope = effectScope()
})
afterEach(() => {
  Stream.last?.close()
  scope.stop()
  delete globals.window
  delete globals.EventSource
})
function gauge() {
  const found = scope.run(useGauge)!
  found.choose('simulated')
  const taken: number[] = []
  found.field.value = { label: 'Centre bore', take: (value) => taken.push(value) }
  return { ...found, taken }
}

describe('a gauge in hand', () => {
  test('shows what its jaws say, and feeds the field when it is sent', () => {
    const { taken, shownMm } = gauge()
    Stream.last.say('62.01')
    expect([shownMm.value, taken]).toEqual([62.01, []])
    Stream.last.say('62.03', true)
    expect([shownMm.value, taken]).toEqual([62.03, [62.03]])
  })
  test('a zero that is off is taken off what is shown and what is sent, and said', () => {
    const { taken, shownMm, note, zeroMm, checkZero } = gauge()
    checkZero()
    expect(note.value).toMatch(/Close the jaws/)
    Stream.last.say('0.37', true)
    expect([zeroMm.value, taken]).toEqual([0.37, []])
    expect(note.value).toBe('Closed, the gauge showed 0.37 mm. Every reading is corrected by it.')
    Stream.last.say('62.40', true)
    expect([shownMm.value, taken]).toEqual([expect.closeTo(62.03, 9), [62.03]])
  })
  test('a zero that is right changes nothing', () => {
    const { taken, note, checkZero } = gauge()
    checkZero()
    Stream.last.say('-0.02', true)
    expect(note.value).toMatch(/its zero is right/)
    Stream.last.say('62.40', true)
    expect(taken).toEqual([62.4])
  })
  test('a reading that has nowhere to go is not lost without a word', () => {
    const { field, note } = gauge()
    field.value = undefined
    Stream.last.say('12.00', true)
    expect(note.value).toMatch(/Select a dimension/)
  })
  test('another gauge starts afresh and the one before is let go', () => {
    const { choose, shownMm, zeroMm, checkZero } = gauge()
    checkZero()
    Stream.last.say('0.37', true)
    const before = Stream.last
    choose('keyboard')
    expect([before.closed, shownMm.value, zeroMm.value]).toEqual([true, undefined, 0])
  })
})

describe('the simulated gauge', () => {
  test('a line that is no number is no reading; an error is said with what to do, and is over when it speaks again', () => {
    const { taken, trouble } = gauge()
    Stream.last.say('Err', true)
    expect(taken).toEqual([])
    Stream.last.onerror!()
    expect(trouble.value).toMatch(/cannot be reached.*type the readings meanwhile/)
    Stream.last.say('62.00')
    expect(trouble.value).toBe('')
  })
  test('silence is noticed', async () => {
    jest.useFakeTimers()
    const { trouble } = gauge()
    Stream.last.say('62.00')
    await jest.advanceTimersByTimeAsync(1600)
    expect(trouble.value).toMatch(/No readings arrive from the gauge.*earlier readings are saved/)
    jest.useRealTimers()
  })
})
