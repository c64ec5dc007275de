import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { DEMO_PROJECT } from '../demo/project.ts'
import { blankProject } from '../records/blank.ts'
import { AXLES } from '../quantity/axle.ts'
import type { Part } from '../records/part.ts'
import type { Project } from '../records/project.ts'
import { figure } from '../quantity/figure.ts'
import { DEFAULT_UNITS } from '../quantity/units.ts'
import { evaluate } from './evaluate.ts'
import { AXLE_FIGURE_IDS, CAR_FIGURE_IDS } from '../figures/figure-ids.ts'
import { AXLE_FIGURES, CAR_FIGURES } from './figures.ts'
import { keyFigures } from './key-figures.ts'
import { filledOf, fill } from '../figures/working.ts'
import { runs } from '../testing/runs.ts'

/** The demo with some parts and setups changed. */
function demo(change: (project: Project) => void): Project {
  const copy = structuredClone(DEMO_PROJECT)
  change(copy)
  return copy
}
const partOf = (project: Project, id: string) => project.parts.find((part) => part.id === id) as Part & Record<string, unknown>

describe('the demo teaches what it is made for', () => {
  test('the donor comes 1 to 2 mm too near the spokes and clears with a stock spacer', () => {
    const { corners, findings, verdict } = evaluate(DEMO_PROJECT, 'estate-fronts')
    const short = corners.front.requiredMm - corners.front.gap!.minGapMm
    expect(short).toBeGreaterThan(1)
    expect(short).toBeLessThan(2)
    expect(corners.front).toMatchObject({ verdict: 'tooClose', stockSpacerMm: 3 })
    expect(corners.front.gap!.limitingTag).toBe('face')
    expect(verdict).toBe('needs')
    expect(findings[0]!.remedy).toMatchObject({ kind: 'spacer', thicknessMm: 3 })
    const cured = demo((project) => (project.setups[1]!.front.spacer = 'spacer-3'))
    expect(evaluate(cured, 'estate-fronts').verdict).toBe('check')
  })
  test('the kit clears, but more than doubles the surplus at the front and makes the pedal long', () => {
    const stock = evaluate(DEMO_PROJECT, 'as-it-stands').figures
    const kit = evaluate(DEMO_PROJECT, 'big-kit')
    // the stroke of the car's own cylinder does not do; a larger one among the parts does
    expect(kit.verdict).toBe('needs')
    expect(kit.findings.find((one) => one.rule === 'master-stroke')!.remedy).toMatchObject({ partId: 'master-24' })
    const surplus = (figures: typeof stock) => figures['bias.road'].value! - figures['bias.ideal'].value!
    expect(surplus(kit.figures)).toBeGreaterThan(2 * surplus(stock))
    expect(kit.figures['pedal.travel'].value!).toBeGreaterThan(1.1 * stock['pedal.travel'].value!)
  })
  test('the balanced choice is nearer the aim and still locks the front first on the road', () => {
    const { figures, lockOrder, findings } = evaluate(DEMO_PROJECT, 'balanced')
    expect(Math.abs(figures['bias.road'].value! - figures['bias.ideal'].value!)).toBeLessThan(0.01)
    expect(lockOrder).toMatchObject({ kind: 'rearAbove' })
    // pads that bite more would turn it: that is to be checked, nothing else is open
    expect(findings.filter((one) => one.verdict !== 'fits')).toMatchObject([
      { rule: 'lock-order', verdict: 'check', sentence: expect.stringMatching(/10% more/) },
    ])
  })
  test('figures are plausible: pedal in the road band, travel too, masses of rings', () => {
    for (const setup of DEMO_PROJECT.setups) {
      const { figures } = evaluate(DEMO_PROJECT, setup.id)
      expect(figures['pedal.travel'].value!).toBeGreaterThan(40)
      expect(figures['pedal.travel'].value!).toBeLessThan(90)
      expect(figures['pedal.forceNoAssist'].value!).toBeCloseTo(4 * figures['pedal.force'].value!, 6)
    }
    expect(evaluate(DEMO_PROJECT, 'as-it-stands').figures['pedal.force'].value!).toBeGreaterThan(100)
  })
})

describe('unknown stays unknown', () => {
  test('a blank project knows nothing, says so, and nothing fits', () => {
    const report = evaluate(blankProject('a', 'A'), 'as-it-stands')
    for (const one of Object.values(report.figures)) {
      // nothing is bought, and nothing changed against itself
      if (/^cost.total$|Change$/.test(one.id)) continue
      expect([one.id, one.value]).toEqual([one.id, undefined])
      expect([one.id, one.missing.length > 0]).toEqual([one.id, true])
    }
    expect(report.verdict).toBe('unknown')
    expect(report.findings.map((one) => one.verdict)).toEqual(['unknown', 'unknown', 'unknown', 'unknown', 'unknown'])
  })

  const figures = DEMO_PROJECT.parts.flatMap((part) =>
    Object.entries(part)
      .filter(([, value]) => typeof value === 'object' && value !== null && 'origin' in value && 'value' in value)
      .map(([field]) => [part.id, field] as const),
  )
  test('taking any one figure away never turns a verdict better, and never invents a number', () => {
    fc.assert(
      fc.property(fc.constantFrom(...figures), fc.constantFrom(...DEMO_PROJECT.setups.map((setup) => setup.id)), ([id, field], setupId) => {
        const less = demo((project) => Reflect.deleteProperty(partOf(project, id), field))
        const before = evaluate(DEMO_PROJECT, setupId)
        const after = evaluate(less, setupId)
        for (const axle of AXLES) {
          if (before.corners[axle].verdict !== 'clears') expect(after.corners[axle].verdict).not.toBe('clears')
        }
        for (const [key, one] of Object.entries(after.figures)) {
          const known = before.figures[key as keyof typeof before.figures]
          if (one.missing.length > known.missing.length && !one.atLeast) expect([key, one.value]).toEqual([key, undefined])
        }
      }),
      { numRuns: runs(150, 60) },
    )
  })
  test('a wheel without a measured spoke back is judged by its barrel only', () => {
    const { corners } = evaluate(
      demo((project) => (project.setups[1]!.front.wheel = 'winter-wheel')),
      'estate-fronts',
    )
    expect(corners.front.wheelIsNominal).toBe(true)
    expect(corners.front.verdict).not.toBe('clears')
    const narrow = evaluate(
      demo((project) => (project.setups[0].rear.wheel = 'winter-wheel')),
      'as-it-stands',
    ).corners.rear
    expect(narrow.verdict).toBe('measure')
    expect(narrow.sentence).toContain('back of the spokes of Winter steel wheel')
  })
  test('five figures that contradict each other are a question, not an outline', () => {
    const wrong = demo((project) => (partOf(project, 'stock-front-caliper').tallToMm = figure(60)))
    const { corners } = evaluate(wrong, 'as-it-stands')
    expect(corners.front.caliper).toBeUndefined()
    expect(corners.front.missing.map((one) => one.how).join()).toContain('cannot reach further outboard')
  })
  test('assist that nobody knows makes the pedal force a lower bound', () => {
    const unknown = demo((project) => Reflect.deleteProperty(partOf(project, 'stock-booster'), 'assistN'))
    expect(evaluate(unknown, 'as-it-stands').figures['pedal.force']).toMatchObject({ atLeast: true, value: expect.any(Number) })
  })
  test('a part without a price makes the total a lower bound and asks for the price', () => {
    const unpriced = demo((project) => Reflect.deleteProperty(partOf(project, 'estate-front-pad'), 'price'))
    const { bill, figures: f } = evaluate(unpriced, 'estate-fronts')
    expect(bill.unpriced).toBe(1)
    expect(f['cost.total']).toMatchObject({ atLeast: true, value: 26_100 })
    expect(f['cost.total'].missing.map((one) => one.what)).toEqual(['Price of Estate front pads'])
  })
  test('a foreign price waits for its rate', () => {
    const foreign = demo((project) => (project.parts.find((part) => part.id === 'estate-front-pad')!.price!.currency = 'USD'))
    expect(evaluate(foreign, 'estate-fronts').bill.unpriced).toBe(1)
    foreign.preferences.rates = [{ currency: 'USD', rate: 0.5 }]
    expect(evaluate(foreign, 'estate-fronts').bill).toMatchObject({ unpriced: 0, total: { likely: 26_100 + 2450 } })
  })
})

describe('spacers and uncertainty in words', () => {
  test('which one clears, or why none does', () => {
    const front = (project: Project, id = 'estate-fronts') => evaluate(project, id).corners.front.spacerSentence.replace(/\u00a0/g, ' ')
    expect(front(DEMO_PROJECT)).toBe(
      'The mean clearance needs a 1.9 mm spacer; the smallest stock size that clears with 95% confidence is 3.0 mm.',
    )
    expect(front(DEMO_PROJECT, 'balanced')).toBe('No spacer needed.')
    const tall = demo((project) => (partOf(project, 'kit4-caliper').tallestRadiusMm = figure(165.5)))
    expect(front(tall, 'balanced')).toMatch(/^No spacer up to 30.0 mm helps: the barrel is the limit/)
    expect(front(demo((project) => (project.setups[1]!.front.wheel = 'winter-wheel')))).toBe('')
  })
  test('the uncertainty is that of the outline, else of its figures, else of their origin', () => {
    const u = (change: (caliper: Record<string, unknown>) => void) =>
      evaluate(
        demo((project) => {
          const caliper = partOf(project, 'kit4-caliper') as unknown as Record<string, unknown>
          Reflect.deleteProperty(caliper, 'uRadialMm')
          change(caliper)
        }),
        'balanced',
        { precision: 'linear' },
      ).corners.front.gap!.u
    const barrel = 0.2
    expect(u((caliper) => (caliper.uRadialMm = figure(0.5)))).toBeCloseTo(Math.hypot(0.5, barrel), 2)
    expect(u((caliper) => (caliper.tallestRadiusMm = figure(155, 'measured', { u: 0.3 })))).toBeCloseTo(Math.hypot(0.3, barrel), 2)
    expect(u((caliper) => (caliper.tallestRadiusMm = figure(155, 'estimated')))).toBeCloseTo(Math.hypot(3, barrel), 2)
  })
})

describe('a change in one place shows everywhere it should', () => {
  test('new pads push a sliding caliper outboard by what was worn away', () => {
    const before = evaluate(DEMO_PROJECT, 'as-it-stands')
    const thicker = demo((project) => (partOf(project, 'stock-front-pad').thicknessMm = figure(18)))
    const after = evaluate(thicker, 'as-it-stands')
    expect(after.figures['front.shift'].value! - before.figures['front.shift'].value!).toBeCloseTo(2, 9)
    expect(after.figures['front.faceGap'].value!).toBeLessThan(before.figures['front.faceGap'].value!)
  })
  test('a caliper kept from its mount is placed by knuckle, bracket, shim and hat', () => {
    const moved = demo((project) => {
      const caliper = partOf(project, 'kit4-caliper')
      Object.assign(caliper, {
        frame: 'mount',
        mountToSlotMm: figure(12),
        padTopRadiusMm: figure(20),
        tallestRadiusMm: figure(40),
        faceOuterRadiusMm: figure(22),
        faceInnerRadiusMm: figure(-18),
      })
      project.car.front.mountFaceMm = figure(-35)
      project.car.front.mountRadiusMm = figure(103.5)
      project.setups[3]!.front.shimMm = 1
    })
    const { figures: f, corners } = evaluate(moved, 'balanced')
    // -35 mount face, -4 bracket, 1 shim, 12 to the slot, 7 hat
    expect(f['front.shift'].value).toBeCloseTo(-35 - 4 + 1 + 12 - 7, 9)
    expect(f['front.effectiveRadius'].value).toBeCloseTo(137.5 - 21, 9)
    expect(Math.max(...corners.front.caliper![0]!.points.map(([, r]) => r))).toBeCloseTo(103.5 + 14 + 40, 9)
  })
  test('a drum takes the place of the disc parts, has no clamp, and is to be looked at', () => {
    const drums = demo((project) => {
      project.parts.push({
        id: 'drum',
        kind: 'drum',
        name: 'Drum',
        cylinderBoreMm: figure(17.46),
        drumDiameterMm: figure(203),
        shoes: 'leadingTrailing',
      })
      project.setups[1]!.rear = { caliper: 'drum' }
    })
    const report = evaluate(drums, 'estate-fronts')
    expect(report.figures['bias.clamp'].value).toBeUndefined()
    expect(report.figures['bias.road'].value).toBeGreaterThan(0.5)
    expect(report.findings.find((one) => one.axle === 'rear')!.verdict).toBe('check')
    expect(report.bill.lines.map((line) => line.id)).not.toContain('stock-rear-pad')
  })
  test('twin cylinders take the share of their bar', () => {
    const twin = demo((project) => {
      project.parts.push({
        id: 'twin',
        kind: 'masterCylinder',
        name: 'Twin',
        construction: 'twin',
        frontBoreMm: figure(19.05),
        rearBoreMm: figure(19.05),
      })
      project.setups[1]!.hydraulics = { masterCylinder: 'twin', booster: null, valve: null, barFrontShare: figure(0.6) }
    })
    expect(evaluate(twin, 'estate-fronts').figures['bias.pressure'].value).toBeCloseTo(0.6, 9)
  })
  test('a rear that locks first blocks a road car and warns a competition car', () => {
    const rearward = (use: 'daily' | 'circuit') =>
      evaluate(
        demo((project) => {
          project.car.uses = [use]
          partOf(project, 'stock-rear-caliper').pistonsMm = [figure(44)]
        }),
        'as-it-stands',
      ).findings.find((one) => one.rule === 'lock-order')!
    expect(rearward('daily')).toMatchObject({ verdict: 'blocked', sentence: expect.stringMatching(/^Rear locks first/) })
    expect(rearward('circuit').verdict).toBe('check')
  })
  test('the same project gives the same report, and is left as it was', () => {
    const frozen = JSON.stringify(DEMO_PROJECT)
    expect(evaluate(DEMO_PROJECT, 'balanced')).toEqual(evaluate(structuredClone(DEMO_PROJECT), 'balanced'))
    expect(JSON.stringify(DEMO_PROJECT)).toBe(frozen)
    expect(() => evaluate(DEMO_PROJECT, 'nobody')).toThrow(RangeError)
  })
})

test('the bore for the same feel says what friction and radii then make of the deceleration', () => {
  const notes = (project: Project) => evaluate(project, 'balanced').figures['master.sameFeel'].notes.join(' ')
  const better = demo((project) => (partOf(project, 'kit4-pad').friction = figure(0.5)))
  const [usual, grippy] = [notes(DEMO_PROJECT), notes(better)].map((text) => Number(/gives (\d+)% more/.exec(text)?.[1]))
  expect(usual).toBeGreaterThan(5)
  expect(grippy).toBeGreaterThan(usual!)
  expect(evaluate(DEMO_PROJECT, 'as-it-stands').figures['master.sameFeel'].notes.join(' ')).toMatch(/gives the same deceleration/)
})

describe('every figure can be opened', () => {
  test('every entry of the table is in the report, and nothing else; what was handed out is frozen', () => {
    expect(AXLE_FIGURES.map(({ id }) => id)).toEqual(AXLE_FIGURE_IDS)
    expect(CAR_FIGURES.map(({ id }) => id)).toEqual(CAR_FIGURE_IDS)
    const ids = [...AXLE_FIGURES.flatMap(({ id }) => [`front.${id}`, `rear.${id}`]), ...CAR_FIGURES.map(({ id }) => id)]
    const { figures } = evaluate(DEMO_PROJECT, 'balanced')
    expect(Object.keys(figures).sort()).toEqual(ids.sort())
    for (const one of Object.values(figures)) {
      expect([one, one.inputs, one.missing, one.notes].every((part) => Object.isFrozen(part))).toBe(true)
      expect(one.method.id).toBe(one.formula)
    }
  })

  test('a bound and a doubt travel on with a figure', () => {
    const project = demo((copy) => {
      for (const part of copy.parts) if (part.kind === 'booster') delete part.assistN
    })
    const { figures } = evaluate(project, 'as-it-stands')
    expect(figures['pedal.force'].atLeast).toBe(true)
    expect(figures['pedal.travel'].inputs.find((one) => one.label === figures['pedal.force'].label)?.atLeast).toBe(true)
    expect(figures['front.gap'].u).toBeGreaterThan(0)
  })

  test('a gap of which only the barrel is known is a most, in the key figures too', () => {
    const bare = demo((copy) => {
      for (const part of copy.parts)
        if (part.kind === 'wheel')
          for (const field of ['profile', 'faceDepthMm', 'faceDepthRadiusMm'] as const) Reflect.deleteProperty(part, field)
    })
    const report = evaluate(bare, 'as-it-stands')
    expect(report.corners.front.faceKnown).toBe(false)
    expect(report.figures['front.gap'].value).toBeGreaterThan(0)
    expect(report.figures['front.gap'].atMost).toBe(true)
    expect(report.figures['front.barrelGap'].atMost).toBeUndefined()
    expect(keyFigures(report, report, DEFAULT_UNITS, 'EUR')[0]!.detail).toMatch(/^at most /)
    expect(evaluate(DEMO_PROJECT, 'as-it-stands').figures['front.gap'].atMost).toBeUndefined()
  })

  test('each has a formula, and inputs that say where they are entered', () => {
    for (const setup of DEMO_PROJECT.setups) {
      for (const one of Object.values(evaluate(DEMO_PROJECT, setup.id).figures)) {
        expect(one.method.source).not.toBe('')
        if (!/^cost.total$|gapByDifference$|Change$/.test(one.id)) expect([one.id, one.inputs.length > 0]).toEqual([one.id, true])
        for (const input of one.inputs)
          if (input.at.kind === 'part') expect(input.origin ?? 'chosen').toMatch(/measured|published|reported|estimated|chosen/)
      }
    }
  })
  test('the numbers put in give the value', () => {
    const { figures: f } = evaluate(DEMO_PROJECT, 'as-it-stands')
    expect([filledOf(f['front.effectiveRadius']), f['front.effectiveRadius'].value]).toEqual(['(127 + 81) / 2', 104])
    expect(filledOf(f['front.pistonArea'])).toBe('π/4 · (54²)')
    expect(filledOf(f['balance.critical'])).toBeUndefined()
    expect(fill('a = b + b2', [{ symbol: 'b2', label: '', value: -1.5, dimension: 'number', at: { kind: 'car', field: 'x' } }])).toBe(
      'b + \u22121.5',
    )
  })
})

describe('the key figures', () => {
  const cells = (id: string, project = DEMO_PROJECT) => {
    const entries = keyFigures(evaluate(project, id), evaluate(project, 'as-it-stands'), DEFAULT_UNITS, 'EUR')
    return Object.fromEntries(
      entries.map((entry) => [
        entry.id,
        { ...entry, text: `${entry.value} | ${entry.detail} | ${entry.change}`.replace(/[\u00a0\u202f]/g, ' ') },
      ]),
    )
  }
  test('six figures against the current car', () => {
    const found = cells('estate-fronts')
    expect(found.verdict!.text).toBe('Too close | 1.2 mm front | baseline 13.1 mm')
    expect(found.area!.text).toContain('front +15%, rear same')
    expect(found.bias!.text).toContain('1.9 points to the front')
    expect(found.cost!.text).toContain('EUR 310')
  })
  test('each figure has the tone of what it says: a wheel that clears is no matter of the master cylinder', () => {
    const kit = cells('big-kit')
    expect(kit.verdict).toMatchObject({ value: 'Clears', tone: 'fits' })
    expect(kit.pedal!.tone).toBe('needs')
    expect(cells('as-it-stands').pedal!.tone).toBe('plain')
  })
  test('shows the worse axle, and unknown as unknown', () => {
    const unknown = demo((project) => Reflect.deleteProperty(partOf(project, 'stock-rear-caliper'), 'faceMm'))
    expect(cells('big-kit', unknown).verdict).toMatchObject({ tone: 'unknown', figureId: 'rear.gap' })
    const blank = cells('as-it-stands', blankProject('a', 'A'))
    expect(blank.pedal).toMatchObject({ value: 'not known', detail: 'travel unknown', tone: 'unknown' })
    for (const id of ['area', 'bias', 'heat']) expect(blank[id]).toMatchObject({ value: 'not known', tone: 'unknown' })
    // words, not dashes
    expect(Object.values(blank).filter((one) => one.text.includes('\u2014'))).toEqual([])
  })
})
