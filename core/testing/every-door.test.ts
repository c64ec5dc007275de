import { expect, test } from '@jest/globals'
import { DEMO_PROJECT } from '../demo/project.ts'
import type { Project } from '../records/project.ts'
import { atItsLimits, EVERY_DOOR, notSaid } from './every-door.ts'
import { stream } from './heavy.ts'
import { DEEP, runs } from './runs.ts'

test('what is looked for is found', () => {
  expect(notSaid({ a: ['stops in NaN m'] })).toBe('.a.0: stops in NaN m')
  expect(notSaid({ figures: { x: { value: Infinity } } })).toBe('.figures.x.value is Infinity')
  expect(notSaid({ rows: [{ driverG: Infinity, words: 'Infinityville, bananas' }] })).toBeUndefined()
})

test.each([28, 30])('a pedal that has %p mm of travel at most: a stop that cannot be made is said so', (value) => {
  const project = structuredClone(DEMO_PROJECT) as Project
  project.car.pedalTravelMm = { value, origin: 'measured' }
  for (const id of DEEP ? project.setups.map((one) => one.id) : ['balanced'])
    for (const [door, of] of Object.entries(EVERY_DOOR)) expect([door, id, notSaid(of(project, id))]).toEqual([door, id, undefined])
})

test('no door says NaN, Infinity or undefined of a project with a figure at its limit', () => {
  for (let seed = 1; seed <= runs(4, 400); seed += 1) {
    const next = stream(seed * 7919)
    for (let i = 0; i < 8; i += 1) next()
    const { project, said } = atItsLimits(next)
    const setupId = project.setups[Math.floor(next() * project.setups.length)]!.id
    for (const [door, of] of Object.entries(EVERY_DOOR)) {
      let found: string | undefined
      try {
        found = notSaid(of(project, setupId))
      } catch (error) {
        found = String(error)
      }
      expect([seed, said, setupId, door, found]).toEqual([seed, said, setupId, door, undefined])
    }
  }
})
