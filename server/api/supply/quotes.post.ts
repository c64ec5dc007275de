import { quotesFor, readQuoteRequest } from '../../utils/price-desk.ts'
import { readBounded } from '../../utils/read-bounded.ts'

const MAX_BYTES = 200_000

/** Quotes of the simulated sellers: body { wanted, currency, date }; 400 with { message } for anything else, 413 when too large. */
export default defineEventHandler(async (event) => {
  const text = await readBounded(event.node.req, MAX_BYTES)
  if (text === undefined) {
    setResponseStatus(event, 413)
    return { message: `The request is larger than ${MAX_BYTES / 1000} kB.` }
  }
  let body: unknown
  try {
    body = JSON.parse(text)
  } catch {
    body = undefined
  }
  const request = readQuoteRequest(body)
  if (!request.ok) {
    setResponseStatus(event, 400)
    return { message: request.message }
  }
  return { date: request.date, quotes: quotesFor(request.wanted, request.currency, request.date) }
})
