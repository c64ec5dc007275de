import { idealFrontShare } from '../../balance/constant-split.ts'
import type { Chain } from '../../hydraulics/chain.ts'
import { AXLES } from '../../model/project.ts'
import type { Dimension } from '../../quantity/units.ts'
import { carFigure, type CarFigure, type Entry } from '../figure/entry.ts'
import type { Formula, ReportFigure } from '../figure/figure.ts'
import { readCar, type Context } from '../figure/read.ts'

/** The chain at the pedal force for the stated deceleration. */
export interface AtForce {
  force: ReportFigure
  stage: Chain | undefined
}
type Stage = 'pressure' | 'clamp' | 'torque' | 'road'

const LIMPERT_7 = 'R. Limpert, Brake Design and Safety, ch. 7'
const GILLESPIE_3 = 'T. Gillespie, Fundamentals of Vehicle Dynamics, ch. 3'

/** Front share at one stage of the chain, of a value that both axles have there. */
function shareOf(
  stage: Stage,
  of: { what: string; symbol: string; dimension: Dimension; formula: Omit<Formula, 'text'>; without?: string },
  valueAt: (axle: Chain['front']) => number | undefined,
): Entry<AtForce, { share: number | undefined }> {
  const [front, rear] = [`${of.symbol}_f`, `${of.symbol}_r`]
  return {
    label: `Front share of ${of.what}`,
    dimension: 'share',
    formula: { ...of.formula, text: `${front} / (${front} + ${rear})` },
    read(work, { force, stage: found }) {
      work.carry(force)
      const at = { kind: 'figure', figureId: 'pedal.force' } as const
      if (found)
        for (const axle of AXLES)
          work.inputs.push({
            symbol: axle === 'front' ? front : rear,
            label: `${of.what[0]!.toUpperCase()}${of.what.slice(1)}, ${axle}`,
            value: valueAt(found[axle]),
            dimension: of.dimension,
            at,
          })
      const share = found?.bias[stage]
      if (found && share === undefined && of.without) work.notes.push(of.without)
      return { share }
    },
    value: ({ share }) => share,
  }
}

export const PRESSURE_BIAS: CarFigure<'bias.pressure', AtForce> = carFigure(
  'bias.pressure',
  shareOf(
    'pressure',
    {
      what: 'line pressure',
      symbol: 'P',
      dimension: 'pressure',
      formula: { id: 'pressure-share', name: 'Bias by line pressure', source: LIMPERT_7 },
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
      formula: { id: 'clamp-share', name: 'Bias by clamp force', source: LIMPERT_7 },
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
      formula: { id: 'torque-share', name: 'Bias by brake torque', source: LIMPERT_7 },
    },
    ({ torqueNm }) => torqueNm,
  ),
)
export const ROAD_BIAS: CarFigure<'bias.road', AtForce> = carFigure(
  'bias.road',
  shareOf(
    'road',
    {
      what: 'force at the road',
      symbol: 'F',
      dimension: 'force',
      formula: { id: 'road-share', name: 'Bias at the road', source: GILLESPIE_3 },
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
