import { normalQuantile } from '../maths/normal.ts'
import { quantile } from '../maths/quantile.ts'
import type { Project } from '../records/project.ts'
import { isTypical } from '../records/way-ids.ts'
import type { Report } from '../evaluate/report.ts'
import { uncertainInputsOf, type UncertainInput } from './uncertain-inputs.ts'
import { UNCERTAIN_FIGURES, valuesOf, type UncertainFigureId, type FigureValues } from './values.ts'
import { withValues } from './with-values.ts'

/** How much of a figure's doubt comes from one that went into it. */
export interface Contribution extends UncertainInput {
  /** Share of the figure's variance, 0 to 1. */
  share: number
  /** The figure's standard uncertainty once this one was measured. */
  leftU: number
}
/** A figure with what the doubts of all that went in make of it: between p05 and p95 in 9 of 10 cases. */
export interface FigureUncertainty {
  id: UncertainFigureId
  value: number
  u: number
  p05: number
  p95: number
  /** From the gradient, or, where that does not do, from draws. */
  by: 'gradient' | 'draws'
  /** What matters most first; what makes less than a hundredth of the variance is left out. */
  matters: readonly Contribution[]
}
export interface UncertaintyReport {
  setupId: string
  figures: Partial<Record<UncertainFigureId, FigureUncertainty>>
  /** In how many of 100 cases the front locks first as far as is asked for; undefined while that is not known. */
  frontFirstOf100: number | undefined
  /** What matters most to that. */
  orderMatters: readonly Contribution[]
  /** Figures that are a class's, not this car's. */
  typical: number
}

const P95 = normalQuantile(0.95)
const DRAWS = 400
/** Where an end of the range by draws is further from that by the gradient than this share of it, the draws count. */
const GRADIENT_MAY_MISS = 0.15
const LEAST_SHARE = 0.01

/** A number from 0 to 1 that is the same on every machine (mulberry32). */
function random(seed: number): () => number {
  let a = seed
  return () => {
    a = (a + 0x6d2b79f5) | 0
    let t = Math.imul(a ^ (a >>> 15), 1 | a)
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
}

/**
 * What the doubts of all that went in make of the figures from foot to road: to first order (GUM, JCGM 100:2008, 5.1.2)
 * by central differences of one standard uncertainty, checked against draws of all of them at once (JCGM 101:2008).
 * Figures that went in are taken as independent of each other.
 *
 * @param report of this setup: what each figure reads is taken from it
 * @param draws how many cases are drawn; none: the gradient alone
 */
export function uncertaintyOf(project: Project, report: Pick<Report, 'setupId' | 'figures'>, draws = DRAWS): UncertaintyReport {
  const { setupId, figures } = report
  const leaves = uncertainInputsOf(project, figures, UNCERTAIN_FIGURES)
  const at = (values: readonly number[]): FigureValues => valuesOf(withValues(project, leaves, values), setupId)
  const middle = leaves.map((one) => one.value)
  const here = valuesOf(project, setupId)
  const sides = leaves.map((leaf, i) => {
    const moved = (by: number) => at(middle.map((value, n) => (n === i ? value + by : value)))
    return { up: moved(leaf.u), down: moved(-leaf.u) }
  })
  const next = random(20261127)
  const drawn = Array.from({ length: draws }, () =>
    at(leaves.map(({ value, u }) => value + u * normalQuantile(Math.min(1 - 1e-9, Math.max(1e-9, next()))))),
  )

  /** Half the change from one end of a leaf's doubt to the other. */
  const slopes = (of: (values: FigureValues) => number | undefined): number[] =>
    sides.map(({ up, down }) => {
      const [a, b] = [of(up), of(down)]
      return a === undefined || b === undefined ? 0 : (a - b) / 2
    })
  const mattersOf = (parts: readonly number[]): { u: number; matters: Contribution[] } => {
    const variance = parts.reduce((sum, one) => sum + one * one, 0)
    const matters = leaves
      .map((leaf, i): Contribution => {
        const share = variance > 0 ? parts[i]! ** 2 / variance : 0
        const left = variance - parts[i]! ** 2 * (1 - (leaf.measuredU / leaf.u) ** 2)
        return { share, leftU: Math.sqrt(Math.max(0, left)), ...leaf }
      })
      .filter((one) => one.share >= LEAST_SHARE)
      .sort((a, b) => b.share - a.share)
    return { u: Math.sqrt(variance), matters }
  }

  const found: UncertaintyReport['figures'] = {}
  for (const id of UNCERTAIN_FIGURES) {
    const value = here.figures[id]
    // a bound has no range of its own
    if (value === undefined || figures[id].atLeast || figures[id].atMost) continue
    const { u, matters } = mattersOf(slopes((values) => values.figures[id]))
    const cases = drawn.flatMap((one) => one.figures[id] ?? []).sort((a, b) => a - b)
    // an order that turns in one case and never in another has no range
    if (cases.length < 0.9 * drawn.length) continue
    const [low, high] = [value - P95 * u, value + P95 * u]
    const [p05, p95] = [quantile(cases, 0.05), quantile(cases, 0.95)]
    const missed = cases.length > 0 && Math.max(Math.abs(p05 - low), Math.abs(p95 - high)) > GRADIENT_MAY_MISS * (high - low) + 1e-12
    found[id] = { id, value, u, matters, ...(missed ? { p05, p95, by: 'draws' } : { p05: low, p95: high, by: 'gradient' }) }
  }
  const margins = drawn.flatMap(({ marginG }) => marginG ?? [])
  const known = here.marginG !== undefined && margins.length > 0
  return {
    setupId,
    figures: found,
    frontFirstOf100: known ? Math.round((100 * margins.filter((one) => one >= -1e-6).length) / margins.length) : undefined,
    orderMatters: known
      ? mattersOf(slopes(({ marginG }) => (marginG === undefined || !Number.isFinite(marginG) ? undefined : marginG))).matters
      : [],
    typical: leaves.filter(isTypical).length,
  }
}
