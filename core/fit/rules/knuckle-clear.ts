import type { Rule } from '../rule.ts'

export const knuckleClear: Rule = {
  id: 'knuckle-clear',
  title: 'Inboard half at both locks',
  on: 'disc',
  judge(look) {
    if (!look.part('caliper')) return undefined
    return look.seen('knuckle-clear')
      ? { verdict: 'fits', sentence: 'Seen on the car: the inboard half clears knuckle, strut, tie-rod end and cable.' }
      : {
          verdict: 'check',
          sentence: 'Check at both locks that the inboard half clears knuckle, strut, tie-rod end and sensor cable.',
        }
  },
}
