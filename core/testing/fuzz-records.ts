import { DEMO_PROJECT } from '../demo/project.ts'
import { readProject, writeProject } from '../formats/project-file.ts'
import { projectProblems } from '../records/check.ts'
import type { WrittenDescent, WrittenCycle, WrittenZone } from '../records/drive-cycle.ts'
import { LOADS_DRIVEN, PAD_POINTS, SURFACES } from '../records/logbook.ts'
import { AXLES } from '../quantity/axle.ts'
import type { Project } from '../records/project.ts'
import { heatReport } from '../heat/heat-report.ts'
import { atItsLimits, EVERY_DOOR, notSaid } from './every-door.ts'
import type { FuzzTarget } from './fuzz.ts'

/** Projects whose records a schema lets in and nobody would write: sessions and logbooks out of the ends of each range. */

const pick = <T>(next: () => number, from: readonly T[]): T => from[Math.floor(next() * from.length)]!
const whole = (next: () => number, min: number, max: number): number => min + Math.floor(next() * (max - min + 1))
/** Often an end of a range, else anything in it. */
const within = (next: () => number, min: number, max: number): number => {
  const which = next()
  return which < 0.2 ? min : which < 0.4 ? max : min + (max - min) * next() ** 2
}
const maybe = <T extends object>(next: () => number, of: T): T | object => (next() < 0.5 ? of : {})

/** Sixty draws find a record that is let in, or the demo goes as it is. */
function accepted(next: () => number, draw: (project: Project) => void): Project {
  for (let i = 0; i < 60; i += 1) {
    const project = structuredClone(DEMO_PROJECT) as Project
    draw(project)
    if (projectProblems(project).length === 0) return project
    next()
  }
  return DEMO_PROJECT as Project
}

const speeds = (next: () => number) => {
  const fromKmh = within(next, 1, 400)
  return { fromKmh, toKmh: within(next, 0, fromKmh - 0.5) }
}
const descent = (next: () => number): WrittenDescent => ({
  kind: 'descent',
  gradePercent: within(next, 0.5, 40),
  lengthM: within(next, 10, 100_000),
  kmh: within(next, 3, 200),
  ...maybe(next, { engineDragN: within(next, 0, 10_000) }),
  ...maybe(next, { towMassKg: within(next, 0, 10_000), towBrakeShare: within(next, 0, 1) }),
})
const zone = (next: () => number): WrittenZone => ({ ...speeds(next), decelG: within(next, 0.05, 3), secondsToNext: within(next, 0, 3600) })

/** A driving of random kind, often at the ends of what may be written. */
export function anyDuty(next: () => number): WrittenCycle {
  const kind = next()
  if (kind < 0.2) return descent(next)
  if (kind < 0.5)
    return {
      kind: 'stops',
      ...speeds(next),
      decelG: within(next, 0.05, 3),
      count: whole(next, 1, 100),
      accelG: within(next, 0.02, 2),
      cruiseSeconds: within(next, 0, 3600),
    }
  const zones = Array.from({ length: whole(next, 1, next() < 0.2 ? 60 : 8) }, () => zone(next))
  return {
    kind: 'laps',
    laps: whole(next, 1, Math.min(100, Math.floor(1500 / zones.length))),
    zones,
    ...maybe(next, { coolingLap: true }),
    ...(next() < 0.2 ? { down: descent(next) } : {}),
  }
}

export const SESSIONS_TARGET: FuzzTarget = {
  name: 'sessions',
  // the report makes the session for each setup in question and for its doubts
  longestMs: 5000,
  make: (next) => writeProject(accepted(next, (project) => project.duties.push({ id: 'any', name: 'Any', duty: anyDuty(next) }))),
  read(text) {
    const read = readProject(text)
    if (!read.ok) throw new Error(`refused: ${read.problems[0]?.message}`)
    const { id } = read.project.setups[text.length % read.project.setups.length]!
    const duty = read.project.duties.at(-1)
    const found = notSaid(heatReport(read.project, id, duty?.id === 'any' ? 'any' : undefined))
    if (found) throw new Error(found)
  },
}

const day = (next: () => number): string =>
  `20${whole(next, 10, 40)}-${String(whole(next, 1, 12)).padStart(2, '0')}-${String(whole(next, 1, 28)).padStart(2, '0')}`

/** Fills the logbook with entries of the ends of each range. */
function anyLogbook(project: Project, next: () => number): void {
  const setupId = () => pick(next, project.setups).id
  const where = () => ({
    surface: pick(next, Object.keys(SURFACES) as (keyof typeof SURFACES)[]),
    load: pick(next, Object.keys(LOADS_DRIVEN) as (keyof typeof LOADS_DRIVEN)[]),
  })
  const id = (kind: string, i: number) => `${kind}-fuzz-${i}`
  const many = () => whole(next, 0, next() < 0.1 ? 60 : 5)
  for (let i = many(); i > 0; i -= 1) {
    const fromKmh = within(next, 5, 400)
    const trace = [0, within(next, 0.01, 5), within(next, 5.1, 20), within(next, 21, 600)].map((s, k): [number, number] => [
      s,
      [fromKmh, fromKmh, fromKmh / 2, 0][k]!,
    ])
    project.stopTests.push({
      id: id('stop', i),
      date: day(next),
      setupId: setupId(),
      fromKmh,
      distanceM: within(next, 0.1, 2000),
      ...where(),
      ...(next() < 0.2 ? { trace } : {}),
      ...maybe(next, { abs: next() < 0.5 }),
      ...maybe(next, { airC: within(next, -40, 60) }),
      ...maybe(next, { rotorC: within(next, -40, 1300) }),
    })
  }
  for (let i = many(); i > 0; i -= 1)
    project.lockSightings.push({
      id: id('lock', i),
      date: day(next),
      setupId: setupId(),
      axle: pick(next, ['front', 'rear', 'none'] as const),
      atG: within(next, 0.02, 2.5),
      ...where(),
    })
  for (let i = many(); i > 0; i -= 1)
    project.wearReadings.push({
      id: id('wear', i),
      date: day(next),
      axle: pick(next, AXLES),
      side: pick(next, ['left', 'right'] as const),
      events: next() < 0.3 ? 10 ** whole(next, -200, -1) : within(next, 0, 10_000),
      ...maybe(next, { setupId: setupId() }),
      ...maybe(next, { rotorMm: within(next, 1, 60) }),
      ...Object.fromEntries(
        Object.keys(PAD_POINTS)
          .filter(() => next() < 0.7)
          .map((point) => [point, within(next, 0, 40)]),
      ),
    })
}

const LOG_DOORS = ['evaluate', 'stops', 'wear', 'logs', 'order'] as const
export const LOGBOOK_TARGET: FuzzTarget = {
  name: 'logbook',
  longestMs: 5000,
  make: (next) => {
    const limits = next() < 0.3 ? atItsLimits(next).project : undefined
    return writeProject(
      accepted(next, (project) => {
        if (limits) project.car = limits.car
        anyLogbook(project, next)
      }),
    )
  },
  read(text) {
    const read = readProject(text)
    if (!read.ok) throw new Error(`refused: ${read.problems[0]?.message}`)
    const { id } = read.project.setups[text.length % read.project.setups.length]!
    for (const door of LOG_DOORS) {
      const found = notSaid(EVERY_DOOR[door]!(read.project, id))
      if (found) throw new Error(`${door} of ${id}: ${found}`)
    }
  },
}
