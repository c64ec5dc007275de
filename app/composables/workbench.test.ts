import { afterEach, beforeEach, describe, expect, test } from '@jest/globals'
import type { Place } from '#core/figures/figure.ts'
import { clearBench, onTheBench, until, workersAnswer } from '../testing/bench.ts'
import { useWorkbench } from './workbench.ts'

beforeEach(() => workersAnswer())
afterEach(clearBench)

const bench = async (address?: string) => {
  const at = await onTheBench(address)
  return { ...at, ...at.run(useWorkbench) }
}

describe('what the address says', () => {
  test('setup, axle and step', async () => {
    const { setup, axle, step, isStock } = await bench('fit?setup=big-kit&axle=rear')
    expect([setup.value!.id, axle.value, step.value, isStock.value]).toEqual(['big-kit', 'rear', 'fit', false])
  })
  test('nonsense in it leads to the current car and its front', async () => {
    const { setup, axle, isStock } = await bench('fit?setup=gone&axle=sideways&setup=twice')
    expect([setup.value!.id, axle.value, isStock.value]).toEqual(['as-it-stands', 'front', true])
  })
  test('the printed form belongs to measuring', async () => {
    expect((await bench('form')).step.value).toBe('measure')
  })
  test('another setup or axle keeps the step; the front is not spelled out', async () => {
    const { chooseSetup, chooseAxle, address } = await bench('cost?setup=big-kit')
    await chooseAxle('rear')
    expect(address()).toBe('cost?setup=big-kit&axle=rear')
    await chooseSetup('balanced')
    expect(address()).toBe('cost?setup=balanced&axle=rear')
    await chooseAxle('front')
    expect(address()).toBe('cost?setup=balanced')
  })
  test('reports are of the setup that is looked at', async () => {
    const { report, stock, reports } = await bench('fit?setup=big-kit')
    await until(() => reports.value.length > 0, 'reports')
    expect([report.value!.setupId, stock.value!.setupId]).toEqual(['big-kit', 'as-it-stands'])
  })
})

describe('where a figure is entered', () => {
  const part = (partId: string, field: string): Place => ({ kind: 'part', partId, field })
  test.each<[string, Place, string]>([
    [
      'a caliper’s measure: its sheet',
      part('estate-front-caliper', 'faceMm'),
      'measure?setup=estate-fronts&sheet=caliperQuick&part=estate-front-caliper&field=faceMm',
    ],
    [
      'what no sheet has: the form',
      part('estate-front-caliper', 'massKg'),
      'parts?setup=estate-fronts&part=estate-front-caliper&field=massKg',
    ],
    ['the car', { kind: 'car', field: 'massKg' }, 'car?setup=estate-fronts&field=massKg'],
    ['an axle of the car', { kind: 'car', axle: 'rear', field: 'registerMm' }, 'car?setup=estate-fronts&field=rear.registerMm'],
    [
      'an empty place of another setup',
      { kind: 'slot', setupId: 'big-kit', axle: 'front', slot: 'pad' },
      'setup?setup=big-kit&field=front.pad',
    ],
    ['hydraulics', { kind: 'slot', setupId: 'big-kit', slot: 'valve' }, 'setup?setup=big-kit&field=valve'],
    [
      'a trial fit',
      { kind: 'setup', setupId: 'estate-fronts', axle: 'front', field: 'trialFit' },
      'measure?setup=estate-fronts&axle=front&sheet=trialFit',
    ],
    [
      'a gap by difference',
      { kind: 'setup', setupId: 'estate-fronts', axle: 'rear', field: 'byDifference' },
      'measure?setup=estate-fronts&axle=rear&sheet=difference',
    ],
    ['what is on the bill', { kind: 'setup', setupId: 'balanced', field: 'extras' }, 'cost?setup=balanced&view=bill'],
    [
      'a spacer that is tried',
      { kind: 'setup', setupId: 'balanced', axle: 'front', field: 'spacerTrialMm' },
      'fit?setup=balanced&axle=front',
    ],
    ['the bar’s position', { kind: 'setup', setupId: 'balanced', field: 'barFrontShare' }, 'setup?setup=balanced&field=barFrontShare'],
    ['a kit', { kind: 'bundle', bundleId: 'kit' }, 'parts?setup=estate-fronts&view=bundles&bundle=kit'],
    ['a rate of exchange', { kind: 'preference', field: 'rates' }, 'cost?setup=estate-fronts&field=rates'],
    ['a limit', { kind: 'preference', field: 'limits' }, 'fit?setup=estate-fronts&field=limits'],
    ['the stated deceleration', { kind: 'preference', field: 'referenceDecelG' }, 'balance?setup=estate-fronts&field=referenceDecelG'],
  ])('%s', async (_, place, wanted) => {
    const { goTo, router, address, openFigureId } = await bench()
    openFigureId.value = 'cost.total'
    const arrived = new Promise((done) => router.afterEach(done))
    goTo(place)
    await arrived
    expect(address()).toBe(wanted)
    expect(openFigureId.value).toBeUndefined()
  })
  test('another figure opens its own working and stays where it is', async () => {
    const { goTo, address, openFigureId } = await bench('cost?setup=balanced')
    goTo({ kind: 'figure', figureId: 'pedal.force' })
    expect([openFigureId.value, address()]).toEqual(['pedal.force', 'cost?setup=balanced'])
  })
})
