import { expect, test } from '@jest/globals'
import type { Verdict } from '../../figures/verdict.ts'
import { demo, find, part } from '../../testing/fit.ts'

const REAR = 'stock-rear-caliper'
/** What the car has, what the rear caliper works, what it is used for; the verdict. */
test.each<[string, string | undefined, 'road' | 'competition', Verdict]>([
  ['lever', 'lever', 'road', 'fits'],
  ['electric', 'electric', 'road', 'fits'],
  ['lever', 'electric', 'road', 'blocked'],
  ['lever', 'electric', 'competition', 'check'],
  ['electric', 'none', 'road', 'blocked'],
  ['lever', undefined, 'road', 'unknown'],
  // one that acts elsewhere does not care
  ['separate', undefined, 'road', 'fits'],
  ['transmission', 'none', 'road', 'fits'],
  // a car without one is a matter of local rules
  ['none', 'none', 'road', 'check'],
])('the car has %s, the caliper works %s, %s: %s', (kept, works, use, verdict) => {
  const project = demo((draft) => {
    Object.assign(draft.car, { parkingBrake: kept, uses: [use === 'road' ? 'daily' : 'hillClimb'] })
    if (works === undefined) delete part(draft, REAR).parkingBrake
    else part(draft, REAR).parkingBrake = works
  })
  const found = find(project, 'parking-brake', 'rear')!
  expect(found.verdict).toBe(verdict)
  expect(found.safety ?? false).toBe(verdict === 'blocked' || verdict === 'check')
  if (verdict === 'check' && kept !== 'none') expect(found.sentence).toMatch(/scrutineer/)
})

test('shoes in the hat need a rotor that has their drum', () => {
  const hat = (drum: string | undefined) =>
    find(
      demo((draft) => {
        draft.car.parkingBrake = 'shoes'
        const rotor = part(draft, 'stock-rear-rotor')
        if (drum === undefined) delete rotor.parkingDrum
        else rotor.parkingDrum = drum
      }),
      'parking-brake',
      'rear',
    )!.verdict
  expect([hat('yes'), hat('no'), hat(undefined)]).toEqual(['fits', 'blocked', 'unknown'])
})

test('a drum brake keeps a lever and has no electric drive', () => {
  const drum = (kept: 'lever' | 'shoes' | 'electric') =>
    find(
      demo((draft) => {
        draft.car.parkingBrake = kept
        const one = draft.parts.find((candidate) => candidate.kind === 'drum')!
        draft.setups[0].rear.caliper = one.id
      }),
      'parking-brake',
      'rear',
    )!.verdict
  expect([drum('lever'), drum('shoes'), drum('electric')]).toEqual(['fits', 'fits', 'blocked'])
})

test('the front has no say', () => {
  expect(find(demo(), 'parking-brake', 'front')).toBeUndefined()
})
