import { describe, expect, test } from '@jest/globals'
import { produce } from 'immer'
import { blankProject } from '../records/blank.ts'
import type { Part } from '../records/part.ts'
import type { Project } from '../records/project.ts'
import { figure } from '../quantity/figure.ts'
import { evaluate } from '../evaluate/evaluate.ts'

const made = (valve: Part | null | undefined, more: (draft: Project) => void = () => undefined): Project =>
  produce(blankProject('a', 'A'), (draft) => {
    draft.parts.push(
      { id: 'f', kind: 'caliper', name: 'Front', construction: 'fixed', pistonsMm: [figure(38.1), figure(41.3)] },
      { id: 'r', kind: 'caliper', name: 'Rear', construction: 'fixed', pistonsMm: [figure(28.6), figure(28.6)] },
      { id: 'm', kind: 'masterCylinder', name: 'Two cylinders', construction: 'twin', frontBoreMm: figure(15.9), rearBoreMm: figure(17.8) },
      ...(valve ? [valve] : []),
    )
    const [setup] = draft.setups
    setup.front.caliper = 'f'
    setup.rear.caliper = 'r'
    Object.assign(setup.hydraulics, { masterCylinder: 'm', barFrontShare: figure(0.5) })
    if (valve !== undefined) setup.hydraulics.valve = valve?.id ?? null
    more(draft as Project)
  })
const shares = (project: Project) => {
  const { figures } = evaluate(project, project.setups[0].id)
  return { pressure: figures['bias.pressure'], clamp: figures['bias.clamp'], torque: figures['bias.torque'], road: figures['bias.road'] }
}

describe('a share is there as soon as its own figures are', () => {
  const pressures = { front: 0.5 / 15.9 ** 2, rear: 0.5 / 17.8 ** 2 }
  const areas = { front: 38.1 ** 2 + 41.3 ** 2, rear: 2 * 28.6 ** 2 }
  test('pressure from bores and bar, clamp with the pistons, without anything of the car', () => {
    const { pressure, clamp, torque } = shares(made(null))
    expect(pressure.value).toBeCloseTo(pressures.front / (pressures.front + pressures.rear), 12)
    const front = pressures.front * areas.front
    expect(clamp.value).toBeCloseTo(front / (front + pressures.rear * areas.rear), 12)
    expect([clamp.atLeast, clamp.missing]).toEqual([undefined, []])
    expect(torque.value).toBeUndefined()
    expect(torque.missing.map((one) => one.what)).toContain('Pads, front')
  })
  test('where the rear valve is not known it can only be more', () => {
    expect(shares(made(undefined)).clamp).toMatchObject({
      atLeast: true,
      notes: expect.arrayContaining([expect.stringContaining('valve')]),
    })
  })
  test('a bound is no ground for a heat', () => {
    const { figures } = evaluate(made(undefined), 'as-it-stands')
    expect(figures['front.heat'].value).toBeUndefined()
  })
  test('with a drum there is no clamp to compare', () => {
    const drum = made(null, (draft) => {
      draft.parts.push({ id: 'd', kind: 'drum', name: 'Drum', cylinderBoreMm: figure(19) })
      draft.setups[0].rear.caliper = 'd'
    })
    expect(shares(drum).clamp).toMatchObject({ value: undefined, notes: ['A drum has no single clamp force.'] })
  })
})
