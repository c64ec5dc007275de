import type { Rule } from '../rule.ts'

export const hatFit: Rule = {
  id: 'hat-fit',
  title: 'Hat over the hub flange',
  on: 'disc',
  judge(look) {
    const inner = look.of(look.rotor(), 'hatInnerDiameterMm')
    const flange = look.car('flangeDiameterMm')
    const hole = look.of(look.rotor(), 'studHoleMm')
    const thread = look.car('threadMm')
    if (inner !== undefined && flange !== undefined && inner < flange - 1e-9)
      return {
        verdict: 'blocked',
        sentence: `The hat is ${look.mm(inner)} wide inside, the hub flange ${look.mm(flange)}: it does not go over.`,
        value: inner,
        dimension: 'length',
        limit: look.mm(flange),
      }
    if (hole !== undefined && thread !== undefined && hole < thread - 1e-9)
      return {
        verdict: 'blocked',
        sentence: `Its holes are ${look.mm(hole)}, the studs ${look.mm(thread)}.`,
        value: hole,
        dimension: 'length',
        limit: look.mm(thread),
      }
    if (inner === undefined || flange === undefined || hole === undefined || thread === undefined) return undefined
    return {
      verdict: 'fits',
      sentence: `The hat goes over the flange with ${look.mm(inner - flange)}.`,
      value: inner,
      dimension: 'length',
      limit: look.mm(flange),
    }
  },
}
