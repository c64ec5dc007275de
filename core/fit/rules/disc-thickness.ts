import type { Rule } from '../rule.ts'
import { asRemedies } from './other-parts.ts'

export const discThickness: Rule = {
  id: 'disc-thickness',
  title: 'Rotor thickness in the caliper',
  on: 'disc',
  judge(look) {
    const caliper = look.caliper()
    const thickness = look.of(look.rotor(), 'thicknessMm')
    const from = look.of(caliper, 'ratedFromMm')
    const to = look.of(caliper, 'ratedToMm')
    if (thickness === undefined || from === undefined || to === undefined) return undefined
    const figure = { value: thickness, dimension: 'length', limit: `${look.mm(from)} to ${look.mm(to)}` } as const
    if (thickness >= from - 1e-9 && thickness <= to + 1e-9)
      return { verdict: 'fits', sentence: `The rotor is ${look.mm(thickness)} thick, inside what the caliper is made for.`, ...figure }
    const sentence = `The rotor is ${look.mm(thickness)} thick; the caliper is made for ${look.mm(from)} to ${look.mm(to)}.`
    // which of them leaves least open is judged with the whole setup
    const others = look
      .library('caliper')
      .filter(
        (one) =>
          one.id !== caliper?.id &&
          one.ratedFromMm &&
          one.ratedToMm &&
          one.ratedFromMm.value <= thickness &&
          one.ratedToMm.value >= thickness &&
          one.mountSpacingMm !== undefined &&
          one.mountSpacingMm.value === caliper?.mountSpacingMm?.value &&
          one.mountType === caliper.mountType,
      )
    if (others.length === 0)
      return { verdict: 'blocked', sentence: `${sentence} No caliper in the library accepts it on this mount.`, ...figure }
    return {
      verdict: 'needs',
      sentence,
      remedies: asRemedies('caliper', others, 'accepts it on the same mount'),
      ...figure,
    }
  },
}
