import { inCompetitionOnly } from '../../records/uses.ts'
import type { Fix } from '../interface-check.ts'
import type { Rule } from '../rule.ts'

/** Whether the master cylinder finds its place and its pushrod where the booster is another one, or gone. */
export const boosterMount: Rule = {
  id: 'booster-mount',
  title: 'Master cylinder on booster or bulkhead',
  on: 'car',
  judge(look) {
    const { whole, stock, project } = look.facts
    // what is on the car is on the car, known or not
    if (whole.booster === stock.booster) return undefined
    const now = look.hydraulic('booster')
    const before = look.hydraulic('booster', 'stock')
    if (now === undefined || before === undefined || (now?.id ?? null) === (before?.id ?? null)) return undefined
    const [mounting, pushrod] = now
      ? [look.wordOf(now, 'mounting'), look.wordOf(now, 'pushrod')]
      : [look.wholeCarWord('bareMounting'), look.wholeCarWord('barePushrod')]
    const what = now ? now.name : 'The bulkhead without the booster'
    if (mounting === 'no')
      return { verdict: 'blocked', safety: true, sentence: `${what} does not fit, and the master cylinder has no mount.` }
    const pieces: (Fix & { kind: 'piece' })[] = [
      ...(mounting === 'plate'
        ? [piece('booster-plate', 'Adapter plate for the pedal side', 'Made by a machine shop, stiff enough for a hard stop.')]
        : []),
      ...(pushrod === 'other'
        ? [piece('pushrod', 'Pushrod of another length', 'Set the free play at the piston to the maker’s value.')]
        : []),
    ]
    if (pieces.length > 0) {
      const [first, second] = pieces
      return {
        verdict: 'needs',
        safety: true,
        sentence: `${what}: ${pieces.map((one) => one.label.toLowerCase()).join(' and ')}.`,
        remedies: second
          ? [{ ...first!, label: `${first!.label}, ${second.label.toLowerCase()}`, piece: { id: 'booster-plate-and-pushrod' } }]
          : [first!],
      }
    }
    if (mounting === undefined || pushrod === undefined) return undefined
    if (now) return { verdict: 'fits', sentence: `${now.name} fits, and so does its pushrod.` }
    return inCompetitionOnly(project.car.uses)
      ? { verdict: 'fits', sentence: 'Without the booster the master cylinder bolts on, and the pushrod fits.' }
      : {
          verdict: 'check',
          safety: true,
          sentence: 'Local rules may forbid removing the booster from a road car. Ask before you drive.',
        }
  },
}

const piece = (id: string, label: string, sentence: string): Fix & { kind: 'piece' } => ({
  kind: 'piece',
  label,
  quantity: 1,
  piece: { id },
  sentence,
})
