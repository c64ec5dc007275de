import { LIMITS } from '../records/limits.ts'
import { chain, type Chain } from '../hydraulics/maths/chain.ts'
import type { BrakeSystem } from '../hydraulics/maths/system.ts'
import { AXLES } from '../quantity/axle.ts'
import { notEnoughData } from '../records/question.ts'
import { formatQuantity } from '../quantity/format.ts'
import { carFigure, type CarFigure } from '../figures/entry.ts'
import type { Context } from '../figures/read.ts'
import type { FigureCheck } from '../figures/check-result.ts'
import type { ReportFigure } from '../figures/figure.ts'

interface BalanceBesideBaseline {
  stage: Chain | undefined
  pedalForceN: number | undefined
  stock: BrakeSystem | undefined
}

/** How far the bias at the road lies from that of the car as it stands, the foot pressing alike. */
export const AGAINST_STOCK: CarFigure<'bias.againstStock', BalanceBesideBaseline> = carFigure('bias.againstStock', {
  label: 'Change of brake balance against the baseline',
  dimension: 'share',
  formula: {
    id: 'bias-difference',
    name: 'Change of brake balance against the baseline',
    text: 'b − b_0',
    source: 'At the same pedal force',
  },
  read(work, { stage, pedalForceN, stock }) {
    const at = { kind: 'figure', figureId: 'bias.road' } as const
    const now = stage?.bias.road
    const before = stock && pedalForceN !== undefined ? chain(stock, pedalForceN).bias.road : undefined
    if (now !== undefined) work.set(now, { symbol: 'b', label: 'Brake balance (force)', dimension: 'share', at })
    else work.ask('Brake balance (force)', at)
    if (before !== undefined)
      work.set(before, { symbol: 'b_0', label: 'Brake balance of the baseline at this pedal force', dimension: 'share', at })
    else work.ask('Brake balance of the baseline', at)
    return { now, before }
  },
  value: ({ now, before }) => now - before,
})

/**
 * What anti-lock asks of a setup: rings for the sensors, and a bias at the road near that of the car as it
 * stands at the same pedal force, because the control unit was set up for it.
 */
export function antiLock(
  context: Context,
  stage: Chain | undefined,
  pedalForceN: number | undefined,
  stock: BrakeSystem | undefined,
): { figure: ReportFigure; finding: FigureCheck | undefined } {
  const { project, resolved } = context
  const { figure } = AGAINST_STOCK.of({ stage, pedalForceN, stock })
  const { value } = figure
  const { abs } = project.car
  if (abs === 'none') return { figure, finding: undefined }
  const base = { rule: 'abs', figureId: 'bias.againstStock' } as const
  if (abs === undefined) {
    const missing = [{ what: 'Whether the car has ABS', at: { kind: 'car', field: 'abs' } as const }]
    return {
      figure,
      finding: { verdict: 'unknown', missing, sentence: notEnoughData(missing), ...base },
    }
  }
  const missing = [...figure.missing]
  for (const axle of AXLES) {
    const where = project.car[axle].absRing
    const rotor = resolved[axle].rotor
    if (where === undefined) missing.push({ what: `Where the wheel-speed ring sits, ${axle}`, at: { kind: 'car', axle, field: 'absRing' } })
    if (where !== 'rotor' || !rotor) continue
    if (rotor.absRing === 'no')
      return {
        figure,
        finding: {
          verdict: 'blocked',
          missing: [],
          sentence: `${rotor.name} has no ring for the wheel-speed sensor, so the ABS would not work.`,
          ...base,
        },
      }
    if (rotor.absRing === undefined)
      missing.push({ what: `Ring for the wheel-speed sensor of ${rotor.name}`, at: { kind: 'part', partId: rotor.id, field: 'absRing' } })
  }
  if (missing.length > 0 || value === undefined)
    return {
      figure,
      finding: {
        verdict: 'unknown',
        missing,
        sentence: `${notEnoughData(missing).slice(0, -1)} to check the ABS.`,
        ...base,
      },
    }
  const limit = project.preferences.limits?.absPoints ?? LIMITS.absPoints.value
  const points = `${formatQuantity(Math.abs(value) * 100, 'number')} points ${value < 0 ? 'more to the rear' : 'more to the front'}`
  if (Math.abs(value) <= limit + 1e-9)
    return {
      figure,
      finding: {
        verdict: 'fits',
        missing: [],
        sentence: `Sensor rings are present; the balance is ${points} than the baseline at the same pedal force.`,
        ...base,
      },
    }
  return {
    figure,
    finding: {
      verdict: 'check',
      missing: [],
      sentence: `The balance is ${points} than the baseline at the same pedal force. Have a qualified technician confirm that the ABS tolerates it.`,
      ...base,
    },
  }
}
