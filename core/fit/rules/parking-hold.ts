import type { Rule } from '../rule.ts'

export const parkingHold: Rule = {
  id: 'parking-hold',
  title: 'Parking brake holds',
  on: 'any',
  axle: 'rear',
  judge(look) {
    if (!look.part('caliper')) return undefined
    return look.seen('parking-hold')
      ? { verdict: 'fits', sentence: 'Seen on the car: it holds on the slope.' }
      : {
          verdict: 'check',
          safety: true,
          sentence: 'Try it on a slope of 20 %, or what the local rule says, laden, before the car is used.',
        }
  },
}
