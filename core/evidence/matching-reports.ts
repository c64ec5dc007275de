import type { Axle } from '../quantity/axle.ts'
import type { FitReport } from '../records/fit-report.ts'
import type { PartOf } from '../records/part.ts'

/** What a report is held against: the corner of a setup. */
export interface CornerNamed {
  car: string
  axle: Axle
  caliper: Named
  wheel: Named & Partial<Pick<PartOf<'wheel'>, 'diameterIn' | 'widthIn' | 'offsetMm'>>
  spacerMm: number | undefined
}
type Named = { name: string; maker?: string; number?: string }

/**
 * How near a report is: the very thing; the same but for the spacer; the same wheel over the same caliper on
 * another car; a wheel of the same size over the same caliper.
 */
type Nearness = 'exact' | 'otherSpacer' | 'otherCar' | 'sameSize'
export const NEARNESS_WORDS: Record<Nearness, string> = {
  exact: 'this caliper, wheel, spacer and car',
  otherSpacer: 'with another spacer',
  otherCar: 'on another car',
  sameSize: 'with another wheel of this size',
}
const ORDER: readonly Nearness[] = ['exact', 'otherSpacer', 'otherCar', 'sameSize']

/** Spacers of the same nominal thickness, mm. */
const SAME_SPACER_MM = 0.25
/** Offsets so near count as one size, mm. */
const NEAR_OFFSET_MM = 3

/** Names are compared without case, blanks and signs: people write them as they like. */
export function plainName(text: string): string {
  const known = plain.get(text)
  if (known !== undefined) return known
  const name = text
    .normalize('NFKD')
    .toLowerCase()
    .replace(/[^\p{L}\d]+/gu, '')
  if (plain.size >= MOST_NAMES) plain.clear()
  plain.set(text, name)
  return name
}
/** Names of a project are few, and each is compared in every evaluation. */
const plain = new Map<string, string>()
const MOST_NAMES = 2000

const called = (part: Named): Set<string> =>
  new Set(
    [part.name, `${part.maker ?? ''} ${part.name}`, part.number, `${part.maker ?? ''} ${part.number ?? ''}`]
      .filter((text): text is string => text !== undefined && text.trim() !== '' && text.trim() !== part.maker)
      .map(plainName),
  )

/** "6.5J x 15 ET 35" in the midst of a name. */
function sizeIn(text: string): { widthIn: number; diameterIn: number; offsetMm: number | undefined } | undefined {
  const found = /(\d+(?:[.,]\d+)?)\s*J?\s*[x×]\s*(\d{2})(?:.*?ET\s*(-?\d+))?/i.exec(text)
  if (!found) return undefined
  return {
    widthIn: Number(found[1]!.replace(',', '.')),
    diameterIn: Number(found[2]),
    offsetMm: found[3] === undefined ? undefined : Number(found[3]),
  }
}

/** How near a report is to a corner; undefined: it says nothing about it. */
export const nearness = (report: FitReport, corner: CornerNamed): Nearness | undefined => nearnessTo(corner)(report)

/** The same for many reports of one corner. */
function nearnessTo(corner: CornerNamed): (report: FitReport) => Nearness | undefined {
  const caliper = called(corner.caliper)
  const wheel = called(corner.wheel)
  const car = plainName(corner.car)
  return (report) =>
    report.axle === corner.axle && caliper.has(plainName(report.caliper))
      ? howNear(report, corner, plainName(report.car) === car, wheel)
      : undefined
}

function howNear(report: FitReport, corner: CornerNamed, sameCar: boolean, wheel: ReadonlySet<string>): Nearness | undefined {
  if (wheel.has(plainName(report.wheel))) {
    if (!sameCar) return 'otherCar'
    const known = report.spacerMm !== undefined && corner.spacerMm !== undefined
    return known && Math.abs(report.spacerMm! - corner.spacerMm!) <= SAME_SPACER_MM ? 'exact' : 'otherSpacer'
  }
  const size = sizeIn(report.wheel)
  const { diameterIn, widthIn, offsetMm } = corner.wheel
  const alike =
    size !== undefined &&
    diameterIn?.value === size.diameterIn &&
    widthIn?.value === size.widthIn &&
    (size.offsetMm === undefined || offsetMm === undefined || Math.abs(offsetMm.value - size.offsetMm) <= NEAR_OFFSET_MM)
  return sameCar && alike ? 'sameSize' : undefined
}

export interface MatchedReport {
  report: FitReport
  nearness: Nearness
}

/** The reports that say something about a corner, nearest first, then newest. */
export function matchReports(reports: readonly FitReport[], corner: CornerNamed): MatchedReport[] {
  if (reports.length === 0) return []
  const nearnessOf = nearnessTo(corner)
  return reports
    .flatMap((report) => {
      const near = nearnessOf(report)
      return near ? [{ report, nearness: near }] : []
    })
    .sort((a, b) => ORDER.indexOf(a.nearness) - ORDER.indexOf(b.nearness) || (b.report.date ?? '').localeCompare(a.report.date ?? ''))
}

/** What is computed of the corner, mm. */
interface ComputedGap {
  meanMm: number
  u: number
}
/** Standard uncertainty of a gap that somebody reports without one, mm. */
const REPORTED_U_MM = 2
/** Two-sided 95 % of the normal distribution. */
const WITHIN_95 = 1.959964

/**
 * Whether a report of the very corner contradicts the figures: it touches where they clear for sure, or the other way
 * round, or its gap is further off than both can be (the difference of two values against its uncertainty, GUM 4.2).
 *
 * @returns undefined when they agree, or the sentence that says how they do not
 */
export function contradiction(report: FitReport, computed: ComputedGap, mm: (value: number) => string): string | undefined {
  const reach = WITHIN_95 * computed.u
  if (report.gapMm) {
    const off = report.gapMm.value - computed.meanMm
    const allowed = WITHIN_95 * Math.hypot(report.gapMm.u ?? REPORTED_U_MM, computed.u)
    return Math.abs(off) > allowed
      ? `The report says ${mm(report.gapMm.value)}, the calculation ${mm(computed.meanMm)}: one of the two is wrong.`
      : undefined
  }
  if (report.outcome === 'touches' && computed.meanMm - reach > 0)
    return `The report says contact; the calculated clearance is ${mm(computed.meanMm)}.`
  if (report.outcome === 'clears' && computed.meanMm + reach < 0)
    return `The report says it clears; the calculation gives contact by ${mm(-computed.meanMm)}.`
  return undefined
}
