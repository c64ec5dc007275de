import { readBounded } from '../../utils/read-bounded.ts'
import { FAULTS, gaugeOf, type Fault } from '../../utils/simulated-gauge.ts'

/** Puts the jaws of a simulated gauge somewhere and chooses what is wrong with it: `{ id, jawMm, fault }`. */
export default defineEventHandler(async (event) => {
  let body: { id?: unknown; jawMm?: unknown; fault?: unknown } = {}
  try {
    body = JSON.parse((await readBounded(event.node.req, 2000)) ?? '{}') as typeof body
  } catch {
    // falls through to the message below
  }
  const gauge = gaugeOf(body?.id)
  const fault = FAULTS.find((one) => one === body?.fault)
  if (!gauge || typeof body.jawMm !== 'number' || !(Math.abs(body.jawMm) <= 1000) || !fault) {
    setResponseStatus(event, 400)
    return { message: `Needs { id, jawMm: a number of millimetres, fault: ${FAULTS.join(' or ')} }.` }
  }
  gauge.jawMm = body.jawMm
  gauge.fault = fault satisfies Fault
  return { ok: true }
})
