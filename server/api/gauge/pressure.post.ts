import { readBounded } from '../../utils/read-bounded.ts'
import { readPressureRequest, readPressures } from '../../utils/simulated-pressure.ts'

/** One reading of the simulated pair of pressure gauges: body { frontMpa, rearMpa, fault }. */
export default defineEventHandler(async (event) => {
  const text = await readBounded(event.node.req, 2000)
  let body: unknown
  try {
    body = JSON.parse(text ?? '')
  } catch {
    body = undefined
  }
  const asked = readPressureRequest(body)
  if (!asked) {
    setResponseStatus(event, 400)
    return { message: 'The body must be { frontMpa, rearMpa, fault }, pressures from 0 to 40 MPa.' }
  }
  return readPressures(asked, Math.random)
})
