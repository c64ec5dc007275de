import { describe, expect, test } from '@jest/globals'
import { DEMO_PROJECT } from '../demo/project.ts'
import { FRONT_FIRST_TO_G, type AssignedBrakes, type Weighed } from './figures-of.ts'
import { failedConstraint, LITTLE } from './constraints.ts'
import { DEFAULT_QUERY, spaceOf, type SearchQuery } from './search-space.ts'

const WEIGHED: Weighed = { cost: 50_000, heat: undefined, gap: undefined, bias: undefined, mass: undefined, pedal: undefined }
const BRAKED: AssignedBrakes = { pedalN: 150, frontShare: 0.7, rearFirstG: 0.9 }
const BAND = { low: 100, high: 200 }
const asked = (musts: Partial<SearchQuery['musts']>) =>
  spaceOf(DEMO_PROJECT, { ...DEFAULT_QUERY, setupId: 'as-it-stands', musts: { ...DEFAULT_QUERY.musts, ...musts } })
const fails = (musts: Partial<SearchQuery['musts']>, weighed: Partial<Weighed> = {}, braked: Partial<AssignedBrakes> = {}) =>
  failedConstraint(asked(musts), BAND, { ...WEIGHED, ...weighed }, { ...BRAKED, ...braked })

describe('the budget', () => {
  test('holds to the last cent, and is missed by little up to a share of it', () => {
    expect(fails({ budgetMinor: 50_000 })).toEqual([])
    expect(fails({ budgetMinor: 49_999 })).toEqual([
      { id: 'budget', little: true, words: expect.stringMatching(/^EUR.0\.01 over the budget$/) },
    ])
    const least = 50_000 / (1 + LITTLE.budget)
    expect(fails({ budgetMinor: Math.ceil(least) })[0]!.little).toBe(true)
    expect(fails({ budgetMinor: Math.floor(least) - 1 })[0]!.little).toBe(false)
  })
  test('a price that nobody knows keeps no budget, and is not near to it either', () => {
    expect(fails({ budgetMinor: 1e9 }, { cost: undefined })).toEqual([{ id: 'budget', little: false, words: 'a price is missing' }])
    expect(fails({}, { cost: undefined })).toEqual([])
  })
})

test('the front wheels first: as far as is asked, and unknown only where that is let through', () => {
  expect(fails({}, {}, { rearFirstG: FRONT_FIRST_TO_G })).toEqual([])
  expect(fails({}, {}, { rearFirstG: FRONT_FIRST_TO_G - 0.01 })).toEqual([
    { id: 'front-first', little: true, words: `the rear first from ${(FRONT_FIRST_TO_G - 0.01).toFixed(2)} g` },
  ])
  expect(fails({}, {}, { rearFirstG: LITTLE.frontFirstG - 0.01 })[0]!.little).toBe(false)
  expect(fails({ known: true }, {}, { rearFirstG: undefined })).toMatchObject([{ id: 'front-first', little: false }])
  expect(fails({ known: false }, {}, { rearFirstG: undefined })).toEqual([])
  expect(fails({ frontFirst: false }, {}, { rearFirstG: 0.1 })).toEqual([])
})

test('the usual pedal is a must only where it is asked for; both ends of its band belong to it', () => {
  for (const pedalN of [BAND.low, BAND.high]) expect(fails({ pedal: true }, {}, { pedalN })).toEqual([])
  expect(fails({ pedal: true }, {}, { pedalN: 99 })).toEqual([{ id: 'pedal-band', little: true, words: '99 N at the pedal' }])
  expect(fails({ pedal: true }, {}, { pedalN: BAND.high * (1 + LITTLE.pedal) + 1 })[0]!.little).toBe(false)
  expect(fails({ pedal: true }, {}, { pedalN: undefined })).toMatchObject([{ id: 'pedal-band', little: false }])
  expect(fails({}, {}, { pedalN: 1000 })).toEqual([])
})

test('what fails several of them is said of each', () => {
  const found = fails({ budgetMinor: 100, pedal: true }, {}, { pedalN: 20, rearFirstG: 0.2 })
  expect(found.map((one) => one.id)).toEqual(['budget', 'front-first', 'pedal-band'])
})
