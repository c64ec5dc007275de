import { inOrder } from '../maths/in-order.ts'
import type { InterfaceCheck } from '../fit/interface-check.ts'
import type { BuildLog } from '../records/build-log.ts'
import { AXLES, type Axle } from '../quantity/axle.ts'
import type { Part } from '../records/part.ts'
import type { Project } from '../records/project.ts'
import type { Setup } from '../records/setup.ts'
import { findSetup, stockSetup } from '../records/resolve.ts'
import type { Figure } from '../quantity/figure.ts'
import { drySteps, reachStep, wetSteps } from './axle-steps.ts'
import { benchSteps, bleedSteps, hydraulicSteps, lastSteps, liftStep } from './car-steps.ts'
import { changesOf, OPENING_ALL, worksAt, type SetupChanges } from './changes.ts'
import { piecesOf } from './pieces-of.ts'
import type { TorqueAsked, WorkStep } from './work-step.ts'

/** A torque as it was read, or a blank that asks for one. */
export interface TorqueLine extends TorqueAsked {
  torque: Figure | undefined
}
export interface OrderedStep extends Omit<WorkStep, 'torques'> {
  number: number
  torques: TorqueLine[]
}
export interface WorkOrder {
  steps: OrderedStep[]
  /** From a practised hand to a first time. */
  minutes: readonly [low: number, high: number]
  /** Blanks that nobody has filled in, each once. */
  torquesOpen: number
  /** What is still wrong with the setup; empty: nothing. The first line of the order. */
  stillWrong: string
}

/** Titles of the steps of a setup's work order, by their ids. */
export const stepTitles = (project: Project, setupId: string): ReadonlyMap<string, string> =>
  new Map(workOrder(project, setupId).steps.map((one) => [one.id, one.title]))

/** The build of a setup as it was noted. */
export const buildOf = (project: Project, setupId: string): BuildLog | undefined => project.builds.find((one) => one.id === setupId)

/**
 * The steps that make the car as it stands into a setup: from what it changes, in an order in which each comes after what it
 * needs, work at one axle together.
 *
 * @param fit what the fit check says of the setup: sentences for the pieces it asked for
 * @returns no steps where nothing is changed
 * @throws RangeError when the project has no such setup
 */
export function workOrder(project: Project, setupId: string, fit: readonly InterfaceCheck[] = []): WorkOrder {
  const setup = findSetup(project, setupId)
  if (!setup) throw new RangeError(`no setup ${setupId} in project ${project.id}`)
  const torques = new Map(buildOf(project, setupId)?.torques.map((one) => [one.id, one.torque]))
  const steps = inOrder(stepsOf(project, setup, fit)).map((one, i): OrderedStep => ({
    ...one,
    number: i + 1,
    torques: one.torques.map((asked) => ({ torque: torques.get(asked.id), ...asked })),
  }))
  const asked = new Map(steps.flatMap((one) => one.torques.map((torque) => [torque.id, torque] as const)))
  const sum = (at: 0 | 1) => steps.reduce((minutes, one) => minutes + one.minutes[at], 0)
  return {
    steps,
    minutes: [sum(0), sum(1)],
    torquesOpen: [...asked.values()].filter((one) => !one.torque).length,
    stillWrong: stillWrong(fit),
  }
}

/** "Do not start yet: 2 to fix, 1 not known. ..." of results of checks; empty where nothing is open. */
export function stillWrong(results: readonly Pick<InterfaceCheck, 'verdict' | 'sentence'>[]): string {
  const of = (verdict: InterfaceCheck['verdict']) => results.filter((one) => one.verdict === verdict)
  const [blocked, needs, unknown] = [of('blocked'), of('needs'), of('unknown')]
  const counts = [
    ...(blocked.length > 0 ? [`${blocked.length} not to be built`] : []),
    ...(needs.length > 0 ? [`${needs.length} to fix`] : []),
    ...(unknown.length > 0 ? [`${unknown.length} without enough data`] : []),
  ]
  const [first] = [...blocked, ...needs, ...unknown]
  return first ? `Do not start yet: ${counts.join(', ')}. ${first.sentence}` : ''
}

function stepsOf(project: Project, setup: Setup, fit: readonly InterfaceCheck[]): WorkStep[] {
  const changes = changesOf(project, setup)
  const works = Object.fromEntries(AXLES.map((axle) => [axle, worksAt(changes.axles[axle])])) as Record<Axle, boolean>
  const pieces = piecesOf(setup === stockSetup(project) ? { ...setup, extras: [] } : setup, fit, works)
  const axles = AXLES.filter((axle) => works[axle])
  const dry = AXLES.flatMap((axle) => drySteps(changes.axles[axle], pieces.axles[axle]))
  const lastDry = AXLES.flatMap((axle) =>
    dry
      .filter((one) => one.axle === axle)
      .slice(-1)
      .map((one) => one.id),
  )
  const wet = AXLES.flatMap((axle) => wetSteps(changes.axles[axle], pieces.axles[axle], lastDry))
  const bleeding = buildOf(project, setup.id)?.bleeding ?? 'pedal'
  // wheels are reached for bleeding too
  const lifts =
    dry.length > 0 || pieces.fluid.length > 0 || ([...OPENING_ALL, 'fluid'] as const).some((slot) => changes.hydraulics.has(slot))
  const hydraulicAfter = lastDry.length > 0 ? lastDry : [lifts ? 'lift' : 'lay-out']
  const hydraulic = hydraulicSteps(project, changes, pieces, wet, hydraulicAfter)
  const bleed = bleedSteps(project, setup, changes, hydraulic, bleeding)
  // wheels that nothing else is done at come off to reach the screws
  const reach = AXLES.filter((axle) => !works[axle] && bleed.some((one) => one.bleeds.includes(axle))).map(reachStep)
  const atTheCar = [
    ...dry,
    ...hydraulic,
    ...reach,
    ...bleed.map((one) => ({ ...one, needs: [...one.needs, ...reach.map(({ id }) => id)] })),
  ]
  const alone = settings(changes, atTheCar)
  // a piece whose place is not touched is seen to before
  const used = new Set(atTheCar.flatMap((one) => one.uses))
  const bench = [...pieces.bench, ...AXLES.flatMap((axle) => Object.values(pieces.axles[axle]).flat())].filter((line) => !used.has(line.id))
  if (atTheCar.length === 0 && alone.length === 0 && bench.length === 0) return []
  const first = benchSteps(freshParts(project, changes), bench)
  const lifted = lifts ? [liftStep(bleed.length > 0 ? AXLES : axles)] : []
  const before = [...first, ...lifted, ...atTheCar, ...alone]
  return [...before, ...lastSteps(project, changes, before)]
}

/** What is only set: a bar or a knee, where nothing else of the hydraulics is touched. */
function settings({ barSet, kneeSet, hydraulics, pedalRatio }: SetupChanges, done: readonly WorkStep[]): WorkStep[] {
  const steps: WorkStep[] = []
  const plain = { phase: 'hydraulics' as const, parts: [], puts: [], uses: [], torques: [], opens: [], bleeds: [], needs: ['lay-out'] }
  if (barSet && !done.some((one) => one.id === 'bar'))
    steps.push({
      id: 'bar',
      title: 'Set the balance bar',
      minutes: [10, 30],
      look: 'The bar is at the setup’s front share, lock nuts tight.',
      keep: 'Turns of the knob from one end.',
      ...plain,
    })
  if (kneeSet && !hydraulics.has('valve'))
    steps.push({
      id: 'knee',
      title: 'Set the proportioning valve',
      minutes: [5, 15],
      look: 'Start slightly below the setup’s rear pressure, and raise it on the first drives.',
      keep: 'Turns from minimum rear pressure.',
      ...plain,
    })
  if (pedalRatio)
    steps.push({
      id: 'pedalRatio',
      title: 'Change the pedal or its pivot for the new pedal ratio',
      minutes: [30, 120],
      caution: {
        level: 'danger',
        hazard: 'A pedal that breaks leaves no brakes.',
        action: 'Use manufactured parts only, never bent or welded ones.',
      },
      look: 'The pushrod has a little free play, and the brake light goes on and off.',
      ...plain,
    })
  return steps
}

/** Parts that come onto the car with a setup, each once. */
function freshParts(project: Project, { axles, hydraulics, now }: SetupChanges): Part[] {
  const found = new Set<Part>()
  for (const axle of AXLES)
    for (const slot of axles[axle].slots) {
      const part = axles[axle].now[slot]
      if (part) found.add(part)
    }
  for (const slot of hydraulics) {
    const part = now[slot]
    if (part) found.add(part)
  }
  return project.parts.filter((part) => found.has(part))
}

/** "6 to 11 h". */
export function hoursWords([low, high]: readonly [number, number]): string {
  const hours = (minutes: number) => (minutes < 570 ? (Math.round(minutes / 30) / 2).toString() : Math.round(minutes / 60).toString())
  return high === 0 ? 'no work' : `${hours(low)} to ${hours(high)} h`
}
