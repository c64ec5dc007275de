import type { Rule } from '../rule.ts'

export const handedness: Rule = {
  id: 'handedness',
  title: 'Left and right',
  on: 'disc',
  judge(look) {
    const caliper = look.caliper()
    const rotor = look.rotor()
    const bleed = look.wordOf(caliper, 'bleedUppermost')
    const vanes = look.wordOf(rotor, 'vanes')
    const sides = vanes === 'directional' ? look.wordOf(rotor, 'sides') : 'pair'
    // the smaller piston leads: with pistons of two sizes there is a left and a right caliper
    const staggered = new Set(look.list(caliper, 'pistonsMm')).size > 1
    const hands = staggered ? look.wordOf(caliper, 'sides') : 'pair'
    if (bleed === 'no')
      return {
        verdict: 'needs',
        safety: true,
        sentence: 'The bleed screw does not point upwards: air stays in. Swap the calipers left and right.',
        remedies: [
          {
            kind: 'piece',
            label: 'Calipers swapped side to side',
            quantity: 1,
            piece: { id: 'swap-sides' },
            sentence: 'Left to right, so that the bleed screws are uppermost.',
          },
        ],
      }
    if (sides === 'same')
      return {
        verdict: 'blocked',
        sentence: 'The rotor’s vanes are directional and both rotors are of one side: one would pump backwards.',
      }
    if (hands === 'same')
      return {
        verdict: 'blocked',
        sentence: 'The pistons are staggered and both calipers are of one side: on one wheel the larger piston would lead.',
      }
    if (bleed === undefined || vanes === undefined || sides === undefined || hands === undefined) return undefined
    return {
      verdict: 'fits',
      sentence: `Bleed screws uppermost; ${vanes === 'directional' ? 'a left and a right rotor' : 'the rotor has no hand'}${staggered ? ', a left and a right caliper' : ''}.`,
    }
  },
}
