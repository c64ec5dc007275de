import { describe, expect, test } from '@jest/globals'
import { DEMO_PROJECT } from '../demo/project.ts'
import type { Project } from '../records/project.ts'
import type { Setup } from '../records/setup.ts'
import { evaluate } from '../evaluate/evaluate.ts'
import { workOrder } from '../work-order/work-order.ts'

function billOf(change: (setup: Setup, project: Project) => void, id = 'estate-fronts') {
  const project = structuredClone(DEMO_PROJECT)
  change(
    project.setups.find((setup) => setup.id === id)!,
    project,
  )
  return evaluate(project, id).bill
}
const line = (bill: ReturnType<typeof billOf>, id: string) => bill.lines.find((one) => one.id === id)

describe('the bill of a setup', () => {
  test('counts what an axle takes: two calipers, one pad set, and by the pack it is sold in', () => {
    const bill = billOf(() => undefined)
    expect(line(bill, 'estate-front-caliper')).toMatchObject({ quantity: 1, likely: 9500 })
    expect(line(bill, 'estate-front-rotor')).toMatchObject({ quantity: 2, likely: 13_200 })
    expect(line(bill, 'estate-front-pad')).toMatchObject({ quantity: 1, likely: 4900 })
  })
  test('the same part on both axles is one line of four pieces', () => {
    const bill = billOf((setup) => {
      setup.front.spacer = 'spacer-5'
      setup.rear.spacer = 'spacer-5'
    })
    expect(line(bill, 'spacer-5')).toMatchObject({
      quantity: 2,
      likely: 4200,
      detail: expect.stringContaining('front and rear, 4 pieces, sold in pairs'),
    })
  })
  test('what the car has already is not bought again', () => {
    const bill = billOf((setup) => {
      setup.front = { caliper: 'stock-front-caliper' }
      setup.extras = []
    })
    expect(bill.lines).toEqual([])
    expect(bill.total.likely).toBe(0)
  })
  test('what is owned is listed and costs nothing', () => {
    const bill = billOf((setup) => (setup.front.wheel = 'winter-wheel'))
    expect(line(bill, 'winter-wheel')).toMatchObject({ owned: true, likely: 0 })
    expect(bill.total.likely).toBe(31_000)
  })
  test('a spacer that is only tried has no price, and is asked for', () => {
    const bill = billOf((setup) => (setup.front.spacerTrialMm = 7.5))
    expect(line(bill, 'spacer-front')).toMatchObject({ likely: undefined, at: { kind: 'slot', slot: 'spacer' } })
    expect(bill.unpriced).toBe(1)
  })
  test('tax is on every line and rounded there', () => {
    const bill = billOf((_, project) => (project.preferences.taxPercent = 8.1))
    expect(bill.total.likely).toBe(bill.lines.reduce((sum, one) => sum + one.likely!, 0))
    expect(line(bill, 'estate-front-pad')!.likely).toBe(Math.floor(4900 * 1.081 + 0.5))
  })
  test('the extra costs of the current car are its own', () => {
    const bill = billOf(
      (setup) =>
        (setup.extras = [
          {
            id: 'x',
            label: 'Inspection',
            quantity: 1.5,
            price: { lowMinor: 1000, likelyMinor: 2000, highMinor: 3000, currency: 'EUR', pieces: 1 },
          },
        ]),
      'as-it-stands',
    )
    expect(bill).toMatchObject({ lines: [{ label: 'Inspection', likely: 3000 }], total: { low: 1500, high: 4500 } })
    expect(evaluate(DEMO_PROJECT, 'as-it-stands').bill.lines).toEqual([])
  })
})

describe('the job card', () => {
  const steps = (id: string, change: (project: Project) => void = () => undefined) => {
    const project: Project = { ...structuredClone(DEMO_PROJECT), builds: [] }
    change(project)
    return evaluate(project, id).steps
  }
  test('counts the questions where they are answered', () => {
    expect(steps('balanced')).toEqual({
      car: { state: 'settled' },
      measure: { state: 'settled' },
      parts: { state: 'settled' },
      setup: { state: 'settled' },
      fit: { state: 'check', count: 3 },
      balance: { state: 'check', count: 1 },
      heat: { state: 'settled' },
      cost: { state: 'check', count: 1 },
      build: { state: 'nothing' },
      prove: { state: 'todo', count: 3 },
    })
    expect(steps('as-it-stands').prove).toEqual({ state: 'settled' })
    expect(
      steps(
        'balanced',
        (project) =>
          void (project.stopTests =
            project.lockSightings =
            project.gaugeSessions =
            project.heatReadings =
            project.wearReadings =
            project.fitReports =
              []),
      ).prove,
    ).toEqual({ state: 'nothing' })
    const ticked = (doneOn: string[]) =>
      steps('balanced', (project) => {
        project.builds = [{ id: 'balanced', notes: doneOn.map((id) => ({ id, doneOn: '2026-11-01' })), torques: [] }]
      }).build
    const all = workOrder(DEMO_PROJECT, 'balanced').steps.map((one) => one.id)
    // what is still to be checked on the car is not done with the last tick
    expect([ticked([]), ticked(['read']), ticked(all)]).toEqual([
      { state: 'nothing' },
      { state: 'todo', count: all.length - 1 },
      { state: 'check', count: 1 },
    ])
    const open = steps('balanced', (project) => {
      delete project.car.massKg
      delete project.setups[0].front.hose
      delete project.setups[3]!.front.hose
    })
    expect(open.car).toEqual({ state: 'open', count: 1 })
    expect(open.setup).toEqual({ state: 'open', count: 1 })
    expect(open.balance).toEqual({ state: 'open', count: 2 })
    const bound = steps('balanced', (project) => {
      for (const part of project.parts) if (part.kind === 'booster') delete part.assistN
    })
    expect(bound.balance).toEqual({ state: 'open', count: 1 })
  })
  test('blocked where nothing cures it', () => {
    const blocked = steps('balanced', (project) => {
      const caliper = project.parts.find((part) => part.id === 'kit4-caliper')
      if (caliper?.kind === 'caliper') caliper.tallestRadiusMm = { value: 172, origin: 'measured' }
    })
    expect(blocked.fit).toEqual({ state: 'blocked' })
  })
})
