import type { Rule } from '../rule.ts'

export const dustShield: Rule = {
  id: 'dust-shield',
  title: 'Rotor in the dust shield',
  on: 'disc',
  judge(look) {
    const shield = look.carWord('shield')
    if (shield === 'none') return { verdict: 'fits', sentence: 'The car has no dust shield here.' }
    const radius = look.car('shieldRadiusMm')
    const diameter = look.of(look.rotor(), 'diameterMm')
    const least = look.limit('shieldMm')
    if (radius === undefined || diameter === undefined) return undefined
    const gap = radius - diameter / 2
    const figure = { value: gap, dimension: 'length', limit: `at least ${look.mm(least)}` } as const
    if (gap >= least - 1e-9) return { verdict: 'fits', sentence: `${look.mm(gap)} between rotor and shield.`, ...figure }
    return {
      verdict: look.seen('dust-shield') ? 'fits' : 'check',
      sentence:
        gap < 0
          ? `The rotor is ${look.mm(-gap)} larger than its dust shield: trim or remove the shield, and check that the rotor turns freely.`
          : `Only ${look.mm(gap)} between rotor and dust shield: check that the rotor turns freely.`,
      ...figure,
    }
  },
}
