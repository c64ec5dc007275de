import type { Bundle, Project, Setup } from '../model/project.ts'
import { findSetup, resolveSetup } from '../model/resolve.ts'
import { takeBundle } from '../edit/take-bundle.ts'
import { evaluate } from './evaluate.ts'
import type { FindingVerdict } from './figure/finding.ts'
import { VERDICT_RANK } from './figure/words.ts'

/** What a kit or donor would bring to a setup if it were taken whole. */
export interface BundleOffer {
  bundleId: string
  worst: FindingVerdict
  /** The worst finding's sentence; empty when everything fits. */
  why: string
  needs: number
  unknowns: number
  blocked: number
  /** All of it is in the setup, bought whole where it has a price. */
  there: boolean
  /** Likely price of the setup with it, against the setup as it is, minor units. */
  extraMinor: number
  /** Lines of that bill without a price. */
  unpriced: number
}

/**
 * Every kit and donor of the project against a setup, those that bolt on best first: by the worst finding, then by how
 * many of them it brings, then by price. What concerns the other axle alone is left aside.
 * @throws RangeError when the project has no such setup
 */
export function bundleOffers(project: Project, setupId: string): BundleOffer[] {
  const setup = findSetup(project, setupId)
  if (!setup) throw new RangeError(`no setup ${setupId} in project ${project.id}`)
  // bought is what differs from the car as it stands: from there a new setup is tried
  const base: Setup = { ...setup, id: TRIED, ...(setup === project.setups[0] ? { extras: [] } : {}) }
  const now = setup === project.setups[0] ? 0 : evaluate(project, setupId, { precision: 'linear' }).bill.total.likely
  return project.bundles
    .map((bundle) => ({ ...offer(project, base, bundle, now), there: isThere(project, setup, bundle) }))
    .sort(
      (a, b) =>
        VERDICT_RANK[a.worst] - VERDICT_RANK[b.worst] ||
        a.blocked + a.unknowns + a.needs - (b.blocked + b.unknowns + b.needs) ||
        a.extraMinor - b.extraMinor,
    )
}

function isThere(project: Project, setup: Setup, bundle: Bundle): boolean {
  const { front, rear, ...hydraulics } = resolveSetup(project, setup)
  const slots: unknown[] = [...Object.values(bundle.axle === 'front' ? front : rear), ...Object.values(hydraulics)]
  const fitted = bundle.parts.every((id) => slots.some((one) => (one as { id?: string } | null | undefined)?.id === id))
  return bundle.parts.length > 0 && fitted && (bundle.price === undefined || (setup.taken?.includes(bundle.id) ?? false))
}

const TRIED = 'tried.bundle'

function offer(project: Project, base: Setup, bundle: Bundle, now: number): Omit<BundleOffer, 'there'> {
  const tried: Project = { ...project, setups: [...project.setups, takeBundle(base, bundle, project.parts)] }
  const { fit, findings, bill } = evaluate(tried, TRIED, { precision: 'linear' })
  const concerned = [...fit, ...findings].filter((one) => one.axle === undefined || one.axle === bundle.axle)
  const count = (verdict: FindingVerdict) => concerned.filter((one) => one.verdict === verdict).length
  const worst = concerned.reduce((a, b) => (VERDICT_RANK[b.verdict] > VERDICT_RANK[a.verdict] ? b : a))
  return {
    bundleId: bundle.id,
    worst: worst.verdict,
    why: worst.verdict === 'fits' ? '' : worst.sentence,
    needs: count('needs'),
    unknowns: count('unknown'),
    blocked: count('blocked'),
    extraMinor: bill.total.likely - now,
    unpriced: bill.unpriced,
  }
}
