import { describe, expect, test } from '@jest/globals'
import { DEMO_PROJECT } from '../demo/project.ts'
import { quotesWanted } from '../cost/quotes-wanted.ts'
import { projectProblems } from './check.ts'
import { shippingLineId, takeQuote, type Quote } from './quote.ts'

const quote = (more: Partial<Quote> = {}): Quote => ({
  partId: 'kit4-caliper',
  seller: 'Copse End Rebuilders',
  sellerKind: 'rebuilder',
  condition: 'remanufactured',
  priceMinor: 14_000,
  pieces: 1,
  currency: 'EUR',
  stock: 2,
  depositMinor: 3000,
  shippingMinor: 1150,
  days: 4,
  date: '2026-11-20',
  ...more,
})

describe('a quote that is taken', () => {
  test('is the price, with seller, date, condition and deposit, and one line of shipping', () => {
    const project = structuredClone(DEMO_PROJECT)
    takeQuote(project, 'balanced', quote())
    takeQuote(project, 'balanced', quote({ partId: 'adjustable-valve', priceMinor: 6000 }))
    const part = project.parts.find((one) => one.id === 'kit4-caliper')!
    expect(part).toMatchObject({
      condition: 'remanufactured',
      price: { likelyMinor: 14_000, seller: 'Copse End Rebuilders', depositMinor: 3000, date: '2026-11-20' },
    })
    const setup = project.setups.find((one) => one.id === 'balanced')!
    expect(setup.extras.filter((line) => line.kind === 'shipping')).toHaveLength(1)
    expect(projectProblems(project)).toEqual([])
  })
  test('shipping of a seller who sells nothing any more goes, another’s stays', () => {
    const project = structuredClone(DEMO_PROJECT)
    takeQuote(project, 'balanced', quote())
    takeQuote(project, 'balanced', quote({ seller: 'Hazelmere Motor Factors', condition: 'new' }))
    const ids = project.setups.find((one) => one.id === 'balanced')!.extras.map((line) => line.id)
    expect(ids).toContain(shippingLineId('Hazelmere Motor Factors'))
    expect(ids).not.toContain(shippingLineId('Copse End Rebuilders'))
  })
  test('the inspection of the piece before does not speak for a new one', () => {
    const project = structuredClone(DEMO_PROJECT)
    takeQuote(project, 'estate-fronts', quote({ partId: 'estate-front-caliper', condition: 'used' }))
    expect(project.parts.find((one) => one.id === 'estate-front-caliper')!.inspection).toBeDefined()
    takeQuote(project, 'estate-fronts', quote({ partId: 'estate-front-caliper', condition: 'new' }))
    expect(project.parts.find((one) => one.id === 'estate-front-caliper')!.inspection).toBeUndefined()
  })
})

test('quotes are asked for what a setup buys, with the pieces it takes', () => {
  const wanted = quotesWanted(DEMO_PROJECT, 'balanced')
  expect(wanted.find((one) => one.partId === 'kit4-rotor')).toMatchObject({ pieces: 2, guideMinor: 16_200, maker: 'Quernhill' })
  expect(wanted.find((one) => one.partId === 'kit4-pad')).toMatchObject({ pieces: 1, guideMinor: 8600 })
  expect(wanted.some((one) => one.partId === 'club-wheel')).toBe(false)
  expect(quotesWanted(DEMO_PROJECT, 'as-it-stands')).toEqual([])
})
