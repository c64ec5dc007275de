import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { DEMO_PROJECT } from '../demo/project.ts'
import { chainBody, forceAtTravel } from './chain-body.ts'
import { chainPicture } from './chain-picture.ts'
import { hydraulicsOf } from './hydraulics-of.ts'

const balanced = hydraulicsOf(DEMO_PROJECT, 'balanced')
const MOST_N = 600

test('a hand that pulls the foot so far gets the force at which the pedal stands there', () => {
  fc.assert(
    fc.property(fc.double({ min: 1, max: MOST_N - 1, noNaN: true }), (forceN) => {
      const { pedalMm } = chainPicture(balanced, forceN)!.travel!
      const found = forceAtTravel(balanced, pedalMm, MOST_N)!
      expect(chainPicture(balanced, found)!.travel!.pedalMm).toBeCloseTo(pedalMm, 1)
    }),
  )
  expect(forceAtTravel(balanced, -5, MOST_N)).toBe(0)
  expect(forceAtTravel(balanced, 1000, MOST_N)).toBe(MOST_N)
  expect(forceAtTravel({ ...balanced, takers: undefined }, 30, MOST_N)).toBeUndefined()
})

test('bodies are those of the parts in the setup; what nobody knows is not made up', () => {
  const body = chainBody(balanced)!
  const caliper = balanced.context.resolved.front.caliper!
  expect(body.front.pistonsMm).toEqual(caliper.kind === 'caliper' ? caliper.pistonsMm!.map((piston) => piston.value) : [])
  expect(body.front.opposed).toBe(true)
  const bare = structuredClone(balanced)
  Reflect.deleteProperty(bare.context.resolved.rear.rotor!, 'thicknessMm')
  expect(chainBody(bare)!.rear.thicknessMm).toBeUndefined()
  expect(chainBody({ ...balanced, system: undefined })).toBeUndefined()
})
