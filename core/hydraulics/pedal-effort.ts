import { pedalOf } from '../records/uses.ts'
import type { Mass } from './maths/mass.ts'
import { pedalForceForRoadForce } from './maths/pedal-force.ts'
import type { BrakeSystem } from './maths/system.ts'
import { formatQuantity } from '../quantity/format.ts'
import { STANDARD_GRAVITY } from '../quantity/units.ts'
import { carFigure, type CarFigure } from '../figures/entry.ts'
import type { Formula, ReportFigure } from '../figures/figure.ts'
import type { FigureCheck } from '../figures/check-result.ts'
import type { Context } from '../figures/read.ts'
import type { Working } from '../figures/working.ts'
import { BANDS } from './pedal-bands.ts'

/** Above this no driver is expected to press, N (UN Regulation No. 13-H, Annex 3). */
const DRIVER_LIMIT_N = 500

const INVERTED: Formula = {
  id: 'pedal-force',
  inWords: true,
  name: 'Pedal force for a deceleration',
  text: 'chain from pedal to road, inverted at F = m · g · z',
  source: 'R. Limpert, Brake Design and Safety, ch. 5',
}

/** The brake system and the car, with all that was read for them. */
interface BrakedMass {
  context: Context
  system: BrakeSystem | undefined
  mass: Mass | undefined
  reading: Pick<Working, 'inputs' | 'missing'>
}
interface Pressed {
  system: BrakeSystem | undefined
  roadForceN: number | undefined
}
const pressed = ({ context, system, mass }: BrakedMass): Pressed => ({
  system,
  roadForceN: mass && mass.massKg * STANDARD_GRAVITY * context.project.preferences.referenceDecelG,
})
const atReference = ({ context }: { context: Context }) =>
  ` at ${formatQuantity(context.project.preferences.referenceDecelG, 'deceleration')}`

/** What the foot presses with for the stated deceleration. */
export const PEDAL_FORCE: CarFigure<'pedal.force', BrakedMass> = carFigure('pedal.force', {
  label: (of) => `Pedal force${atReference(of)}`,
  dimension: 'force',
  formula: INVERTED,
  read(work, of) {
    work.include(of.reading)
    const { booster } = of.context.resolved
    if (booster && !booster.assistN) work.notes.push('The assist at booster run-out is unknown, so the pedal may need more force.')
    return pressed(of)
  },
  value: ({ system, roadForceN }, { context }) =>
    pedalForceForRoadForce(system, roadForceN) ?? {
      what: 'A brake that works',
      at: { kind: 'slot', setupId: context.setup.id, axle: 'front', slot: 'caliper' },
      how: 'These parts give no braking force.',
    },
  bound: (_, { context: { resolved } }) => (resolved.booster && !resolved.booster.assistN ? 'atLeast' : undefined),
  notes: (forceN, _, { context }) =>
    forceN > DRIVER_LIMIT_N
      ? [`More than ${formatQuantity(DRIVER_LIMIT_N, 'force', context.project.preferences.units)}: few drivers reach it.`]
      : [],
})

/** The same without the booster's help: engine off, or its hose split. */
export const PEDAL_FORCE_NO_ASSIST: CarFigure<'pedal.forceNoAssist', BrakedMass & { force: ReportFigure }> = carFigure(
  'pedal.forceNoAssist',
  {
    label: (of) => `Pedal force${atReference(of)}, no assist`,
    dimension: 'force',
    formula: INVERTED,
    read(work, of) {
      work.include(of.force)
      return pressed(of)
    },
    value: ({ system, roadForceN }) => pedalForceForRoadForce({ ...system, booster: undefined }, roadForceN),
  },
)

/** What the foot has to do once the booster is taken off; nothing where it was not. */
export function effortFinding({ project, resolved, isStock }: Context, force: ReportFigure): FigureCheck[] {
  if (isStock || resolved.booster !== null || project.setups[0].hydraulics.booster === null) return []
  const base = { rule: 'pedal-effort', figureId: 'pedal.force', missing: force.missing } as const
  const use = pedalOf(project.car.uses)
  const show = (value: number) => formatQuantity(value, 'force', project.preferences.units)
  if (force.value === undefined)
    return [
      {
        verdict: 'unknown',
        sentence: 'Not enough data: enter the pedal and brake values to compute the pedal force without booster.',
        ...base,
      },
    ]
  const said = `Without the booster ${formatQuantity(project.preferences.referenceDecelG, 'deceleration')} needs ${show(force.value)} at the pedal`
  if (force.value > DRIVER_LIMIT_N)
    return [
      {
        verdict: use === 'road' ? 'blocked' : 'check',
        sentence: `${said}; few drivers can press ${show(DRIVER_LIMIT_N)}. Fit a smaller bore or a longer pedal.`,
        ...base,
      },
    ]
  const { high } = BANDS[use].forceN
  return force.value > high
    ? [{ verdict: 'check', sentence: `${said}; up to ${show(high)} is usual. Test it at walking pace on closed ground.`, ...base }]
    : [{ verdict: 'fits', sentence: `${said}, within what is usual.`, ...base }]
}
