import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { DEMO_PROJECT } from '../demo/project.ts'
import { takeBundle, takeCompany } from '../commands/take-bundle.ts'
import type { Project } from '../records/project.ts'
import type { Setup } from '../records/setup.ts'
import { randomSetup, SETUP, withSetup } from '../testing/setups.ts'
import { evaluate } from '../evaluate/evaluate.ts'
import { VERDICT_RANK, worstVerdict } from '../figures/words.ts'
import { bundleOffers, type Brought, type BundleOffer } from './bundle-offers.ts'
import { runs } from '../testing/runs.ts'

/** What the report says of a kit's axle and the whole car once it is taken as it is offered. */
function taken(project: Project, setupId: string, offer: BundleOffer, company: BundleOffer['company']) {
  const bundle = project.bundles.find((one) => one.id === offer.bundleId)!
  const setup = project.setups.find((one) => one.id === setupId)!
  const empty: Setup = { id: 'new', name: 'New', front: {}, rear: {}, hydraulics: {}, extras: [] }
  const from = setup === project.setups[0] ? empty : { ...structuredClone(setup), id: 'new' }
  const made = takeCompany(takeBundle(from, bundle, project.parts), bundle.axle, company)
  const { fit, findings, bill } = evaluate({ ...project, setups: [...project.setups, made] }, 'new')
  const concerned = [...fit, ...findings].filter((one) => one.axle === undefined || one.axle === bundle.axle)
  return { worst: worstVerdict(concerned.map((one) => one.verdict)), minor: bill.total.likely, made }
}

describe.each(DEMO_PROJECT.setups.map((setup) => setup.id))('kits and donors against %s', (setupId) => {
  const offers = bundleOffers(DEMO_PROJECT, setupId)
  const now = setupId === DEMO_PROJECT.setups[0].id ? 0 : evaluate(DEMO_PROJECT, setupId).bill.total.likely
  test('each brings what was said of it, with its company and alone', () => {
    for (const offer of offers) {
      const with_ = taken(DEMO_PROJECT, setupId, offer, offer.company)
      expect([offer.bundleId, with_.worst, with_.minor - now]).toEqual([offer.bundleId, offer.worst, offer.extraMinor])
      if (!offer.alone) continue
      const alone = taken(DEMO_PROJECT, setupId, offer, {})
      expect([offer.bundleId, alone.worst, alone.minor - now]).toEqual([offer.bundleId, offer.alone.worst, offer.alone.extraMinor])
    }
  })
  test('a company is named where it makes it better, and only there', () => {
    const open = ({ worst, needs, unknowns, blocked }: Brought) => VERDICT_RANK[worst] * 100 + needs + unknowns + blocked
    for (const offer of offers) {
      expect(Object.keys(offer.company).length > 0).toBe(offer.alone !== undefined)
      if (offer.alone) expect(open(offer)).toBeLessThan(open(offer.alone))
      // no slot that the kit itself fills
      const bundle = DEMO_PROJECT.bundles.find((one) => one.id === offer.bundleId)!
      const kit = takeBundle({ id: 'x', name: '', front: {}, rear: {}, hydraulics: {}, extras: [] }, bundle, DEMO_PROJECT.parts)
      for (const slot of Object.keys(offer.company)) expect(bundle.parts).not.toContain(kit[bundle.axle][slot as 'rotor'])
    }
  })
  test('the best come first', () => {
    const ranks = offers.map((one) => VERDICT_RANK[one.worst])
    expect(ranks).toEqual([...ranks].sort((a, b) => a - b))
  })
})

test('a donor whose spacer is missing is offered with the thinnest of the library that lets its wheel turn', () => {
  const estate = bundleOffers(DEMO_PROJECT, 'as-it-stands').find((one) => one.bundleId === 'donor-estate')!
  expect(estate.alone!.why).toMatch(/^Too close/)
  expect([estate.company, estate.companyWords]).toEqual([
    { spacer: 'spacer-3' },
    DEMO_PROJECT.parts.find((one) => one.id === 'spacer-3')!.name,
  ])
  const without = { ...DEMO_PROJECT, parts: DEMO_PROJECT.parts.filter((one) => one.kind !== 'spacer') }
  const alone = bundleOffers(without, 'as-it-stands').find((one) => one.bundleId === 'donor-estate')!
  expect([alone.company, alone.worst]).toEqual([{}, 'needs'])
})

test('one that is there already is not offered with anything else', () => {
  const there = bundleOffers(DEMO_PROJECT, 'estate-fronts').find((one) => one.bundleId === 'donor-estate')!
  expect([there.there, there.company]).toEqual([true, {}])
})

test('in setups made at random each brings what was said of it, with its company and alone', () => {
  let companies = 0
  fc.assert(
    fc.property(randomSetup, (parts) => {
      const project = withSetup(parts)
      const now = evaluate(project, SETUP).bill.total.likely
      for (const offer of bundleOffers(project, SETUP)) {
        const with_ = taken(project, SETUP, offer, offer.company)
        expect([offer.bundleId, with_.worst]).toEqual([offer.bundleId, offer.worst])
        if (offer.extraMinor !== undefined) expect([offer.bundleId, with_.minor - now]).toEqual([offer.bundleId, offer.extraMinor])
        if (!offer.alone) continue
        companies += 1
        expect(VERDICT_RANK[offer.worst]).toBeLessThanOrEqual(VERDICT_RANK[offer.alone.worst])
        expect([offer.bundleId, taken(project, SETUP, offer, {}).worst]).toEqual([offer.bundleId, offer.alone.worst])
      }
    }),
    { numRuns: runs(20, 6), seed: 20261128 },
  )
  expect(companies).toBeGreaterThan(runs(10, 2))
})
