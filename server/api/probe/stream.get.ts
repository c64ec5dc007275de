import { probeOf } from '../../utils/simulated-probe.ts'

const EVERY_MS = 120

/** Readings of a simulated probe as an event stream: `{ line, sent }`, degrees Celsius. */
export default defineEventHandler((event) => {
  const probe = probeOf(getQuery(event).id)
  if (!probe) {
    setResponseStatus(event, 400)
    return { message: 'The address needs ?id= with letters, digits or hyphens.' }
  }
  const stream = createEventStream(event)
  const timer = setInterval(() => void stream.push(JSON.stringify(probe.read())), EVERY_MS)
  stream.onClosed(async () => {
    clearInterval(timer)
    await stream.close()
  })
  return stream.send()
})
