import { describe, expect, test } from '@jest/globals'
import { DEMO_PROJECT } from '../demo/project.ts'
import { AXLES } from '../quantity/axle.ts'
import type { Project } from '../records/project.ts'
import { figure } from '../quantity/figure.ts'
import { VERDICT_RANK } from '../figures/words.ts'
import { CYCLES } from './drive-cycles.ts'
import { heatReport, type ThermalNode } from './heat-report.ts'

const KEYS = { fluid: 'fluidC', face: 'faceC', ring: 'ringC', caliper: 'caliperC' } as const satisfies Record<ThermalNode, string>
const changed = (change: (project: Project) => void): Project => {
  const project = structuredClone(DEMO_PROJECT)
  change(project)
  return project
}
const part = <K extends Project['parts'][number]['kind']>(project: Project, id: string, kind: K) => {
  const found = project.parts.find((one) => one.id === id)
  if (found?.kind !== kind) throw new TypeError(`${id} is no ${kind}`)
  return found as Extract<Project['parts'][number], { kind: K }>
}

describe('what is said of a session', () => {
  const all = CYCLES.filter((duty) => duty.id !== 'kind').flatMap((duty) =>
    DEMO_PROJECT.setups.map((setup) => heatReport(DEMO_PROJECT, setup.id, duty.id)),
  )
  test('holds: a line is beyond its limit from the moment that is named, and never before', () => {
    for (const { lines, samples } of all)
      for (const { axle, lump, limitC, overAtS, peakC, lowC, highC, earliestS, latestS } of lines) {
        const over = samples.filter((one) => one[axle][KEYS[lump]] > limitC)
        if (overAtS === undefined) expect([over.length, peakC <= limitC]).toEqual([0, true])
        else for (const one of over) expect(one.seconds).toBeGreaterThanOrEqual(overAtS - 1e-9)
        expect([lowC <= peakC, peakC <= highC]).toEqual([true, true])
        if (overAtS !== undefined) expect(earliestS!).toBeLessThanOrEqual(overAtS)
        if (latestS !== undefined) expect(latestS).toBeGreaterThanOrEqual(overAtS ?? 0)
      }
  })
  test('fits only where no doubt reaches a limit and nothing is left unknown', () => {
    for (const { verdict, lines, notKnown, goneAtS, sentence } of all) {
      const known =
        lines.some((one) => one.overAtS !== undefined) || goneAtS !== undefined
          ? 'needs'
          : lines.some((one) => one.highC > one.leastLimitC)
            ? 'check'
            : 'fits'
      const worst = notKnown ? 'unknown' : known
      expect([verdict, sentence]).toEqual([worst, expect.not.stringMatching(/undefined|NaN/)])
    }
  })
  test('the demo: stock pads leave their range on the second run up the hill, the estate’s carry three, the kit’s are near their limit', () => {
    const on = (setup: string) => heatReport(DEMO_PROJECT, setup, 'hill')
    expect(on('as-it-stands').sentence).toMatch(/^Pad surface, front: beyond 350.°C .* in run 2/)
    expect(on('estate-fronts').sentence).toMatch(/^Pad surface, front: beyond 440.°C .* in run 4/)
    expect(on('balanced').verdict).toBe('check')
  })
})

describe('what nobody entered', () => {
  test.each<[string, (project: Project) => void]>([
    ['the range of the pads', (project) => delete part(project, 'kit4-pad', 'pad').rangeToC],
    [
      'the friction over temperature',
      (project) => {
        delete part(project, 'kit4-pad', 'pad').frictionAtC
        delete part(project, 'kit4-pad', 'pad').frictionThere
      },
    ],
    ['the boiling point of the fluid', (project) => project.parts.forEach((one) => one.kind === 'fluid' && delete one.wetBoilC)],
    ['the mass of the caliper', (project) => delete part(project, 'kit4-caliper', 'caliper').massKg],
    ['the thickness of the pads', (project) => delete part(project, 'kit4-pad', 'pad').thicknessMm],
    ['the assist of the booster', (project) => project.parts.forEach((one) => one.kind === 'booster' && delete one.assistN)],
    ['what the linings are made of', (project) => delete part(project, 'kit4-pad', 'pad').compound],
    ['from where the rotor draws air', (project) => delete part(project, 'kit4-rotor', 'rotor').inlet],
    ['how much of it is air', (project) => delete part(project, 'kit4-rotor', 'rotor').voidShare],
    ['what the air holds back', (project) => delete project.car.dragAreaM2],
    ['how it rolls', (project) => delete project.car.rollingShare],
    ['how many vanes it has', (project) => delete part(project, 'kit4-rotor', 'rotor').vaneCount],
    ['whether it is drilled', (project) => delete part(project, 'stock-rear-rotor', 'rotor').faces],
    ['how old the fluid is', (project) => project.parts.forEach((one) => one.kind === 'fluid' && delete one.serviceMonths)],
    ['the stroke of the master cylinder', (project) => delete part(project, 'stock-master', 'masterCylinder').strokeMm],
    ['the climate', (project) => delete project.car.climate],
    ['the fluid', (project) => (project.setups[0].hydraulics.fluid = undefined as never)],
  ])('%s makes no verdict better, and is asked for or said', (_, take) => {
    for (const duty of ['fade', 'hill', 'descent']) {
      const [as, bare] = [DEMO_PROJECT, changed(take)].map((project) => heatReport(project, 'balanced', duty))
      expect(VERDICT_RANK[bare!.verdict]).toBeGreaterThanOrEqual(VERDICT_RANK[as!.verdict])
      expect(bare!.missing.length > 0 || bare!.notKnown !== '' || bare!.assumed.join() !== as!.assumed.join()).toBe(true)
    }
  })
  test('a blank project says what it asks for', () => {
    const blank = changed((project) => (project.setups[0].front = {}))
    const { verdict, missing, sentence } = heatReport(blank, 'as-it-stands')
    expect([verdict, missing.length > 0, sentence]).toEqual([
      'unknown',
      true,
      expect.stringMatching(/^Not enough data: enter .*; 4 to enter\.$/),
    ])
  })
})

test('a curve of friction fades: the brakes are gone in a lap, where one figure says nothing of it', () => {
  const { goneAtS, sentence, samples } = heatReport(DEMO_PROJECT, 'as-it-stands', 'hard')
  expect(sentence).toMatch(/^In lap \d+ the brakes fail: .* Before: pad surface, front beyond 350/)
  expect(samples.at(-1)!.seconds).toBeLessThanOrEqual(goneAtS! + 1e-9)
  const flat = changed((project) => {
    for (const one of project.parts)
      if (one.kind === 'pad') {
        delete one.frictionAtC
        delete one.frictionThere
      }
  })
  const one = heatReport(flat, 'as-it-stands', 'hard')
  expect(one.verdict).toBe('unknown')
  expect([one.goneAtS, one.assumed.filter((text) => text.includes('fade is not predicted')).length]).toEqual([undefined, 2])
})
test('frictions and temperatures that are not as many are asked about', () => {
  const odd = changed((project) => part(project, 'kit4-pad', 'pad').frictionThere!.pop())
  const { lines, missing } = heatReport(odd, 'balanced', 'hill')
  expect([lines, missing.map((one) => one.what)]).toEqual([
    [],
    expect.arrayContaining([expect.stringMatching(/As many frictions as temperatures of Fast-road pads Q4/)]),
  ])
})

describe('what nobody said of the make of a corner', () => {
  // one at a time and at its worst: with it known to be so, the verdict is no worse than with it unknown
  const worsts: [string, (project: Project) => void, (project: Project) => void][] = [
    ['sintered linings', (p) => (part(p, 'kit4-pad', 'pad').compound = 'sintered'), (p) => delete part(p, 'kit4-pad', 'pad').compound],
    [
      'air from the wheel side',
      (p) => (part(p, 'kit4-rotor', 'rotor').inlet = 'wheel'),
      (p) => delete part(p, 'kit4-rotor', 'rotor').inlet,
    ],
    ['few vanes', (p) => (part(p, 'kit4-rotor', 'rotor').vaneCount = figure(16)), (p) => delete part(p, 'kit4-rotor', 'rotor').vaneCount],
    [
      'much air in the ring',
      (p) => (part(p, 'kit4-rotor', 'rotor').voidShare = figure(0.5)),
      (p) => delete part(p, 'kit4-rotor', 'rotor').voidShare,
    ],
    ['a car that slips through the air', (p) => (p.car.dragAreaM2 = figure(0.2)), (p) => delete p.car.dragAreaM2],
    ['a car that rolls easily', (p) => (p.car.rollingShare = figure(0.004)), (p) => delete p.car.rollingShare],
    [
      'drilled in one piece',
      (p) => Object.assign(part(p, 'kit4-rotor', 'rotor'), { faces: 'drilled', construction: 'onePiece' }),
      (p) => {
        delete part(p, 'kit4-rotor', 'rotor').faces
        delete part(p, 'kit4-rotor', 'rotor').construction
      },
    ],
    [
      'old fluid',
      (p) => p.parts.forEach((one) => one.kind === 'fluid' && (one.serviceMonths = figure(60))),
      (p) => p.parts.forEach((one) => one.kind === 'fluid' && delete one.serviceMonths),
    ],
  ]
  test.each(worsts)('%s: unknown is never better', (_, known, unknown) => {
    for (const weak of [false, true])
      for (const duty of ['hill', 'tow']) {
        const at = (change: (project: Project) => void) =>
          heatReport(
            changed((project) => {
              if (weak) for (const one of project.parts) if (one.kind === 'fluid') one.wetBoilC = figure(80)
              change(project)
            }),
            'balanced',
            duty,
          )
        expect(VERDICT_RANK[at(unknown).verdict]).toBeGreaterThanOrEqual(VERDICT_RANK[at(known).verdict])
      }
  })
  test('what would not matter at its worst is not made a verdict', () => {
    const bare = changed((project) => delete part(project, 'kit4-rotor', 'rotor').vaneCount)
    expect(heatReport(bare, 'balanced', 'stop').verdict).toBe('fits')
  })
})

describe('what a session shows of a part', () => {
  const found = (change: (project: Project) => void, duty: string, setup = 'balanced') =>
    heatReport(changed(change), setup, duty).findings.map((one) => [one.id, one.verdict])
  test('pads over their range for long are likely to be glazed', () => {
    expect(found(() => {}, 'hill', 'as-it-stands')).toContainEqual(['glazing', 'needs'])
    expect(found(() => {}, 'stop')).toEqual([])
  })
  test('fluid that boils, that is old, silicone and its water, drilled rings, worn ones', () => {
    const fluids = (more: object) => (project: Project) => project.parts.forEach((one) => one.kind === 'fluid' && Object.assign(one, more))
    expect(found(fluids({ dryBoilC: figure(100), wetBoilC: figure(80), serviceMonths: figure(0) }), 'hard')).toContainEqual([
      'fluid-boils',
      'needs',
    ])
    expect(found(fluids({ waterPercent: figure(3.8) }), 'stop')).toEqual([['fluid-old', 'needs']])
    expect(found(fluids({ base: 'silicone' }), 'stop')).toEqual([['silicone-water', 'check']])
    const drilled = (project: Project) =>
      Object.assign(part(project, 'kit4-rotor', 'rotor'), { faces: 'drilled', construction: 'onePiece' })
    expect(found(drilled, 'hill')).toContainEqual(['drilled', expect.stringMatching(/check|needs/)])
    expect(found(drilled, 'stop')).toEqual([])
    const worn = (project: Project) => (part(project, 'kit4-rotor', 'rotor').nowThicknessMm = figure(20))
    expect(found((p) => void (worn(p), (part(p, 'kit4-rotor', 'rotor').minThicknessMm = figure(22))), 'stop')).toEqual([
      ['worn', 'blocked'],
    ])
  })
})

test('a thinner ring, worn, gets hotter', () => {
  const worn = changed((project) => (part(project, 'stock-front-rotor', 'rotor').nowThicknessMm = figure(20)))
  const peak = (project: Project) => heatReport(project, 'as-it-stands', 'stop').lines.find((one) => one.label === 'Rotor, front')!.peakC
  expect(peak(worn)).toBeGreaterThan(peak(DEMO_PROJECT))
})
test('what a corner gives off on average is less than what goes in, and unknown where the driving is not ended', () => {
  const driven = heatReport(DEMO_PROJECT, 'balanced', 'kind')
  const lastsS = driven.marks[1]! * 12
  for (const axle of AXLES) {
    const { workJ, coolingW } = driven.axles![axle]
    expect(coolingW! * lastsS).toBeLessThan(workJ / 2)
    expect(coolingW! * lastsS).toBeGreaterThan(workJ / 4)
  }
  const short = changed((project) => (part(project, 'stock-master', 'masterCylinder').strokeMm = figure(10)))
  expect(heatReport(short, 'as-it-stands', 'hard')).toMatchObject({
    goneAtS: expect.any(Number),
    axles: { front: { coolingW: undefined } },
  })
})
test('lining worn by the energy that goes into it, and how often that can be', () => {
  const { axles } = heatReport(DEMO_PROJECT, 'balanced', 'club-day')
  const pad = part(structuredClone(DEMO_PROJECT), 'kit4-pad', 'pad')
  expect(axles!.front.liningMm).toBeCloseTo((pad.wearMmPerMj!.value * axles!.front.workJ) / 2 / 1e6, 9)
  expect(axles!.front.lasts! * axles!.front.liningMm!).toBeCloseTo(pad.thicknessMm!.value - pad.minThicknessMm!.value, 9)
  expect(axles!.front.perEachJ! * 2 * 4).toBeCloseTo(axles!.front.workJ, 6)
  const unknown = changed((project) => delete part(project, 'kit4-pad', 'pad').wearMmPerMj)
  expect(heatReport(unknown, 'balanced', 'club-day').axles!.front.liningMm).toBeUndefined()
})
test('the stroke of the master cylinder ends a session as the foot does', () => {
  const short = changed((project) => (part(project, 'stock-master', 'masterCylinder').strokeMm = figure(15)))
  const { sentence, verdict } = heatReport(short, 'as-it-stands', 'hard')
  expect([verdict, sentence]).toEqual([
    'needs',
    expect.stringMatching(/^In lap \d+ the brakes fail: the pedal or the master cylinder is at the end of its stroke/),
  ])
})
test('drums are reckoned, roughly, and what is not looked at is said', () => {
  const drums = changed((project) => {
    project.parts.push({
      id: 'drum',
      kind: 'drum',
      name: 'Rear drum 203',
      cylinderBoreMm: figure(19),
      drumDiameterMm: figure(203),
      shoes: 'leadingTrailing',
      drumKg: figure(4),
      shoeWidthMm: figure(38),
    })
    project.setups[0].rear.caliper = 'drum'
  })
  const { lines, verdict, notKnown, missing } = heatReport(drums, 'as-it-stands', 'fade')
  expect(missing).toEqual([])
  expect([verdict, notKnown]).toEqual(['unknown', expect.stringMatching(/linings of the rear drums/)])
  expect(lines.some((one) => one.label === 'Rotor, rear')).toBe(true)
  expect(lines.some((one) => one.label === 'Pad surface, rear')).toBe(false)
})
test('a heavier car gets no corner cooler; a duty that nobody knows is the first', () => {
  const heavy = changed((project) => (project.car.massKg = figure(1300)))
  const [as, more] = [DEMO_PROJECT, heavy].map((project) => heatReport(project, 'balanced', 'hill'))
  as!.lines.forEach((one, i) => expect(more!.lines[i]!.peakC).toBeGreaterThanOrEqual(one.peakC - 1e-6))
  expect(heatReport(DEMO_PROJECT, 'balanced', 'nowhere').duty.id).toBe('hill')
  expect(AXLES.every((axle) => as!.workJ[axle] > 0)).toBe(true)
})
