import type { PartOf } from '../../records/part.ts'
import type { Judgement } from '../interface-check.ts'
import type { RuleInputs } from '../rule-inputs.ts'

/** Holes of a rotor or a wheel against the hub's: the same count on the same circle. */
export function equalPattern(
  look: RuleInputs,
  part: PartOf<'rotor'> | PartOf<'wheel'> | PartOf<'spacer'> | undefined | null,
): Judgement | undefined {
  if (!part) return undefined
  const count = look.of<'rotor' | 'wheel' | 'spacer'>(part, 'boltCount')
  const circle = look.of<'rotor' | 'wheel' | 'spacer'>(part, 'boltCircleMm')
  const hubCount = look.car('boltCount')
  const hubCircle = look.car('boltCircleMm')
  const limitMm = look.limit('patternMm')
  if (count !== undefined && hubCount !== undefined && count !== hubCount)
    return {
      verdict: 'blocked',
      sentence: `${count} holes on a hub for ${hubCount}: it does not go on.`,
      value: count,
      dimension: 'count',
      limit: `${hubCount}`,
    }
  if (circle === undefined || hubCircle === undefined) return undefined
  const off = Math.abs(circle - hubCircle)
  if (off > limitMm + 1e-9)
    return {
      verdict: 'blocked',
      sentence: `Its bolt circle is ${look.mm(circle)}, the hub’s ${look.mm(hubCircle)}: it does not go on.`,
      value: circle,
      dimension: 'length',
      limit: look.mm(hubCircle),
    }
  return {
    verdict: 'fits',
    sentence: `${count ?? ''} holes on ${look.mm(circle)}, like the hub.`,
    value: circle,
    dimension: 'length',
    limit: look.mm(hubCircle),
  }
}
