import { cycleSegments } from './maths/drive-cycle.ts'
import type { Session } from './maths/session.ts'
import { AXLES } from '../quantity/axle.ts'
import type { Project } from '../records/project.ts'
import { capital, formatQuantity } from '../quantity/format.ts'
import { FAILURE_FORCE_N } from '../balance/balance-report.ts'
import type { Verdict } from '../figures/verdict.ts'
import type { NamedCycle } from './drive-cycles.ts'
import { nearestLine, type HeatLine } from './heat-lines.ts'
import { nodesOf, type Driven, type Prepared } from './session-run.ts'

/** "in lap 4", "after lap 8, standing", "after 140 s". */
export function whenWords({ each }: NamedCycle, marks: readonly number[], lastsS: number, seconds: number): string {
  if (!each) return seconds > lastsS ? 'while parked afterwards' : `after ${Math.round(seconds)} s`
  if (seconds > lastsS) return `after ${each.word} ${marks.length}, while parked`
  return `in ${each.word} ${marks.filter((mark) => mark <= seconds).length}`
}
/** What is said of a session; `notKnown` is empty where nothing stands open. */
interface HeatSentences {
  verdict: Verdict
  sentence: string
  notKnown: string
}
interface SentenceInputs {
  project: Project
  duty: NamedCycle
  prepared: Prepared
  lines: readonly HeatLine[]
  gone: Session['gone']
  marks: readonly number[]
  /** The run with everything that nobody said at its worst. */
  worst: Driven | undefined
}

/** The sentence of a session, and what stands open beside it. */
export function heatSentences(asked: SentenceInputs): HeatSentences {
  const { project, duty, prepared, lines, gone, marks } = asked
  const { units } = project.preferences
  const c = (value: number) => formatQuantity(value, 'temperature', units, { decimals: 0 })
  const lastsS = cycleSegments(prepared.car, duty.duty).reduce((sum, one) => sum + one.seconds, 0)
  const when = (seconds: number) => whenWords(duty, marks, lastsS, seconds)
  const notKnown = openWords(asked)
  // whatever else is known: what nobody said may end it before
  const atBest = (verdict: Verdict): Verdict => (notKnown === '' ? verdict : 'unknown')
  const [first, ...later] = lines.filter((one) => one.overAtS !== undefined).sort((x, y) => x.overAtS! - y.overAtS!)
  const listed = (many: readonly HeatLine[]) =>
    many.map((one) => `${one.label.toLowerCase()} beyond ${c(one.limitC)} ${when(one.overAtS!)}`).join('; ')
  if (gone) {
    const before = first ? ` Before: ${listed([first, ...later])}.` : ''
    return {
      verdict: atBest('needs'),
      notKnown,
      sentence: `${capital(when(gone.seconds))} the brakes fail: ${goneWords(prepared)}.${before}`,
    }
  }
  if (first) {
    const then = later.length > 0 ? ` Then: ${listed(later)}.` : ''
    return {
      verdict: atBest('needs'),
      notKnown,
      sentence: `${first.label}: beyond ${c(first.limitC)} (${first.limitWords}) ${when(first.overAtS!)}${rangeWords(first, when)}.${then}`,
    }
  }
  const { label, peakC, highC, limitC, leastLimitC, limitWords } = nearestLine(lines)!
  const aged = leastLimitC < limitC ? `; with more water it may boil at ${c(leastLimitC)}` : ''
  if (highC > leastLimitC)
    return {
      verdict: atBest('check'),
      notKnown,
      sentence: `${label}: ${c(peakC)}, limit ${c(limitC)} (${limitWords}), but up to ${c(highC)} within the uncertainty${aged}.`,
    }
  const held = `closest is ${label.toLowerCase()}, ${c(peakC)}, limit ${c(limitC)} (${limitWords})`
  return notKnown === ''
    ? { verdict: 'fits', notKnown, sentence: `Nothing reaches its limit; ${held}.` }
    : { verdict: 'unknown', notKnown, sentence: `Everything known stays within its limits; ${held}.` }
}

const goneWords = ({ strokeMpa, circuits }: Prepared): string =>
  strokeMpa !== undefined && strokeMpa <= circuits.mostFrontMpa + 1e-9
    ? 'the pedal or the master cylinder is at the end of its stroke'
    : `a pedal force of ${FAILURE_FORCE_N} N no longer reaches the required deceleration`

function rangeWords({ earliestS, latestS }: HeatLine, when: (seconds: number) => string): string {
  const early = earliestS === undefined ? '' : when(earliestS)
  const late = latestS === undefined ? undefined : when(latestS)
  if (late === undefined) return `, ${early} or never within the uncertainty`
  if (early === late) return ''
  return `, between ${early.replace(/^in /, '')} and ${late.replace(/^in /, '')} within the uncertainty`
}

function openWords({ prepared, lines, worst, gone }: SentenceInputs): string {
  const { limits, drums, axles, assistKnown, strokeMpa } = prepared
  const silent = AXLES.filter((axle) => limits.padsToC[axle] === undefined && !drums.includes(axle))
  const flat = AXLES.filter((axle) => !axles[axle].friction && !drums.includes(axle))
  return [
    ...(silent.length > 0 ? [`Enter the working range of the ${silent.join(' and ')} pads to check them.`] : []),
    ...(flat.length > 0 ? [`Enter friction over temperature of the ${flat.join(' and ')} pads to predict fade.`] : []),
    ...(drums.length > 0 ? [`The linings of the ${drums.join(' and ')} drums are not checked: drums are modelled roughly.`] : []),
    ...(assistKnown ? [] : ['The booster’s limit is unknown, so the pedal force may reach its limit earlier.']),
    ...(strokeMpa === undefined ? ['The master cylinder’s stroke is not checked: values are missing.'] : []),
    ...worstWords(prepared, lines, worst, gone),
  ].join(' ')
}

/** What nobody said matters only where, at its worst, it takes something beyond a limit that the likely figures keep. */
function worstWords({ worst: open }: Prepared, lines: readonly HeatLine[], worst: Driven | undefined, gone: Session['gone']): string[] {
  if (!open || !worst) return []
  const beyond = AXLES.flatMap((axle) =>
    nodesOf(axle, open.limits)
      .filter(
        ([lump]) =>
          worst.over.has(`${axle}.${lump}`) && lines.every((one) => one.axle !== axle || one.lump !== lump || one.overAtS === undefined),
      )
      .map(([, , name]) => `${name.toLowerCase()}, ${axle}`),
  )
  if (worst.session.gone && !gone) beyond.push('the pedal force')
  return beyond.length === 0
    ? []
    : [`Not entered: ${open.open.join(', ')}. In the worst case ${beyond.join(' and ')} would pass the limit.`]
}
