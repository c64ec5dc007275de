import { describe, expect, test } from '@jest/globals'
import { DEMO_PROJECT } from '../demo/project.ts'
import { resolveSetup, spacerInUseMm } from './resolve.ts'
import { chooseSpacer } from '../commands/spacer-choice.ts'
import type { Project } from './project.ts'

const [stock, estate] = DEMO_PROJECT.setups as unknown as [Project['setups'][0], Project['setups'][0]]

describe('what stands in a slot', () => {
  test('a setup says only what it changes; the rest is the current car', () => {
    const resolved = resolveSetup(DEMO_PROJECT, estate)
    expect(resolved.front.caliper?.id).toBe('estate-front-caliper')
    expect(resolved.front.wheel?.id).toBe('club-wheel')
    expect(resolved.rear.caliper?.id).toBe('stock-rear-caliper')
    expect(resolved.front.spacer).toBeNull()
    expect(resolved.masterCylinder?.id).toBe('stock-master')
  })
  test('null is nothing on purpose, absent is unknown on the current car', () => {
    const without = { ...estate, hydraulics: { booster: null } }
    expect(resolveSetup(DEMO_PROJECT, without).booster).toBeNull()
    const bare: Project = { ...DEMO_PROJECT, setups: [{ ...stock, hydraulics: {} }, estate] }
    expect(resolveSetup(bare, bare.setups[0]).booster).toBeUndefined()
  })
  test('a spacer chosen here outranks one tried on the current car', () => {
    const tried: Project = { ...DEMO_PROJECT, setups: [{ ...stock, front: { ...stock.front, spacerTrialMm: 7 } }, estate] }
    expect(resolveSetup(tried, estate).front.spacerTrialMm).toBe(7)
    expect(resolveSetup(tried, { ...estate, front: { ...estate.front, spacer: 'spacer-3' } }).front.spacerTrialMm).toBeUndefined()
  })
  test('shims belong to the caliper they were cut for', () => {
    const shimmed: Project = { ...DEMO_PROJECT, setups: [{ ...stock, front: { ...stock.front, shimMm: 2 } }, estate] }
    expect(resolveSetup(shimmed, shimmed.setups[0]).front.shimMm).toBe(2)
    expect(resolveSetup(shimmed, estate).front.shimMm).toBe(0)
  })
})

test('the spacer in use: a trial, a part, none, or not known', () => {
  const part = DEMO_PROJECT.parts.find((one) => one.id === 'spacer-5') as never
  expect(spacerInUseMm({ spacer: part, spacerTrialMm: 7 })).toBe(7)
  expect(spacerInUseMm({ spacer: part, spacerTrialMm: undefined })).toBe(5)
  expect(spacerInUseMm({ spacer: null, spacerTrialMm: undefined })).toBe(0)
  expect(spacerInUseMm({ spacer: undefined, spacerTrialMm: undefined })).toBeUndefined()
})

test('a spacer of a thickness becomes a part when there is one, a trial when not, none at zero', () => {
  expect(chooseSpacer(DEMO_PROJECT, 5)).toEqual({ spacer: 'spacer-5' })
  expect(chooseSpacer(DEMO_PROJECT, 7.5)).toEqual({ spacerTrialMm: 7.5 })
  expect(chooseSpacer(DEMO_PROJECT, 0)).toEqual({ spacer: null })
})
