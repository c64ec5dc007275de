import { compareInBlocks, scatterWithin, type RunBlock } from './maths/compare-blocks.ts'
import { runsEach, type RunsCompared } from './maths/compare-runs.ts'
import { correctedM, SPEED_WITHIN_KMH, tracedStop, type TracedStop } from './maths/stop-run.ts'
import { meanOf } from './maths/student.ts'
import type { LoadDriven, StopTest, SurfaceDriven } from '../records/logbook.ts'
import type { Project } from '../records/project.ts'
import { findSetup } from '../records/resolve.ts'
import { formatQuantity } from '../quantity/format.ts'
import { counted } from '../figures/words.ts'
import { STANDARD_GRAVITY } from '../quantity/units.ts'
import { isLeastStop, stopReport, type StopRow } from '../heat/stop-report.ts'

/** One stop as it counts. */
export interface RunRow {
  test: StopTest
  /** To the speed asked for, m; undefined: set aside. */
  correctedM: number | undefined
  /** Why it is set aside. */
  excluded: string
  traced: TracedStop | undefined
}
export interface RunGroup {
  setupId: string
  name: string
  rows: RunRow[]
  counted: number[]
  meanM: number | undefined
  scatterM: number | undefined
  /** What the model predicts, m; undefined: values are missing, or it does not cover this load. */
  modelM: number | undefined
  /** Runs without another setup between them. */
  blocks: number
}
export interface StopsAsked {
  a: string
  b: string
  surface: SurfaceDriven
  load: LoadDriven
  targetKmh: number
  /** The difference that would be worth it, m. */
  wantedM: number
}
export interface StopsReport {
  a: RunGroup
  b: RunGroup
  compared: RunsCompared | undefined
  sentence: string
  /** What else may explain it, or is to be minded; the worst first. */
  notes: string[]
  /** What the model expects of the two. */
  model: string
  plan: StopPlan
}
interface StopPlan {
  /** m; of the runs at hand, or what is usual. */
  scatterM: number
  assumed: boolean
  /** Undefined: more than anybody drives. */
  each: number | undefined
  sentence: string
  /** One line a block, for the passenger's sheet. */
  order: { setup: string; runs: number }[]
}

/** Scatter of a careful driver on one road, where nobody has driven yet, m. */
const USUAL_SCATTER_M = 1
const m = (value: number) => `${Math.abs(value).toFixed(1)} m`

/** Stops of two setups against each other: what is shown, what is not, and how many more runs it takes. */
export function stopsReport(project: Project, asked: StopsAsked): StopsReport {
  const inOrder = byDay(project.stopTests)
  const all = [groupOf(project, inOrder, asked.a, asked), groupOf(project, inOrder, asked.b, asked)] as const
  const same = asked.a === asked.b
  const { a, b, blocks } = same ? { a: all[0], b: all[1], blocks: [] } : withinBlocks(...all)
  const enough = a.counted.length >= 2 && b.counted.length >= 2
  const compared = enough ? compareInBlocks(blocks) : undefined
  const plan = planOf(a, b, asked)
  const apart = !same && blocks.length === 0 && all.every((one) => one.counted.length > 0)
  return {
    a,
    b,
    compared,
    sentence: same
      ? 'Choose two setups.'
      : apart
        ? `${b.name} and ${a.name} share no place: their stops cannot be compared. Test both at one place, on one day.`
        : compared
          ? said(b.name, a.name, compared)
          : notTested(a, b, plan),
    notes: same || apart ? [] : notesOn(project, a, b, compared),
    model: same ? '' : modelWords(project, asked, compared),
    plan,
  }
}
const byDay = (tests: readonly StopTest[]): StopTest[] =>
  [...tests]
    .map((one, i) => ({ one, i }))
    .sort((x, y) => x.one.date.slice(0, 10).localeCompare(y.one.date.slice(0, 10)) || x.i - y.i)
    .map(({ one }) => one)

function groupOf(project: Project, tests: readonly StopTest[], setupId: string, asked: StopsAsked): RunGroup {
  const { surface, load, targetKmh } = asked
  const here = tests.filter((one) => one.surface === surface && one.load === load)
  // distances by tape and by trace are not the same thing: the kind of which there are more counts
  const traces = here.filter((one) => one.trace).length
  const byTrace = traces * 2 >= here.length && traces > 0
  const rows = here
    .filter((one) => one.setupId === setupId)
    .map((test): RunRow => {
      const corrected = correctedM(targetKmh, test)
      const excluded =
        corrected === undefined
          ? `began at ${test.fromKmh.toFixed(1)} km/h: more than ${SPEED_WITHIN_KMH} off ${targetKmh} cannot be corrected`
          : (test.trace !== undefined) !== byTrace
            ? byTrace
              ? 'a distance alone: not mixed with traces'
              : 'a trace is not compared with distances'
            : ''
      return { test, correctedM: excluded === '' ? corrected : undefined, excluded, traced: test.trace && tracedStop(test.trace) }
    })
  const counted = rows.flatMap((row) => row.correctedM ?? [])
  let blocks = 0
  here.forEach((one, i) => {
    if (
      one.setupId === setupId &&
      (i === 0 || here[i - 1]!.setupId !== setupId || here[i - 1]!.date.slice(0, 10) !== one.date.slice(0, 10))
    )
      blocks += 1
  })
  return {
    setupId,
    name: findSetup(project, setupId)?.name ?? 'a setup that is gone',
    rows,
    counted,
    meanM: counted.length > 0 ? meanOf(counted) : undefined,
    scatterM: scatterOf(rows),
    modelM: asked.load === 'laden' ? undefined : modelOf(project, setupId, asked),
    blocks,
  }
}
/** The stop that the model computes for a setup on this surface, with the driver only, and whether it is only the least. */
function predicted(project: Project, setupId: string, { surface, targetKmh }: StopsAsked): (StopRow & { isLeast: boolean }) | undefined {
  if (!findSetup(project, setupId)) return undefined
  const found = stopReport({ ...project, preferences: { ...project.preferences, stopFromKmh: targetKmh } }, setupId)
  const row = found.rows.find((one) => one.surface === surface)
  return row && { ...row, isLeast: isLeastStop(found, row) }
}
/** What the model predicts, m; a distance that may be longer is no prediction. */
function modelOf(project: Project, setupId: string, asked: StopsAsked): number | undefined {
  const row = predicted(project, setupId, asked)
  return row && !row.isLeast ? row.distanceM : undefined
}

const placeOf = ({ test }: RunRow): string => test.track?.trim().toLowerCase() ?? ''
const dayOf = ({ test }: RunRow): string => test.date.slice(0, 10)
/** Of runs of one day and place, m: what the day does is no scatter. */
function scatterOf(rows: readonly RunRow[]): number | undefined {
  const byDayAndPlace = new Map<string, number[]>()
  for (const row of rows) {
    if (row.correctedM === undefined) continue
    const key = `${dayOf(row)} ${placeOf(row)}`
    byDayAndPlace.set(key, [...(byDayAndPlace.get(key) ?? []), row.correctedM])
  }
  return scatterWithin([...byDayAndPlace.values()])
}

/**
 * What is compared of two groups: runs of one day and place, where both setups have some; else runs of one place. A place
 * that is not entered may be any. Runs that are left out say why; places are never pooled.
 */
function withinBlocks(a: RunGroup, b: RunGroup): { a: RunGroup; b: RunGroup; blocks: RunBlock[] } {
  const valid = (group: RunGroup) => group.rows.filter((row) => row.correctedM !== undefined)
  const [one, two] = [valid(a), valid(b)]
  const named = new Set([...one, ...two].map(placeOf).filter(Boolean))
  const place = (row: RunRow) => (named.size > 1 ? placeOf(row) : '')
  const common = (key: (row: RunRow) => string) => {
    const there = new Set(one.map(key))
    return [...new Set(two.map(key))].filter((block) => there.has(block))
  }
  const dayAndPlace = (row: RunRow) => `${dayOf(row)} ${place(row)}`
  const [sameDay, samePlace] = [common(dayAndPlace), common(place)]
  const [key, blocks] = sameDay.length > 0 ? [dayAndPlace, sameDay] : [place, samePlace]
  const within = (rows: readonly RunRow[], block: string) => rows.filter((row) => key(row) === block).map((row) => row.correctedM!)
  const kept = (group: RunGroup): RunGroup => {
    if (blocks.length === 0) return group
    const rows = group.rows.map((row) =>
      row.correctedM === undefined || blocks.includes(key(row))
        ? row
        : {
            ...row,
            correctedM: undefined,
            excluded: `another ${sameDay.length > 0 ? 'day or place' : 'place'} than runs of the other setup`,
          },
    )
    const counted = rows.flatMap((row) => row.correctedM ?? [])
    return { ...group, rows, counted, meanM: counted.length > 0 ? meanOf(counted) : undefined, scatterM: scatterOf(rows) }
  }
  return { a: kept(a), b: kept(b), blocks: blocks.map((block) => ({ a: within(one, block), b: within(two, block) })) }
}

function said(name: string, against: string, { differenceM, lowM, highM, verdict, detectableM }: RunsCompared): string {
  const side = (value: number) => (Math.abs(value) < 0.05 ? 'no different' : `${m(value)} ${value < 0 ? 'shorter' : 'longer'}`)
  const range = `between ${side(lowM)} and ${side(highM)}`
  if (verdict !== 'notShown') return `${name} stops ${side(differenceM)} than ${against}, ${range} (95% confidence).`
  return `${name} against ${against}: ${side(differenceM)}, ${range}. These runs show no difference; they would have shown ${m(detectableM)} with 80% probability.`
}
/** Runs that a first comparison takes of each setup. */
const LEAST_RUNS = 2
function notTested(a: RunGroup, b: RunGroup, { each }: StopPlan): string {
  const wanted = Math.max(LEAST_RUNS, each ?? LEAST_RUNS)
  const few = b.counted.length < LEAST_RUNS ? b : a
  const other = few === b ? a : b
  const state = few.counted.length === 0 ? 'Not tested yet' : 'Not enough runs'
  const beside =
    other.meanM === undefined
      ? `${other.name} has no valid run.`
      : `${other.name}: ${m(other.meanM)} (${counted(other.counted.length, 'valid run')}).`
  return `${state}: ${few.counted.length} of ${counted(wanted, 'run')} with ${few.name}. ${beside}`
}

const CONDITIONS: readonly { words: string; of: (test: StopTest) => string }[] = [
  { words: 'tyre', of: (one) => one.tyre ?? '' },
  { words: 'track', of: (one) => one.track ?? '' },
  { words: 'driver', of: (one) => one.driver ?? '' },
  { words: 'day', of: (one) => one.date.slice(0, 10) },
  { words: 'anti-lock', of: (one) => (one.abs === undefined ? '' : one.abs ? 'at work' : 'not at work') },
]
/** Air or rotors that differ by more between the groups are said, degC. */
const WARMER_C = { airC: 5, rotorC: 40 } as const

function notesOn(project: Project, a: RunGroup, b: RunGroup, compared: RunsCompared | undefined): string[] {
  const notes: string[] = []
  const valid = (group: RunGroup) => group.rows.filter((row) => row.correctedM !== undefined).map((row) => row.test)
  const [one, two] = [valid(a), valid(b)]
  if (one.length === 0 || two.length === 0) return notes
  if (compared && Math.min(a.blocks, b.blocks) < 2)
    notes.push('Each setup was driven in one block, so a different day or road may explain the result. Drive A, B and A again.')
  for (const { words, of } of CONDITIONS) {
    const [x, y] = [one, two].map((tests) => new Set(tests.map(of)))
    if ([...x!].join() === [...y!].join()) continue
    if (words === 'anti-lock' && [...x!, ...y!].includes('at work'))
      notes.push('The ABS worked with one setup only, so the comparison includes the ABS.')
    else
      notes.push(
        `Changed as well: ${words} (${[...x!].filter(Boolean).join(', ') || 'not said'}; then ${[...y!].filter(Boolean).join(', ') || 'not said'}).`,
      )
  }
  for (const [key, least] of Object.entries(WARMER_C) as [keyof typeof WARMER_C, number][]) {
    const [x, y] = [one, two].map((tests) => tests.flatMap((test) => test[key] ?? []))
    if (x!.length === 0 || y!.length === 0) continue
    const off = meanOf(y!) - meanOf(x!)
    if (Math.abs(off) > least)
      notes.push(
        `${key === 'airC' ? 'Air' : 'Rotors'} ${formatQuantity(Math.abs(off), 'temperatureRise', project.preferences.units, { decimals: 0 })} ${off > 0 ? 'warmer' : 'colder'} with ${b.name}.`,
      )
  }
  const excluded = [...a.rows, ...b.rows].filter((row) => row.excluded !== '').length
  if (excluded > 0) notes.push(`${excluded} excluded ${excluded === 1 ? 'run' : 'runs'}; each shows its reason.`)
  if (notes.filter((note) => note.startsWith('Changed as well')).length > 1)
    notes.push('Several things changed at once, so the cause is unknown.')
  return notes
}

/** Less than this nobody measures, m. */
const ALIKE_M = 0.5
function modelWords(project: Project, asked: StopsAsked, compared: RunsCompared | undefined): string {
  if (asked.load === 'laden') return 'The model covers the car with the driver only, not the laden car.'
  const [one, two] = [asked.a, asked.b].map((id) => predicted(project, id, asked))
  if (!one || !two || one.isLeast || two.isLeast) return 'Not enough data for a prediction: enter the missing values of car and brakes.'
  if (one.distanceM === undefined || two.distanceM === undefined)
    return 'The model predicts that one of these setups does not stop the car. Check the values of pedal, master cylinder and pads.'
  const off = two.distanceM - one.distanceM
  const expected =
    one.limit === 'tyre' && two.limit === 'tyre' && Math.abs(off) <= ALIKE_M
      ? 'The tyres limit both: no difference is expected.'
      : `The model expects ${Math.abs(off) <= ALIKE_M ? 'no difference' : `${m(off)} ${off < 0 ? 'shorter' : 'longer'}`}.`
  if (!compared) return expected
  if (off >= compared.lowM && off <= compared.highM) return `${expected} The runs do not speak against it.`
  return `${expected} The runs disagree: check tyre grip, brake balance and what else changed.`
}

function planOf(a: RunGroup, b: RunGroup, { wantedM }: StopsAsked): StopPlan {
  const known = [a, b].filter((one) => one.scatterM !== undefined)
  const assumed = known.length === 0
  const variances = [a, b].map((one) => (one.scatterM ?? known[0]?.scatterM ?? USUAL_SCATTER_M) ** 2)
  const scatterM = Math.sqrt(meanOf(variances))
  const each = runsEach(variances[0]!, variances[1]!, wantedM)
  const block = each === undefined ? 0 : Math.ceil(each / 2)
  const from = assumed ? `with ${USUAL_SCATTER_M} m of scatter, as is usual` : `with the ${scatterM.toFixed(1)} m of scatter so far`
  return {
    scatterM,
    assumed,
    each,
    sentence:
      each === undefined
        ? `To show ${m(wantedM)} ${from} needs more than 1000 runs each, so a test cannot show it.`
        : `To show ${m(wantedM)} with 80% probability, drive ${each} runs with each setup, ${from}.`,
    order:
      each === undefined
        ? []
        : [
            { setup: a.name, runs: block },
            { setup: b.name, runs: block },
            { setup: b.name, runs: each - block },
            { setup: a.name, runs: each - block },
          ].filter((one) => one.runs > 0),
  }
}

/** How a test is driven, for the sheet. */
export const TEST_RULES: readonly string[] = [
  'The same road, tyres, pressures, fuel and driver; one change at a time.',
  'Start slightly above the target speed. Press the clutch, then brake fully until the car stops.',
  'Let the rotors cool to the same temperature between runs: ten minutes of easy driving, or below 100 °C.',
  'Read the result after all planned runs. Stopping as soon as it looks good shows differences that do not exist.',
  'Stop early only for safety: long pedal, smell, pull or smoke. Use closed ground, wear a helmet, and keep bystanders away.',
]

/** Mean fully developed deceleration, g. */
export const decelG = ({ mfddMs2 }: TracedStop): number | undefined => (mfddMs2 === undefined ? undefined : mfddMs2 / STANDARD_GRAVITY)
