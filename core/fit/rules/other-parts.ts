import type { AxleSlot } from '../../records/setup.ts'
import type { PartOf } from '../../records/part.ts'
import type { Fix } from '../interface-check.ts'
import type { RuleInputs } from '../rule-inputs.ts'
import { sameThread } from './same-thread.ts'

/** Parts of the library that could stand in for a fitted one; what else they must meet the rule that asks adds. */

const near = (a: number | undefined, b: number | undefined, withinMm: number): boolean =>
  a !== undefined && b !== undefined && Math.abs(a - b) <= withinMm + 1e-9

/** Brackets that join the fitted caliper to this knuckle, the nearest to where the fitted bracket puts it first. */
export function joiningBrackets(look: RuleInputs): PartOf<'bracket'>[] {
  const { resolved, project, axle } = look.facts
  const [caliper, knuckle, fitted] = [resolved.caliper, project.car[axle], resolved.bracket]
  if (caliper?.kind !== 'caliper') return []
  const withinMm = look.limit('mountSpacingMm')
  const moves = (one: PartOf<'bracket'>) =>
    Math.abs((one.axialMm?.value ?? 0) - (fitted?.axialMm?.value ?? 0)) +
    Math.abs((one.radialMm?.value ?? 0) - (fitted?.radialMm?.value ?? 0))
  return look
    .library('bracket')
    .filter(
      (one) =>
        one.id !== fitted?.id &&
        one.caliperType !== undefined &&
        one.caliperType === caliper.mountType &&
        one.knuckleType !== undefined &&
        one.knuckleType === knuckle.mountType &&
        near(one.caliperSpacingMm?.value, caliper.mountSpacingMm?.value, withinMm) &&
        near(one.knuckleSpacingMm?.value, knuckle.mountSpacingMm?.value, withinMm) &&
        sameThread(one.caliperThread, caliper.mountThread) &&
        sameThread(one.knuckleThread, knuckle.mountThread),
    )
    .sort((a, b) => moves(a) - moves(b))
}

/** Rotors with the holes and the thickness of the fitted one. */
export function likeRotors(look: RuleInputs): PartOf<'rotor'>[] {
  const fitted = look.rotor()
  return look
    .library('rotor')
    .filter(
      (one) =>
        one.id !== fitted?.id &&
        one.boltCount !== undefined &&
        one.boltCount.value === fitted?.boltCount?.value &&
        near(one.boltCircleMm?.value, fitted.boltCircleMm?.value, look.limit('patternMm')) &&
        near(one.thicknessMm?.value, fitted.thicknessMm?.value, 0),
    )
}
/** … and its outer diameter, so that the pad ends where it did. */
export const likeRotorsOfDiameter = (look: RuleInputs): PartOf<'rotor'>[] =>
  likeRotors(look).filter((one) => near(one.diameterMm?.value, look.rotor()?.diameterMm?.value, 1))

/** Each of some parts as a remedy. */
export const asRemedies = (slot: AxleSlot, parts: readonly { id: string; name: string }[], does: string): Fix[] =>
  parts.map((one) => ({ kind: 'part', slot, partId: one.id, sentence: `${one.name} ${does}.` }))
