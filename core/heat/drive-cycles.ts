import type { DriveCycle } from './maths/drive-cycle.ts'
import type { WrittenCycle } from '../records/drive-cycle.ts'
import type { Project } from '../records/project.ts'
import { dutyOf } from '../records/uses.ts'

/** A way of driving that the brakes are asked about. Tracks are invented. */
export interface NamedCycle {
  id: string
  label: string
  words: string
  duty: DriveCycle
  /** What is counted: laps, stops, runs; undefined for one stretch. */
  each?: { word: string; segments: number; count: number }
  /** Somebody wrote it down in the project. */
  own?: boolean
}

const counted = (count: number, word: string) => `${count} ${word}${count === 1 ? '' : 's'}`
const number = (value: number, digits = 0) => value.toFixed(digits).replace(/\.0+$/, '')

/** What a driving is, in words, and what is counted in it. */
function described(duty: WrittenCycle, word = 'lap'): Pick<NamedCycle, 'words' | 'each'> {
  switch (duty.kind) {
    case 'stops': {
      const to = duty.toKmh === 0 ? 'to a stop' : `to ${number(duty.toKmh)} km/h`
      const how = `from ${number(duty.fromKmh)} km/h ${to} at ${duty.decelG} g`
      const between = `back to speed at ${duty.accelG} g${duty.cruiseSeconds > 0 ? ` and ${number(duty.cruiseSeconds)} s on` : ''}`
      return duty.count === 1
        ? { words: `one stop ${how}` }
        : {
            words: `${counted(duty.count, 'stop')} ${how}, ${between}`,
            each: { word: 'stop', segments: duty.cruiseSeconds > 0 ? 3 : 2, count: duty.count },
          }
    }
    case 'descent': {
      const km = number(duty.lengthM / 1000, 1)
      const trailer = duty.towMassKg
        ? `, with ${number(duty.towMassKg)} kg trailer ${duty.towBrakeShare ? `braking ${number(duty.towBrakeShare * 100)}% of its own weight` : 'without brakes'}`
        : ''
      const gear = duty.engineDragN === undefined ? '' : `, engine braking ${number(duty.engineDragN)} N`
      return {
        words: `${km} km of ${number(duty.gradePercent, 1)} percent grade at ${number(duty.kmh)} km/h, braking all the way${trailer}${gear}`,
      }
    }
    case 'laps': {
      const back = duty.down ? `; after each down again, ${described(duty.down).words}` : ''
      const cool = duty.coolingLap ? ', then a slow one to cool' : ''
      return {
        words: `${counted(duty.laps, word)} of ${counted(duty.zones.length, 'braking zone')}${cool}${back}`,
        each: { word, segments: 2 * duty.zones.length + (duty.down ? 1 : 0), count: duty.laps },
      }
    }
  }
}
/** A driving of the table. */
const of = (id: string, label: string, duty: WrittenCycle, { words, word }: { words?: string; word?: string } = {}): NamedCycle => {
  const said = described(duty, word)
  return { id, label, ...said, words: words === undefined ? said.words : `${said.words}: ${words}`, duty }
}
const zone = (fromKmh: number, toKmh: number, decelG: number, secondsToNext: number) => ({ fromKmh, toKmh, decelG, secondsToNext })

export const CYCLES: readonly NamedCycle[] = [
  of('fade', 'Ten stops from 100 km/h', {
    kind: 'stops',
    fromKmh: 100,
    toKmh: 0,
    decelG: 0.5,
    count: 10,
    accelG: 0.25,
    cruiseSeconds: 5,
  }),
  of('stop', 'One stop from 180 km/h', { kind: 'stops', fromKmh: 180, toKmh: 0, decelG: 0.7, count: 1, accelG: 0.2, cruiseSeconds: 0 }),
  of(
    'hill',
    'Hill climb, run after run',
    { kind: 'laps', laps: 5, zones: [zone(95, 45, 0.8, 9), zone(110, 50, 0.8, 8), zone(90, 40, 0.8, 10), zone(105, 0, 0.5, 120)] },
    { words: 'up the hill, again and again', word: 'run' },
  ),
  of(
    'kind',
    'Wold Ring, kind to brakes',
    { kind: 'laps', laps: 12, zones: [zone(150, 80, 0.8, 34), zone(130, 70, 0.7, 30)] },
    { words: 'hard, with long straights to cool on' },
  ),
  of(
    'hard',
    'Larkrise Short, hard on brakes',
    {
      kind: 'laps',
      laps: 10,
      zones: [zone(130, 65, 0.75, 16), zone(110, 60, 0.7, 13), zone(120, 70, 0.75, 15), zone(100, 55, 0.7, 12), zone(125, 75, 0.75, 18)],
    },
    { words: 'close together' },
  ),
  of('descent', 'Down a pass', { kind: 'descent', gradePercent: 9, lengthM: 8000, kmh: 60 }),
  of('tow', 'Down a pass with a trailer', { kind: 'descent', gradePercent: 9, lengthM: 8000, kmh: 50, towMassKg: 600 }),
]

/** A driving as somebody wrote it down. */
export const ownCycle = (id: string, name: string, duty: WrittenCycle): NamedCycle => ({ ...of(id, name, duty), own: true })

/** All drivings that a project can be asked about: its own first. */
export function cyclesOf({ duties }: Pick<Project, 'duties'>): NamedCycle[] {
  const own = duties.map(({ id, name, duty }) => ownCycle(id, name, duty))
  return [...own, ...CYCLES.filter((one) => !own.some((mine) => mine.id === one.id))]
}

/** The driving that is asked about: the one named, the one chosen, or what the use of the car suggests. */
export function cycleFor(project: Pick<Project, 'duties' | 'preferences' | 'car'>, id?: string): NamedCycle {
  const all = cyclesOf(project)
  const find = (wanted: string | undefined) => all.find((one) => one.id === wanted)
  return find(id) ?? find(project.preferences.duty) ?? find(dutyOf(project.car.uses)) ?? CYCLES[0]!
}
