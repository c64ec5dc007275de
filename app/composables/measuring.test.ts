import { afterEach, beforeEach, describe, expect, test } from '@jest/globals'
import { figure } from '#core/quantity/figure.ts'
import type { PartOf } from '#core/records/part.ts'
import { clearBench, onTheBench, workersAnswer } from '../testing/bench.ts'
import { useMeasuring } from './measuring.ts'

beforeEach(() => workersAnswer())
afterEach(clearBench)

async function measuring(query: string, change?: Parameters<typeof onTheBench>[1]) {
  const bench = await onTheBench(`measure?setup=estate-fronts&${query}`, change)
  const setup = () => bench.store.current.setups.find((one) => one.id === 'estate-fronts')!
  const caliper = () => bench.store.current.parts.find((one) => one.id === 'estate-front-caliper') as PartOf<'caliper'>
  return { ...bench, ...bench.run(useMeasuring), setup, caliper }
}
const measured = (value: number) => figure(value, 'measured', { date: '2026-09-12' })

describe('the sheet and the part in hand', () => {
  test('the part that is fitted, unless the address names another of the kind', async () => {
    expect((await measuring('sheet=rotor')).part.value!.id).toBe('estate-front-rotor')
    expect((await measuring('sheet=rotor&part=kit4-rotor')).part.value!.id).toBe('kit4-rotor')
    // a part of another kind is none of this sheet's
    expect((await measuring('sheet=rotor&part=estate-front-caliper')).part.value!.id).toBe('estate-front-rotor')
  })
  test('without a sheet in the address the one by which the caliper was taken', async () => {
    const taken = async (from: 'points' | 'quick') =>
      (
        await measuring('', (project) => {
          const caliper = project.parts.find((one) => one.id === 'estate-front-caliper') as PartOf<'caliper'>
          caliper.outlineFrom = from
        })
      ).sheet.value.id
    expect(await taken('points')).toBe('caliperOutline')
    expect(await taken('quick')).toBe('caliperQuick')
  })
  test('another sheet of the same kind keeps the part in hand, one of another kind does not', async () => {
    const { chooseSheet, address } = await measuring('sheet=caliperQuick&part=kit4-caliper')
    await chooseSheet('caliperOutline')
    expect(address()).toBe('measure?setup=estate-fronts&sheet=caliperOutline&part=kit4-caliper')
    await chooseSheet('rotor')
    expect(address()).toBe('measure?setup=estate-fronts&sheet=rotor')
  })
  test('a new part is added, named and in hand', async () => {
    const { addPart, store, router, address, part } = await measuring('sheet=wheelMarkings')
    const arrived = new Promise((done) => router.afterEach(done))
    const before = store.current.parts.length
    addPart()
    await arrived
    expect(store.current.parts).toHaveLength(before + 1)
    expect(part.value).toMatchObject({ kind: 'wheel', name: expect.stringMatching(/^New wheel \d+$/) })
    expect(address()).toContain(`part=${part.value!.id}`)
    expect(store.undoLabel).toBe('Add wheel')
  })
  test('how much of a sheet is known', async () => {
    const { done, write } = await measuring('sheet=trialFit')
    expect(done('trialFit')).toBe('')
    write('gapMm', measured(3.1))
    expect(done('trialFit')).toBe('1 of 1')
    expect(done('rotor')).toMatch(/^\d+ of \d+$/)
  })
})

describe('what is written', () => {
  test('a figure goes to its part, as a step that says what was measured', async () => {
    const { write, figureOf, store } = await measuring('sheet=rotor')
    write('diameterMm', measured(257.8))
    expect(figureOf('diameterMm')).toEqual(measured(257.8))
    expect(store.undoLabel).toBe('Measure: diameter')
    write('diameterMm', undefined)
    expect(figureOf('diameterMm')).toBeUndefined()
  })
  test('points replace the quick measures as the outline in use, and the guesses of its doubt', async () => {
    const { write, caliper } = await measuring('sheet=caliperOutline', (project) => {
      const one = project.parts.find((part) => part.id === 'estate-front-caliper') as PartOf<'caliper'>
      Object.assign(one, { outlineFrom: 'quick', uAxialMm: figure(1, 'estimated'), uRadialMm: figure(1, 'estimated') })
    })
    write('outlines', [
      {
        name: 'body',
        points: [
          [0, 100],
          [10, 120],
          [20, 100],
        ],
      },
    ])
    expect(caliper()).toMatchObject({ outlineFrom: 'points' })
    expect(caliper().uAxialMm ?? caliper().uRadialMm).toBeUndefined()
  })
  test('a quick measure outdoes the guess of its own direction only, and never turns points off', async () => {
    const { write, caliper } = await measuring('sheet=caliperQuick', (project) => {
      const one = project.parts.find((part) => part.id === 'estate-front-caliper') as PartOf<'caliper'>
      Object.assign(one, { outlineFrom: 'points', uAxialMm: figure(1, 'estimated'), uRadialMm: figure(1, 'estimated') })
    })
    write('faceMm', measured(38))
    expect(caliper().uAxialMm).toBeUndefined()
    expect(caliper().uRadialMm).toBeDefined()
    expect(caliper().outlineFrom).toBe('points')
  })
  test('a trial fit names the very parts that are fitted', async () => {
    const { write, setup, trialPossible } = await measuring('sheet=trialFit')
    expect(trialPossible.value).toBe(true)
    write('gapMm', measured(3.4))
    expect(setup().front.trialFit).toMatchObject({
      gapMm: { value: 3.4 },
      caliper: 'estate-front-caliper',
      rotor: 'estate-front-rotor',
      spacerMm: 0,
    })
    write('gapMm', undefined)
    expect(setup().front.trialFit).toBeUndefined()
  })
  test('without a wheel there is no trial fit', async () => {
    const { trialPossible } = await measuring('sheet=trialFit', (project) => {
      project.setups.find((one) => one.id === 'estate-fronts')!.front.wheel = null
    })
    expect(trialPossible.value).toBe(false)
  })
  test('a gap by difference is gone when its last figure is', async () => {
    const { write, setup } = await measuring('sheet=difference')
    write('gapNowMm', measured(6))
    write('radiusMm', measured(150))
    expect(setup().front.byDifference).toEqual({ gapNowMm: measured(6), radiusMm: measured(150) })
    write('gapNowMm', undefined)
    write('radiusMm', undefined)
    expect(setup().front.byDifference).toBeUndefined()
  })
  test('objects of the car remember the hat they were taken with, once', async () => {
    const { write, store } = await measuring('sheet=carObjects')
    const objects = (z: number) => [
      {
        name: 'ball joint',
        points: [
          [z, 90],
          [z + 5, 95],
        ],
      },
    ]
    const hat = () => store.current.car.front.objectsTakenWithHatMm?.value
    write('objects', objects(-30))
    const first = hat()
    expect(first).toBe((store.current.parts.find((one) => one.id === 'estate-front-rotor') as PartOf<'rotor'>).hatThicknessMm!.value)
    store.edit('Another hat', (draft) => {
      const rotor = draft.parts.find((one) => one.id === 'estate-front-rotor') as PartOf<'rotor'>
      ;(rotor.hatThicknessMm as { value: number }).value += 1
    })
    write('objects', objects(-31))
    expect(hat()).toBe(first)
  })
})
