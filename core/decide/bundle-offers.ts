import { slotFor, takeBundle, takeCompany } from '../commands/take-bundle.ts'
import type { AxleSlot, Setup } from '../records/setup.ts'
import type { Bundle } from '../records/bundle.ts'
import type { Project } from '../records/project.ts'
import { findSetup, resolveSetup } from '../records/resolve.ts'
import { evaluate } from '../evaluate/evaluate.ts'
import type { Verdict } from '../figures/verdict.ts'
import { VERDICT_RANK } from '../figures/words.ts'
import { companionPartsBeside, partsInWords } from './companion-parts.ts'

/** What a kit or donor brings to a setup: of the findings that it has a hand in, those that stand open. */
export interface Brought {
  worst: Verdict
  /** The worst finding's sentence; empty when everything fits. */
  why: string
  needs: number
  unknowns: number
  blocked: number
  /** Likely price of the setup with it, against the setup as it is, minor units. */
  extraMinor: number
  /** Lines of that bill without a price. */
  unpriced: number
}
/** What a kit or donor would bring to a setup if it were taken whole. */
export interface BundleOffer extends Brought {
  bundleId: string
  /** All of it is in the setup, bought whole where it has a price. */
  there: boolean
  /** Parts of the library that it goes together better with, by slot of its axle; null: nothing there. */
  company: Readonly<Partial<Record<AxleSlot, string | null>>>
  /** The same in words; empty where there are none. */
  companyWords: string
  /** What it brings without them; absent where there are none. */
  alone?: Brought
}

/**
 * Every kit and donor of the project against a setup, those that bolt on best first: by the worst finding, then by how
 * many of them it brings, then by price. Where one does not go together with what the setup has beside it, the best company
 * of the library is found by the search's walk and looked at in full; it counts where it is better. What concerns the other
 * axle alone is left aside.
 * @throws RangeError when the project has no such setup
 */
export function bundleOffers(project: Project, setupId: string): BundleOffer[] {
  const setup = findSetup(project, setupId)
  if (!setup) throw new RangeError(`no setup ${setupId} in project ${project.id}`)
  // bought is what differs from the car as it stands: from there a new setup is tried
  const base: Setup = { ...setup, id: TRIED, ...(setup === project.setups[0] ? { extras: [] } : {}) }
  const now = setup === project.setups[0] ? 0 : evaluate(project, setupId, { precision: 'linear' }).bill.total.likely
  return project.bundles.map((bundle) => offer(project, base, bundle, now, isThere(project, setup, bundle))).sort(bestFirst)
}

function isThere(project: Project, setup: Setup, bundle: Bundle): boolean {
  const { front, rear, ...hydraulics } = resolveSetup(project, setup)
  const slots: unknown[] = [...Object.values(bundle.axle === 'front' ? front : rear), ...Object.values(hydraulics)]
  const fitted = bundle.parts.every((id) => slots.some((one) => (one as { id?: string } | null | undefined)?.id === id))
  return bundle.parts.length > 0 && fitted && (bundle.price === undefined || (setup.taken?.includes(bundle.id) ?? false))
}

const TRIED = 'tried.bundle'
const worseFirst = (a: Brought, b: Brought): number =>
  VERDICT_RANK[b.worst] - VERDICT_RANK[a.worst] || b.blocked + b.unknowns + b.needs - (a.blocked + a.unknowns + a.needs)
const bestFirst = (a: Brought, b: Brought): number => worseFirst(b, a) || a.extraMinor - b.extraMinor

function offer(project: Project, base: Setup, bundle: Bundle, now: number, there: boolean): BundleOffer {
  const withSetup = (setup: Setup): Project => ({ ...project, setups: [...project.setups, setup] })
  const taken = takeBundle(base, bundle, project.parts)
  const looked = look(withSetup(taken), bundle, now)
  const alone = { bundleId: bundle.id, there, company: {}, companyWords: '', ...looked.brought }
  // a company at its axle cures nothing else
  if (there || !looked.openAtAxle) return alone
  const found = companionPartsBeside(withSetup(taken), TRIED, bundle.axle, slotsOf(project, bundle))
  if (!found || Object.keys(found).length === 0) return alone
  const company = Object.fromEntries(Object.entries(found).map(([slot, part]) => [slot, part?.id ?? null]))
  const { brought } = look(withSetup(takeCompany(taken, bundle.axle, company)), bundle, now)
  return worseFirst(looked.brought, brought) < 0
    ? { ...alone, ...brought, company, companyWords: partsInWords(found), alone: looked.brought }
    : alone
}

/** The slots of its axle that a kit or donor fills. */
const slotsOf = ({ parts }: Project, bundle: Bundle): AxleSlot[] =>
  bundle.parts.flatMap((id) => {
    const part = parts.find((one) => one.id === id)
    const place = part && slotFor(part.kind)
    return place?.of === 'axle' ? [place.slot] : []
  })

function look(tried: Project, bundle: Bundle, now: number): { brought: Brought; openAtAxle: boolean } {
  const { fit, findings, bill } = evaluate(tried, TRIED)
  const concerned = [...fit, ...findings].filter((one) => one.axle === undefined || one.axle === bundle.axle)
  const count = (verdict: Verdict) => concerned.filter((one) => one.verdict === verdict).length
  const worst = concerned.reduce((a, b) => (VERDICT_RANK[b.verdict] > VERDICT_RANK[a.verdict] ? b : a))
  const brought: Brought = {
    worst: worst.verdict,
    why: worst.verdict === 'fits' ? '' : worst.sentence,
    needs: count('needs'),
    unknowns: count('unknown'),
    blocked: count('blocked'),
    extraMinor: bill.total.likely - now,
    unpriced: bill.unpriced,
  }
  return { brought, openAtAxle: concerned.some((one) => one.axle && VERDICT_RANK[one.verdict] >= VERDICT_RANK.needs) }
}
