import type { Rule } from '../rule.ts'
import { mountedRadius } from './mounted-radius.ts'

export const hatClearance: Rule = {
  id: 'hat-clearance',
  title: 'Pads beside the hat',
  on: 'disc',
  judge(look) {
    const top = mountedRadius(look, look.caliper(), 'padTopRadiusMm')
    const plate = look.of(look.pad(), 'plateHeightMm')
    const hat = look.of(look.rotor(), 'hatOuterDiameterMm')
    const least = look.limit('hatGapMm')
    if (top === undefined || plate === undefined || hat === undefined) return undefined
    const gap = top - plate - hat / 2
    const figure = { value: gap, dimension: 'length', limit: `at least ${look.mm(least)}` } as const
    if (gap >= least - 1e-9) return { ...figure, verdict: 'fits', sentence: `${look.mm(gap)} between pad plate and hat.` }
    return {
      ...figure,
      verdict: 'blocked',
      sentence: `${gap < 0 ? `The pad plate reaches ${look.mm(-gap)} into the hat` : `Only ${look.mm(gap)} between pad plate and hat`}: another rotor.`,
    }
  },
}
