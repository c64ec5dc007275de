import type { Rule } from '../rule.ts'
import { mountedRadius } from './mounted-radius.ts'

export const bridge: Rule = {
  id: 'bridge',
  title: 'Rotor under the caliper’s bridge',
  on: 'disc',
  judge(look) {
    const inner = mountedRadius(look, look.caliper(), 'bridgeRadiusMm')
    const diameter = look.of(look.rotor(), 'diameterMm')
    const least = look.limit('bridgeMm')
    if (inner === undefined || diameter === undefined) return undefined
    const gap = inner - diameter / 2
    const figure = { value: gap, dimension: 'length', limit: `at least ${look.mm(least)}` } as const
    if (gap >= least - 1e-9) return { verdict: 'fits', sentence: `${look.mm(gap)} between rotor and bridge.`, ...figure }
    return {
      verdict: 'needs',
      sentence:
        gap < 0
          ? `The rotor reaches ${look.mm(-gap)} into the bridge: radial spacers of ${look.mm(least - gap)}.`
          : `Only ${look.mm(gap)} between rotor and bridge: radial spacers of ${look.mm(least - gap)}.`,
      remedies: [
        {
          kind: 'piece',
          label: `Radial spacers ${look.mm(least - gap)} with longer bolts`,
          quantity: 2,
          piece: { id: 'radial-spacers', mm: least - gap, enough: 'atLeast' },
          sentence: 'One a side; enter it as a bracket to have the rest checked with it.',
        },
      ],
      ...figure,
    }
  },
}
