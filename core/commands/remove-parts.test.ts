import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { DEMO_PROJECT } from '../demo/project.ts'
import { evaluate } from '../evaluate/evaluate.ts'
import { projectProblems } from '../records/check.ts'
import { removeParts } from './remove-parts.ts'

const IDS = DEMO_PROJECT.parts.map((part) => part.id)

test('whatever is removed, a valid project is left in which nothing names it', () => {
  fc.assert(
    fc.property(fc.subarray(IDS), (gone) => {
      const project = structuredClone(DEMO_PROJECT)
      removeParts(project, new Set(gone))
      expect(projectProblems(project)).toEqual([])
      expect(project.parts.map((part) => part.id)).toEqual(IDS.filter((id) => !gone.includes(id)))
      const named = [
        ...project.bundles.flatMap((bundle) => bundle.parts),
        ...project.setups.flatMap(({ front, rear, hydraulics }) => [front, rear, hydraulics].flatMap((one) => Object.values(one))),
      ]
      expect(named.filter((one) => typeof one === 'string' && gone.includes(one))).toEqual([])
      // every other place is as it was
      for (const [i, setup] of DEMO_PROJECT.setups.entries())
        for (const holder of ['front', 'rear', 'hydraulics'] as const)
          for (const [slot, value] of Object.entries(setup[holder]))
            if (!gone.includes(value as string)) expect(project.setups[i]![holder]).toHaveProperty(slot, value)
    }),
    { numRuns: 40 },
  )
})

test('a place that named it is as the car stands again, and asks there when the car’s own part went', () => {
  const project = structuredClone(DEMO_PROJECT)
  removeParts(project, new Set(['estate-front-caliper']))
  const own = evaluate(project, 'estate-fronts').figures['front.pistonArea'].value
  expect(own).toBe(evaluate(project, 'as-it-stands').figures['front.pistonArea'].value)
  removeParts(project, new Set(['stock-front-caliper']))
  expect(evaluate(project, 'as-it-stands').figures['front.pistonArea'].value).toBeUndefined()
})
