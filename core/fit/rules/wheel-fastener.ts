import type { Rule } from '../rule.ts'

export const wheelFastener: Rule = {
  id: 'wheel-fastener',
  title: 'Nut or bolt seat in the wheel',
  on: 'any',
  judge(look) {
    const seat = look.wordOf(look.part('wheel'), 'seatShape')
    const nut = look.carWord('nutSeat')
    if (seat === undefined || nut === undefined) return undefined
    if (seat === nut) return { verdict: 'fits', sentence: `Seats are ${seat} on both.`, limit: nut }
    return {
      verdict: 'needs',
      safety: true,
      limit: nut,
      sentence: `The wheel’s seats are ${seat}, the nuts or bolts are ${nut}: they would work loose.`,
      remedies: [
        {
          kind: 'piece',
          label: `Wheel nuts or bolts with ${seat} seats`,
          quantity: 1,
          sentence: 'A set with the wheel’s seat, in the car’s thread.',
        },
      ],
    }
  },
}
