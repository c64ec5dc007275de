import type { Rule } from '../rule.ts'
import { asRemedies, likeRotorsOfDiameter } from './other-parts.ts'

/** A rotor below the thickness that is cast into it is renewed. */
export const rotorWorn: Rule = {
  id: 'rotor-worn',
  title: 'Rotor above its minimum thickness',
  on: 'disc',
  judge(look) {
    const rotor = look.rotor()
    // a new one is as thick as it is; of a used one the inspection asks
    if (!rotor?.nowThicknessMm) return undefined
    const now = look.of(rotor, 'nowThicknessMm')
    const least = look.of(rotor, 'minThicknessMm')
    if (now === undefined || least === undefined) return undefined
    const figure = { value: now, dimension: 'length', limit: `at least ${look.mm(least)}` } as const
    if (now >= least - 1e-9)
      return { verdict: 'fits', sentence: `The rotor is ${look.mm(now)} thick now; it may wear to ${look.mm(least)}.`, ...figure }
    const others = likeRotorsOfDiameter(look).filter(
      (one) => !one.nowThicknessMm || (one.minThicknessMm && one.nowThicknessMm.value >= one.minThicknessMm.value),
    )
    return {
      verdict: 'blocked',
      safety: true,
      sentence: `The rotor is ${look.mm(now)} thick, below the ${look.mm(least)} cast into it: it is renewed, on both sides of the axle.`,
      remedies: asRemedies('rotor', others, 'is thick enough'),
      ...figure,
    }
  },
}
