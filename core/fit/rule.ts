import { ORIGINS } from '../quantity/figure.ts'
import type { FitFinding, Judgement } from './finding.ts'
import { Look, type Facts } from './look.ts'
import type { RuleId } from './rules.ts'

/** One interface between two parts: what is compared, and what a mechanic would say of it. */
export interface Rule {
  id: RuleId
  title: string
  /** Rules of discs do not ask anything of a drum. */
  on: 'disc' | 'any'
  /** Only this axle has the interface. */
  axle?: 'rear'
  /**
   * @returns undefined when a figure it looked for is missing, or when there is no such interface
   */
  judge(look: Look): Judgement | undefined
}

/** The line of the bill that stands for a piece that cures a finding. */
export const pieceLineId = (axle: string, rule: RuleId): string => `fit.${axle}.${rule}`

/**
 * What a rule finds. Whatever it looked for and did not find makes the finding unknown, unless what is
 * known already blocks: so no rule can say "fits" of something nobody entered.
 *
 * @returns undefined where there is no such interface
 */
export function check(rule: Rule, facts: Facts): FitFinding | undefined {
  if (rule.axle && rule.axle !== facts.axle) return undefined
  if (rule.on === 'disc' && facts.resolved.caliper?.kind === 'drum') return undefined
  const look = new Look(facts)
  const judged = rule.judge(look)
  if (!judged && look.missing.length === 0) return undefined
  const base = {
    rule: rule.id,
    title: rule.title,
    axle: facts.axle,
    looked: look.looked,
    missing: look.missing,
    ownLimits: look.ownLimits,
    weakest: weakest(look.looked),
  }
  if (look.missing.length > 0 && judged?.verdict !== 'blocked') {
    const [first, ...rest] = look.missing
    const sentence = `Cannot say: not known ${rest.length === 0 ? 'is' : 'are'} ${lowerFirst(first!.what)}${rest.length === 0 ? '' : ` and ${rest.length} more`}.`
    return { ...base, verdict: 'unknown', sentence, remedies: [], safety: false, accepted: false }
  }
  const { verdict, sentence, value, dimension, limit, remedies = [], safety = false } = judged!
  const piece = remedies.find((one) => one.kind === 'piece')
  const accepted =
    verdict === 'needs' && piece !== undefined && facts.setup.extras.some((line) => line.id === pieceLineId(facts.axle, rule.id))
  return {
    ...base,
    verdict: accepted ? 'fits' : verdict,
    sentence: accepted ? `With ${lowerFirst(piece!.kind === 'piece' ? piece!.label : '')} on the bill: ${lowerFirst(sentence)}` : sentence,
    remedies,
    safety,
    accepted,
    ...(value === undefined ? {} : { value }),
    ...(dimension === undefined ? {} : { dimension }),
    ...(limit === undefined ? {} : { limit }),
  }
}

function weakest(looked: FitFinding['looked']): FitFinding['weakest'] {
  const ranks = looked.flatMap((one) => (one.origin ? [ORIGINS.indexOf(one.origin)] : []))
  return ranks.length === 0 ? undefined : ORIGINS[Math.max(...ranks)]
}

const lowerFirst = (text: string): string => (/^[A-Z][a-z]/.test(text) ? text[0]!.toLowerCase() + text.slice(1) : text)
