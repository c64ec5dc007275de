import { describe, expect, test } from '@jest/globals'
import { DEMO_PROJECT } from '../../demo/project.ts'
import { AXLES, type Project } from '../../model/project.ts'
import { figure } from '../../quantity/figure.ts'
import { VERDICT_RANK } from '../figure/words.ts'
import { DUTIES } from './duties.ts'
import { heatReport, type HeatLump } from './heat-report.ts'

const KEYS = { fluid: 'fluidC', face: 'faceC', ring: 'ringC', caliper: 'caliperC' } as const satisfies Record<HeatLump, string>
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
  const all = DUTIES.filter((duty) => duty.id !== 'kind').flatMap((duty) =>
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
  test('the demo: stock pads leave their range on the second run up the hill, the estate’s on the third, the kit’s hold', () => {
    const on = (setup: string) => heatReport(DEMO_PROJECT, setup, 'hill')
    expect(on('as-it-stands').sentence).toMatch(/^Pads, front: beyond 350.°C .* in run 2/)
    expect(on('estate-fronts').sentence).toMatch(/^Pads, front: beyond 420.°C .* in run 3/)
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
    ['the fluid', (project) => (project.setups[0].hydraulics.fluid = undefined as never)],
  ])('%s makes no verdict better, and is asked for or said', (_, take) => {
    for (const duty of ['fade', 'hill', 'descent']) {
      const [as, bare] = [DEMO_PROJECT, changed(take)].map((project) => heatReport(project, 'balanced', duty))
      expect(VERDICT_RANK[bare!.verdict]).toBeGreaterThanOrEqual(VERDICT_RANK[as!.verdict])
      expect(bare!.missing.length > 0 || bare!.notKnown !== '').toBe(true)
    }
  })
  test('a blank project says what it asks for', () => {
    const blank = changed((project) => (project.setups[0].front = {}))
    const { verdict, missing, sentence } = heatReport(blank, 'as-it-stands')
    expect([verdict, missing.length > 0, sentence]).toEqual(['unknown', true, expect.stringMatching(/^Cannot say/)])
  })
})

test('a curve of friction fades: the brakes are gone in a lap, where one figure says nothing of it', () => {
  const { goneAtS, sentence, samples } = heatReport(DEMO_PROJECT, 'as-it-stands', 'hard')
  expect(sentence).toMatch(/^In lap \d+ the brakes are gone: .* Before: pads, front beyond 350/)
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

test('how old the fluid is nobody said: it fits only where it would with all its water', () => {
  const weak = changed((project) => {
    for (const one of project.parts) if (one.kind === 'fluid') one.wetBoilC = figure(90)
  })
  const { verdict, lines, sentence } = heatReport(weak, 'balanced', 'fade')
  expect(lines.some((one) => one.overAtS !== undefined)).toBe(false)
  expect([verdict, sentence]).toEqual(['check', expect.stringMatching(/a fluid that was never changed boils at 90/)])
})
test('a heavier car gets no corner cooler; a duty that nobody knows is the first', () => {
  const heavy = changed((project) => (project.car.massKg = figure(1300)))
  const [as, more] = [DEMO_PROJECT, heavy].map((project) => heatReport(project, 'balanced', 'hill'))
  as!.lines.forEach((one, i) => expect(more!.lines[i]!.peakC).toBeGreaterThanOrEqual(one.peakC - 1e-6))
  expect(heatReport(DEMO_PROJECT, 'balanced', 'nowhere').duty.id).toBe(DUTIES[0]!.id)
  expect(AXLES.every((axle) => as!.workJ[axle] > 0)).toBe(true)
})
