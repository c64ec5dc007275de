import { describe, expect, test } from '@jest/globals'
import { effectScope, ref } from 'vue'
import { useSpacerDrag } from './spacer-drag.ts'

function bench(startMm: number) {
  const spacerMm = ref(startMm)
  let settled = 0
  const { key } = effectScope().run(() =>
    useSpacerDrag({
      spacerMm,
      mostMm: () => 30,
      pxPerMm: () => 3,
      movable: () => true,
      move: (mm) => (spacerMm.value = mm),
      settled: () => (settled += 1),
    }),
  )!
  const press = (name: string, shiftKey = false) => {
    let prevented = false
    key({ key: name, shiftKey, preventDefault: () => (prevented = true) } as unknown as KeyboardEvent)
    return prevented
  }
  return { spacerMm, press, settled: () => settled }
}

describe('a spacer by keys', () => {
  test('half a millimetre a press, a tenth with Shift, each one settled', () => {
    const { spacerMm, press, settled } = bench(4)
    for (const [name, shift] of [
      ['ArrowRight', false],
      ['ArrowUp', false],
      ['ArrowLeft', true],
      ['ArrowDown', true],
    ] as const)
      expect(press(name, shift)).toBe(true)
    expect([spacerMm.value, settled()]).toEqual([expect.closeTo(4.8, 9), 4])
  })
  test('never below none nor beyond the most', () => {
    const low = bench(0.2)
    low.press('ArrowLeft')
    expect(low.spacerMm.value).toBe(0)
    const high = bench(29.9)
    high.press('ArrowRight')
    expect(high.spacerMm.value).toBe(30)
  })
  test('steps do not pile up the dust of floating point', () => {
    const { spacerMm, press } = bench(0)
    for (let i = 0; i < 30; i += 1) press('ArrowRight', true)
    expect(spacerMm.value).toBeCloseTo(3, 12)
  })
  test('another key is the page’s', () => {
    const { spacerMm, press, settled } = bench(4)
    expect(press('Enter')).toBe(false)
    expect([spacerMm.value, settled()]).toEqual([4, 0])
  })
})
