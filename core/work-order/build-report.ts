import type { InterfaceCheck } from '../fit/interface-check.ts'
import { AXLES } from '../quantity/axle.ts'
import type { Project } from '../records/project.ts'
import { findSetup } from '../records/resolve.ts'
import type { BillLine } from '../cost/bill.ts'
import type { Place } from '../figures/figure.ts'
import { formatMoney, inSentence } from '../quantity/format.ts'
import type { Verdict } from '../figures/verdict.ts'
import type { EvaluatedSetup } from './evaluated-setup.ts'
import { counted, RULE_TITLES } from '../figures/words.ts'
import { changesOf } from './changes.ts'
import { stagesOf, type Stages } from './stages.ts'
import { stillWrong, workOrder, type WorkOrder } from './work-order.ts'

/** What stands in the way, or has to be found out. */
interface OpenQuestion {
  title: string
  sentence: string
  at: Place | undefined
  /** Price of what it could make useless, minor units; undefined: nothing with a price. */
  stakeMinor: number | undefined
}
/** What is bought of one seller. */
interface SellerList {
  /** Empty: nobody says of whom. */
  seller: string
  lines: BillLine[]
  likelyMinor: number
  unpriced: number
}
interface DonorList {
  donor: string
  parts: string[]
  along: string[]
}
interface BuildReport {
  /** Whether the parts can be ordered, and what keeps one from it. */
  says: { verdict: Verdict; sentence: string }
  /** Not empty: there is no order. */
  blockedBy: OpenQuestion[]
  /** The car as it stands, or a setup that changes nothing. */
  nothing: boolean
  order: WorkOrder
  /** What the checks ask for and nobody has accepted. */
  needed: OpenQuestion[]
  findOutFirst: OpenQuestion[]
  shopping: SellerList[]
  along: DonorList[]
  stages: Stages
}

const EMPTY: WorkOrder = { steps: [], minutes: [0, 0], torquesOpen: 0, stillWrong: '' }

/**
 * Everything to make a setup: what to find out first, what to buy of whom, and the work in order; nothing of it while
 * something blocks.
 * @param report of that setup
 */
export function buildReport(project: Project, report: EvaluatedSetup): BuildReport {
  const { fit, findings, bill } = report
  const open = (verdict: 'blocked' | 'unknown' | 'needs'): OpenQuestion[] => [
    ...fit.filter((one) => one.verdict === verdict).map((one) => fromFit(project, report, one)),
    ...findings
      .filter((one) => one.verdict === verdict)
      .map((one) => ({
        title: one.axle ? `${RULE_TITLES[one.rule]}, ${one.axle}` : RULE_TITLES[one.rule],
        sentence: one.sentence,
        at: one.missing[0]?.at,
        stakeMinor: stake(project, report, one.axle, one.rule === 'wheel-clearance' ? ['wheel', 'spacer', 'caliper'] : undefined),
      })),
  ]
  const blockedBy = open('blocked')
  const order = workOrder(project, report.setupId, fit)
  const needed = open('needs')
  const findOutFirst = open('unknown').sort((a, b) => (b.stakeMinor ?? 0) - (a.stakeMinor ?? 0))
  const shopping = bySeller(bill.lines)
  return {
    says: orderSays({ blockedBy, findOutFirst, needed, shopping }, project.preferences.currency),
    blockedBy,
    nothing: order.steps.length === 0,
    order: blockedBy.length > 0 ? EMPTY : { ...order, stillWrong: stillWrong([...fit, ...findings]) },
    needed,
    findOutFirst,
    shopping,
    along: fromDonors(project, report.setupId),
    stages: stagesOf(project, report),
  }
}

/** "Do not order yet: clearance of wheel and caliper, front, is open (EUR 95 at risk)." */
function orderSays(
  { blockedBy, findOutFirst, needed, shopping }: Pick<BuildReport, 'blockedBy' | 'findOutFirst' | 'needed' | 'shopping'>,
  currency: string,
): BuildReport['says'] {
  const named = ({ title }: OpenQuestion) => `${inSentence(title)}${title.includes(',') ? ',' : ''}`
  const [wrong] = blockedBy
  if (wrong) return { verdict: 'blocked', sentence: `Do not order: ${named(wrong)} must not be built this way.` }
  const money = (minor: number) => formatMoney(minor, currency, { whole: true })
  const [first, ...more] = [...findOutFirst, ...needed]
  if (first) {
    const risk = first.stakeMinor === undefined ? '' : ` (${money(first.stakeMinor)} at risk)`
    const open = findOutFirst.length > 0
    return {
      verdict: open ? 'unknown' : 'needs',
      sentence: `Do not order yet: ${named(first)} ${open ? 'is open' : 'needs a fix'}${risk}${more.length > 0 ? `; ${more.length} more to answer` : ''}.`,
    }
  }
  const lines = shopping.reduce((sum, one) => sum + one.lines.length, 0)
  const total = shopping.reduce((sum, one) => sum + one.likelyMinor, 0)
  return {
    verdict: 'fits',
    sentence: lines === 0 ? 'Nothing to buy for this setup.' : `Ready to order: ${counted(lines, 'line')}, ${money(total)}.`,
  }
}

const fromFit = (project: Project, report: EvaluatedSetup, one: InterfaceCheck): OpenQuestion => ({
  title: one.axle ? `${one.title}, ${one.axle}` : one.title,
  sentence: one.sentence,
  at: one.missing[0]?.at,
  stakeMinor: stake(project, report, one.axle, undefined),
})

/** What is to be bought for an axle, or for all of the car. */
function stake(
  project: Project,
  { setupId, bill }: EvaluatedSetup,
  axle: string | undefined,
  slots: readonly string[] | undefined,
): number | undefined {
  const changes = changesOf(project, findSetup(project, setupId)!)
  const parts = new Set(
    AXLES.filter((at) => axle === undefined || at === axle).flatMap((at) =>
      [...changes.axles[at].slots]
        .filter((slot) => !slots || slots.includes(slot))
        .flatMap((slot) => changes.axles[at].now[slot]?.id ?? []),
    ),
  )
  const lines = bill.lines.filter(
    (line) => !line.owned && line.likely !== undefined && (parts.has(line.id) || bundleHolds(project, line.id, parts)),
  )
  return lines.length === 0 ? undefined : lines.reduce((sum, line) => sum + line.likely!, 0)
}
const bundleHolds = (project: Project, lineId: string, parts: ReadonlySet<string>): boolean =>
  project.bundles.some((one) => `bundle.${one.id}` === lineId && one.parts.some((id) => parts.has(id)))

function bySeller(lines: readonly BillLine[]): SellerList[] {
  const bought = lines.filter((line) => !line.owned && line.group !== 'sale' && line.group !== 'labour' && line.group !== 'fee')
  const sellers = [...new Set(bought.map((line) => line.seller ?? ''))]
  return sellers.map((seller) => {
    const mine = bought.filter((line) => (line.seller ?? '') === seller)
    return {
      seller,
      lines: mine,
      likelyMinor: mine.reduce((sum, line) => sum + (line.likely ?? 0), 0),
      unpriced: mine.filter((line) => line.likely === undefined).length,
    }
  })
}

/** What has to come along when a part is taken off a donor; sold apart it is often missing. */
const ALONG: Readonly<Record<string, readonly string[]>> = {
  caliper: [
    'caliper brackets and their bolts',
    'guide pins and boots',
    'pad clips and shims',
    'hoses with their clips, for their length and ends',
  ],
  drum: ['backing plates with wheel cylinders', 'springs, pins and adjusters', 'the ends of the parking cables'],
  rotor: ['the screws that hold the rotors', 'dust shields, where the diameter differs'],
  pad: ['pad clips and wear sensors'],
  hose: ['clips and brackets of the hoses'],
  masterCylinder: ['reservoir with cap and sensor', 'the pushrod as it is set'],
  booster: ['vacuum hose with its check valve', 'the seal to the bulkhead'],
  wheel: ['nuts or bolts with the right seat', 'centring rings'],
}
function fromDonors(project: Project, setupId: string): DonorList[] {
  const changes = changesOf(project, findSetup(project, setupId)!)
  const fresh = new Set(AXLES.flatMap((axle) => [...changes.axles[axle].slots].flatMap((slot) => changes.axles[axle].now[slot]?.id ?? [])))
  return project.bundles
    .filter((one) => one.kind === 'donor')
    .flatMap((donor) => {
      const parts = project.parts.filter((part) => fresh.has(part.id) && donor.parts.includes(part.id) && part.condition !== 'new')
      if (parts.length === 0) return []
      return [
        { donor: donor.name, parts: parts.map((part) => part.name), along: [...new Set(parts.flatMap((part) => ALONG[part.kind] ?? []))] },
      ]
    })
}
