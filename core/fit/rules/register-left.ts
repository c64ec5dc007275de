import type { Rule } from '../rule.ts'
import { registerLeftMm } from '../wheel-place.ts'
import { asRemedies } from './other-parts.ts'
import { hatThicknessMm, spacerInUse } from './on-the-hub.ts'

export const registerLeft: Rule = {
  id: 'register-left',
  title: 'Hub register length left',
  on: 'any',
  judge(look) {
    const height = look.car('registerHeightMm')
    const hat = hatThicknessMm(look)
    const spacer = spacerInUse(look)
    const own = spacer?.part && look.wordOf(spacer.part, 'register')
    if (height === undefined || hat === undefined || spacer === undefined) return undefined
    const least = look.limit('registerMm')
    const left = registerLeftMm(height, hat, spacer.thicknessMm)
    const figure = { value: left, dimension: 'length', limit: `at least ${look.mm(least)}` } as const
    if (own === 'own') return { verdict: 'fits', sentence: 'The spacer carries a register of its own for the wheel.' }
    if (left >= least - 1e-9) return { verdict: 'fits', sentence: `${look.mm(left)} of the hub’s register centre the wheel.`, ...figure }
    const sentence = `${look.mm(left)} of the hub’s register are left and ${look.mm(least)} centre a wheel`
    if (spacer.thicknessMm === 0)
      return {
        verdict: 'needs',
        safety: true,
        sentence: `${sentence}: a ring that carries it through the hat.`,
        remedies: [
          {
            kind: 'piece',
            label: 'Centring ring through the hat',
            quantity: 2,
            piece: { id: 'ring-through-hat' },
            sentence: 'One a side, turned to hub, hat and wheel.',
          },
        ],
        ...figure,
      }
    const others = look
      .library('spacer')
      .filter(
        (one) =>
          one.id !== spacer.part?.id &&
          one.register === 'own' &&
          one.thicknessMm !== undefined &&
          Math.abs(one.thicknessMm.value - spacer.thicknessMm) < 0.05,
      )
    return {
      verdict: 'needs',
      safety: true,
      sentence: `${sentence}: a spacer with a register of its own.`,
      remedies: [
        ...asRemedies('spacer', others, 'carries one'),
        {
          kind: 'piece',
          label: `Spacers ${look.mm(spacer.thicknessMm)} with a register`,
          quantity: 2,
          piece: { id: 'spacers-with-register', mm: spacer.thicknessMm },
          sentence: 'One a side, in place of the plain ones.',
        },
      ],
      ...figure,
    }
  },
}
