import type { Part } from '../../records/part.ts'
import type { Judgement } from '../interface-check.ts'
import type { Rule } from '../rule.ts'
import { inspectedPart } from './used-part.ts'

/** Used cylinders and boosters are looked over like what sits at the wheels. */
export const usedHydraulics: Rule = {
  id: 'used-hydraulics',
  title: 'Used hydraulics inspected',
  on: 'car',
  judge(look) {
    const parts = [look.facts.whole.masterCylinder, look.facts.whole.booster] as (Part | null | undefined)[]
    const found = parts.flatMap((part) => (part ? (inspectedPart(look, part, 1) ?? []) : []))
    return found.find((one) => one.verdict === 'blocked') ?? together(found.filter((one) => one.verdict === 'needs')) ?? found[0]
  },
}

/** What two parts need, as one piece of the bill: accepting it answers for both. */
function together([one, other]: Judgement[]): Judgement | undefined {
  if (!one || !other) return one
  const [first, second] = [one.remedies![0]!, other.remedies![0]!]
  return first.kind === 'piece' && second.kind === 'piece'
    ? {
        ...one,
        sentence: `${one.sentence} ${other.sentence}`,
        remedies: [
          {
            ...first,
            piece: { id: 'rebuild', of: `${first.piece.of ?? ''} ${second.piece.of ?? ''}` },
            label: `${first.label}; ${second.label}`.slice(0, 100),
            sentence: `${first.sentence} ${second.sentence}`,
          },
        ],
      }
    : one
}
