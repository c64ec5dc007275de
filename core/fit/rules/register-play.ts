import type { PartOf } from '../../records/part.ts'
import type { Judgement } from '../interface-check.ts'
import type { RuleInputs } from '../rule-inputs.ts'

/** Centre bore of a rotor or a wheel over the hub's register. */
export function registerPlay(
  look: RuleInputs,
  part: PartOf<'rotor'> | PartOf<'wheel'> | PartOf<'spacer'> | undefined | null,
): Judgement | undefined {
  if (!part) return undefined
  const bore = look.of<'rotor' | 'wheel' | 'spacer'>(part, 'boreMm')
  const register = look.car('registerMm')
  const most = look.limit('registerPlayMm')
  if (bore === undefined || register === undefined) return undefined
  const play = bore - register
  const figure = { value: play, dimension: 'length', limit: `0 to ${look.mm(most)}` } as const
  if (play < -1e-9)
    return {
      verdict: 'blocked',
      sentence: `Its bore is ${look.mm(-play)} smaller than the hub’s register: it does not go over.`,
      ...figure,
    }
  if (play <= most + 1e-9) return { verdict: 'fits', sentence: `It is centred with ${look.mm(play)} play.`, ...figure }
  return {
    verdict: 'needs',
    sentence: `Its bore is ${look.mm(play)} larger than the hub’s register: a centring ring is needed.`,
    remedies: [
      {
        kind: 'piece',
        label: `Centring ring ${look.mm(register)} to ${look.mm(bore)}`,
        quantity: 2,
        piece: { id: 'centring-ring', of: `${register.toFixed(1)} ${bore.toFixed(1)}` },
        sentence: 'A centring ring on each side centres it.',
      },
    ],
    ...figure,
  }
}
