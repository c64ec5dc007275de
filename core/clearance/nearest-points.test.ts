import { expect, test } from '@jest/globals'
import { DEMO_PROJECT } from '../demo/project.ts'
import { AXLES } from '../quantity/axle.ts'
import { evaluate } from '../evaluate/evaluate.ts'

/** Every pair of z and r that a note names. */
const pairs = (note: string) =>
  [...note.matchAll(/z ([−\d.]+), r ([\d.]+)/g)].map(([, z, r]) => [Number(z!.replace('−', '-')), Number(r)] as const)
/** Least distance of two segments, by trying places along both. */
function distance([a, b]: readonly (readonly [number, number])[], [c, d]: readonly (readonly [number, number])[]): number {
  let least = Infinity
  for (let i = 0; i <= 400; i += 1)
    for (let j = 0; j <= 400; j += 1) {
      const at = (k: 0 | 1) => a![k] + ((b![k] - a![k]) * i) / 400 - c![k] - ((d![k] - c![k]) * j) / 400
      least = Math.min(least, Math.hypot(at(0), at(1)))
    }
  return least
}

test('the clearance can be computed again from the points and segments that its working names', () => {
  let found = 0
  for (const { id } of DEMO_PROJECT.setups)
    for (const axle of AXLES) {
      const { corners, figures } = evaluate(DEMO_PROJECT, id)
      const { notes, value } = figures[`${axle}.gap`]
      const of = (start: string) => pairs(notes.find((one) => one.startsWith(start)) ?? '')
      const [[on, off], caliper, wheel] = [of('Nearest points'), of('Caliper segment'), of('Wheel segment')]
      if (!on || !off) continue
      found += 1
      expect(Math.hypot(on[0] - off[0], on[1] - off[1])).toBeCloseTo(value!, 1)
      expect(Math.abs(distance(caliper, wheel) - value!)).toBeLessThan(0.05)
      const [next] = corners[axle].measureNext
      if (next) expect(notes).toContain(next.sentence)
    }
  expect(found).toBeGreaterThan(3)
})
