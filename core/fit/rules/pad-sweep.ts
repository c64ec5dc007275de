import type { Rule } from '../rule.ts'
import { mountedRadius } from './mounted-radius.ts'
import { asRemedies, likeRotorsOfDiameter } from './other-parts.ts'

export const padSweep: Rule = {
  id: 'pad-sweep',
  title: 'Pad on the friction ring',
  on: 'disc',
  judge(look) {
    const top = mountedRadius(look, look.caliper(), 'padTopRadiusMm')
    const height = look.of(look.pad(), 'heightMm')
    const inner = look.of(look.rotor(), 'frictionInnerDiameterMm')
    const trim = look.limit('sweepTrimMm')
    if (top === undefined || height === undefined || inner === undefined) return undefined
    const inside = top - height - inner / 2
    const figure = { value: inside, dimension: 'length', limit: 'not below 0' } as const
    if (inside >= -1e-9)
      return {
        verdict: 'fits',
        sentence: `The pad lining is fully on the friction ring, ${look.mm(inside)} from its inner edge.`,
        ...figure,
      }
    if (inside >= -trim - 1e-9)
      return {
        verdict: 'needs',
        sentence: `The pad lining extends ${look.mm(-inside)} past the inner edge of the friction ring: have the pad maker trim it, never trim by hand.`,
        remedies: [
          {
            kind: 'piece',
            label: `Pads trimmed ${look.mm(-inside)} by their maker`,
            quantity: 1,
            piece: { id: 'pads-trimmed', mm: -inside, enough: 'atLeast', mostMm: trim },
            sentence: 'Trimmed by the pad maker.',
          },
        ],
        ...figure,
      }
    const rotors = likeRotorsOfDiameter(look).filter(
      ({ frictionInnerDiameterMm }) => frictionInnerDiameterMm && top - height - frictionInnerDiameterMm.value / 2 >= -1e-9,
    )
    return {
      verdict: rotors.length > 0 ? 'needs' : 'blocked',
      sentence: `The pad lining extends ${look.mm(-inside)} past the inner edge of the friction ring: fit another rotor or another pad.`,
      remedies: asRemedies('rotor', rotors, 'has a ring that reaches further in'),
      ...figure,
    }
  },
}
