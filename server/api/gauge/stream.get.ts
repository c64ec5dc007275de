import { gaugeOf } from '../../utils/simulated-gauge.ts'

const EVERY_MS = 120

/** Readings of a simulated gauge as an event stream: `{ line, sent }`, the line as the gauge would say it. */
export default defineEventHandler((event) => {
  const gauge = gaugeOf(getQuery(event).id)
  if (!gauge) {
    setResponseStatus(event, 400)
    return { message: 'The address needs ?id= with letters, digits or hyphens.' }
  }
  const stream = createEventStream(event)
  const timer = setInterval(() => {
    const said = gauge.read()
    if (said) void stream.push(JSON.stringify(said))
  }, EVERY_MS)
  stream.onClosed(async () => {
    clearInterval(timer)
    await stream.close()
  })
  return stream.send()
})
