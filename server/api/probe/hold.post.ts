import { readBounded } from '../../utils/read-bounded.ts'
import { PROBE_FAULTS, probeOf } from '../../utils/simulated-probe.ts'

/** Holds a simulated probe to something and chooses what is wrong with it: `{ id, truthC, fault }`. */
export default defineEventHandler(async (event) => {
  let body: { id?: unknown; truthC?: unknown; fault?: unknown } | null = {}
  try {
    body = JSON.parse((await readBounded(event.node.req, 2000)) ?? '{}') as typeof body
  } catch {
    // falls through to the message below
  }
  const probe = probeOf(body?.id)
  const fault = PROBE_FAULTS.find((one) => one === body?.fault)
  const truthC = body?.truthC
  if (!probe || typeof truthC !== 'number' || !(truthC >= -60 && truthC <= 1500) || !fault) {
    setResponseStatus(event, 400)
    return { message: `Needs { id, truthC: degrees Celsius from -60 to 1500, fault: ${PROBE_FAULTS.join(' or ')} }.` }
  }
  probe.hold(truthC, fault)
  return { ok: true }
})
