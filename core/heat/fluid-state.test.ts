import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { DEMO_PROJECT } from '../demo/project.ts'
import type { PartOf } from '../records/part.ts'
import { figure } from '../quantity/figure.ts'
import { Working } from '../figures/working.ts'
import { fluidNow } from './fluid-state.ts'

const fluid = (waterPercent: number): PartOf<'fluid'> => ({
  id: 'f',
  kind: 'fluid',
  name: 'Club fluid',
  base: 'glycol',
  dryBoilC: figure(260),
  wetBoilC: figure(180),
  waterPercent: figure(waterPercent),
})
const now = (waterPercent: number) => fluidNow(new Working(), DEMO_PROJECT, fluid(waterPercent))!

test('more water never boils later, at its least neither', () => {
  fc.assert(
    fc.property(fc.double({ min: 0, max: 9, noNaN: true }), fc.double({ min: 0, max: 3, noNaN: true }), (water, more) => {
      expect(now(water + more).boilC).toBeLessThanOrEqual(now(water).boilC)
      expect(now(water + more).leastBoilC).toBeLessThanOrEqual(now(water).leastBoilC)
    }),
  )
})
test('beyond the wet boiling point nothing is promised: it may boil as water does', () => {
  expect(now(6)).toMatchObject({ leastBoilC: 100, changeNow: true, words: expect.stringMatching(/below the wet boiling point.*change it/) })
  expect(now(3).leastBoilC).toBeGreaterThanOrEqual(180)
})
