import type { GaugeDriver } from './driver.ts'

/** Longer without a word from the gauge is a drop-out, ms. */
const SILENCE_MS = 1500

export const GAUGE_FAULTS = [
  { id: 'none', label: 'none' },
  { id: 'zeroOffset', label: 'zero is off' },
  { id: 'dropOut', label: 'drops out' },
  { id: 'wrongUnit', label: 'switched to inches' },
] as const
export type GaugeFault = (typeof GAUGE_FAULTS)[number]['id']

const post = (path: string, body: object) =>
  fetch(`/api/gauge/${path}`, { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) })

/** Orders one after the other: jaws that are set just before the button is pressed are set when it is. */
function inTurn(): (order: () => Promise<unknown>) => Promise<void> {
  let last: Promise<unknown> = Promise.resolve()
  return async (order) => {
    const mine = last.catch(() => undefined).then(order)
    last = mine
    await mine
  }
}

/** The stand-in that ships with the server: a stream of readings of where its jaws are, with noise and faults at choice. */
export function simulatedGauge(id: string): GaugeDriver & { set(jawMm: number, fault: GaugeFault): Promise<void>; send(): Promise<void> } {
  const queue = inTurn()
  return {
    id: 'simulated',
    label: 'simulated gauge',
    set: (jawMm, fault) => queue(() => post('set', { id, jawMm, fault })),
    send: () => queue(() => post('send', { id })),
    connect(listener) {
      const source = new EventSource(`/api/gauge/stream?id=${encodeURIComponent(id)}`)
      let watch: ReturnType<typeof setTimeout>
      const wait = () => {
        clearTimeout(watch)
        watch = setTimeout(
          () => listener.trouble('Nothing comes from the gauge. Check its battery and cable; what was read so far is kept.'),
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
        // the line carries no unit: it is taken as millimetres, which is what the fault "switched to inches" breaks
        listener.reading({ valueMm: value, sent: said.sent })
      }
      source.onerror = () => listener.trouble('The gauge cannot be reached. It is tried again by itself; type the readings meanwhile.')
      return () => {
        clearTimeout(watch)
        source.close()
      }
    },
  }
}
