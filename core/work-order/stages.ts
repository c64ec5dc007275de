import { capital } from '../quantity/format.ts'
import type { AxleSetup, AxleSlot, Setup } from '../records/setup.ts'
import type { Project } from '../records/project.ts'
import { stockSetup } from '../records/resolve.ts'
import { outcomeOf, worsened, type Outcome } from '../whatif/outcome.ts'
import { VERDICT_RANK } from '../figures/words.ts'
import type { EvaluatedSetup } from './evaluated-setup.ts'
import { changesOf, type SetupChanges } from './changes.ts'
import { workOrder, type WorkOrder } from './work-order.ts'

/** A part of a build after which the car is driven and tested. */
export interface Stage {
  name: string
  /** The car after it; the last one is the setup itself. */
  setup: Setup
  order: WorkOrder
}
export interface Stages {
  /** One alone: it cannot be split. */
  stages: Stage[]
  /** Why something cannot go by itself: what would be open then. */
  together: string[]
}

/** In this order work is split: what is least goes first. */
const GROUPS = [
  { id: 'fluid', name: 'fluid and hoses' },
  { id: 'pads', name: 'pads' },
  { id: 'front', name: 'front brakes' },
  { id: 'rear', name: 'rear brakes' },
  { id: 'wheels', name: 'wheels' },
  { id: 'pedal', name: 'master cylinder, booster and valve' },
] as const
type Group = (typeof GROUPS)[number]['id']

const GROUP_OF_SLOT = (axle: 'front' | 'rear', slot: AxleSlot): Group =>
  slot === 'hose' ? 'fluid' : slot === 'pad' ? 'pads' : slot === 'wheel' || slot === 'spacer' ? 'wheels' : axle

/**
 * The build in stages, each a car that may be driven: no finding is worse than on the car as it stands or in the finished setup.
 * What is not is put together with the next.
 * @param report of the finished setup
 */
export function stagesOf(project: Project, report: Pick<EvaluatedSetup, 'setupId' | 'fit'>): Stages {
  const setup = project.setups.find((one) => one.id === report.setupId)!
  const stock = stockSetup(project)
  const whole = (order: WorkOrder): Stages => ({ stages: [{ name: setup.name, setup, order }], together: [] })
  if (setup === stock) return whole(workOrder(project, setup.id, report.fit))
  const changes = changesOf(project, setup)
  const groups = GROUPS.filter(({ id }) => touches(changes, id))
  if (groups.length < 2) return whole(workOrder(project, setup.id, report.fit))
  const before = outcomeOf(project, stock.id)
  const after = outcomeOf(project, setup.id)
  const stages: Stage[] = []
  const together: string[] = []
  let at: Setup = stock
  let waiting: (typeof groups)[number][] = []
  const done: Group[] = []
  for (const group of groups) {
    waiting.push(group)
    done.push(group.id)
    const last = done.length === groups.length
    const next: Setup = last ? setup : { ...partOf(setup, stock, done), id: STAGE_ID, name: '' }
    if (!last) {
      const spoils = spoiled(before, after, outcomeOf({ ...project, setups: [...project.setups, next] }, next.id))
      if (spoils.length > 0) {
        together.push(`${capital(waiting.map((one) => one.name).join(' and '))} cannot go alone: ${spoils.join('; ')}.`)
        continue
      }
    }
    const name = capital(waiting.map((one) => one.name).join(', '))
    const from = { ...project, setups: [at, last ? setup : next] as Project['setups'] }
    stages.push({
      name,
      setup: { ...next, name: last ? setup.name : `${setup.name}: ${name.toLowerCase()}`.slice(0, 120) },
      order: workOrder(from, next.id, report.fit),
    })
    at = { ...next, id: stock.id }
    waiting = []
  }
  return { stages, together }
}
/** Under which name a step of a stage is ticked: the same step may come in several. */
export const stageTick = (stage: number, stepId: string): string => `s${stage + 1}.${stepId}`
const STAGE_ID = 'a-stage'
/** Findings that are worse than before the build and than after it, in words. */
function spoiled(before: Outcome, after: Outcome, now: Outcome): string[] {
  return worsened(before, now).flatMap((one) => {
    const end = [...after.findings.values()].find((other) => other.title === one.title)
    return VERDICT_RANK[one.verdict] > VERDICT_RANK[end?.verdict ?? 'fits'] ? [one.title] : []
  })
}

function touches({ axles, hydraulics, barSet, kneeSet, pedalRatio }: SetupChanges, group: Group): boolean {
  if (group === 'pedal') return [...hydraulics].some((slot) => slot !== 'fluid') || barSet || kneeSet || pedalRatio
  if (group === 'fluid' && hydraulics.has('fluid')) return true
  return (['front', 'rear'] as const).some((axle) => {
    const { slots, shims, duct, padShims } = axles[axle]
    if ([...slots].some((slot) => GROUP_OF_SLOT(axle, slot) === group)) return true
    return (group === axle && (shims || duct)) || (group === 'pads' && padShims)
  })
}

/** The setup with only some of its groups, the rest as the car stands. */
function partOf(setup: Setup, stock: Setup, groups: readonly Group[]): Setup {
  const axle = (at: 'front' | 'rear'): AxleSetup => {
    const own = setup[at]
    const has = (group: Group) => groups.includes(group)
    const kept: AxleSetup = {}
    for (const slot of ['caliper', 'bracket', 'rotor', 'pad', 'hose', 'wheel', 'spacer'] as const)
      if (own[slot] !== undefined && has(GROUP_OF_SLOT(at, slot))) kept[slot] = own[slot]
    return {
      ...kept,
      ...(has('wheels') && own.spacerTrialMm !== undefined ? { spacerTrialMm: own.spacerTrialMm } : {}),
      ...(has(at)
        ? {
            ...(own.shimMm === undefined ? {} : { shimMm: own.shimMm }),
            ...(own.duct === undefined ? {} : { duct: own.duct }),
            ...(own.seen ? { seen: own.seen } : {}),
          }
        : {}),
      ...(has('pads') && own.padShims !== undefined ? { padShims: own.padShims } : {}),
      ...(own.trialFit ? { trialFit: own.trialFit } : {}),
    }
  }
  const { fluid, ...pedal } = setup.hydraulics
  return {
    ...setup,
    front: axle('front'),
    rear: axle('rear'),
    hydraulics: {
      ...(groups.includes('fluid') && fluid !== undefined ? { fluid } : {}),
      ...(groups.includes('pedal') ? pedal : {}),
    },
    extras: setup.extras.filter((line) => {
      const at = (['front', 'rear'] as const).find((one) => line.id.startsWith(`fit.${one}.`))
      return at === undefined ? !line.id.startsWith('fit.') || groups.includes('pedal') : groups.includes(at) || stock === setup
    }),
  }
}
