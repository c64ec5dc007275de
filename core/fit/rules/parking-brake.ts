import { inCompetitionOnly } from '../../records/uses.ts'
import type { Rule } from '../rule.ts'

export const parkingBrake: Rule = {
  id: 'parking-brake',
  title: 'Parking brake present',
  on: 'any',
  axle: 'rear',
  judge(look) {
    const fitted = look.part('caliper')
    const kept = look.wholeCarWord('parkingBrake')
    if (kept === undefined || !fitted) return undefined
    const road = !inCompetitionOnly(look.facts.project.car.uses)
    const lost = (why: string) => ({
      verdict: road ? ('blocked' as const) : ('check' as const),
      safety: true,
      sentence: `${why} ${road ? 'On the road a working parking brake is required.' : 'In competition ask the scrutineer.'}`,
    })
    if (kept === 'none')
      return { verdict: 'check', safety: true, sentence: 'The car has no parking brake. Check whether local rules allow that.' }
    if (kept === 'separate') return { verdict: 'fits', sentence: 'The parking brake has a caliper of its own.' }
    if (kept === 'transmission') return { verdict: 'fits', sentence: 'The parking brake acts elsewhere.' }
    if (fitted.kind === 'drum')
      return kept === 'lever' || kept === 'shoes'
        ? { verdict: 'fits', sentence: 'The drum brake has the lever.' }
        : lost('The drum brake has no electric drive.')
    if (kept === 'shoes') {
      const hat = look.wordOf(look.rotor(), 'parkingDrum')
      if (hat === undefined) return undefined
      return hat === 'yes'
        ? { verdict: 'fits', sentence: 'The rotor’s hat has the drum for the shoes.' }
        : lost('The rotor has no drum for the parking shoes.')
    }
    const has = look.wordOf(fitted, 'parkingBrake')
    if (has === undefined) return undefined
    return has === kept
      ? { verdict: 'fits', sentence: 'The caliper works the parking brake as before.' }
      : lost('The caliper does not work the car’s parking brake.')
  },
}
