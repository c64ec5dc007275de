import { ORIGINS } from '../quantity/figure.ts'
import type { AxleSlot } from '../model/project.ts'
import type { FitFinding, Judgement } from './finding.ts'
import { Look, type Facts } from './look.ts'
import type { RuleId } from './rules.ts'

/** One interface between two parts: what is compared, and what a mechanic would say of it. */
export interface Rule {
  id: RuleId
  title: string
  /** Rules of discs do not ask anything of a drum; those of the car are looked at once, not for each axle. */
  on: 'disc' | 'any' | 'car'
  /** Only this axle has the interface. */
  axle?: 'rear'
  /** Looks at what stands in each of these slots alone. */
  each?: readonly AxleSlot[]
  /**
   * @returns undefined when a figure it looked for is missing, or when there is no such interface
   */
  judge(look: Look): Judgement | undefined
}

/** Where a finding sits, in a word without spaces: `front.used-part.caliper`, `car.fluid`. */
export const findingKey = ({ axle, rule, slot }: Pick<FitFinding, 'axle' | 'rule' | 'slot'>): string =>
  [axle ?? 'car', rule, slot].filter(Boolean).join('.')

/** The line of the bill that stands for a piece that cures a finding. */
export const pieceLineId = (finding: Pick<FitFinding, 'axle' | 'rule' | 'slot'>): string => `fit.${findingKey(finding)}`

/** Everything a rule finds at one axle, or of the car. */
export const checkAll = (rule: Rule, facts: Facts): FitFinding[] =>
  (rule.each ?? [undefined]).flatMap((slot) => check(rule, slot === undefined ? facts : { ...facts, slot }) ?? [])

/**
 * What a rule finds. Whatever it looked for and did not find makes the finding unknown, unless what is
 * known already blocks: so no rule can say "fits" of something nobody entered. A piece that cures it counts
 * once it is on the bill; until then even a blocker with a remedy blocks.
 *
 * @returns undefined where there is no such interface
 */
export function check(rule: Rule, facts: Facts): FitFinding | undefined {
  if (rule.axle && rule.axle !== facts.axle) return undefined
  if (rule.on === 'disc' && facts.resolved.caliper?.kind === 'drum') return undefined
  const look = new Look(facts)
  const judged = rule.judge(look)
  if (!judged && look.missing.length === 0) return undefined
  const finding: FitFinding = {
    rule: rule.id,
    title: rule.title,
    ...(rule.on === 'car' ? {} : { axle: facts.axle }),
    ...(facts.slot ? { slot: facts.slot } : {}),
    verdict: 'unknown',
    sentence: '',
    remedies: NONE,
    safety: false,
    looked: look.looked,
    missing: look.missing,
    ownLimits: look.ownLimits,
    weakest: weakest(look.looked),
    accepted: false,
  }
  if (look.missing.length > 0 && judged?.verdict !== 'blocked') {
    const [first, ...rest] = look.missing
    finding.sentence = `Cannot say: not known ${rest.length === 0 ? 'is' : 'are'} ${lowerFirst(first!.what)}${rest.length === 0 ? '' : ` and ${rest.length} more`}.`
    return finding
  }
  const { verdict, sentence, value, dimension, limit, remedies = NONE, safety = false } = judged!
  finding.verdict = verdict
  finding.sentence = sentence
  finding.remedies = remedies
  finding.safety = safety
  if (value !== undefined) finding.value = value
  if (dimension !== undefined) finding.dimension = dimension
  if (limit !== undefined) finding.limit = limit
  const piece = verdict === 'fits' ? undefined : remedies.find((one) => one.kind === 'piece')
  if (piece && facts.setup.extras.some((line) => line.id === pieceLineId(finding))) {
    finding.accepted = true
    finding.verdict = 'fits'
    finding.sentence = `With ${lowerFirst(piece.label)} on the bill: ${lowerFirst(sentence)}`
  }
  return finding
}

/** Whether what stands in a slot matters to a rule at all. */
export function looksInto(rule: Rule, facts: Facts): ReadonlySet<AxleSlot> {
  if (rule.each) return new Set(rule.each)
  const look = new Look(facts)
  rule.judge(look)
  return look.slots
}

const NONE: FitFinding['remedies'] = []

function weakest(looked: FitFinding['looked']): FitFinding['weakest'] {
  let worst = -1
  for (const one of looked) if (one.origin) worst = Math.max(worst, ORIGINS.indexOf(one.origin))
  return ORIGINS[worst]
}

const lowerFirst = (text: string): string => (/^[A-Z][a-z]/.test(text) ? text[0]!.toLowerCase() + text.slice(1) : text)
