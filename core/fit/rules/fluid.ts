import { capital } from '../../quantity/format.ts'
import type { Judgement } from '../interface-check.ts'
import type { RuleInputs } from '../rule-inputs.ts'
import type { Rule } from '../rule.ts'

const WORDS: Record<string, string> = { glycol: 'glycol fluid', silicone: 'silicone fluid', mineral: 'mineral oil' }

/** Fluids of two bases never mix; a change of base is a flushed system with seals made for it. */
export const fluid: Rule = {
  id: 'fluid',
  title: 'Fluid and seals',
  on: 'car',
  judge(look) {
    const fitted = look.hydraulic('fluid')
    const before = look.hydraulic('fluid', 'stock')
    if (!fitted || !before) return undefined
    const base = look.wordOf(fitted, 'base')
    const old = before.id === fitted.id ? base : look.wordOf(before, 'base')
    const seals = look.wholeCarWord('sealsFor')
    const swollen = sealsOfOthers(look, base)
    if (base !== undefined && seals !== undefined && seals !== base && (base === 'mineral' || seals === 'mineral'))
      return {
        verdict: 'blocked',
        safety: true,
        sentence: `${WORDS[base]} in a system whose seals are made for ${WORDS[seals]}: the seals swell and fail.`,
      }
    if (swollen) return swollen
    if (base === undefined || old === undefined || seals === undefined) return undefined
    if (base !== old)
      return {
        verdict: 'blocked',
        safety: true,
        sentence: `${WORDS[base]} where ${WORDS[old]} was: the two must never meet.`,
        ...(base === 'mineral' || old === 'mineral'
          ? {}
          : {
              remedies: [
                {
                  kind: 'piece',
                  label: 'Flushing the whole system, every seal renewed',
                  quantity: 1,
                  piece: { id: 'flush', of: base },
                  sentence: `Empty, dry and rebuild the whole system for ${WORDS[base]}, by a qualified technician.`,
                },
              ],
            }),
      }
    if (base === 'silicone' && seals !== 'silicone')
      return { verdict: 'check', safety: true, sentence: 'Ask the seals’ maker whether they suit silicone fluid.' }
    // grades mix whatever they boil at; the lower figure is shown where both are known
    if (base === 'glycol' && before.id !== fitted.id && fitted.dryBoilC && before.dryBoilC)
      return {
        verdict: 'fits',
        value: Math.min(look.of(fitted, 'dryBoilC')!, look.of(before, 'dryBoilC')!),
        dimension: 'temperature',
        sentence: 'Glycol grades mix; until all of the old is out, the lower boiling point counts.',
      }
    return { verdict: 'fits', sentence: `${capital(WORDS[base]!)}, as before and as the seals are made for.` }
  },
}

/** Calipers that come with seals for another base than the fluid's. */
function sealsOfOthers(look: RuleInputs, base: string | undefined): Judgement | undefined {
  for (const axle of ['front', 'rear'] as const) {
    const brake = look.facts.whole[axle].caliper
    if (!brake) continue
    // the seals that are on the car are said of the car; a caliper that comes new brings its own
    if (brake.id !== look.facts.stock[axle].caliper?.id) look.wordOf(brake, 'seals')
    if (!brake.seals || base === undefined || brake.seals === base) continue
    // silicone seals are the same rubber as those for glycol in most calipers: only mineral oil never goes
    if (brake.seals !== 'mineral' && base !== 'mineral') continue
    return {
      verdict: 'blocked',
      safety: true,
      sentence: `The seals of ${brake.name}, ${axle}, are made for ${WORDS[brake.seals]}, the system holds ${WORDS[base]}.`,
      remedies: [
        {
          kind: 'piece',
          label: `Seals for ${WORDS[base]} in ${brake.name}`.slice(0, 100),
          quantity: 2,
          piece: { id: 'seals', of: `${base} ${brake.id}` },
          sentence: `Rebuild them with seals that their maker names for ${WORDS[base]}, if there are any.`,
        },
      ],
    }
  }
  return undefined
}
