import { inspected, inspectionOf } from '../../records/inspection.ts'
import type { Part } from '../../records/part.ts'
import type { Judgement } from '../interface-check.ts'
import type { RuleInputs } from '../rule-inputs.ts'
import type { Rule } from '../rule.ts'

/** A used part counts as sound only when every point of its inspection sheet was looked at. */
export const usedPart: Rule = {
  id: 'used-part',
  title: 'Used part inspected',
  on: 'any',
  each: ['caliper', 'bracket', 'rotor', 'pad', 'hose', 'wheel'],
  judge(look) {
    const part = look.facts.resolved[look.facts.slot!] as Part | null | undefined
    return part ? inspectedPart(look, part, part.kind === 'pad' ? 1 : 2) : undefined
  },
}

/** What the inspection sheet of a part says; undefined where it has none. */
export function inspectedPart(look: RuleInputs, part: Part, quantity: number): Judgement | undefined {
  const points = inspectionOf(part)
  if (points.length === 0) return undefined
  const at = { kind: 'part', partId: part.id, field: 'inspection' } as const
  look.touch(part)
  for (const point of points) {
    const found = inspected(part, point)
    const label = `Inspection of ${part.name}: ${point.look[0]!.toLowerCase()}${point.look.slice(1)}`
    look.looked.push({ label, value: found === 'open' ? undefined : found, dimension: 'words', at })
    if (found === 'open')
      look.ask(
        `Inspection of ${part.name}: ${point.look[0]!.toLowerCase()}${point.look.slice(1)}`,
        at,
        'Inspect the part and tick it in Parts.',
      )
  }
  const failed = points.filter((point) => inspected(part, point) === 'failed')
  const fatal = failed.find((point) => point.remedy === undefined)
  if (fatal) return { verdict: 'blocked', safety: true, sentence: `${part.name} must not be used. It failed: ${fatal.fault}.` }
  if (failed.length > 0) {
    const cures = [...new Set(failed.map((point) => point.remedy!))]
    return {
      verdict: 'needs',
      safety: true,
      pricedOnly: true,
      sentence: `${part.name} failed: ${failed.map((point) => point.fault).join('; ')}.`,
      remedies: [
        {
          kind: 'piece',
          label: `${cures.join(', ')} for ${part.name}`.slice(0, 100),
          quantity,
          piece: { id: 'rebuild', of: `${failed.map((point) => point.id).join('+')} ${part.id}` },
          sentence: `${cures.join(', ')}, then have a qualified person inspect it again.`,
        },
      ],
    }
  }
  return {
    verdict: 'fits',
    sentence: `${part.name}: all ${points.length} points passed${part.inspection?.date ? ` on ${part.inspection.date}` : ''}.`,
  }
}
