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
            sentence: 'Left to right, so that the bleed screws are uppermost.',
          },
        ],
      }
    if (sides === 'same')
      return {
        verdict: 'blocked',
        sentence: 'The rotor’s vanes are directional and both rotors are of one side: one would pump backwards.',
      }
    if (bleed === undefined || vanes === undefined || sides === undefined) return undefined
    return {
      verdict: 'fits',
      sentence:
        vanes === 'directional' ? 'Left and right rotors, bleed screws uppermost.' : 'Bleed screws uppermost; the rotor has no hand.',
    }
  },
}
