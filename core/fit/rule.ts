import { ORIGINS, type Origin } from '../quantity/figure.ts'
import { inSentence } from '../quantity/format.ts'
import { DEFAULT_UNITS } from '../quantity/units.ts'
import type { Axle } from '../quantity/axle.ts'
import type { AxleSlot, ExtraLine } from '../records/setup.ts'
import { notEnoughData } from '../records/question.ts'
import type { InterfaceCheck, Judgement, Fix } from './interface-check.ts'
import type { Verdict } from '../figures/verdict.ts'
import { isFixItemKey, serves } from './fix-item.ts'
import { RuleInputs, type Facts } from './rule-inputs.ts'
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
  judge(look: RuleInputs): Judgement | undefined
}

/** Which finding it is: of which rule, where. */
export interface CheckPlace {
  rule: RuleId
  axle?: Axle | undefined
  slot?: AxleSlot | undefined
}
/** Where a finding sits, in a word without spaces: `front.used-part.caliper`, `car.fluid`. */
export const checkKey = ({ axle, rule, slot }: CheckPlace): string =>
  slot === undefined ? `${axle ?? 'car'}.${rule}` : `${axle ?? 'car'}.${rule}.${slot}`

/** The line of the bill that stands for a piece that cures a finding. */
export const fixLineId = (finding: CheckPlace): string => `fit.${checkKey(finding)}`

/** Whether a line of the bill is the piece that a rule asks for; lines of older files say it by their name in millimetres. */
function curedBy(line: ExtraLine, wanted: Fix & { kind: 'piece' }, rule: Rule, facts: Facts): boolean {
  if (line.cures !== undefined && isFixItemKey(line.cures)) return serves(line.cures, wanted.piece)
  const { project } = facts
  const inMm = { ...facts, project: { ...project, preferences: { ...project.preferences, units: DEFAULT_UNITS } } }
  const label = (rule.judge(new RuleInputs(inMm))?.remedies?.find((one) => one.kind === 'piece')?.label ?? '').slice(0, 120)
  return line.cures === undefined ? line.label.startsWith(label) : line.cures === label
}

/** The slots that each rule looked into, by its id. */
export type SlotsRead = Map<RuleId, readonly AxleSlot[]>
/** Whether another part in a slot can change what a rule finds, going by what it looked into with the part that is there. */
export const mayChange = (rule: Rule, slot: AxleSlot, noted: SlotsRead): boolean =>
  rule.each !== undefined || (noted.get(rule.id)?.includes(slot) ?? true)

/**
 * Everything a rule finds at one axle, or of the car.
 * @param noted takes down what it looked into
 */
export function checkAll(rule: Rule, facts: Facts, noted?: SlotsRead): InterfaceCheck[] {
  const found: InterfaceCheck[] = []
  for (const slot of rule.each ?? NOWHERE) {
    const one = check(rule, withSlot(facts, slot), noted)
    if (one) found.push(one)
  }
  return found
}
const NOWHERE = [undefined]
/** The facts of a slot that is looked at alone. */
const withSlot = (facts: Omit<Facts, 'slot'>, slot: AxleSlot | undefined): Facts => (slot === undefined ? facts : { slot, ...facts })

/**
 * What a rule finds. Whatever it looked for and did not find makes the finding unknown, unless what is
 * known already blocks: so no rule can say "fits" of something nobody entered. A piece that cures it counts
 * once it is on the bill; until then even a blocker with a remedy blocks.
 *
 * @returns undefined where there is no such interface
 */
export function check(rule: Rule, facts: Facts, noted?: SlotsRead): InterfaceCheck | undefined {
  const look = new RuleInputs(facts)
  const said = evaluateRule(rule, facts, look)
  noted?.set(rule.id, look.slots)
  if (!said) return undefined
  const { judged, verdict, sentence, accepted } = said
  const known = verdict !== 'unknown'
  const finding: InterfaceCheck = {
    rule: rule.id,
    title: rule.title,
    verdict,
    sentence,
    remedies: judged?.remedies ?? NONE,
    safety: judged?.safety ?? false,
    looked: look.looked,
    missing: look.missing,
    ownLimits: look.ownLimits,
    weakest: weakest(look.looked),
    accepted,
    unpriced: said.unpriced ?? false,
  }
  if (rule.on !== 'car') finding.axle = facts.axle
  if (rule.each && facts.slot) finding.slot = facts.slot
  if (known && judged?.value !== undefined) finding.value = judged.value
  if (known && judged?.dimension !== undefined) finding.dimension = judged.dimension
  if (known && judged?.limit !== undefined) finding.limit = judged.limit
  return finding
}

/**
 * The verdict alone, for lists of hundreds of parts; what a mechanic would say of it is asked for apart.
 * @param look eyes that watch the part, used for one rule after the other
 * @returns undefined where there is no such interface, or where the part has no hand in it
 */
export function verdictOn(rule: Rule, look: RuleInputs): Verdict | undefined {
  const said = evaluateRule(rule, look.facts, look.restart())
  return said?.look.touched ? said.verdict : undefined
}
/** The verdicts of a rule at one axle, or of the car, without what would be said of them. */
export function verdictsOf(rule: Rule, facts: Facts): (CheckPlace & { title: string; verdict: Verdict })[] {
  const found: (CheckPlace & { title: string; verdict: Verdict })[] = []
  for (const slot of rule.each ?? NOWHERE) {
    const here = withSlot(facts, slot)
    const said = evaluateRule(rule, here, new RuleInputs(here, NOBODY))
    if (said)
      found.push({ rule: rule.id, axle: rule.on === 'car' ? undefined : facts.axle, slot, title: rule.title, verdict: said.verdict })
  }
  return found
}
/** No part has this id: a look that watches it writes nothing down but what is missing. */
const NOBODY = ''
export const sentenceOn = (rule: Rule, facts: Facts): string => evaluateRule(rule, facts)?.sentence ?? ''

interface Said {
  look: RuleInputs
  judged: Judgement | undefined
  verdict: Verdict
  sentence: string
  accepted: boolean
  unpriced?: boolean
}

function evaluateRule(rule: Rule, facts: Facts, look = new RuleInputs(facts)): Said | undefined {
  if (rule.axle && rule.axle !== facts.axle) return undefined
  if (rule.on === 'disc' && facts.resolved.caliper?.kind === 'drum') return undefined
  const judged = rule.judge(look)
  const { missing } = look
  if (!judged && missing.length === 0) return undefined
  if (missing.length > 0 && judged?.verdict !== 'blocked') {
    // what is known to be wrong is said first, whatever else is open
    const wrong = judged?.verdict === 'needs' ? judged : undefined
    const sentence = wrong ? `${wrong.sentence} ${notEnoughData(missing)}` : notEnoughData(missing)
    return { look, judged: wrong, verdict: 'unknown', sentence, accepted: false }
  }
  const { verdict, sentence, remedies } = judged!
  const piece = verdict === 'fits' ? undefined : remedies?.find((one) => one.kind === 'piece')
  const place = { rule: rule.id, axle: rule.on === 'car' ? undefined : facts.axle, slot: rule.each ? facts.slot : undefined }
  const line = piece && facts.setup.extras.find((one) => one.id === fixLineId(place))
  if (line && piece && !curedBy(line, piece, rule, facts))
    return { look, judged, verdict, sentence: `${sentence} The piece on the parts list does not match.`, accepted: false }
  if (line && piece && judged?.pricedOnly && !line.price && !line.owned)
    return { look, judged, verdict, sentence: `${sentence} The fix is on the parts list without a price.`, accepted: false, unpriced: true }
  if (line && piece)
    return {
      look,
      judged,
      verdict: 'fits',
      sentence: `With ${inSentence(piece.label)} on the parts list: ${inSentence(sentence)}`,
      accepted: true,
    }
  // what a class of cars has is no figure of this one
  if (verdict === 'fits' && look.typical !== undefined)
    return { look, judged, verdict: 'check', sentence: `${sentence} ${typicalWords(look.typical)}`, accepted: false }
  return { look, judged, verdict, sentence, accepted: judged!.accepted ?? false }
}

const typicalWords = (what: string): string => `This uses a typical value (${inSentence(what)}): measure it on the car.`

/** The slots that a rule looks into as things stand; with another kind of brake it may look into others. */
export function slotsReadBy(rule: Rule, facts: Facts): ReadonlySet<AxleSlot> {
  if (rule.each) return new Set(rule.each)
  const look = new RuleInputs(facts)
  rule.judge(look)
  return new Set(look.slots)
}

const NONE: InterfaceCheck['remedies'] = []
const ORIGIN_RANK = Object.fromEntries(ORIGINS.map((one, at) => [one, at])) as Readonly<Record<Origin, number>>

function weakest(looked: InterfaceCheck['looked']): InterfaceCheck['weakest'] {
  let worst = -1
  for (const { origin } of looked) if (origin && ORIGIN_RANK[origin] > worst) worst = ORIGIN_RANK[origin]
  return ORIGINS[worst]
}
