import { hoursWords, workOrder } from '../work-order/work-order.ts'
import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { DEMO_PROJECT } from '../demo/project.ts'
import { compareCsv } from '../formats/compare-csv.ts'
import type { Project } from '../records/project.ts'
import { evaluate } from '../evaluate/evaluate.ts'
import { heatBrief } from '../heat/heat-brief.ts'
import { compare, frontOf, orderBy } from './compare.ts'
import { heldAgainst } from './comparison.ts'
import { CRITERIA, SETUP_CRITERIA, type CriterionId } from './criteria.ts'

const sheetOf = (project: Project) =>
  compare(
    project,
    project.setups.map((setup) => evaluate(project, setup.id)),
    Object.fromEntries(project.setups.map((setup) => [setup.id, heatBrief(project, setup.id)])),
  )
const sheet = sheetOf(DEMO_PROJECT)
const row = (id: string) => sheet.rows.find((one) => one.id === id)!

describe('setups side by side', () => {
  test('each cell is the figure of that setup’s report, against the current car', () => {
    expect(sheet.columns.map((one) => one.setupId)).toEqual(DEMO_PROJECT.setups.map((one) => one.id))
    DEMO_PROJECT.setups.forEach((setup, at) => {
      const { figures, bill } = evaluate(DEMO_PROJECT, setup.id)
      expect(row('force').cells[at]!.value).toBe(figures['pedal.force'].value)
      expect(row('cost').cells[at]!.value).toBe(bill.total.likely)
      expect(row('margin').cells[at]!.value).toBe(heatBrief(DEMO_PROJECT, setup.id).leftC)
    })
    for (const { cells } of sheet.rows) expect([cells[0]!.against, cells[0]!.difference]).toEqual([undefined, ''])
  })
  test('better and worse stand only where the doubt lets them', () => {
    for (const { better, tolerance, cells } of sheet.rows)
      for (const cell of cells.slice(1)) {
        if (!better) expect(cell.against).toBeUndefined()
        if (cell.against !== 'better' && cell.against !== 'worse') continue
        const off = Math.abs(cell.value! - cells[0]!.value!)
        expect(off).toBeGreaterThan(Math.max(tolerance, Math.hypot(cell.u ?? 0, cells[0]!.u ?? 0)))
      }
  })
  test('what is only a bound, or not known, is held against nothing', () => {
    fc.assert(
      fc.property(fc.double({ min: -50, max: 50, noNaN: true }), fc.double({ min: -50, max: 50, noNaN: true }), (x, y) => {
        const cell = (value: number | undefined, bound = false) => ({ value, u: undefined, bound })
        const spec = { better: 'low', tolerance: 1, enough: undefined } as const
        expect(heldAgainst(spec, cell(undefined), cell(y))).toBeUndefined()
        expect(heldAgainst(spec, cell(x, true), cell(y))).toBeUndefined()
        const [there, back] = [heldAgainst(spec, cell(x), cell(y)), heldAgainst(spec, cell(y), cell(x))]
        expect([there, back]).toEqual(Math.abs(x - y) <= 1 ? ['same', 'same'] : x < y ? ['better', 'worse'] : ['worse', 'better'])
      }),
    )
  })
  test('a setup that another beats is marked, and no other', () => {
    // the same once more, dearer
    const worse: Project = {
      ...DEMO_PROJECT,
      setups: [
        ...DEMO_PROJECT.setups,
        {
          ...DEMO_PROJECT.setups[3]!,
          id: 'dearer',
          name: 'Dearer',
          extras: [
            ...DEMO_PROJECT.setups[3]!.extras,
            {
              id: 'gold',
              label: 'Gold paint',
              quantity: 1,
              price: { lowMinor: 90_000, likelyMinor: 90_000, highMinor: 90_000, currency: 'EUR', pieces: 1 },
            },
          ],
        },
      ] as Project['setups'],
    }
    const marked = sheetOf(worse).columns.filter((one) => one.beatenBy.length > 0)
    expect(marked.map((one) => [one.setupId, one.beatenBy.includes('Four-piston, rear to match')])).toEqual([['dearer', true]])
    for (const { setupId, beatenBy } of sheet.columns) expect([setupId, beatenBy]).toEqual([setupId, []])
  })
  test('the sentence says what the choice is between', () => {
    expect(sheet.sentence).toMatch(
      /^Estate fronts costs EUR.\d+ less than Four-piston, rear to match\. Four-piston, rear to match has \d+.°C more heat margin/,
    )
    const alone = compare(DEMO_PROJECT, [evaluate(DEMO_PROJECT, 'as-it-stands')], {})
    expect(alone.sentence).toMatch(/No setups to compare/)
    expect(alone.rows.find((one) => one.id === 'margin')!.cells[0]!.text).toBe('not known')
  })
})

test('beyond enough nothing is better, and what is short of it still is worse', () => {
  const value = fc.double({ min: 0, max: 30, noNaN: true })
  fc.assert(
    fc.property(value, value, value, (x, y, enough) => {
      const cell = (at: number) => ({ value: at, u: undefined, bound: false })
      const spec = { better: 'high', tolerance: 0.3, enough } as const
      const held = heldAgainst(spec, cell(x), cell(y))
      if (x >= enough && y >= enough) expect(held).toBe('same')
      // enough never turns the order round
      const bare = heldAgainst({ ...spec, enough: undefined }, cell(x), cell(y))
      expect([bare, 'same']).toContain(held)
    }),
  )
})
test('a clearance, a lock-up order and a travel that are enough are neither better nor worse', () => {
  const row = (id: string) => sheetOf(DEMO_PROJECT).rows.find((one) => one.id === id)!
  const at = (id: string, name: string) => row(id).cells[sheetOf(DEMO_PROJECT).columns.findIndex((one) => one.name === name)]!
  expect(at('gap', 'Estate fronts')).toMatchObject({ against: 'worse', isEnough: false })
  expect(at('gap', 'Four-piston, rear to match')).toMatchObject({ against: 'same', isEnough: true })
  // the tyres reach 0.81 g: 1.15 g and 1.27 g are the same to the driver
  for (const name of ['Estate fronts', 'Twin-piston kit']) expect(at('critical', name)).toMatchObject({ against: 'same', isEnough: true })
})

test('the line of a chart joins the marks that nothing beats in its two criteria', () => {
  const mark = fc.record({ x: fc.integer({ min: 0, max: 20 }), y: fc.integer({ min: 0, max: 20 }) })
  fc.assert(
    fc.property(fc.array(mark, { maxLength: 30 }), (marks) => {
      const front = frontOf(marks, { better: 'low' }, { better: 'high' })
      for (const one of marks) {
        const better = marks.some((other) => other.x <= one.x && other.y >= one.y && (other.x < one.x || other.y > one.y))
        expect(front.includes(one)).toBe(!better)
      }
      expect(front.map((one) => one.x)).toEqual(front.map((one) => one.x).sort((a, b) => a - b))
    }),
  )
})

describe('weights', () => {
  test('one alone puts the setups in its own order', () => {
    for (const id of SETUP_CRITERIA) {
      const { cells, better, enough } = row(id)
      const order = orderBy(sheet, { [id]: 2 }).map((one) => sheet.columns.indexOf(one))
      // what is enough counts alike
      const counted = (value: number) => (better === 'low' ? value : -Math.min(value, enough ?? Infinity))
      const values = order.map((at) => counted(cells[at]!.value!))
      expect(values).toEqual([...values].sort((a, b) => a - b))
    }
  })
  test('what is not known counts as the worst; none leave the order as it is', () => {
    const heatless = compare(
      DEMO_PROJECT,
      DEMO_PROJECT.setups.map((setup) => evaluate(DEMO_PROJECT, setup.id)),
      { balanced: heatBrief(DEMO_PROJECT, 'balanced') },
    )
    expect(orderBy(heatless, { margin: 1 })[0]!.setupId).toBe('balanced')
    expect(orderBy(sheet, {})).toEqual(sheet.columns)
  })
})

test('a lock-up order that is not confirmed counts against a setup, as on its own pages', () => {
  const reports = DEMO_PROJECT.setups.map((setup) => evaluate(DEMO_PROJECT, setup.id))
  const column = (of100?: number) =>
    compare(DEMO_PROJECT, reports, {}, of100 === undefined ? {} : { balanced: of100 }).columns.find((one) => one.setupId === 'balanced')!
  expect([column().verdict, column(99).verdict, column(48).verdict]).toEqual(['check', 'check', 'needs'])
})

describe('criteria', () => {
  test('each is a row with the label, direction and tolerance of the one definition', () => {
    for (const id of Object.keys(CRITERIA) as CriterionId[]) {
      const { label, better, tolerance } = CRITERIA[id]
      expect(row(id)).toMatchObject({ label, better, tolerance })
    }
  })
  test('the target of the balance is the one that is chosen, for every setup', () => {
    const aimed = (edit: (preferences: Project['preferences']) => void) => {
      const project = structuredClone(DEMO_PROJECT)
      edit(project.preferences)
      return sheetOf(project)
        .rows.find((one) => one.id === 'bias')!
        .cells.map((cell) => cell.value!)
    }
    const shares = DEMO_PROJECT.setups.map((setup) => evaluate(DEMO_PROJECT, setup.id).figures['bias.road'].value!)
    aimed((preferences) => Object.assign(preferences, { biasAim: 'fixed', biasAimShare: 0.7 })).forEach((off, at) =>
      expect(off).toBeCloseTo(Math.abs(shares[at]! - 0.7), 9),
    )
    aimed((preferences) => (preferences.biasAim = 'present')).forEach((off, at) =>
      expect(off).toBeCloseTo(Math.abs(shares[at]! - shares[0]!), 6),
    )
  })
  test('the hotter axle counts; without it the row says so, beside a rear drum the front does', () => {
    const rear = structuredClone(DEMO_PROJECT)
    delete (rear.parts.find((part) => part.id === rear.setups[0].rear.rotor) as { ventilation?: string }).ventilation
    const [was, without] = [DEMO_PROJECT, rear].map((project) => sheetOf(project).rows.find((one) => one.id === 'heat')!.cells[0]!)
    const { figures } = evaluate(DEMO_PROJECT, DEMO_PROJECT.setups[0].id)
    expect(was!.value).toBe(Math.max(figures['front.heat'].value!, figures['rear.heat'].value!))
    expect(without).toMatchObject({ value: undefined, text: 'not known' })
  })
})

describe('a budget', () => {
  const withBudget = (budgetMinor: number) => {
    const project = structuredClone(DEMO_PROJECT)
    project.preferences.budgetMinor = budgetMinor
    return sheetOf(project)
  }
  test('each setup says how likely it stays within it, and the sentence names those that do not', () => {
    const found = withBudget(40_000)
    const budget = found.rows.find((one) => one.id === 'budget')!
    found.columns.slice(1).forEach(({ setupId, name, verdict }, i) => {
      const cell = budget.cells[i + 1]!
      const over = row('cost').cells[i + 1]!.value! - 40_000
      expect([setupId, / over/.test(cell.text)]).toEqual([setupId, over > 0])
      const named = found.sentence.split('Over the budget: ')[1]?.includes(name) ?? false
      expect([setupId, named]).toEqual([setupId, cell.verdict === 'needs' && verdict !== 'blocked'])
    })
    expect(budget.cells.some((cell) => cell.verdict === 'needs')).toBe(true)
    expect(budget.cells[0]!.text).toBe('nothing to buy')
  })
  test('without one there is no such row', () => {
    const none = structuredClone(DEMO_PROJECT)
    delete none.preferences.budgetMinor
    expect(sheetOf(none).rows.some((one) => one.id === 'budget')).toBe(false)
  })
})

test('hours of work are those of the work order; the current car needs none', () => {
  const { cells } = row('hours')
  expect(cells.map((cell) => cell.text)).toEqual(DEMO_PROJECT.setups.map(({ id }) => hoursWords(workOrder(DEMO_PROJECT, id).minutes)))
  expect([cells[0]!.text, cells[3]!.value! > cells[1]!.value!]).toEqual(['no work', true])
})

test('as a table: a row for each criterion, each setup with what it differs by', () => {
  const lines = compareCsv(sheet).trim().split('\n')
  expect(lines).toHaveLength(sheet.rows.length + 1)
  expect(lines[0]).toContain('against Current car')
  expect(lines.find((line) => line.startsWith('Pedal force'))).toMatch(/131.N,104.N,.27.N/)
})
