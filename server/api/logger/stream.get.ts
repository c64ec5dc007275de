import { EVERY_S, loggedStop, stopAsked } from '../../utils/simulated-logger.ts'

/** One stop of a simulated logger as an event stream: `[seconds, km/h]` a sample, then `end`. */
export default defineEventHandler((event) => {
  const asked = stopAsked(getQuery(event))
  if (!asked) {
    setResponseStatus(event, 400)
    return {
      message:
        'The address needs ?fromKmh= (20 to 300) and &decelG= (0.1 to 2). Optional are &fault= none, lateTrigger, dropOut or lockedWheel, and &pace= 1 to 50.',
    }
  }
  const samples = loggedStop(asked, Math.random)
  const stream = createEventStream(event)
  const from = Date.now()
  let next = 0
  const timer = setInterval(() => {
    const now = ((Date.now() - from) / 1000) * asked.pace
    while (next < samples.length && samples[next]![0] <= now) {
      void stream.push(JSON.stringify(samples[next]))
      next += 1
    }
    if (next < samples.length) return
    clearInterval(timer)
    void stream.push({ event: 'end', data: '' })
  }, EVERY_S * 1000)
  stream.onClosed(async () => {
    clearInterval(timer)
    await stream.close()
  })
  return stream.send()
})
