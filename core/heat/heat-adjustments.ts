import { capital } from '../quantity/format.ts'
import { cycleSegments } from './maths/drive-cycle.ts'
import { withHeatEdit, type HeatEdit } from '../commands/heat-edit.ts'
import { AXLES, type Axle } from '../quantity/axle.ts'
import type { Part, PartOf } from '../records/part.ts'
import type { Price } from '../records/price.ts'
import type { Project } from '../records/project.ts'
import { findSetup, resolveSetup, type ResolvedAxle } from '../records/resolve.ts'
import { Working } from '../figures/working.ts'
import { calibrated } from './calibration.ts'
import { cycleFor, type NamedCycle } from './drive-cycles.ts'
import { linesOf } from './heat-lines.ts'
import { whenWords } from './heat-sentences.ts'
import { drive, marksOf, prepare } from './session-run.ts'

/** What then goes first; undefined where nothing does by the likely figures. */
interface GoesFirst {
  label: string
  when: string
  seconds: number
}
/** One change, driven the same. */
export interface HeatLever {
  edit: HeatEdit
  /** "Track pads, front" */
  label: string
  what: 'pads' | 'rotor' | 'fluid' | 'air' | 'shims' | 'mass' | 'gear'
  axle: Axle | undefined
  price: Price | undefined
  owned: boolean
  /** Heavier by so much at each corner; undefined: not known, or nothing to speak of. */
  kgACorner: number | undefined
  first: GoesFirst | undefined
  /** Longer until something goes than as it is: by how much, s; Infinity where nothing does any more. */
  gainsS: number
  /** Highest temperatures of that axle, or of the front. */
  faceC: number
  fluidC: number
  /** What of the answer stays open with it: a range or a curve that is not entered. */
  open: 'range' | 'fade' | undefined
  /** Can be taken as it stands; otherwise it only says what it would do. */
  takes: boolean
}
export interface HeatAdjustments {
  duty: NamedCycle
  /** As it is. */
  now: GoesFirst | undefined
  levers: HeatLever[]
}

/** Longer than a press or two of the pedal, s. */
const FELT_S = 1
/** Whether a change carries the driving further; where nothing goes, whether it keeps it so. */
export const helps = ({ gainsS }: Pick<HeatLever, 'gainsS'>): boolean => gainsS > FELT_S
/** "Pad surface, front" as one says it: the front pad surface. */
function spoken(label: string): string {
  const [what, where] = label.toLowerCase().split(', ')
  return where ? `the ${where} ${what}` : what!
}
/** What there is to say of all of them together. */
export function leversSentence({ now, levers }: HeatAdjustments): string {
  if (!now) return 'Nothing reaches its limit in this session with nominal values. No change is needed for it.'
  const goes = now.label === 'The brakes' ? 'fail' : now.label.startsWith('Fluid') ? 'boils' : 'passes its limit'
  const helping = levers.filter(helps).length
  const further =
    helping === 0
      ? 'No part in the library carries it further.'
      : `${helping} ${helping === 1 ? 'change' : 'changes'} would carry it further:`
  return `${capital(spoken(now.label))} ${goes} ${now.when}. ${further}`
}
/** What a change gains, in a word: "lasts", "169 s", "nothing", "less". */
export function gainWords({ gainsS }: Pick<HeatLever, 'gainsS'>): string {
  if (gainsS === Infinity) return 'lasts'
  if (gainsS < -FELT_S) return 'less'
  return helps({ gainsS }) ? `${Math.round(gainsS)} s` : 'nothing'
}
/** What goes first once a change is made: "pad surface, front after 2 runs", or why nothing can be named. */
export function goesFirstWords({ first, open }: Pick<HeatLever, 'first' | 'open'>): string {
  if (first) return `${first.label.toLowerCase()} ${first.when}`
  if (open === 'range') return 'its range is unknown'
  return open === 'fade' ? 'nothing, but fade is not predicted' : 'nothing, with nominal values'
}

/** Of mass that a club car can lose, kg. */
const LIGHTER_KG = 50
/** What one gear lower holds back more, as a share: gears of a usual box are so far apart. */
const LOWER_GEAR = 1.4
/** Rotors that sit alike: their figures may differ by so much, mm. */
const ALIKE_MM = 0.5

/** Everything that could help, each tried by doing it and driving the same; cheapest first. */
export function heatLevers(project: Project, setupId: string, dutyId?: string): HeatAdjustments {
  const steps = heatLeverSteps(project, setupId, dutyId)
  for (;;) {
    const step = steps.next()
    if (step.done) return step.value
  }
}

/** The same, stopping before each change that is driven, with what share of them is done. */
export function* heatLeverSteps(project: Project, setupId: string, dutyId?: string): Generator<number, HeatAdjustments> {
  const duty = cycleFor(project, dutyId)
  const setup = findSetup(project, setupId)
  if (!setup) throw new RangeError(`no setup ${setupId} in project ${project.id}`)
  const now = outcome(project, setupId, duty)
  if (!now) return { duty, now: undefined, levers: [] }
  const levers: HeatLever[] = []
  const edits = editsOf(project, setupId, duty)
  for (const [at, { edit, part, ...rest }] of edits.entries()) {
    yield at / edits.length
    const changed = withHeatEdit(project, setupId, edit)
    const then = outcome(changed, setupId, edit.kind === 'gear' ? inGear(duty, edit.engineDragN) : duty)
    if (!then) continue
    const axle = rest.axle ?? 'front'
    const pad = resolveSetup(changed, findSetup(changed, setupId)!)[axle].pad
    levers.push({
      edit,
      ...rest,
      price: part?.price,
      owned: part?.owned ?? false,
      first: then.first,
      gainsS: gains(now.first, then.first),
      faceC: then.peaks[axle].faceC,
      fluidC: then.peaks[axle].fluidC,
      open: edit.kind !== 'part' || edit.slot !== 'pad' ? undefined : !pad?.rangeToC ? 'range' : pad.frictionAtC ? undefined : 'fade',
    })
  }
  return { duty, now: now.first, levers: levers.sort((a, b) => costOf(a) - costOf(b) || b.gainsS - a.gainsS) }
}
const gains = (now: GoesFirst | undefined, then: GoesFirst | undefined): number =>
  now === undefined ? (then === undefined ? 0 : -Infinity) : then === undefined ? Infinity : then.seconds - now.seconds
/** What is there already costs nothing; of what nobody knows the price is last. */
const costOf = ({ owned, price, what }: HeatLever): number =>
  owned || what === 'gear' || what === 'mass' ? 0 : (price?.likelyMinor ?? Number.MAX_SAFE_INTEGER)

function outcome(project: Project, setupId: string, duty: NamedCycle) {
  const bare = prepare(new Working(), project, setupId)
  if (!bare) return undefined
  const { prepared } = calibrated(project, setupId, bare)
  const { session, over, beyondS, samples } = drive(prepared, duty, { keep: false })
  const run = { session, over, beyondS, samples }
  const lastsS = cycleSegments(prepared.car, duty.duty).reduce((sum, one) => sum + one.seconds, 0)
  const when = (seconds: number) => whenWords(duty, marksOf(duty, prepared.car), lastsS, seconds)
  const all = AXLES.flatMap((at) => linesOf(at, prepared, run, [])).flatMap(({ label, overAtS }) =>
    overAtS === undefined ? [] : [{ label, seconds: overAtS }],
  )
  if (session.gone) all.push({ label: 'The brakes', seconds: session.gone.seconds })
  const [first] = all.sort((a, b) => a.seconds - b.seconds)
  return { peaks: session.peak, first: first && { when: when(first.seconds), ...first } }
}

const inGear = (duty: NamedCycle, engineDragN: number): NamedCycle =>
  duty.duty.kind === 'descent' ? { ...duty, duty: { ...duty.duty, engineDragN } } : duty

interface Try extends Pick<HeatLever, 'edit' | 'label' | 'what' | 'axle' | 'kgACorner' | 'takes'> {
  part?: Part
}
function editsOf(project: Project, setupId: string, duty: NamedCycle): Try[] {
  const resolved = resolveSetup(project, findSetup(project, setupId)!)
  const nothingMore = { kgACorner: undefined, takes: true } as const
  const fluids = project.parts.filter(
    (one): one is PartOf<'fluid'> => one.kind === 'fluid' && one.id !== resolved.fluid?.id && one.base === resolved.fluid?.base,
  )
  return [
    ...AXLES.flatMap((axle) => atAxle(project, resolved[axle], axle)),
    ...(resolved.fluid
      ? [
          {
            edit: { kind: 'freshFluid' } as const,
            label: `${resolved.fluid.name}, fresh`,
            what: 'fluid' as const,
            axle: undefined,
            part: { ...resolved.fluid, owned: false },
            ...nothingMore,
          },
        ]
      : []),
    ...fluids.map((part): Try => ({
      edit: { kind: 'fluid', partId: part.id },
      label: part.name,
      what: 'fluid',
      axle: undefined,
      part,
      ...nothingMore,
    })),
    ...(project.car.massKg
      ? [
          {
            edit: { kind: 'lighter', kg: LIGHTER_KG } as const,
            label: `${LIGHTER_KG} kg less in the car`,
            what: 'mass' as const,
            axle: undefined,
            kgACorner: undefined,
            takes: false,
          },
        ]
      : []),
    ...gearOf(project, duty),
  ]
}

function atAxle(project: Project, { pad, rotor, caliper, duct, padShims }: ResolvedAxle, axle: Axle): Try[] {
  if (caliper?.kind !== 'caliper') return []
  const pads = project.parts.filter(
    (one): one is PartOf<'pad'> => one.kind === 'pad' && one.id !== pad?.id && pad?.shape !== undefined && one.shape === pad.shape,
  )
  const rotors = project.parts.filter(
    (one): one is PartOf<'rotor'> => one.kind === 'rotor' && one.id !== rotor?.id && sitsAlike(one, rotor, caliper),
  )
  return [
    ...pads.map((part): Try => ({
      edit: { kind: 'part', axle, slot: 'pad', partId: part.id },
      label: `${part.name}, ${axle}`,
      what: 'pads',
      axle,
      part,
      kgACorner: undefined,
      takes: true,
    })),
    ...rotors.map((part): Try => ({
      edit: { kind: 'part', axle, slot: 'rotor', partId: part.id },
      label: `${part.name}, ${axle}`,
      what: 'rotor',
      axle,
      part,
      kgACorner: part.massKg && rotor?.massKg ? part.massKg.value - rotor.massKg.value : undefined,
      takes: true,
    })),
    ...(duct
      ? []
      : [
          {
            edit: { kind: 'duct', axle } as const,
            label: `Cooling ducts, ${axle}`,
            what: 'air' as const,
            axle,
            kgACorner: undefined,
            takes: true,
          },
        ]),
    ...(padShims
      ? []
      : [
          {
            edit: { kind: 'padShims', axle } as const,
            label: `Stainless or titanium shims, ${axle}`,
            what: 'shims' as const,
            axle,
            kgACorner: undefined,
            takes: true,
          },
        ]),
  ]
}

/** Of the same place in caliper and hub; the fit check has the last word. */
function sitsAlike(
  one: PartOf<'rotor'>,
  fitted: PartOf<'rotor'> | null | undefined,
  { ratedFromMm, ratedToMm }: PartOf<'caliper'>,
): boolean {
  const alike = (field: 'diameterMm' | 'offsetMm' | 'boltCircleMm' | 'boreMm') => {
    const [a, b] = [one[field]?.value, fitted?.[field]?.value]
    return a !== undefined && b !== undefined && Math.abs(a - b) <= ALIKE_MM
  }
  const thick = one.thicknessMm?.value
  return (
    alike('diameterMm') &&
    alike('offsetMm') &&
    alike('boltCircleMm') &&
    alike('boreMm') &&
    thick !== undefined &&
    ratedFromMm !== undefined &&
    ratedToMm !== undefined &&
    thick >= ratedFromMm.value &&
    thick <= ratedToMm.value
  )
}

function gearOf({ car }: Project, { id, own, duty }: NamedCycle): Try[] {
  const dragN = duty.kind === 'descent' ? (duty.engineDragN ?? car.engineDragN?.value) : undefined
  if (dragN === undefined || dragN === 0) return []
  const engineDragN = Math.round(dragN * LOWER_GEAR)
  return [
    {
      edit: { kind: 'gear', dutyId: id, engineDragN },
      label: `A gear lower: the engine holds ${engineDragN} N`,
      what: 'gear',
      axle: undefined,
      kgACorner: undefined,
      takes: own ?? false,
    },
  ]
}
