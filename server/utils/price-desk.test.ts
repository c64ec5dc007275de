import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { DEMO_PROJECT } from '../../core/demo/project.ts'
import { quotesWanted } from '../../core/cost/quotes-wanted.ts'
import { quotesFor, readQuoteRequest, SELLERS } from './price-desk.ts'

const wanted = quotesWanted(DEMO_PROJECT, 'balanced')

describe('the simulated sellers', () => {
  test('the same day, the same answer; another day other prices and stock', () => {
    const monday = quotesFor(wanted, 'EUR', '2026-11-23')
    expect(quotesFor(wanted, 'EUR', '2026-11-23')).toEqual(monday)
    const tuesday = quotesFor(wanted, 'EUR', '2026-11-24')
    expect(tuesday.map((one) => [one.partId, one.seller])).toEqual(
      expect.arrayContaining(monday.slice(0, 1).map((one) => [one.partId, one.seller])),
    )
    expect(tuesday.map((one) => one.priceMinor)).not.toEqual(monday.map((one) => one.priceMinor))
    expect(tuesday.map((one) => one.stock)).not.toEqual(monday.map((one) => one.stock))
  })
  test('prices stay near what a part costs, used ones below, each part’s cheapest first', () => {
    const quotes = quotesFor(wanted, 'EUR', '2026-11-23')
    expect(quotes.length).toBeGreaterThan(wanted.length)
    for (const { partId, guideMinor, pieces } of wanted) {
      const each = quotes.filter((one) => one.partId === partId).map((one) => one.priceMinor / one.pieces)
      expect(each).toEqual([...each].sort((a, b) => a - b))
      for (const price of each) {
        expect(price).toBeGreaterThan((0.2 * guideMinor!) / pieces)
        expect(price).toBeLessThan((1.3 * guideMinor!) / pieces)
      }
    }
    for (const one of quotes) {
      expect(one.condition).toBe(SELLERS.find((seller) => seller.name === one.seller)!.condition)
      expect(one.depositMinor === undefined).toBe(one.sellerKind !== 'rebuilder')
      if (one.stock === 0) expect(one.days).toBeGreaterThan(7)
    }
  })
  test('nobody sells used pads', () => {
    const pads = quotesFor(
      wanted.filter((one) => one.kind === 'pad'),
      'EUR',
      '2026-11-23',
    )
    expect(pads.every((one) => one.condition === 'new')).toBe(true)
  })
})

describe('a request', () => {
  const good = { wanted: [{ partId: 'a', kind: 'rotor', name: 'Rotor', pieces: 2 }], currency: 'EUR', date: '2026-11-23' }
  test('in order is read', () => {
    expect(readQuoteRequest(good)).toMatchObject({ ok: true, currency: 'EUR' })
  })
  test.each<[string, unknown, RegExp]>([
    ['no object', 'x', /body/],
    ['another currency', { ...good, currency: 'XYZ' }, /currency/],
    ['a date of another kind', { ...good, date: '23.11.2026' }, /2026-05-11/],
    ['no list', { ...good, wanted: {} }, /list/],
    ['too many', { ...good, wanted: Array.from({ length: 201 }, () => good.wanted[0]) }, /200/],
    ['a kind that is none', { ...good, wanted: [{ ...good.wanted[0], kind: 'turbine' }] }, /wanted\[0\]\.kind/],
    ['half a piece', { ...good, wanted: [{ ...good.wanted[0], pieces: 0.5 }] }, /pieces/],
    ['a guide that is no amount', { ...good, wanted: [{ ...good.wanted[0], guideMinor: 'free' }] }, /guideMinor/],
    ['nothing in a row', { ...good, wanted: [null] }, /partId/],
  ])('with %s is refused with a reason', (_, body, message) => {
    expect(readQuoteRequest(body)).toEqual({ ok: false, message: expect.stringMatching(message) })
  })
  test('whatever comes, there is an answer', () => {
    fc.assert(fc.property(fc.anything(), (body) => void expect(typeof readQuoteRequest(body).ok).toBe('boolean')))
  })
})
