import type { Judgement } from '../interface-check.ts'
import type { RuleInputs } from '../rule-inputs.ts'
import type { Rule } from '../rule.ts'
import { asRemedies, joiningBrackets } from './other-parts.ts'
import { plainThread } from './same-thread.ts'

interface MountSide {
  type: string | undefined
  spacing: number | undefined
  thread: string | undefined
}

/** Two faces that are bolted together. */
function joint(look: RuleInputs, a: MountSide, b: MountSide, what: string): Judgement | undefined {
  const limitMm = look.limit('mountSpacingMm')
  if (a.type !== undefined && b.type !== undefined && a.type !== b.type)
    return { verdict: 'blocked', sentence: `${what}: a ${a.type} mount on a ${b.type} one.` }
  if (a.spacing !== undefined && b.spacing !== undefined && Math.abs(a.spacing - b.spacing) > limitMm + 1e-9)
    return {
      verdict: 'blocked',
      sentence: `${what}: bolts ${look.mm(a.spacing)} apart on ${look.mm(b.spacing)}.`,
      value: a.spacing,
      dimension: 'length',
      limit: look.mm(b.spacing),
    }
  if (a.thread !== undefined && b.thread !== undefined && plainThread(a.thread) !== plainThread(b.thread))
    return { verdict: 'blocked', sentence: `${what}: ${a.thread} on ${b.thread}.` }
  if (
    a.type === undefined ||
    b.type === undefined ||
    a.spacing === undefined ||
    b.spacing === undefined ||
    a.thread === undefined ||
    b.thread === undefined
  )
    return undefined
  return {
    verdict: 'fits',
    sentence: `${what}: ${a.type}, ${look.mm(a.spacing)}, ${a.thread} on both.`,
    value: a.spacing,
    dimension: 'length',
    limit: look.mm(b.spacing),
  }
}

export const mount: Rule = {
  id: 'mount',
  title: 'Caliper on the knuckle',
  on: 'disc',
  judge(look) {
    const caliper = look.caliper()
    const bracket = look.part('bracket')
    if (!caliper || bracket === undefined) return undefined
    const knuckle: MountSide = { type: look.carWord('mountType'), spacing: look.car('mountSpacingMm'), thread: look.carWord('mountThread') }
    const own: MountSide = {
      type: look.wordOf(caliper, 'mountType'),
      spacing: look.of(caliper, 'mountSpacingMm'),
      thread: look.wordOf(caliper, 'mountThread'),
    }
    if (bracket) {
      const upper = joint(
        look,
        own,
        {
          type: look.wordOf(bracket, 'caliperType'),
          spacing: look.of(bracket, 'caliperSpacingMm'),
          thread: look.wordOf(bracket, 'caliperThread'),
        },
        'Caliper on bracket',
      )
      const lower = joint(
        look,
        {
          type: look.wordOf(bracket, 'knuckleType'),
          spacing: look.of(bracket, 'knuckleSpacingMm'),
          thread: look.wordOf(bracket, 'knuckleThread'),
        },
        knuckle,
        'Bracket on knuckle',
      )
      const bad = [upper, lower].find((one) => one?.verdict === 'blocked')
      return bad ? joined(look, bad) : upper && lower ? { ...lower, sentence: `${upper.sentence} ${lower.sentence}` } : undefined
    }
    const direct = joint(look, own, knuckle, 'Caliper on knuckle')
    return direct?.verdict === 'blocked' ? joined(look, direct) : direct
  },
}

/** What does not go together may be joined by a bracket of the library. */
function joined(look: RuleInputs, bad: Judgement): Judgement {
  const fitted = look.facts.resolved.bracket
  const joins = joiningBrackets(look)
  return joins.length > 0
    ? {
        ...bad,
        verdict: 'needs',
        sentence: `${bad.sentence} ${fitted ? 'Another' : 'A'} bracket joins both.`,
        remedies: asRemedies('bracket', joins, 'fits between'),
      }
    : { ...bad, sentence: `${bad.sentence} No ${fitted ? 'other ' : ''}bracket among the parts joins both.` }
}
