import { describe, expect, test } from '@jest/globals'
import { DEMO_PROJECT } from '../demo/project.ts'
import type { WrittenCycle } from '../records/drive-cycle.ts'
import type { HeatReading } from '../records/logbook.ts'
import type { Project } from '../records/project.ts'
import { Working } from '../figures/working.ts'
import { calibrated } from './calibration.ts'
import { cycleFor } from './drive-cycles.ts'
import { heatReport } from './heat-report.ts'
import { drive, prepare } from './session-run.ts'

const reading = (more: Partial<HeatReading>): HeatReading => ({
  id: 'r',
  date: '2026-09-20',
  setupId: 'balanced',
  driving: { name: 'Hill', duty: cycleFor(DEMO_PROJECT, 'hill').duty as WrittenCycle },
  axle: 'front',
  lump: 'ring',
  method: 'paint',
  readC: 400,
  afterS: 0,
  airC: 20,
  parts: ['kit4-caliper', 'kit4-rotor', 'kit4-pad'],
  ...more,
})
const withRead = (...readings: Partial<HeatReading>[]): Project => ({
  ...DEMO_PROJECT,
  heatReadings: readings.map((one, i) => reading({ id: `r${i}`, ...one })),
})
const bare = () => prepare(new Working(), DEMO_PROJECT, 'balanced')!
/** What the car would show if one figure were so many times the usual. */
function truth(key: 'h1' | 'ringToPadWPerK' | 'padToCaliperWPerK', by: number, of: 'ringC' | 'padC' | 'caliperC'): number {
  const prepared = bare()
  const front = { ...prepared.axles.front, nodes: { ...prepared.axles.front.nodes, [key]: prepared.axles.front.nodes[key] * by } }
  return drive({ ...prepared, axles: { ...prepared.axles, front } }, cycleFor(DEMO_PROJECT, 'hill')).session.peak.front[of]
}
const width = (project: Project, label: string) => {
  const line = heatReport(project, 'balanced', 'hill').lines.find((one) => one.label === label)!
  return line.highC - line.lowC
}

describe('a temperature that was read', () => {
  test.each([0.75, 1.3])('moves the cooling towards what the car shows, and never beyond: %d times the usual', (by) => {
    const project = withRead({ readC: truth('h1', by, 'ringC') })
    const { prepared, readings } = calibrated(project, 'balanced', bare())
    const found = prepared.axles.front.nodes.h1 / bare().axles.front.nodes.h1
    expect(readings).toMatchObject([{ used: true }])
    expect(found > Math.min(1, by) && found < Math.max(1, by)).toBe(true)
    // several that agree get nearer
    const three = calibrated(withRead(...[1, 2, 3].map(() => ({ readC: truth('h1', by, 'ringC') }))), 'balanced', bare())
    const nearer = three.prepared.axles.front.nodes.h1 / bare().axles.front.nodes.h1
    expect(Math.abs(Math.log(nearer / by))).toBeLessThan(Math.abs(Math.log(found / by)))
    expect(three.prepared.doubts.front.h1!).toBeLessThan(prepared.doubts.front.h1!)
  })
  test('of a session that ends within its first step is taken as the highest', () => {
    const duty = { kind: 'stops', fromKmh: 3, toKmh: 0, decelG: 3, count: 1, accelG: 0.2, cruiseSeconds: 0 } as const
    for (const method of ['infrared', 'paint'] as const) {
      const project = withRead({ readC: 80, method, driving: { name: 'Short', duty } })
      expect(calibrated(project, 'balanced', bare()).readings).toHaveLength(1)
      expect(heatReport(project, 'balanced', 'hill').sentence).not.toBe('')
    }
  })
  test('narrows the range, and the report says by how much', () => {
    const usual = truth('h1', 1, 'ringC')
    const project = withRead({ readC: usual })
    expect(width(project, 'Rotor, front')).toBeLessThan(width(DEMO_PROJECT, 'Rotor, front'))
    const { narrowed, readings } = heatReport(project, 'balanced', 'hill')
    expect(narrowed).toMatch(/with the readings, .* without/)
    expect(readings[0]!.words).toMatch(/cooling by speed 1\.0\d? times the nominal value, known to \d+% instead of 25%/)
  })
  test.each([
    ['pad', 'ringToPadWPerK', 'padC'],
    ['caliper', 'padToCaliperWPerK', 'caliperC'],
  ] as const)('of the %s speaks of its own figure', (lump, key, of) => {
    const { prepared } = calibrated(withRead({ lump, readC: truth(key, 1.2, of) }), 'balanced', bare())
    expect(prepared.axles.front.nodes[key]).toBeGreaterThan(bare().axles.front.nodes[key])
    expect(prepared.axles.front.nodes.h1).toBe(bare().axles.front.nodes.h1)
    expect(prepared.axles.rear).toEqual(bare().axles.rear)
  })
  test('that no likely cooling makes is not used, and says so', () => {
    const { prepared, readings } = calibrated(withRead({ readC: 40 }), 'balanced', bare())
    expect(readings).toMatchObject([{ used: false, words: expect.stringMatching(/not used\. The closest/) }])
    expect(prepared).toEqual(bare())
  })
  test('speaks of the part it was taken on, in every setup that has it, and of no other', () => {
    const project = withRead({ readC: truth('h1', 1.2, 'ringC') })
    expect(heatReport(project, 'estate-fronts', 'hill').readings).toEqual([])
    const other: Project = { ...project, setups: [...project.setups, { ...project.setups[3]!, id: 'again' }] as Project['setups'] }
    expect(heatReport(other, 'again', 'hill').readings).toMatchObject([{ used: true }])
    // what was on the car then is on it no more: nobody knows what the reading was of
    const changed = structuredClone(other)
    changed.setups.find((one) => one.id === 'balanced')!.front.rotor = 'kit2-rotor'
    expect(heatReport(changed, 'again', 'hill').readings).toEqual([])
  })
  test('is of the driving as it was driven then, whatever becomes of the one of that name', () => {
    const own = { id: 'mine', name: 'Mine', duty: cycleFor(DEMO_PROJECT, 'hill').duty as WrittenCycle }
    const read: Project = { ...withRead({ readC: truth('h1', 1.2, 'ringC') }), duties: [own] }
    const before = heatReport(read, 'balanced', 'hill')
    const gentle = { ...own, duty: { kind: 'descent' as const, gradePercent: 2, lengthM: 500, kmh: 30 } }
    for (const duties of [[], [gentle]]) expect(heatReport({ ...read, duties }, 'balanced', 'hill').lines).toEqual(before.lines)
  })
  test('after a while is read at that moment', () => {
    const { samples } = drive(bare(), cycleFor(DEMO_PROJECT, 'hill'))
    const lastS = samples.at(-1)!.seconds - 600
    const later = samples.find((one) => one.seconds >= lastS + 120)!.front.ringC
    const { prepared } = calibrated(withRead({ method: 'probe', afterS: 120, readC: later }), 'balanced', bare())
    expect(prepared.axles.front.nodes.h1 / bare().axles.front.nodes.h1).toBeCloseTo(1, 1)
  })
})
test('what would narrow the range most is named, and once it is read it is not named again', () => {
  const before = heatReport(DEMO_PROJECT, 'balanced', 'hill').readNext
  expect(before).toMatch(/temperature of the rotor, front/)
  expect(heatReport(withRead({ readC: truth('h1', 1, 'ringC') }), 'balanced', 'hill').readNext ?? '').not.toMatch(
    /temperature of the rotor, front/,
  )
})
