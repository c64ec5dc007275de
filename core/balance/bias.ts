import { idealFrontShare } from './maths/constant-split.ts'
import { share, type Chain } from '../hydraulics/maths/chain.ts'
import { axleForcePerMpa, pressurePerNewton, torquePerMpa } from '../hydraulics/maths/system.ts'
import { AXLES, type Axle } from '../quantity/axle.ts'
import type { Dimension } from '../quantity/units.ts'
import { masterOf } from '../hydraulics/brake-system.ts'
import type { AxleBrakeReport } from '../hydraulics/brake.ts'
import { carFigure, type CarFigure, type FigureEntry } from '../figures/entry.ts'
import type { Formula, ReportFigure } from '../figures/figure.ts'
import { readCar, readCarAxle, type Context } from '../figures/read.ts'
import type { Working } from '../figures/working.ts'

/** The chain at the pedal force for the stated deceleration, and what is known of it where it is not whole. */
interface AtForce {
  context: Context
  brakes: Record<Axle, AxleBrakeReport>
  force: ReportFigure
  stage: Chain | undefined
}
type BalanceStage = 'pressure' | 'clamp' | 'torque' | 'road'

const LIMPERT_7 = 'R. Limpert, Brake Design and Safety, ch. 7'
const GILLESPIE_3 = 'T. Gillespie, Fundamentals of Vehicle Dynamics, ch. 3'

interface ReadShare {
  share: number | undefined
  /** Without knowing where the valve holds the rear back: it can only be more. */
  belowValve?: boolean
  /** A drum, of whose clamp nothing can be said. */
  noClamp?: boolean
}

/** Front share at one stage of the chain, of a value that both axles have there. */
function shareOf(
  stage: BalanceStage,
  of: { what: string; symbol: string; dimension: Dimension; formula: Omit<Formula, 'text'>; without?: string },
  valueAt: (axle: Chain['front']) => number | undefined,
): FigureEntry<AtForce, ReadShare> {
  const [front, rear] = [`${of.symbol}_f`, `${of.symbol}_r`]
  return {
    label: `Front share of ${of.what}`,
    dimension: 'share',
    formula: { text: `${front} / (${front} + ${rear})`, ...of.formula },
    read(work, from): ReadShare {
      const { force, stage: found } = from
      if (!found) {
        const alone = withoutPedal(work, stage, from)
        if (alone.noClamp && of.without) work.notes.push(of.without)
        return alone
      }
      work.carry(force)
      const at = { kind: 'figure', figureId: 'pedal.force' } as const
      for (const axle of AXLES)
        work.inputs.push({
          symbol: axle === 'front' ? front : rear,
          label: `${of.what[0]!.toUpperCase()}${of.what.slice(1)}, ${axle}`,
          value: valueAt(found[axle]),
          dimension: of.dimension,
          at,
        })
      const share = found.bias[stage]
      if (share === undefined && of.without) work.notes.push(of.without)
      return { share }
    },
    value: ({ share }) => share,
    bound: ({ belowValve, share }) => (belowValve && share !== undefined ? 'atLeast' : undefined),
  }
}

/**
 * The share from its own figures alone, before pedal, booster and mass are known: at pressures well above what the seals
 * hold, and below where a valve takes hold.
 */
function withoutPedal(work: Working, stage: BalanceStage, { context, brakes }: AtForce): ReadShare {
  const { masterCylinder, valve } = context.resolved
  const master = masterOf(work, context, masterCylinder)
  const perMpa = (axle: Axle): number | undefined => {
    if (stage === 'pressure') return 1
    const area = work.carry(brakes[axle].pistonArea)
    if (stage === 'clamp') return context.resolved[axle].caliper?.kind === 'drum' ? undefined : area
    work.carry(brakes[axle].effectiveRadius)
    work.include(brakes[axle].rest)
    const { brake } = brakes[axle]
    const torque = brake && torquePerMpa(brake)
    if (stage === 'torque') return torque
    const tyreRadiusMm = readCarAxle(work, context, axle, 'tyreRadiusMm')
    return brake && tyreRadiusMm !== undefined ? axleForcePerMpa(brake, tyreRadiusMm) : undefined
  }
  const per = master && pressurePerNewton(master)
  const [front, rear] = [perMpa('front'), perMpa('rear')]
  const noClamp = stage === 'clamp' && AXLES.some((axle) => context.resolved[axle].caliper?.kind === 'drum')
  if (!per || front === undefined || rear === undefined) return { share: undefined, noClamp }
  work.notes.push('From these figures alone: what the seals hold back is left out.')
  if (valve !== null) work.notes.push('Where a rear valve holds back, the front has more.')
  return { share: share(front * per.front, rear * per.rear), belowValve: valve !== null }
}

export const PRESSURE_BIAS: CarFigure<'bias.pressure', AtForce> = carFigure(
  'bias.pressure',
  shareOf(
    'pressure',
    {
      what: 'line pressure',
      symbol: 'P',
      dimension: 'pressure',
      formula: { id: 'pressure-share', name: 'Balance of line pressure', source: LIMPERT_7 },
    },
    ({ pressureMpa }) => pressureMpa,
  ),
)
export const CLAMP_BIAS: CarFigure<'bias.clamp', AtForce> = carFigure(
  'bias.clamp',
  shareOf(
    'clamp',
    {
      what: 'clamp force',
      symbol: 'N',
      dimension: 'force',
      formula: { id: 'clamp-share', name: 'Balance of clamp force', source: LIMPERT_7 },
      without: 'A drum has no single clamp force.',
    },
    ({ clampN }) => clampN,
  ),
)
export const TORQUE_BIAS: CarFigure<'bias.torque', AtForce> = carFigure(
  'bias.torque',
  shareOf(
    'torque',
    {
      what: 'brake torque',
      symbol: 'T',
      dimension: 'torque',
      formula: { id: 'torque-share', name: 'Balance of brake torque', source: LIMPERT_7 },
    },
    ({ torqueNm }) => torqueNm,
  ),
)
export const ROAD_BIAS: CarFigure<'bias.road', AtForce> = carFigure(
  'bias.road',
  shareOf(
    'road',
    {
      what: 'brake force',
      symbol: 'F',
      dimension: 'force',
      formula: { id: 'road-share', name: 'Brake balance', source: GILLESPIE_3 },
    },
    ({ forceN }) => forceN,
  ),
)

/** The share of the load that the front axle carries while the car brakes: what the bias is held against. */
export const IDEAL_BIAS: CarFigure<'bias.ideal', { context: Context }> = carFigure('bias.ideal', {
  label: 'Front share of the load',
  dimension: 'share',
  formula: { id: 'ideal-share', name: 'Front share of the load', text: 'φ + z · h / L', source: GILLESPIE_3 },
  read: (work, { context }) => ({
    staticFront: readCar(work, context, 'staticFrontShare', 'φ'),
    cgHeightMm: readCar(work, context, 'cgHeightMm', 'h'),
    wheelbaseMm: readCar(work, context, 'wheelbaseMm', 'L'),
    decelG: work.set(context.project.preferences.referenceDecelG, {
      symbol: 'z',
      label: 'Deceleration',
      dimension: 'deceleration',
      at: { kind: 'preference', field: 'referenceDecelG' },
    }),
  }),
  value: ({ staticFront, cgHeightMm, wheelbaseMm, decelG }) => idealFrontShare(staticFront, cgHeightMm / wheelbaseMm, decelG),
})
