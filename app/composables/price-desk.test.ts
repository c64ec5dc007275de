import { afterEach, beforeEach, describe, expect, test } from '@jest/globals'
import { createPinia, setActivePinia } from 'pinia'
import { DEMO_PROJECT } from '#core/demo/project.ts'
import { quotesWanted } from '#core/cost/quotes-wanted.ts'
import { evaluate } from '#core/evaluate/evaluate.ts'
import { quotesFor, readQuoteRequest } from '../../server/utils/price-desk.ts'
import { saveProject } from '../storage/projects.ts'
import { useProjectStore } from '../stores/project.ts'
import { usePriceDesk } from './price-desk.ts'

let count = 0
async function opened() {
  const id = `desk-${(count += 1)}`
  await saveProject({ ...structuredClone(DEMO_PROJECT), id }, undefined, new Date('2026-09-12T10:00:00Z'))
  const store = useProjectStore()
  await store.open(id)
  return store
}
const real = globalThis.fetch
const answering = (answer: (body: string) => Response | Promise<Response>) => {
  globalThis.fetch = ((_: unknown, init: { body: string }) => Promise.resolve(answer(init.body))) as typeof fetch
}
beforeEach(() => {
  setActivePinia(createPinia())
})
afterEach(() => {
  globalThis.fetch = real
})

describe('the price desk', () => {
  test('is asked for what the setup buys; its quotes are taken into the cost as one step', async () => {
    const store = await opened()
    let asked: unknown
    answering((body) => {
      asked = JSON.parse(body)
      const request = readQuoteRequest(asked)
      return Response.json({ quotes: request.ok ? quotesFor(request.wanted, request.currency, request.date) : [] })
    })
    const desk = usePriceDesk()
    await desk.ask('estate-fronts')
    expect(desk.state.value).toBe('answered')
    expect(asked).toMatchObject({ wanted: JSON.parse(JSON.stringify(quotesWanted(store.current, 'estate-fronts'))), currency: 'EUR' })
    expect(desk.quotes.value.length).toBeGreaterThan(0)
    const before = evaluate(store.current, 'estate-fronts').figures['cost.total'].value
    desk.take('estate-fronts', desk.quotes.value.slice(0, 1))
    expect(evaluate(store.current, 'estate-fronts').figures['cost.total'].value).not.toBe(before)
    expect(store.undoLabel).toBe(`Use the quote of ${desk.quotes.value[0]!.seller}`)
    store.undo()
    expect(evaluate(store.current, 'estate-fronts').figures['cost.total'].value).toBe(before)
  })
  test.each<[string, () => Response | Promise<Response>, RegExp]>([
    ['does not answer', () => Promise.reject(new TypeError('no connection')), /no connection/],
    ['refuses', () => Response.json({ message: 'too many parts at once' }, { status: 400 }), /too many parts at once/],
    ['breaks', () => new Response('<html>', { status: 502 }), /./],
  ])('that %s is said with what to do instead, and changes nothing', async (_, answer, words) => {
    const store = await opened()
    const before = store.project
    answering(answer)
    const desk = usePriceDesk()
    await desk.ask('estate-fronts')
    expect(desk.state.value).toBe('failed')
    expect(desk.trouble.value).toMatch(words)
    expect(desk.trouble.value).toMatch(/You can type prices instead/)
    expect(store.project).toBe(before)
  })
})
