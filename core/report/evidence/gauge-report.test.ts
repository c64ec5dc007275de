import { describe, expect, test } from '@jest/globals'
import { DEMO_PROJECT } from '../../demo/project.ts'
import { chain } from '../../hydraulics/chain.ts'
import { effortsToRead, type GaugeFit, type PressurePair } from '../../hydraulics/gauges.ts'
import type { Project } from '../../model/project.ts'
import { figure } from '../../quantity/figure.ts'
import { runs } from '../../testing/runs.ts'
import { gaugeReport, type GaugeReport } from './gauge-report.ts'
import { hydraulicsOf } from '../pedal/hydraulics-of.ts'

/** Sessions as people take them: the efforts that the page proposes, 0.02 MPa of noise on each gauge, a needle on its stop. */
const ROUNDS = runs(500, 120)
const NOISE_MPA = 0.02

let seed = 20261126
const uniform = () => (seed = (seed * 48271) % 2147483647) / 2147483647
const normal = () => Math.sqrt(-2 * Math.log(uniform())) * Math.cos(2 * Math.PI * uniform())

const demo = (change: (project: Project) => void): Project => {
  const copy = structuredClone(DEMO_PROJECT)
  change(copy)
  return copy
}
/** A setup with two cylinders and no valve, entered at half; and one with a valve of 3.1 MPa. */
const twin = demo((project) => {
  project.setups[3]!.hydraulics = { masterCylinder: 'twin-box', booster: null, valve: null, barFrontShare: figure(0.5) }
})
const valved = (kneeMpa: number) =>
  demo((project) => {
    project.setups[3]!.hydraulics = { valve: 'adjustable-valve', valveKneeMpa: figure(kneeMpa) }
  })
const valvedTwin = (kneeMpa: number) =>
  demo((project) => {
    project.setups[3]!.hydraulics = {
      masterCylinder: 'twin-box',
      booster: null,
      valve: 'adjustable-valve',
      barFrontShare: figure(0.5),
      valveKneeMpa: figure(kneeMpa),
    }
  })

type Fault = (pair: PressurePair) => PressurePair
const clean: Fault = (pair) => pair
const offset =
  (by: number): Fault =>
  ([front, rear]) => [front, rear + by]
const air: Fault = ([front, rear]) => [front, Math.max(0, rear - 0.9 * Math.exp(-rear / 0.9))]

/** What the gauges of a car that is `true_` would show without noise, at the efforts for what is `entered`. */
function truth(entered: Project, true_: Project, fault: Fault): PressurePair[] {
  const system = hydraulicsOf(true_, 'balanced').system!
  return effortsToRead(hydraulicsOf(entered, 'balanced').system!, 600).map((effortN) => {
    const { front, rear } = chain(system, effortN)
    return fault([front.pressureMpa, rear.pressureMpa])
  })
}
const read = (mpa: number) => Math.max(0, Math.round((mpa + NOISE_MPA * normal()) * 100) / 100)
const session = (pairs: readonly PressurePair[]) => pairs.map(([front, rear]): PressurePair => [read(front), read(rear)])
const share = (entered: Project, true_: Project, fault: Fault, right: (report: GaugeReport, fit: GaugeFit) => boolean): number => {
  let hits = 0
  const pairs = truth(entered, true_, fault)
  for (let i = 0; i < ROUNDS; i += 1) {
    const report = gaugeReport(entered, 'balanced', session(pairs))
    if (report.fit && right(report, report.fit)) hits += 1
  }
  return hits / ROUNDS
}
const known = (report: GaugeReport) => report.sentences.every((one) => one.tone !== 'unknown')

describe('over 500 noisy sessions each, the diagnosis is right in 95 of 100', () => {
  test.each<[string, Project]>([
    ['two cylinders', twin],
    ['a valve', valved(3.1)],
    ['two cylinders and a valve', valvedTwin(2.5)],
  ])('clean, %s', (_, project) => {
    expect(
      share(project, project, clean, (report, fit) => fit.fault === 'none' && report.sentences.every((one) => one.tone === 'fits')),
    ).toBeGreaterThanOrEqual(0.95)
  })
  test.each<[number, string, Project]>([
    [0.1, 'two cylinders', twin],
    [-0.1, 'two cylinders', twin],
    [0.72, 'two cylinders', twin],
    [-0.28, 'two cylinders', twin],
    [0.1, 'a valve', valved(3.1)],
    [-0.1, 'a valve', valved(3.1)],
    [-0.4, 'a valve', valved(3.1)],
  ])('a zero that is off by %p MPa, %s', (by, _, project) => {
    expect(
      share(
        project,
        project,
        offset(by),
        (report, fit) => fit.fault === 'offset' && !fit.undecided && Math.abs(fit.interceptMpa - by) < 0.07 && known(report),
      ),
    ).toBeGreaterThanOrEqual(0.95)
  })
  test.each<[string, Project]>([
    ['two cylinders', twin],
    ['a valve', valved(3.1)],
  ])('air, %s', (_, project) => {
    expect(
      share(project, project, air, (report, fit) => fit.fault === 'lag' && !fit.undecided && report.barShare === undefined),
    ).toBeGreaterThanOrEqual(0.95)
  })
  test.each<[string, Project]>([
    ['one bore', valved(3.1)],
    ['two cylinders', valvedTwin(2.5)],
  ])('a knee as entered, %s', (_, project) => {
    expect(share(project, project, clean, (report, fit) => fit.knee !== undefined && report.kneeAsEntered)).toBeGreaterThanOrEqual(0.95)
  })
  test.each<[string, Project, Project, number]>([
    ['a megapascal too high', valved(4.1), valved(3.1), 3.1],
    ['a megapascal too low', valved(2.1), valved(3.1), 3.1],
    ['too high, two cylinders', valvedTwin(3.5), valvedTwin(2.5), 2.5],
    ['too low, two cylinders', valvedTwin(1.5), valvedTwin(2.5), 2.5],
  ])('a knee entered %s', (_, entered, true_, kneeMpa) => {
    expect(
      share(
        entered,
        true_,
        clean,
        (report, fit) =>
          fit.fault === 'none' &&
          !report.kneeAsEntered &&
          Math.abs(report.kneeMpa! - kneeMpa) < 0.25 &&
          // the bar stands where it stands, whatever knee is entered
          (report.barShare === undefined || Math.abs(report.barShare - 0.5) < 0.02) &&
          !report.sentences.some((one) => /does not work/.test(one.text)),
      ),
    ).toBeGreaterThanOrEqual(0.95)
  })
})

describe('what cannot be said is not said', () => {
  test('a straight line off zero is never called air', () => {
    const pairs = [1, 2, 3, 4, 5, 6].map((front): PressurePair => [front, front - 0.28])
    const found = gaugeReport(DEMO_PROJECT, 'balanced', pairs)
    expect(found.fit).toMatchObject({ fault: 'offset', interceptMpa: expect.closeTo(-0.28, 6) })
    expect(found.sentences.map((one) => one.text).join(' ')).not.toMatch(/air/)
  })
  test('a share where no bar stands is said to be wrong, and not offered', () => {
    const pairs = [0, 1, 2, 3, 4, 5].map((front): PressurePair => [front, 0.1 * front])
    const found = gaugeReport(twin, 'balanced', pairs)
    expect(found.barShare).toBeUndefined()
    expect(found.sentences[0]).toMatchObject({ tone: 'needs', text: expect.stringMatching(/where no bar stands/) })
  })
  test('readings beyond the knee alone ask for lower ones', () => {
    const { system } = hydraulicsOf(DEMO_PROJECT, 'balanced')
    const pairs = [80, 110, 140, 170, 200, 230].map((force): PressurePair => {
      const { front, rear } = chain(system!, force)
      return [front.pressureMpa, rear.pressureMpa]
    })
    expect(gaugeReport(DEMO_PROJECT, 'balanced', pairs).sentences).toEqual([
      { tone: 'unknown', text: expect.stringMatching(/^Hardly any reading lies below 31\.\d.bar.*read lower ones too/) },
    ])
  })
  test('readings that end before the knee say nothing of it', () => {
    const pairs = [0, 0.5, 1, 1.5, 2].map((mpa): PressurePair => [mpa, mpa])
    expect(gaugeReport(DEMO_PROJECT, 'balanced', pairs).sentences).toContainEqual({
      tone: 'unknown',
      text: expect.stringMatching(/they do not show/),
    })
  })
  test('too few readings ask for more', () => {
    expect(gaugeReport(DEMO_PROJECT, 'balanced', []).sentences).toEqual([{ tone: 'unknown', text: expect.stringMatching(/Three pairs/) }])
  })
  test('another bar position is pointed out, and is no more than measured', () => {
    const other = structuredClone(twin)
    other.setups[3]!.hydraulics.barFrontShare = figure(0.55)
    const found = gaugeReport(twin, 'balanced', session(truth(twin, other, clean)))
    expect(found.barShare).toBeCloseTo(0.55, 1)
    expect(found).toMatchObject({ barAsEntered: false })
    expect(found.sentences[0]).toMatchObject({ tone: 'needs', text: expect.stringMatching(/The bar stands at 5\d\.\d/) })
  })
})

test('a session reads at rest, below the knee and beyond it', () => {
  const { system } = hydraulicsOf(valved(3.1), 'balanced')
  const efforts = effortsToRead(system!, 600)
  const rears = efforts.map((effortN) => chain({ ...system!, valve: undefined }, effortN).rear.pressureMpa)
  expect(efforts[0]).toBe(0)
  expect(efforts).toEqual([...efforts].sort((a, b) => a - b))
  expect(rears.filter((mpa) => mpa < 3.1).length).toBeGreaterThanOrEqual(5)
  expect(rears.filter((mpa) => mpa > 3.3).length).toBeGreaterThanOrEqual(4)
})
