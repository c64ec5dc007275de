import { describe, expect, test } from '@jest/globals'
import { DEMO_PROJECT } from '../demo/project.ts'
import type { Part } from '../records/part.ts'
import type { Project } from '../records/project.ts'
import { takeBundle } from '../commands/take-bundle.ts'
import { figure } from '../quantity/figure.ts'
import { DEFAULT_UNITS } from '../quantity/units.ts'
import { compareParts } from './compare-parts.ts'
import { evaluate } from '../evaluate/evaluate.ts'
import { paybackAgainst } from '../cost/season.ts'

const demo = (change: (project: Project) => void): Project => {
  const copy = structuredClone(DEMO_PROJECT)
  change(copy)
  return copy
}
const part = (project: Project, id: string) => project.parts.find((one) => one.id === id)! as unknown as Record<string, unknown>
const price = (minor: number, more = {}) =>
  ({ lowMinor: minor, likelyMinor: minor, highMinor: minor, currency: 'EUR', pieces: 1, ...more }) as never

describe('the stroke of the master cylinder', () => {
  const found = (project: Project, id = 'as-it-stands') => evaluate(project, id).findings.find((one) => one.rule === 'master-stroke')!
  test('the current car leaves enough; the figure is the worst of pedal, cylinder and chambers', () => {
    const { figures, findings } = evaluate(DEMO_PROJECT, 'as-it-stands')
    expect(findings.find((one) => one.rule === 'master-stroke')!.verdict).toBe('fits')
    expect(figures['master.strokeUsed'].value).toBeGreaterThan(0.5)
    expect(figures['master.strokeUsed'].value).toBeLessThan(0.75)
  })
  test('a shorter chamber needs a larger bore, which is named when it is among the parts', () => {
    const short = demo((project) => (part(project, 'stock-master').frontStrokeMm = figure(15)))
    expect(found(short)).toMatchObject({ verdict: 'needs', remedy: { kind: 'hydraulic', slot: 'masterCylinder', partId: 'master-24' } })
    const alone = demo((project) => {
      part(project, 'stock-master').frontStrokeMm = figure(15)
      project.parts = project.parts.filter((one) => one.kind !== 'masterCylinder' || one.id === 'stock-master')
    })
    expect(found(alone)).toMatchObject({ verdict: 'needs', sentence: expect.stringMatching(/No larger master cylinder in the library/) })
    const hopeless = demo((project) => {
      part(project, 'stock-master').frontStrokeMm = figure(9)
      project.parts = project.parts.filter((one) => one.kind !== 'masterCylinder' || one.id === 'stock-master')
    })
    expect(found(hopeless).verdict).toBe('blocked')
  })
  test('taking the remedy settles it', () => {
    const cured = demo((project) => (project.setups[2]!.hydraulics.masterCylinder = 'master-24'))
    expect(found(DEMO_PROJECT, 'big-kit').verdict).toBe('needs')
    expect(found(cured, 'big-kit').verdict).toBe('fits')
  })
  test('on diagonal circuits both chambers take half of both axles', () => {
    const diagonal = demo((project) => (project.car.circuits = 'diagonal'))
    const even = demo((project) => {
      project.car.circuits = 'diagonal'
      Object.assign(part(project, 'stock-master'), { frontStrokeMm: figure(14), rearStrokeMm: figure(20) })
    })
    expect(found(diagonal).sentence).toMatch(/(second|first) chamber|pedal|cylinder’s stroke/)
    // which chamber is the short one makes no difference then
    expect(evaluate(even, 'as-it-stands').figures['master.strokeUsed'].value).toBeCloseTo(
      evaluate(diagonal, 'as-it-stands').figures['master.strokeUsed'].value!,
      12,
    )
  })
  test('without the pedal’s travel nobody can say', () => {
    expect(found(demo((project) => delete project.car.pedalTravelMm))).toMatchObject({
      verdict: 'unknown',
      sentence: expect.stringMatching(/pedal travel to the floor/),
    })
  })
  test.each([
    [7.3, 'fits', /bar tilts 7\.2° of 7\.3°/],
    [7.1, 'needs', /maker allows 7\.1°, so it would bind/],
    [undefined, 'unknown', /tilt limit is unknown/],
  ] as const)('two cylinders with a bar that may tilt by %p°: %s', (degrees, verdict, sentence) => {
    const twin = demo((project) => {
      Object.assign(project.setups[3]!.hydraulics, { masterCylinder: 'twin-box', booster: null, barFrontShare: figure(0.5) })
      if (degrees === undefined) delete part(project, 'twin-box').barTiltDeg
      else part(project, 'twin-box').barTiltDeg = figure(degrees)
    })
    expect(found(twin, 'balanced')).toMatchObject({ verdict, sentence: expect.stringMatching(sentence) })
  })
  test('a project’s own limit counts', () => {
    expect(found(demo((project) => (project.preferences.limits = { strokeShare: 0.5 }))).verdict).not.toBe('fits')
  })
})

describe('anti-lock', () => {
  const withAbs = (id: string, change: (project: Project) => void = () => {}) =>
    evaluate(
      demo((project) => {
        project.car.abs = 'abs'
        project.car.front.absRing = 'hub'
        project.car.rear.absRing = 'hub'
        change(project)
      }),
      id,
    ).findings.find((one) => one.rule === 'abs')
  test('a car without it is not asked; whether it has it must be known', () => {
    expect(evaluate(DEMO_PROJECT, 'balanced').findings.some((one) => one.rule === 'abs')).toBe(false)
    expect(withAbs('balanced', (project) => delete project.car.abs)).toMatchObject({ verdict: 'unknown' })
  })
  test('within five points of stock at the same pedal force it fits, beyond it is to be checked', () => {
    expect(withAbs('as-it-stands')).toMatchObject({ verdict: 'fits' })
    const off = evaluate(DEMO_PROJECT, 'big-kit').figures['bias.againstStock'].value!
    expect(withAbs('big-kit', (project) => (project.preferences.limits = { absPoints: Math.abs(off) + 1e-6 }))!.verdict).toBe('fits')
    expect(withAbs('big-kit', (project) => (project.preferences.limits = { absPoints: Math.abs(off) - 1e-6 }))).toMatchObject({
      verdict: 'check',
      sentence: expect.stringMatching(/confirm that the ABS tolerates it/),
    })
  })
  test('a rotor that should carry the ring and does not blocks; not knowing it is unknown', () => {
    const onRotor = (absRing: string | undefined) =>
      withAbs('as-it-stands', (project) => {
        project.car.front.absRing = 'rotor'
        if (absRing) part(project, 'stock-front-rotor').absRing = absRing
      })!.verdict
    expect([onRotor('yes'), onRotor('no'), onRotor(undefined)]).toEqual(['fits', 'blocked', 'unknown'])
  })
})

describe('the bill', () => {
  const billOf = (change: (project: Project) => void, id = 'balanced') => evaluate(demo(change), id).bill
  test('a kit that is whole in the setup is one line at its own price', () => {
    const project = demo(() => {})
    project.setups.push(
      takeBundle(
        { id: 'q4', name: 'Q4', front: {}, rear: {}, hydraulics: {}, extras: [] },
        project.bundles.find((one) => one.id === 'kit-q4')!,
        project.parts,
      ),
    )
    const { bill } = evaluate(project, 'q4')
    expect(bill.lines.map((one) => one.id)).toEqual(['bundle.kit-q4'])
    expect(bill.total.likely).toBe(76_500)
    project.setups.at(-1)!.front.pad = 'q4-track-pad'
    expect(
      evaluate(project, 'q4')
        .bill.lines.map((one) => one.id)
        .sort(),
    ).toEqual(['braided-front-hose', 'kit-bracket', 'kit4-caliper', 'kit4-rotor', 'q4-track-pad'])
  })
  test('what is sold lowers the sum; a deposit is shown apart', () => {
    const before = evaluate(DEMO_PROJECT, 'balanced').bill
    const sold = billOf(
      (project) => void project.setups[3]!.extras.push({ id: 's', label: 'Old calipers', kind: 'sale', quantity: 1, price: price(5000) }),
    )
    expect(sold.total.likely).toBe(before.total.likely - 5000)
    const held = billOf((project) => (part(project, 'kit4-caliper').price = price(44_500, { pieces: 2, depositMinor: 6000 })))
    expect(held.deposits).toBe(6000)
    expect(held.total.likely).toBe(before.total.likely)
  })
  test('the budget: how sure, and which lines fit under it in the order of buying', () => {
    const at = (budgetMinor: number) => billOf((project) => (project.preferences.budgetMinor = budgetMinor)).budget!
    expect(at(200_000)).toMatchObject({ chance: 1 })
    expect(at(1000)).toMatchObject({ chance: 0, within: [], verdict: 'needs' })
    // what breaks it is left, what comes after and fits is bought
    expect(at(60_000).within.slice(0, 2)).toEqual(['kit4-caliper', 'kit-bracket'])
    const bought = (minor: number) => {
      const { bill } = evaluate(
        demo((project) => (project.preferences.budgetMinor = minor)),
        'balanced',
      )
      return bill.lines.filter((line) => bill.budget!.within.includes(line.id)).reduce((sum, line) => sum + line.likely!, 0)
    }
    for (const minor of [10_000, 60_000, 70_000, 97_700]) {
      const { bill } = evaluate(
        demo((project) => (project.preferences.budgetMinor = minor)),
        'balanced',
      )
      const left = minor - bought(minor)
      expect(left).toBeGreaterThanOrEqual(0)
      for (const line of bill.lines)
        if (line.likely! > 0 && !bill.budget!.within.includes(line.id)) expect(line.likely!).toBeGreaterThan(left)
    }
    expect(at(97_700).chance).toBeGreaterThan(0.1)
    expect(at(97_700).chance).toBeLessThan(0.6)
    expect(evaluate(DEMO_PROJECT, 'balanced').bill.budget).toBeUndefined()
    // what has a price is too much already: a line without one does not make that unknown
    const oneOpen = (budgetMinor: number) =>
      billOf((project) => {
        project.preferences.budgetMinor = budgetMinor
        project.setups[3]!.extras.push({ id: 'open', label: 'Fluid', kind: 'consumable', quantity: 1 })
      }).budget!
    expect(oneOpen(10_000).verdict).toBe('needs')
    expect(oneOpen(100_000_00).verdict).toBe('unknown')
    expect(oneOpen(100_000_00).within).not.toContain('open')
  })
  test('what someone sells carries no tax; a missing rate is said where the price is', () => {
    const sale = { id: 's', label: 'Old calipers', kind: 'sale' as const, quantity: 1, price: price(5000) }
    const taxed = billOf((project) => {
      project.preferences.taxPercent = 20
      project.setups[3]!.extras.push(sale)
    })
    expect(taxed.lines.find((one) => one.id === 's')!.likely).toBe(-5000)
    const abroad = billOf((project) => (part(project, 'kit4-caliper').price = price(30_000, { currency: 'USD', pieces: 2 })))
    expect(abroad.lines.find((one) => one.id === 'kit4-caliper')).toMatchObject({ rateMissing: 'USD', likely: undefined })
    expect([abroad.unpriced, abroad.withoutRate]).toEqual([1, 1])
  })
  test('a kit brings what an axle takes; more of the same is bought beside it', () => {
    const project = demo(() => {})
    const kit = project.bundles.find((one) => one.id === 'kit-hoses')!
    const setup = takeBundle({ id: 'h', name: 'H', front: {}, rear: {}, hydraulics: {}, extras: [] }, kit, project.parts)
    const hose = kit.parts.find((id) => project.parts.find((one) => one.id === id)!.kind === 'hose')!
    setup[kit.axle].hose = hose
    project.setups.push(setup)
    const lines = () => evaluate(project, 'h').bill.lines.map((one) => [one.id, one.quantity])
    expect(lines()).toContainEqual(['bundle.kit-hoses', 1])
    const before = lines().length
    setup[kit.axle === 'front' ? 'rear' : 'front'].hose = hose
    const after = lines()
    expect(after.length === before + 1 || after.some(([id]) => id === hose)).toBe(true)
  })
  test('the order of buying is the setup’s own where it says one', () => {
    const ids = (buyOrder?: string[]) =>
      billOf((project) => {
        if (buyOrder) project.setups[3]!.buyOrder = buyOrder
      }).lines.map((one) => one.id)
    const plain = ids()
    expect(ids([plain[2]!, plain[0]!]).slice(0, 2)).toEqual([plain[2], plain[0]])
    expect([...ids(['gone', plain[1]!])].sort()).toEqual([...plain].sort())
  })
  test('an uncertain rate moves all lines of its currency', () => {
    const abroad = (spreadPercent: number) =>
      billOf((project) => {
        for (const id of ['kit4-caliper', 'kit4-rotor']) part(project, id).price = price(30_000, { currency: 'USD', pieces: 2 })
        project.preferences.rates = [{ currency: 'USD', rate: 0.9, spreadPercent }]
      }).total
    expect(abroad(10).high - abroad(0).high).toBe(2 * 2700)
    expect(abroad(10).p90 - abroad(10).p10).toBeGreaterThan(abroad(0).p90 - abroad(0).p10)
  })
})

describe('a season', () => {
  const worn = (change: (project: Project) => void = () => {}) =>
    demo((project) => {
      project.wearReadings = []
      for (const setup of project.setups) delete setup.wear
      project.setups[0].wear = { frontPads: { lastsEvents: figure(4, 'measured', { u: 1 }), price: price(6000) } }
      project.setups[3]!.wear = { frontPads: { lastsEvents: figure(12, 'measured', { u: 2 }) } }
      change(project)
    })
  test('is the price of what wears over the events it lasts', () => {
    const { season, figures } = evaluate(worn(), 'as-it-stands')
    // 60 for 4 events, 8 events a season
    expect(season.perSeason).toEqual({ low: 9600, likely: 12_000, high: 16_000 })
    expect(figures['cost.season']).toMatchObject({ value: 12_000, atLeast: true })
    // the price of the pads that are bought counts where none is given
    expect(evaluate(worn(), 'balanced').season.rows.find((row) => row.what === 'frontPads')).toMatchObject({
      ownPrice: false,
      renewing: 8600,
      packs: 1,
      perSeason: { likely: Math.round((8600 / 12) * 8) },
    })
  })
  test('both rotors of an axle are renewed together: one pack each where they are sold singly', () => {
    const rotor = (pieces: number) =>
      evaluate(
        demo((project) => {
          project.setups[0].wear = { frontRotors: { lastsEvents: figure(12, 'measured', { u: 2 }) } }
          project.parts.find((part) => part.id === project.setups[0].front.rotor)!.price = price(6600, { pieces })
        }),
        'as-it-stands',
      ).season.rows.find((row) => row.what === 'frontRotors')!
    expect(rotor(1)).toMatchObject({ renewing: 13_200, packs: 2, perSeason: { likely: Math.round((13_200 / 12) * 8) } })
    expect(rotor(2)).toMatchObject({ renewing: 6600, packs: 1 })
  })
  test('what a setup leaves current car wears current car', () => {
    const rows = (id: string) => evaluate(worn(), id).season.rows.find((row) => row.what === 'frontPads')!
    expect(rows('estate-fronts').perSeason).toBeUndefined()
    const same = worn(
      (project) =>
        void project.setups.push({
          id: 'rear-only',
          name: 'Rear only',
          front: {},
          rear: { pad: 'rear-fast-pad' },
          hydraulics: {},
          extras: [],
        }),
    )
    expect(evaluate(same, 'rear-only').season.rows.find((row) => row.what === 'frontPads')!.perSeason!.likely).toBe(12_000)
  })
  test('a drum has no pads to wear; seals are the car’s as long as its calipers are', () => {
    const project = worn((draft) => {
      draft.setups[0].wear!.rebuild = { lastsEvents: figure(16), price: price(4000) }
      draft.setups.push({
        id: 'drums',
        name: 'Drums',
        front: {},
        rear: { caliper: draft.parts.find((one) => one.kind === 'drum')!.id },
        hydraulics: {},
        extras: [],
      })
    })
    const row = (id: string, what: string) => evaluate(project, id).season.rows.find((one) => one.what === what)
    expect([row('drums', 'rearPads'), row('drums', 'rearRotors')]).toEqual([undefined, undefined])
    expect(row('drums', 'frontPads')).toBeDefined()
    expect(row('as-it-stands', 'rebuild')!.lastsEvents!.value).toBe(16)
    expect(row('balanced', 'rebuild')!.lastsEvents).toBeUndefined()
    const same = worn((draft) => {
      draft.setups[0].wear!.rebuild = { lastsEvents: figure(16), price: price(4000) }
      draft.setups.push({ id: 'pads', name: 'Pads', front: { pad: 'kit2-pad' }, rear: {}, hydraulics: {}, extras: [] })
    })
    expect(evaluate(same, 'pads').season.rows.find((one) => one.what === 'rebuild')!.lastsEvents!.value).toBe(16)
  })
  test('the dearer setup pays for itself, or never does', () => {
    const project = worn()
    const [stock, other] = [evaluate(project, 'as-it-stands'), evaluate(project, 'balanced')]
    const of = (report: typeof stock) => ({ total: report.bill.total, perEvent: report.season.perEvent })
    const found = paybackAgainst(of(other), of(stock))!
    const saving = 6000 / 4 - 8600 / 12
    expect(found).toMatchObject({ dearer: 'one', likely: expect.closeTo(other.bill.total.likely / saving, 6) })
    expect(found.soonest!).toBeLessThan(found.likely!)
    expect(paybackAgainst(of(stock), { ...of(other), perEvent: undefined })).toBeUndefined()
  })
})

describe('mass of a corner', () => {
  test('only what changes counts: on, less off', () => {
    const { figures } = evaluate(DEMO_PROJECT, 'balanced')
    // caliper 2.7 - 4.1, bracket 0.6, rotor 5.6 - 5.2, half the pads 1.4 - 1.5
    expect(figures['front.massChange'].value).toBeCloseTo(2.7 - 4.1 + 0.6 + 0.4 - 0.05, 9)
    expect(figures['front.rotatingChange'].value).toBeCloseTo(0.4, 9)
    expect(evaluate(DEMO_PROJECT, 'as-it-stands').figures['front.massChange'].value).toBe(0)
  })
  test('a part without a mass leaves it unknown, and is asked for', () => {
    const heavy = demo((project) => delete part(project, 'kit4-caliper').massKg)
    expect(evaluate(heavy, 'balanced').figures['front.massChange']).toMatchObject({
      value: undefined,
      missing: [{ what: 'Mass of Four-piston caliper Q4' }],
    })
  })
})

describe('two parts side by side', () => {
  const of = (id: string): Part => DEMO_PROJECT.parts.find((one) => one.id === id)!
  const row = (a: string, b: string, label: string) => compareParts(of(a), of(b), DEFAULT_UNITS).find((one) => one.label === label)!
  test('what differs comes first, with its sign', () => {
    expect(row('stock-front-rotor', 'gt-front-rotor', 'Thickness, new')).toMatchObject({ difference: '+2.0\u00a0mm', same: false })
    expect(row('stock-front-rotor', 'gt-front-rotor', 'Diameter')).toMatchObject({ difference: 'same', same: true })
    const rows = compareParts(of('stock-front-rotor'), of('gt-front-rotor'), DEFAULT_UNITS).map((one) => one.same)
    expect(rows).toEqual([...rows].sort((a, b) => Number(a) - Number(b)))
  })
  test('piston area in per cent, swept ring, what nobody knows', () => {
    expect(row('stock-front-caliper', 'gt-front-caliper', 'Piston area, one side').difference).toMatch(/\+262.*mm².*\+11/)
    expect(row('stock-front-rotor', 'kit4-rotor', 'Swept ring, width').difference).toBe('\u22125.0\u00a0mm')
    expect(row('stock-front-caliper', 'tarn-front-caliper', 'Slot width')).toMatchObject({ b: 'not known', difference: '', same: false })
  })
})
