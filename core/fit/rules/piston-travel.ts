import type { Rule } from '../rule.ts'

/** How far a piston stands out when rotor and pads are at their minimum, mm: half of it each where pistons face each other. */
const wornExtensionMm = (construction: 'fixed' | 'sliding', slotWidthMm: number, minRotorMm: number, minPadMm: number): number =>
  (slotWidthMm - minRotorMm - 2 * minPadMm) / (construction === 'fixed' ? 2 : 1)

export const pistonTravel: Rule = {
  id: 'piston-travel',
  title: 'Piston travel with worn pads and rotor',
  on: 'disc',
  judge(look) {
    const caliper = look.caliper()
    const construction = look.wordOf(caliper, 'construction')
    const slot = look.of(caliper, 'slotWidthMm')
    const rotor = look.of(look.rotor(), 'minThicknessMm')
    const pad = look.of(look.pad(), 'minThicknessMm')
    const safe = look.of(caliper, 'pistonTravelMm')
    if (!construction || slot === undefined || rotor === undefined || pad === undefined || safe === undefined) return undefined
    const out = wornExtensionMm(construction as 'fixed' | 'sliding', slot, rotor, pad)
    const figure = { value: out, dimension: 'length', limit: `at most ${look.mm(safe)}` } as const
    if (out <= safe + 1e-9)
      return {
        verdict: 'fits',
        sentence: `With worn pads and rotor a piston protrudes ${look.mm(out)}, ${look.mm(safe)} allowed.`,
        ...figure,
      }
    const earlierMm = construction === 'fixed' ? out - safe : (out - safe) / 2
    return {
      verdict: 'needs',
      safety: true,
      sentence: `With worn pads and rotor a piston protrudes ${look.mm(out)}, ${look.mm(safe)} allowed: fit a thicker rotor or thicker pads.`,
      remedies: [
        {
          kind: 'piece',
          label: `Pads changed ${look.mm(earlierMm)} before their minimum`,
          quantity: 1,
          piece: { id: 'pads-changed-early', mm: earlierMm, enough: 'atLeast' },
          sentence: 'Pads that are changed earlier, written into the log.',
        },
      ],
      ...figure,
    }
  },
}
