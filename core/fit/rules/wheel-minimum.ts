import type { ResolvedAxle } from '../../records/resolve.ts'
import type { Rule } from '../rule.ts'

/** Whether the wheel is smaller than the caliper's maker states. */
export const isBelowMinimum = ({ caliper, wheel }: Pick<ResolvedAxle, 'caliper' | 'wheel'>): boolean =>
  caliper?.kind === 'caliper' && (wheel?.diameterIn?.value ?? Infinity) < (caliper.minWheelIn?.value ?? -Infinity)

export const wheelMinimum: Rule = {
  id: 'wheel-minimum',
  title: 'Smallest wheel by the maker',
  on: 'disc',
  judge(look) {
    const caliper = look.caliper()
    // nobody has to state one
    if (!caliper?.minWheelIn) return undefined
    const least = look.of(caliper, 'minWheelIn')
    const wheel = look.part('wheel')
    const has = look.of(wheel, 'diameterIn')
    if (least === undefined || has === undefined) return undefined
    const figure = { value: has, dimension: 'count', limit: `${least} in` } as const
    if (has >= least)
      return {
        verdict: 'check',
        sentence: `The maker states ${least} inches as the smallest wheel; that alone does not clear: see the wheel clearance.`,
        ...figure,
      }
    return wheel?.profile
      ? {
          verdict: 'check',
          sentence: `The maker states ${least} inches as the smallest wheel, this one has ${has}; it was measured, and the clearance decides.`,
          ...figure,
        }
      : {
          verdict: 'blocked',
          sentence: `The maker states ${least} inches as the smallest wheel, this one has ${has} and was not measured.`,
          ...figure,
        }
  },
}
