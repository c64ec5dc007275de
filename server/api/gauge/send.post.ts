import { readBounded } from '../../utils/read-bounded.ts'
import { gaugeOf } from '../../utils/simulated-gauge.ts'

/** Presses the button of a simulated gauge: its next reading is marked as sent. */
export default defineEventHandler(async (event) => {
  let id: unknown
  try {
    id = (JSON.parse((await readBounded(event.node.req, 2000)) ?? '{}') as { id?: unknown } | null)?.id
  } catch {
    id = undefined
  }
  const gauge = gaugeOf(id)
  if (!gauge) {
    setResponseStatus(event, 400)
    return { message: 'Needs { id } with letters, digits or hyphens.' }
  }
  gauge.press()
  return { ok: true }
})
