import { fieldAt, heldAt } from '../records/entry.ts'
import { fieldsOf } from '../records/part-kinds.ts'
import { AXLE_SLOTS, HYDRAULIC_SLOTS } from '../records/setup.ts'
import type { Axle } from '../quantity/axle.ts'
import type { Project } from '../records/project.ts'
import type { QuestionId } from '../records/start-question.ts'
import { NOT_ENOUGH_DATA, notEnoughData, placeKey, type EntryPlace } from '../records/question.ts'
import { findSetup, resolveSetup } from '../records/resolve.ts'
import { isTypical, type WayId } from '../records/way-ids.ts'
import { waysFor, WAYS } from '../records/ways.ts'
import type { Figure } from '../quantity/figure.ts'
import { readFor } from '../uncertainty/uncertain-inputs.ts'
import type { UncertaintyReport } from '../uncertainty/uncertainty-report.ts'
import type { FigureId } from '../figures/figure-ids.ts'
import type { Input, Missing, Place } from '../figures/figure.ts'
import type { Report } from '../evaluate/report.ts'

/** Where one meets a figure, in the order in which one goes round the car. */
export const STATIONS = ['At the wheel', 'Front brake', 'Rear brake', 'Under the bonnet', 'At the pedal', 'The car as a whole'] as const
type Station = (typeof STATIONS)[number]

/** One thing that is asked for on the way to an answer. */
export interface Ask {
  key: string
  label: string
  how: string | undefined
  station: Station
  at: EntryPlace
  /** Nothing is entered yet. */
  open: boolean
  /** Entered, but as a class of cars has it. */
  typical: boolean
  /** One marking that gives this and others that are asked for with it. */
  way?: WayId
  /** Share of the answer's doubt that comes from it. */
  share?: number
}
/** A typical figure that makes less of the doubt than this need not be replaced first. */
const MATTERS_LITTLE = 0.03
/** What is worth entering first: all but typical figures that matter little. */
export const mattersLittle = ({ typical, open, share }: Ask): boolean => typical && !open && share !== undefined && share < MATTERS_LITTLE

export interface Path {
  /** Without these there is no answer. */
  needed: Ask[]
  /** What stands in for them does until they are known. */
  surer: Ask[]
}

/** The figures that an answer is made of. */
function figuresFor(question: QuestionId, axle: Axle): readonly FigureId[] {
  switch (question) {
    case 'clears':
      return [`${axle}.gap`]
    case 'worth':
    case 'balanced':
      return ['bias.clamp', 'pedal.force', 'bias.road', 'bias.ideal']
    case 'lasts':
      return ['pedal.force', 'bias.road', 'front.heat']
    default:
      return []
  }
}

/**
 * An answer that waits for entries names the first field of its page and counts the fields that are open there: the page shows
 * one count. What is known already, such as a share of the clamp force, stays the answer.
 */
export function waitingFor<A extends { sentence: string }>(answer: A, path: Path | undefined): A {
  const open = (path?.needed ?? []).filter((one) => one.open)
  return answer.sentence.startsWith(NOT_ENOUGH_DATA) && open.length > 0
    ? { ...answer, sentence: notEnoughData(open.map(({ label }) => ({ what: label }))) }
    : answer
}

/** What moves no answer here: how sure something is has its own place. */
const BESIDE = new Set(['uAxialMm', 'uRadialMm', 'uBarrelRadialMm', 'uFaceAxialMm'])
/** What a marking alone knows only roughly, and one measure makes sure. */
const FIRST_MEASURE = { clears: ['barrelRadiusMm'] } as const

/**
 * What is asked for on the way to an answer, from what the report itself reads: what keeps it unknown or went into it, and
 * what stands in for figures that nobody entered.
 * @param missing further questions of this answer that are no figure of the report: those of the heat
 */
export function pathTo(
  project: Project,
  report: Report,
  question: QuestionId,
  axle: Axle,
  more: { missing?: readonly Missing[]; doubt?: UncertaintyReport | undefined } = {},
): Path {
  const read = readFor(report.figures, figuresFor(question, axle))
  const asks = new Asks(
    project,
    report.setupId,
    sharesOf(more.doubt, question),
    // of the heat of a session no doubt of a single figure is known
    question === 'balanced' && more.doubt?.frontFirstOf100 !== undefined ? 0 : undefined,
  )
  const corner = question === 'clears' ? report.corners[axle] : undefined
  // a body that is taken as large as it can be waits for nothing
  const cautious = new Set(read.inputs.flatMap((one) => (one.assumed && one.at.kind === 'part' ? placeKey(one.at) : [])))
  // the order of locking looks at the laden car too
  const ofOrder = question === 'balanced' ? (report.findings.find((one) => one.rule === 'lock-order')?.missing ?? []) : []
  for (const one of [...read.missing, ...ofOrder, ...(more.missing ?? [])])
    asks.add(one.at.kind !== 'figure' && cautious.has(placeKey(one.at)) ? 'surer' : 'needed', one.at, one.what, one.how)
  const first: readonly string[] = question === 'clears' ? FIRST_MEASURE.clears : []
  const helps = (one: Input) => one.assumed === true || ('field' in one.at && first.includes(one.at.field))
  for (const one of read.inputs) if (entered(one)) asks.add(helps(one) ? 'surer' : 'needed', one.at, one.label)
  const resolved = resolveSetup(project, findSetup(project, report.setupId)!)
  if (question === 'clears') {
    const { wheel, caliper } = resolved[axle]
    if (caliper?.kind === 'caliper' && caliper.frame === 'seat') {
      // with what it was taken decides whether anything of the rest is asked
      if (caliper.takenAs === undefined) asks.withhold(axle, caliper.id)
      asks.add('needed', { kind: 'part', partId: caliper.id, field: 'takenAs' }, `${fieldsOf('caliper').takenAs!.label}`)
    }
    for (const field of FIRST_MEASURE.clears)
      if (wheel && !wheel.profile)
        asks.add('surer', { kind: 'part', partId: wheel.id, field }, `${fieldsOf('wheel')[field]!.label} of ${wheel.name}`)
    for (const one of corner?.measureNext ?? []) asks.shares.set(placeKey(one.at as EntryPlace), one.share)
  }
  return asks.path()
}

const entered = ({ at, value, origin }: Input): boolean =>
  at.kind !== 'figure' && at.kind !== 'preference' && 'field' in at && value !== undefined && origin !== undefined

function sharesOf(doubt: UncertaintyReport | undefined, question: QuestionId): Map<string, number> {
  const shares = new Map<string, number>()
  const ids =
    question === 'balanced' || question === 'worth'
      ? (['bias.road', 'pedal.force'] as const)
      : question === 'lasts'
        ? (['front.heat'] as const)
        : []
  const ofOrder = question === 'balanced' ? (doubt?.orderMatters ?? []) : []
  for (const list of [ofOrder, ...ids.map((id) => doubt?.figures[id]?.matters ?? [])])
    for (const one of list) {
      const key = placeKey(one.at)
      shares.set(key, Math.max(shares.get(key) ?? 0, one.share))
    }
  return shares
}

/** Collects what is asked for, each place once, markings in one. */
class Asks {
  private readonly found = new Map<string, Ask & { kind: keyof Path }>()
  constructor(
    private readonly project: Project,
    private readonly setupId: string,
    readonly shares: Map<string, number>,
    /** The share of what none is named for. */
    private readonly unnamed: number | undefined,
  ) {}

  /** What is only asked where the outline was taken with other parts than those that stay on. */
  withhold(axle: Axle, caliperId: string): void {
    for (const [key, { at }] of this.found)
      if (
        (at.kind === 'part' && at.partId === caliperId && (at.field === 'construction' || at.field.startsWith('takenWith'))) ||
        (at.kind === 'slot' && at.axle === axle && (at.slot === 'rotor' || at.slot === 'pad'))
      )
        this.found.delete(key)
  }

  add(kind: keyof Path, at: Place, label: string, how?: string): void {
    if (at.kind === 'figure' || at.kind === 'preference' || at.kind === 'bundle') return
    if ('field' in at && BESIDE.has(at.field)) return
    const field = fieldAt(this.project, at)
    // two cylinders need the bar's share, a figure of the setup; other figures of a setup are choices
    if (at.kind === 'setup' && at.field !== 'barFrontShare') return
    if ((at.kind === 'part' || at.kind === 'car') && !field) return
    const now = 'field' in at ? heldAt(this.project, at) : undefined
    const way = at.kind === 'part' && 'field' in at ? markingOf(this.project, at) : undefined
    const place = way && at.kind === 'part' ? { ...at, field: WAYS[way].makes[0] } : at
    const key = way && at.kind === 'part' ? `${at.partId}/${way}` : placeKey(at)
    const before = this.found.get(key)
    const open = now === undefined
    if (before) {
      before.open ||= open && kind === 'needed'
      if (kind === 'needed') before.kind = 'needed'
      return
    }
    this.found.set(key, {
      kind,
      key,
      // a list of figures is asked for as one
      label: way
        ? `Marking of ${partName(this.project, at)}`
        : field?.type === 'figures'
          ? `${field.label} of ${partName(this.project, at)}`
          : label,
      how: how ?? field?.help,
      station: stationOf(this.project, this.setupId, at),
      at: place,
      open,
      typical: typicalAt(now),
      ...(way ? { way } : {}),
    })
  }

  path(): Path {
    const all = [...this.found.values()].map(({ kind, ...ask }) => {
      const share = this.shares.get(placeKey(ask.at)) ?? this.unnamed
      return { kind, ask: share === undefined ? ask : { ...ask, share } }
    })
    const of = (wanted: keyof Path) =>
      all
        .filter((one) => one.kind === wanted)
        .map((one) => one.ask)
        // a marking says most for least: it comes first
        .sort(
          (a, b) => STATIONS.indexOf(a.station) - STATIONS.indexOf(b.station) || Number(b.way !== undefined) - Number(a.way !== undefined),
        )
    return { needed: of('needed'), surer: of('surer').sort((a, b) => (b.share ?? 0) - (a.share ?? 0)) }
  }
}

const typicalAt = (now: unknown): boolean => [now].flat().some((one) => typeof one === 'object' && one !== null && isTypical(one as Figure))

function partName(project: Project, at: EntryPlace): string {
  return at.kind === 'part' ? (project.parts.find((one) => one.id === at.partId)?.name ?? 'it') : 'it'
}

/** A part's own marking, where it gives this figure and others that are asked for with it. */
function markingOf(project: Project, at: EntryPlace & { kind: 'part' }): WayId | undefined {
  const kind = project.parts.find((one) => one.id === at.partId)?.kind
  return kind === 'wheel' ? waysFor(kind, at.field).find((id) => id === 'wheelMarking') : undefined
}

function stationOf(project: Project, setupId: string, at: EntryPlace): Station {
  const ofAxle = (axle: Axle | undefined): Station => (axle === 'rear' ? 'Rear brake' : 'Front brake')
  if (at.kind === 'car')
    return at.axle
      ? at.field === 'tyreRadiusMm'
        ? 'At the wheel'
        : ofAxle(at.axle)
      : /^pedal/.test(at.field)
        ? 'At the pedal'
        : 'The car as a whole'
  if (at.kind === 'setup') return 'Under the bonnet'
  if (at.kind === 'slot') {
    if (Object.hasOwn(HYDRAULIC_SLOTS, at.slot)) return 'Under the bonnet'
    return at.slot === 'wheel' ? 'At the wheel' : ofAxle(at.axle)
  }
  if (at.kind !== 'part') return 'The car as a whole'
  const kind = project.parts.find((one) => one.id === at.partId)?.kind
  if (kind === 'wheel' || kind === 'spacer') return 'At the wheel'
  if (kind === 'masterCylinder' || kind === 'booster' || kind === 'valve' || kind === 'fluid' || kind === 'handLever')
    return 'Under the bonnet'
  const setup = findSetup(project, setupId)
  const resolved = setup && resolveSetup(project, setup)
  const rear = resolved && (Object.keys(AXLE_SLOTS) as (keyof typeof AXLE_SLOTS)[]).some((slot) => resolved.rear[slot]?.id === at.partId)
  return rear ? 'Rear brake' : 'Front brake'
}

/** What a form's fields are to an answer: needed, making it surer by a share of its doubt, or neither. */
interface Need {
  kind: 'needed' | 'surer'
  share?: number
}
/** The needs of every field that the report reads for a question, by the key of its place. */
export function needsOf(project: Project, report: Report, question: QuestionId, axle: Axle, doubt?: UncertaintyReport): Map<string, Need> {
  const { needed, surer } = pathTo(project, report, question, axle, { doubt })
  const found = new Map<string, Need>()
  for (const [kind, list] of [
    ['surer', surer],
    ['needed', needed],
  ] as const)
    for (const one of list) {
      const places = one.way && 'field' in one.at ? WAYS[one.way].makes.slice(0, 3).map((field) => ({ ...one.at, field })) : [one.at]
      for (const at of places) found.set(placeKey(at), { kind, ...(one.share === undefined ? {} : { share: one.share }) })
    }
  return found
}
