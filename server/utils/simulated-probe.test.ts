import { describe, expect, test } from '@jest/globals'
import { probeOf, SimulatedProbe, type ProbeFault } from './simulated-probe.ts'

function held(truthC: number, fault: ProbeFault = 'none'): SimulatedProbe {
  let state = 11
  const made = new SimulatedProbe(() => {
    state = (state * 48271) % 2147483647
    return state / 2147483647
  })
  made.hold(truthC, fault)
  return made
}
const after = (probe: SimulatedProbe, readings: number) => {
  let last = 0
  for (let i = 0; i < readings; i += 1) last = Number(probe.read().line)
  return last
}

describe('the simulated probe', () => {
  test('warms up to what it is held to, with noise', () => {
    const probe = held(400)
    expect(after(probe, 1)).toBeLessThan(300)
    expect(Math.abs(after(probe, 40) - 400)).toBeLessThan(9)
  })
  test('its faults: one that is slow reads too little when it is read too early, one that is set wrong reads too little for ever', () => {
    expect(after(held(400, 'late'), 10)).toBeLessThan(200)
    expect(Math.abs(after(held(400, 'late'), 300) - 400)).toBeLessThan(9)
    expect(after(held(400, 'emissivity'), 100)).toBeLessThan(340)
  })
  test('a press marks one reading as sent; held to another place it starts anew', () => {
    const probe = held(400)
    after(probe, 30)
    probe.press()
    expect([probe.read().sent, probe.read().sent]).toEqual([true, false])
    probe.hold(150, 'none')
    expect(after(probe, 1)).toBeLessThan(120)
  })
  test('one for each tab; a name that is none, no probe', () => {
    expect(probeOf('tab-1')).toBe(probeOf('tab-1'))
    for (const bad of ['', '../x', 7, undefined, {}]) expect(probeOf(bad)).toBeUndefined()
    const first = probeOf('oldest')
    for (let i = 0; i < 100; i += 1) probeOf(`many-${i}`)
    expect(probeOf('oldest')).not.toBe(first)
  })
})
