import { describe, expect, test } from '@jest/globals'
import { blankProject } from '../records/blank.ts'
import { DEMO_PROJECT } from '../demo/project.ts'
import { chain } from '../hydraulics/maths/chain.ts'
import type { PressurePair } from '../hydraulics/maths/gauge-models.ts'
import { CAR_FAULTS, effortsToRead, pressuresWith, type CarFault } from '../hydraulics/maths/gauge-session.ts'
import type { Project } from '../records/project.ts'
import { figure } from '../quantity/figure.ts'
import { stream } from '../testing/heavy.ts'
import { runs } from '../testing/runs.ts'
import { hydraulicsOf } from '../hydraulics/hydraulics-of.ts'
import { gaugeReport, gaugesToRead } from './gauge-report.ts'

const demo = (change: (project: Project) => void): Project => {
  const copy = structuredClone(DEMO_PROJECT)
  change(copy)
  return copy
}
const twin = demo((project) => {
  project.setups[3]!.hydraulics = { masterCylinder: 'twin-box', booster: null, valve: null, barFrontShare: figure(0.5) }
})
const valved = demo((project) => {
  project.setups[3]!.hydraulics = { valve: 'adjustable-valve', valveKneeMpa: figure(3.1) }
})
const noValve = demo((project) => {
  project.setups[3]!.hydraulics = { valve: null }
})
const text = (project: Project, pairs: readonly PressurePair[], setupId = 'balanced') =>
  gaugeReport(project, setupId, pairs)
    .sentences.map((one) => one.text)
    .join('\n')

describe('sessions at the pressures that the page proposes', () => {
  const uniform = stream(20261126)
  const normal = () => Math.sqrt(-2 * Math.log(uniform())) * Math.cos(2 * Math.PI * uniform())
  const read = (mpa: number) => Math.max(0, Math.round((mpa + 0.02 * normal()) * 100) / 100)
  type Zero = { frontMpa: number; rearMpa: number }
  const session = (project: Project, fault: CarFault, zero: Zero = { frontMpa: 0, rearMpa: 0 }): PressurePair[] => {
    const { system } = hydraulicsOf(project, 'balanced')
    return effortsToRead(system!, 600).map((effortN): PressurePair => {
      const at = pressuresWith(system!, fault, effortN)
      return [read(at.frontMpa + zero.frontMpa), read(at.rearMpa + zero.rearMpa)]
    })
  }
  const ROUNDS = runs(200, 20)
  test.each<[string, Project, CarFault, Zero, string[]]>([
    ['clean, twin master cylinders', twin, 'none', { frontMpa: 0, rearMpa: 0 }, []],
    ['clean, a valve', valved, 'none', { frontMpa: 0, rearMpa: 0 }, []],
    ['rear gauge high', twin, 'none', { frontMpa: 0, rearMpa: 0.3 }, ['rearZero']],
    ['rear gauge high, a valve', valved, 'none', { frontMpa: 0, rearMpa: 0.3 }, ['rearZero']],
    ['front gauge low', noValve, 'none', { frontMpa: -0.34, rearMpa: 0 }, ['frontZero']],
    ['front gauge high, a valve', valved, 'none', { frontMpa: 0.3, rearMpa: 0 }, ['frontZero']],
    ['a lower knee', valved, 'knee', { frontMpa: 0, rearMpa: 0 }, ['valveKnee']],
    ['the bar off its setting', twin, 'bar', { frontMpa: 0, rearMpa: 0 }, ['bar']],
  ])('%s', (_, project, fault, zero, stated) => {
    let [wrong, right] = [0, 0]
    for (let i = 0; i < ROUNDS; i += 1) {
      const found = gaugeReport(project, 'balanced', session(project, fault, zero))
      if (found.stated.some((one) => !stated.includes(one))) wrong += 1
      else if (found.stated.length === stated.length) right += 1
      // nothing that is stated as wrong is missing from the words, and a clean car has no warning
      expect(found.sentences.some((one) => one.tone === 'needs')).toBe(found.stated.some((one) => one !== 'spring'))
    }
    expect(wrong).toBeLessThanOrEqual(0.05 * ROUNDS)
    expect(right).toBeGreaterThanOrEqual(0.9 * ROUNDS)
  })
  test('the simulated faults are those of the list', () => {
    const { system } = hydraulicsOf(valved, 'balanced')
    const shown = CAR_FAULTS.map((fault) => pressuresWith(system!, fault, 150).rearMpa)
    expect(new Set(shown).size).toBe(CAR_FAULTS.length)
  })
})

describe('the words', () => {
  test('a front gauge on its stop is named with its size, and no bore, knee or air', () => {
    const pairs: PressurePair[] = [
      [0, 0],
      [0, 0.2],
      [0.06, 0.4],
      [0.26, 0.6],
      [0.46, 0.8],
      [0.66, 1],
      [1.16, 1.5],
      [1.66, 2],
      [2.66, 3],
      [3.66, 4],
      [5.66, 6],
    ]
    expect(text(noValve, pairs)).toMatch(/^The front gauge reads 3\.4.bar too low\./)
    expect(text(noValve, pairs)).not.toMatch(/bore|knee|air/i)
  })
  test('a spring difference is left open, with the reading that settles it', () => {
    const pairs = [0, 0.5, 1, 1.5, 2, 3, 4, 5, 6].map((mpa): PressurePair => [mpa, Math.max(0, mpa - 0.15)])
    const found = gaugeReport(noValve, 'balanced', pairs)
    expect(found.undecided).toEqual(expect.arrayContaining(['spring', 'rearZero']))
    expect(found.sentences[0]).toEqual({ tone: 'unknown', text: expect.stringMatching(/Swap the gauges and read again/) })
  })
  test('four pairs about a knee do not say that there is none', () => {
    const pairs: PressurePair[] = [
      [0, 0],
      [1.9, 1.9],
      [3.8, 3.26],
      [5.7, 4.02],
    ]
    expect(text(valved, pairs)).not.toMatch(/No knee/)
  })
  test('a share where no bar stands is not offered', () => {
    const pairs = [0, 1, 2, 3, 4, 5].map((front): PressurePair => [front, 0.1 * front])
    const found = gaugeReport(twin, 'balanced', pairs)
    expect(found.barShare).toBeUndefined()
    expect(found.sentences[0]).toMatchObject({ tone: 'needs', text: expect.stringMatching(/a bar works from 35\.0% to 65\.0%/) })
  })
  test('what too few or too scattered readings do not hold is not confirmed', () => {
    const bar = (pairs: readonly PressurePair[]) =>
      gaugeReport(twin, 'balanced', pairs).sentences.find((one) => /^Balance bar/.test(one.text))!.tone
    expect(bar([[2, 1.6]])).toBe('unknown')
    expect(
      bar([
        [0, 0],
        [1, 1.1],
        [2, 1.2],
        [3, 2.9],
      ]),
    ).not.toBe('fits')
    const { ratio } = gaugeReport(twin, 'balanced', [
      [0, 0],
      [6, 4.8],
      [3, 2.4],
    ])
    expect(ratio!.u).toBeDefined()
  })
  test('readings that end before the knee ask for harder ones', () => {
    const pairs = [0, 0.5, 1, 1.5, 2].map((mpa): PressurePair => [mpa, mpa])
    expect(gaugeReport(valved, 'balanced', pairs).sentences).toContainEqual({
      tone: 'unknown',
      text: expect.stringMatching(/^The readings end at 20\.0.bar.*Press harder/),
    })
  })
  test('no pair at all asks for three', () => {
    expect(gaugeReport(DEMO_PROJECT, 'balanced', []).sentences).toEqual([
      { tone: 'unknown', text: expect.stringMatching(/^Enter three pairs/) },
    ])
  })
  test('another bar position is offered', () => {
    const pairs = [0, 1, 2, 3, 4, 5].map((front): PressurePair => [front, 0.65 * front])
    const found = gaugeReport(twin, 'balanced', pairs)
    expect(found).toMatchObject({ stated: ['bar'], barAsEntered: false, barShare: expect.closeTo(0.551, 2) })
    expect(found.sentences[0]!.text).toMatch(/^Balance bar at 55\.\d% .*front; 50\.0% entered\.$/)
  })
})

describe('a project with little in it', () => {
  const inch = 25.4
  const bare = (): Project => blankProject('bare', 'Bare')
  test('three or eight pairs give the ratio', () => {
    for (const count of [1, 3, 8]) {
      const pairs = Array.from({ length: count }, (_, i): PressurePair => [i + 1, 0.75 * (i + 1)])
      const project = bare()
      const found = gaugeReport(project, project.setups[0].id, pairs)
      expect(found.ratio!.value).toBeCloseTo(0.75, 6)
      expect(found.sentences.map((one) => one.text).join('\n')).toMatch(/rear pressure is 75\.0%/)
    }
  })
  test('one pair with known pistons gives the clamp share', () => {
    const project = bare()
    const caliper = (id: string, boresInch: number[]) => ({
      id,
      kind: 'caliper' as const,
      name: id,
      construction: 'fixed' as const,
      pistonsMm: boresInch.map((bore) => figure(bore * inch)),
    })
    project.parts.push(caliper('front-caliper', [1.875, 1.75]), caliper('rear-caliper', [1.375]))
    project.parts.push({
      id: 'cylinders',
      kind: 'masterCylinder',
      name: 'cylinders',
      construction: 'twin',
      frontBoreMm: figure(0.875 * inch),
      rearBoreMm: figure(0.875 * inch),
    })
    const [setup] = project.setups
    setup.front.caliper = 'front-caliper'
    setup.rear.caliper = 'rear-caliper'
    setup.hydraulics.masterCylinder = 'cylinders'
    const psi = 0.006894757
    const found = gaugeReport(project, setup.id, [[400 * psi, 300 * psi]])
    expect(found.clampShare!.value).toBeCloseTo(0.823, 3)
    expect(found.sentences.map((one) => one.text)).toContainEqual(expect.stringMatching(/Clamp force from gauge readings: 82\.3% front/))
  })
})

test('a session reads at rest, below the knee and beyond it', () => {
  const { system } = hydraulicsOf(valved, 'balanced')
  const { effortsN, frontMpa } = gaugesToRead(valved, 'balanced')
  const rears = effortsN.map((effortN) => chain({ ...system!, valve: undefined }, effortN).rear.pressureMpa)
  expect(effortsN[0]).toBe(0)
  expect(frontMpa).toEqual([...frontMpa].sort((a, b) => a - b))
  expect(rears.filter((mpa) => mpa < 3.1).length).toBeGreaterThanOrEqual(5)
  expect(rears.filter((mpa) => mpa > 3.3).length).toBeGreaterThanOrEqual(4)
})
