import type { Rule } from '../rule.ts'
import { mountedRadius } from './mounted-radius.ts'
import { asRemedies, likeRotorsOfDiameter } from './other-parts.ts'

export const hatClearance: Rule = {
  id: 'hat-clearance',
  title: 'Pads and caliper beside the hat',
  on: 'disc',
  judge(look) {
    const top = mountedRadius(look, look.caliper(), 'padTopRadiusMm')
    const body = mountedRadius(look, look.caliper(), 'bodyRadiusMm')
    const plate = look.of(look.pad(), 'plateHeightMm')
    const hat = look.of(look.rotor(), 'hatOuterDiameterMm')
    const least = look.limit('hatGapMm')
    if (hat === undefined) return undefined
    const gaps = [
      { what: 'pad plate', gap: top === undefined || plate === undefined ? undefined : top - plate - hat / 2 },
      { what: 'caliper', gap: body === undefined ? undefined : body - hat / 2 },
    ]
    const known = gaps.flatMap(({ what, gap }) => (gap === undefined ? [] : [{ what, gap }])).sort((a, b) => a.gap - b.gap)
    const worst = known[0]
    if (!worst) return undefined
    const { what, gap } = worst
    const figure = { value: gap, dimension: 'length', limit: `at least ${look.mm(least)}` } as const
    if (gap < least - 1e-9) {
      const mostMm = hat + 2 * (gap - least)
      const rotors = likeRotorsOfDiameter(look).filter((one) => one.hatOuterDiameterMm && one.hatOuterDiameterMm.value <= mostMm + 1e-9)
      return {
        verdict: rotors.length > 0 ? 'needs' : 'blocked',
        sentence: `${gap < 0 ? `The ${what} reaches ${look.mm(-gap)} into the hat` : `Only ${look.mm(gap)} between ${what} and hat`}: another rotor.`,
        remedies: asRemedies('rotor', rotors, 'has a smaller hat'),
        ...figure,
      }
    }
    return known.length === gaps.length ? { verdict: 'fits', sentence: `${look.mm(gap)} between ${what} and hat.`, ...figure } : undefined
  },
}
