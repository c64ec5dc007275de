import { STANDARD_GRAVITY } from '../../quantity/units.ts'
import { formatQuantity } from '../../quantity/format.ts'
import { notKnown } from '../../records/question.ts'
import type { RuleInputs } from '../rule-inputs.ts'
import type { Rule } from '../rule.ts'
import { effectiveRadiusMm, sweptRing } from '../../hydraulics/maths/effective-radius.ts'
import { mountedRadius } from './mounted-radius.ts'

/**
 * Steepest grade, rise over run, on which two braked wheels hold a mass. Infinity when they would hold it on a wall.
 * Source: balance of forces along the slope; the 20 % asked of a laden car are those of UN Regulation No. 13-H, Annex 3.
 *
 * @param torqueNm of one wheel
 * @param tyreRadiusMm rolling radius
 */
export function heldGrade(torqueNm: number, tyreRadiusMm: number, massKg: number): number {
  const sine = (2000 * Math.max(torqueNm, 0)) / tyreRadiusMm / (massKg * STANDARD_GRAVITY)
  return sine >= 1 ? Infinity : Math.tan(Math.asin(sine))
}

/**
 * Torque of the parking brake at one wheel, from a force or torque that someone entered.
 * @returns null when nobody did; undefined when something else is missing, which is then asked for
 */
function torqueNm(look: RuleInputs): number | null | undefined {
  const fitted = look.part('caliper')
  const { parkingBrake: kept, rear } = look.facts.project.car
  if (fitted?.kind === 'drum') return kept === 'lever' && fitted.parkingTorqueNm ? look.of(fitted, 'parkingTorqueNm') : null
  if (kept === 'shoes') return look.rotor()?.parkingDrum === 'yes' && rear.shoeTorqueNm ? look.car('shoeTorqueNm') : null
  // what the fitted caliper clamps with says nothing of a parking brake that acts elsewhere
  if (!fitted?.parkingClampN || fitted.parkingBrake !== kept) return null
  const clampN = look.of(fitted, 'parkingClampN')
  const friction = look.of(look.pad(), 'friction')
  const top = mountedRadius(look, fitted, 'padTopRadiusMm')
  const height = look.of(look.pad(), 'heightMm')
  const rotor = look.rotor()
  const diameter = look.of(rotor, 'diameterMm')
  const inner = look.of(rotor, 'frictionInnerDiameterMm')
  if (clampN === undefined || friction === undefined || top === undefined || height === undefined) return undefined
  if (diameter === undefined || inner === undefined) return undefined
  // the same radius as the foot brake's, or the two would not be of one car
  const ring = sweptRing(top, height, diameter / 2, inner / 2)
  return ring ? (2 * friction * clampN * effectiveRadiusMm(ring, look.facts.project.preferences.effectiveRadius)) / 1000 : 0
}

export const parkingHold: Rule = {
  id: 'parking-hold',
  title: 'Parking brake holds',
  on: 'any',
  axle: 'rear',
  judge(look) {
    if (!look.part('caliper') || look.facts.project.car.parkingBrake === 'none') return undefined
    if (look.seen('parking-hold')) return { verdict: 'fits', sentence: 'Seen on the car: it holds on the slope.' }
    const least = look.limit('parkingGradeShare')
    const percent = (grade: number) => formatQuantity(Math.min(grade, 9.99), 'share', undefined, { decimals: 0 })
    const torque = torqueNm(look)
    const known = torque !== null
    const massKg = known ? look.wholeCar('ladenMassKg') : undefined
    const tyreRadiusMm = known ? look.car('tyreRadiusMm') : undefined
    if (typeof torque !== 'number' || massKg === undefined || tyreRadiusMm === undefined) {
      const open = look.missing.length > 0 ? ` Its holding force is unknown: ${notKnown(look.missing)}.` : ''
      look.waive()
      return {
        verdict: 'check',
        safety: true,
        sentence: `Test it on a slope of ${percent(least)}, or as local rules require, laden, before you use the car.${open}`,
      }
    }
    const grade = heldGrade(torque, tyreRadiusMm, massKg)
    // a wall is steeper than any slope that is asked for
    const figure = { value: Math.min(grade, 9.99), dimension: 'share', limit: `at least ${percent(least)}` } as const
    return grade >= least - 1e-9
      ? {
          verdict: 'fits',
          sentence: `Calculated to hold the laden car on ${percent(grade)}, ${percent(least)} required. Confirm it on a slope.`,
          ...figure,
        }
      : {
          verdict: 'check',
          safety: true,
          sentence: `Calculated to hold the laden car only on ${percent(grade)}, ${percent(least)} required: fit a stronger parking brake, or show on a slope that it holds.`,
          ...figure,
        }
  },
}
