import type { GaugeListener } from './driver.ts'

/** Longer without a word is a drop-out, ms. */
const SILENCE_MS = 1500

/** Listens to a gauge that speaks lines of numbers over an event stream. @returns how to stop */
export function listenTo(address: string, what: string, listener: GaugeListener): () => void {
  const source = new EventSource(address)
  let watch: ReturnType<typeof setTimeout>
  const wait = () => {
    clearTimeout(watch)
    watch = setTimeout(
      () => listener.trouble(`No readings arrive from the ${what}. Check its battery and cable; earlier readings are saved.`),
      SILENCE_MS,
    )
  }
  wait()
  source.onmessage = (event: MessageEvent<string>) => {
    const said = JSON.parse(event.data) as { line: string; sent: boolean }
    const value = Number(said.line)
    if (!Number.isFinite(value)) return
    wait()
    listener.trouble('')
    // the line carries no unit: it is taken as the one the gauge is for, which is what a wrong setting breaks
    listener.reading({ value, sent: said.sent })
  }
  source.onerror = () => listener.trouble(`The ${what} cannot be reached. It is tried again by itself; type the readings meanwhile.`)
  return () => {
    clearTimeout(watch)
    source.close()
  }
}

/** Orders one after the other: jaws that are set just before the button is pressed are set when it is. */
export function inTurn(): (order: () => Promise<unknown>) => Promise<void> {
  let last: Promise<unknown> = Promise.resolve()
  return async (order) => {
    const mine = last.catch(() => undefined).then(order)
    last = mine
    await mine
  }
}
