import type { Judgement } from '../interface-check.ts'
import type { Rule } from '../rule.ts'

export const hatFit: Rule = {
  id: 'hat-fit',
  title: 'Hat over hub flange and shoes',
  on: 'disc',
  judge(look) {
    const rotor = look.rotor()
    const inner = look.of(rotor, 'hatInnerDiameterMm')
    const flange = look.car('flangeDiameterMm')
    const depth = look.of(rotor, 'hatDepthMm')
    const room = look.car('hatRoomMm')
    const hole = look.of(rotor, 'studHoleMm')
    const thread = look.car('threadMm')
    // shoes stand in the hat only where they are the parking brake
    const shoes = look.facts.axle === 'rear' && look.facts.project.car.parkingBrake === 'shoes'
    const drum = shoes ? look.of(rotor, 'parkingDrumMm') : undefined
    const over = shoes ? look.car('shoeDiameterMm') : undefined
    const blocked = (value: number, limit: number, sentence: string): Judgement => ({
      verdict: 'blocked',
      value,
      dimension: 'length',
      limit: look.mm(limit),
      sentence,
    })
    if (inner !== undefined && flange !== undefined && inner < flange - 1e-9)
      return blocked(inner, flange, `The hat is ${look.mm(inner)} wide inside, the hub flange ${look.mm(flange)}: it does not go over.`)
    if (depth !== undefined && room !== undefined && depth > room + 1e-9)
      return blocked(
        depth,
        room,
        `The hat is ${look.mm(depth)} deep inside and has ${look.mm(room)}: it contacts the parts behind the hub.`,
      )
    if (hole !== undefined && thread !== undefined && hole < thread - 1e-9)
      return blocked(hole, thread, `Its holes are ${look.mm(hole)}, the studs ${look.mm(thread)}.`)
    if (drum !== undefined && over !== undefined) {
      const most = look.limit('shoePlayMm')
      if (drum < over - 1e-9)
        return blocked(drum, over, `The drum in the hat is ${look.mm(drum)}, the shoes are made for ${look.mm(over)}: it does not go over.`)
      if (drum - over > most + 1e-9)
        return {
          ...blocked(
            drum,
            over,
            `The drum in the hat is ${look.mm(drum - over)} wider than the shoes fit, so they contact on a line and do not hold.`,
          ),
          safety: true,
        }
    }
    const known = ![inner, flange, depth, room, hole, thread].includes(undefined) && (!shoes || (drum !== undefined && over !== undefined))
    return known
      ? {
          verdict: 'fits',
          sentence: `The hat clears the flange by ${look.mm(inner! - flange!)} and has ${look.mm(room! - depth!)} behind it.`,
          value: inner!,
          dimension: 'length',
          limit: look.mm(flange!),
        }
      : undefined
  },
}
