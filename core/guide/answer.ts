import type { Axle } from '../quantity/axle.ts'
import type { Project } from '../records/project.ts'
import type { QuestionId } from '../records/start-question.ts'
import { formatQuantity } from '../quantity/format.ts'
import { rangeWords } from '../quantity/uncertainty-words.ts'
import { balanceMissing, orderHeadline } from '../evaluate/order-probability.ts'
import type { UncertaintyReport, FigureUncertainty, Contribution } from '../uncertainty/uncertainty-report.ts'
import type { Place } from '../figures/figure.ts'
import type { Verdict } from '../figures/verdict.ts'
import { boundWord, missingSentence } from '../figures/words.ts'
import type { Report } from '../evaluate/report.ts'

/** An answer as far as it goes: a sentence, what stands beside it, and what would sharpen it. */
export interface Answer {
  verdict: Verdict
  sentence: string
  beside: string[]
  /** What of its doubt comes from where, the most first. */
  matters: readonly { label: string; at: Place; share: number }[]
}

export function answerOf(
  project: Project,
  report: Report,
  question: QuestionId,
  axle: Axle,
  doubt?: UncertaintyReport,
): Answer | undefined {
  if (question === 'clears') return clears(report, axle)
  if (question === 'balanced') return balanced(project, report, doubt)
  return undefined
}

function clears(report: Report, axle: Axle): Answer {
  const corner = report.corners[axle]
  const finding = report.findings.find((one) => one.rule === 'wheel-clearance' && one.axle === axle)!
  return {
    verdict: finding.verdict,
    sentence: corner.sentence,
    beside: [
      ...(finding.remedy ? [finding.remedy.sentence] : []),
      ...(corner.wheelIsNominal && corner.gap
        ? ['The wheel is drawn from its marking: good to about 3 mm where nothing was measured.']
        : []),
    ],
    matters: corner.measureNext.filter((one) => one.what !== 'Trial fit').map(({ what, at, share }) => ({ label: what, at, share })),
  }
}

/** "168 N, 90% range 104–253 N" */
function ranged(project: Project, one: FigureUncertainty, dimension: 'force' | 'share'): string {
  const { units } = project.preferences
  const show = (value: number, bare = false) => formatQuantity(value, dimension, units, { bare, decimals: dimension === 'share' ? 0 : 0 })
  return `${show(one.value)}, ${rangeWords(show(one.p05, true), show(one.p95))}`
}

function balanced(project: Project, report: Report, doubt: UncertaintyReport | undefined): Answer {
  const { figures } = report
  const order = report.findings.find((one) => one.rule === 'lock-order')!
  const [force, road, ideal, clamp] = [figures['pedal.force'], figures['bias.road'], figures['bias.ideal'], figures['bias.clamp']]
  const { units } = project.preferences
  const share = (figure: typeof road) => `${boundWord(figure)}${formatQuantity(figure.value, 'share', units)}`
  const beside: string[] = []
  const [ofForce, ofRoad] = [doubt?.figures['pedal.force'], doubt?.figures['bias.road']]
  if (force.value !== undefined)
    beside.push(
      `${force.label}: ${boundWord(force)}${ofForce ? ranged(project, ofForce, 'force') : formatQuantity(force.value, 'force', units)}.`,
    )
  if (road.value !== undefined)
    beside.push(
      `Brake balance, front: ${boundWord(road)}${ofRoad ? ranged(project, ofRoad, 'share') : formatQuantity(road.value, 'share', units)}${ideal.value === undefined ? '' : `; the load on the front axle is ${share(ideal)}`}.`,
    )
  else if (clamp.value !== undefined) beside.push(`Front share of the clamp force: ${share(clamp)}.`)
  const said = { beside, matters: mattersOf(doubt) }
  if (order.verdict === 'unknown') {
    const missing = balanceMissing(report)
    const sentence =
      clamp.value !== undefined && force.value === undefined
        ? `Front share of the clamp force: ${share(clamp)}. The lock-up order needs more values.`
        : missingSentence(missing)
    return {
      verdict: 'unknown',
      sentence,
      ...said,
      beside: clamp.value !== undefined && road.value === undefined ? [missingSentence(missing)] : beside,
    }
  }
  const headline = orderHeadline(report, doubt?.frontFirstOf100)
  return { ...said, ...headline, beside: [...headline.beside, ...beside] }
}

function mattersOf(doubt: UncertaintyReport | undefined): readonly Contribution[] {
  if (!doubt) return []
  return (
    doubt.orderMatters.length > 0 ? doubt.orderMatters : (doubt.figures['bias.road']?.matters ?? doubt.figures['bias.clamp']?.matters ?? [])
  ).slice(0, MOST_NAMED)
}
const MOST_NAMED = 5
