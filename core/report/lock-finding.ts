import { lockOrder, type LockOrder, type Mass } from '../balance/adhesion.ts'
import { bestWithoutLock } from '../balance/limits.ts'
import { LIMITS } from '../fit/limits.ts'
import type { AxleBrake, BrakeSystem } from '../hydraulics/system.ts'
import { formatQuantity } from '../quantity/format.ts'
import type { Context } from './context.ts'
import { frictionOf, massIn, systemIn } from './grip.ts'
import type { Finding, Missing, ReportFigure } from './types.ts'

/** On the road the front must lock first up to here, g (UN Regulation No. 13-H, Annex 5). */
export const FRONT_FIRST_TO_G = 0.8
/** So much more rear friction must not turn the order: pads differ by that from set to set. */
const MORE_REAR_FRICTION = 1.1

/** Up to where the front must lock first: 0.80 g, or the best the dry tyre gives if that is more. */
export function frontFirstToG(context: Context, system: BrakeSystem, mass: Mass): number {
  const best = bestWithoutLock(system, mass, frictionOf(context.project, 'dry').value)
  return Math.max(FRONT_FIRST_TO_G, best?.decelG ?? 0)
}

/** The deceleration up to which the front locks first; 0 when the rear always does. */
export const frontFirstUntil = (order: LockOrder): number =>
  order.kind === 'rearAlways' ? 0 : order.kind === 'rearAbove' ? order.aboveG : order.upToG

/**
 * Which axle locks first: driver only and laden, up to 0.80 g or what the dry tyre gives. Rear-first on the road blocks;
 * an order that more rear friction would turn is to be checked. With electronic rear distribution kept the control unit
 * sees to the order, and the bias against stock is what counts.
 */
export function lockFinding(
  context: Context,
  system: BrakeSystem | undefined,
  mass: Mass | undefined,
  order: LockOrder | undefined,
  critical: ReportFigure,
  againstStock: ReportFigure,
): Finding {
  const base = { rule: 'lock-order', figureId: 'balance.critical', missing: critical.missing } as const
  if (!order || !system || !mass)
    return { ...base, verdict: 'unknown', sentence: 'Which axle locks first is not known: figures are missing.' }
  const { project } = context
  const show = (decelG: number) => formatQuantity(decelG, 'deceleration')
  if (project.car.abs === 'absAndDistribution') {
    if (againstStock.value === undefined)
      return {
        ...base,
        verdict: 'unknown',
        missing: againstStock.missing,
        sentence: 'Electronic rear distribution is kept; how far the base split is from stock is not known.',
      }
    return -againstStock.value > (project.preferences.limits?.absPoints ?? LIMITS.absPoints.value)
      ? {
          ...base,
          verdict: 'check',
          sentence:
            'Electronic rear distribution is kept, but the base split goes more than the allowed points to the rear: have it confirmed.',
        }
      : {
          ...base,
          verdict: 'fits',
          sentence: 'Electronic rear distribution is kept and holds the rear back; the base split is near stock.',
        }
  }
  const road = project.car.use !== 'competition'
  const limitG = frontFirstToG(context, system, mass)
  const laden = massIn(project, 'laden')
  const ladenOrder = laden && lockOrder(systemIn(system, context.resolved, 'laden'), laden)
  const [until, ladenUntil] = [frontFirstUntil(order), ladenOrder ? frontFirstUntil(ladenOrder) : Infinity]
  const worst = Math.min(until, ladenUntil)
  const when = ladenUntil < until ? ', fully laden' : ''
  if (worst < limitG - 1e-6)
    return {
      ...base,
      verdict: road ? 'blocked' : 'check',
      sentence:
        worst === 0
          ? `Rear locks first at every deceleration${when}. The car can spin under braking.`
          : `Rear locks first above ${show(worst)}${when}; ${road ? 'on the road ' : ''}the front must lock first up to ${show(limitG)}. The car can spin under braking.`,
    }
  if (!laden && road) {
    const missing: Missing[] = [
      ...(project.car.ladenMassKg ? [] : [{ what: 'Mass, fully laden', at: { kind: 'car', field: 'ladenMassKg' } as const }]),
      ...(project.car.ladenStaticFrontShare
        ? []
        : [{ what: 'Front share, fully laden', at: { kind: 'car', field: 'ladenStaticFrontShare' } as const }]),
    ]
    return {
      ...base,
      verdict: 'unknown',
      missing,
      sentence: `Front locks first up to ${show(until)} with the driver only; laden is not known.`,
    }
  }
  const { rear } = system
  const grippier = lockOrder({ ...system, rear: biting(rear, MORE_REAR_FRICTION) }, mass)
  const fits =
    order.kind === 'frontAlways'
      ? `Front locks first at every deceleration looked at, up to ${show(order.upToG)}`
      : `Front locks first up to ${show(until)}, the rear above`
  if (grippier && frontFirstUntil(grippier) < limitG)
    return {
      ...base,
      verdict: 'check',
      sentence: `${fits}; rear ${rear.kind === 'disc' ? 'pads' : 'shoes'} that bite 10 % more would turn it at ${show(frontFirstUntil(grippier))}. Keep to ${rear.kind === 'disc' ? 'pads' : 'shoes'} of this friction, and try it on a closed place.`,
    }
  return { ...base, verdict: 'fits', sentence: `${fits}.` }
}

/** A brake whose linings bite more; what a drum's shoes make of friction rises at least as fast as the friction. */
const biting = (brake: AxleBrake, times: number): AxleBrake =>
  brake.kind === 'disc' ? { ...brake, mu: brake.mu * times } : { ...brake, brakeFactor: brake.brakeFactor * times }
