import type { Rule } from '../rule.ts'

/** A vented ring that draws its air from the wheel side draws it past the hat: between ring and hat there must be room. */
export const hatInlet: Rule = {
  id: 'hat-inlet',
  title: 'Air into the rotor past its hat',
  on: 'disc',
  judge(look) {
    const rotor = look.rotor()
    // the heat asks from where it draws air; only one that draws it here has this interface
    if (rotor?.ventilation !== 'vented' || rotor.inlet !== 'wheel') return undefined
    const inner = look.of(rotor, 'frictionInnerDiameterMm')
    const hat = look.of(rotor, 'hatOuterDiameterMm')
    if (inner === undefined || hat === undefined) return undefined
    const gap = (inner - hat) / 2
    const least = look.limit('hatInletMm')
    const figure = { value: gap, dimension: 'length', limit: `at least ${look.mm(least)}` } as const
    return gap < least - 1e-9
      ? {
          verdict: 'needs',
          sentence: `${gap <= 0 ? 'The hat closes' : `Only ${look.mm(gap)} beside the hat leave`} the rotor’s air inlet, which is on the outboard side: fit a rotor with its inlet on the hub side, or with a smaller hat.`,
          ...figure,
        }
      : {
          verdict: 'fits',
          sentence: `${look.mm(gap)} beside the hat let the air in; a rotor with its inlet on the hub side cools better.`,
          ...figure,
        }
  },
}
