import type { Rule } from '../rule.ts'

/** Thread of a mount bolt in the knuckle after what it clamps, mm. */
export const boltEngagedMm = (boltLengthMm: number, clampedMm: number): number => boltLengthMm - clampedMm

export const mountBolts: Rule = {
  id: 'mount-bolts',
  title: 'Caliper bolts in the knuckle',
  on: 'disc',
  judge(look) {
    const caliper = look.caliper()
    const bracket = look.part('bracket')
    const length = bracket ? look.of(bracket, 'boltLengthMm') : look.of(caliper, 'boltLengthMm')
    const lug = bracket ? look.of(bracket, 'lugMm') : look.of(caliper, 'lugMm')
    const diameter = look.car('mountBoltMm')
    const depth = look.car('mountDepthMm')
    const material = look.carWord('knuckleMaterial')
    if (
      bracket === undefined ||
      length === undefined ||
      lug === undefined ||
      diameter === undefined ||
      depth === undefined ||
      material === undefined
    )
      return undefined
    const engaged = boltEngagedMm(length, lug + Math.abs(look.facts.resolved.shimMm))
    const needed = look.limit(material === 'aluminium' ? 'threadAluminium' : 'threadSteel') * diameter
    const figure = { value: engaged, dimension: 'length', limit: `at least ${look.mm(needed)}, at most ${look.mm(depth)}` } as const
    if (engaged > depth + 1e-9)
      return {
        ...figure,
        verdict: 'needs',
        safety: true,
        sentence: `The bolts are ${look.mm(engaged - depth)} too long and would bottom before they clamp.`,
        remedies: [
          {
            kind: 'piece',
            label: `Caliper bolts ${look.mm(engaged - depth)} shorter`,
            quantity: 4,
            sentence: 'Shorter bolts of the same grade.',
          },
        ],
      }
    if (engaged < needed - 1e-9)
      return {
        ...figure,
        verdict: 'needs',
        safety: true,
        sentence: `${look.mm(engaged)} of thread hold where ${look.mm(needed)} are needed.`,
        remedies: [
          {
            kind: 'piece',
            label: `Caliper bolts ${look.mm(needed - engaged)} longer`,
            quantity: 4,
            sentence: 'Longer bolts of the same grade.',
          },
        ],
      }
    return { ...figure, verdict: 'fits', sentence: `${look.mm(engaged)} of thread hold in ${material}.` }
  },
}
