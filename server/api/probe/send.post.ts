import { readBounded } from '../../utils/read-bounded.ts'
import { probeOf } from '../../utils/simulated-probe.ts'

/** Presses the button of a simulated probe: its next reading is marked as sent. */
export default defineEventHandler(async (event) => {
  let id: unknown
  try {
    id = (JSON.parse((await readBounded(event.node.req, 2000)) ?? '{}') as { id?: unknown } | null)?.id
  } catch {
    id = undefined
  }
  const probe = probeOf(id)
  if (!probe) {
    setResponseStatus(event, 400)
    return { message: 'Needs { id } with letters, digits or hyphens.' }
  }
  probe.press()
  return { ok: true }
})
