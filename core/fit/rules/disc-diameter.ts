import type { Rule } from '../rule.ts'
import { mountedRadius } from './mounted-radius.ts'
import { asRemedies, joiningBrackets, likeRotors } from './other-parts.ts'

interface DiscDiameter {
  /** Rotor radius less the top of the pad, mm. */
  edgeMm: number
  verdict: 'fits' | 'needs' | 'check' | 'blocked'
  /** Spacer under a radial mount that brings the pad up to where it should be, mm; null where it would not help. */
  radialSpacerMm: number | null
}

/** Where the pad's upper edge stands against the rotor's edge, mm. */
export function discDiameter(
  rotorDiameterMm: number,
  padTopRadiusMm: number,
  mostMm: number,
  overMm: number,
  wantedMm: number,
): DiscDiameter {
  const edgeMm = rotorDiameterMm / 2 - padTopRadiusMm
  if (edgeMm > mostMm + 1e-9) return { edgeMm, verdict: 'needs', radialSpacerMm: edgeMm - wantedMm }
  const verdict = edgeMm >= -1e-9 ? 'fits' : edgeMm >= -overMm - 1e-9 ? 'check' : 'blocked'
  return { edgeMm, verdict, radialSpacerMm: null }
}

export const discDiameterRule: Rule = {
  id: 'disc-diameter',
  title: 'Pad on the rotor’s edge',
  on: 'disc',
  judge(look) {
    const caliper = look.caliper()
    const diameter = look.of(look.rotor(), 'diameterMm')
    const top = mountedRadius(look, caliper, 'padTopRadiusMm')
    if (diameter === undefined || top === undefined) return undefined
    const most = look.limit('edgeMostMm')
    const found = discDiameter(diameter, top, most, look.limit('edgeOverMm'), look.limit('edgeWantedMm'))
    const figure = { value: found.edgeMm, dimension: 'length', limit: `0 to ${look.mm(most)}` } as const
    if (found.verdict === 'fits') return { verdict: 'fits', sentence: `Pad inset ${look.mm(found.edgeMm)}.`, ...figure }
    if (found.verdict === 'check')
      return {
        verdict: 'check',
        sentence: `Pad overhang ${look.mm(-found.edgeMm)}. Check it on the car, and watch for a step as it wears.`,
        ...figure,
      }
    const at = (diameterMm: number, topMm: number) => discDiameter(diameterMm, topMm, most, 0, 0).verdict
    const liftMm = look.facts.resolved.bracket?.radialMm?.value ?? 0
    const brackets = joiningBrackets(look).filter((one) => one.radialMm && at(diameter, top - liftMm + one.radialMm.value) === 'fits')
    if (found.verdict === 'blocked') {
      const sentence = `Pad overhang ${look.mm(-found.edgeMm)}: fit a lower bracket or a larger rotor.`
      const larger = likeRotors(look).filter((one) => one.diameterMm && at(one.diameterMm.value, top) === 'fits')
      const remedies = [...asRemedies('bracket', brackets, 'brings it down'), ...asRemedies('rotor', larger, 'reaches as far')]
      return { verdict: remedies.length > 0 ? 'needs' : 'blocked', sentence, remedies, ...figure }
    }
    const type = look.wordOf(caliper, 'mountType')
    if (type === undefined) return undefined
    const piece = type === 'radial' ? `Radial spacers ${look.mm(found.radialSpacerMm!)} with longer bolts` : 'Bracket with a higher mount'
    return {
      verdict: 'needs',
      sentence: `Pad inset ${look.mm(found.edgeMm)}: fit ${type === 'radial' ? `radial spacers of ${look.mm(found.radialSpacerMm!)}` : 'another bracket'}, then check bridge, bolts and wheel again.`,
      remedies: [
        ...asRemedies('bracket', brackets, 'brings it up'),
        {
          kind: 'piece',
          label: piece,
          quantity: 2,
          piece: type === 'radial' ? { id: 'radial-spacers', mm: found.radialSpacerMm! } : { id: 'higher-bracket' },
          sentence: 'One a side; enter it as a bracket to have the rest checked with it.',
        },
      ],
      ...figure,
    }
  },
}
