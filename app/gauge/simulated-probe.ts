import type { GaugeDriver } from './driver.ts'
import { inTurn, listenTo } from './stream.ts'

export const PROBE_FAULTS = [
  { id: 'none', label: 'none' },
  { id: 'late', label: 'slow to warm up' },
  { id: 'emissivity', label: 'set to the wrong emissivity' },
] as const
export type SimulatedProbeFault = (typeof PROBE_FAULTS)[number]['id']

const post = (path: string, body: object) =>
  fetch(`/api/probe/${path}`, { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) })

/** The temperature probe that ships with the server: it is held to something as hot as it is told, with noise and faults. */
export function simulatedProbe(
  id: string,
): GaugeDriver & { hold(truthC: number, fault: SimulatedProbeFault): Promise<void>; send(): Promise<void> } {
  const queue = inTurn()
  return {
    id: 'simulatedProbe',
    label: 'simulated temperature probe',
    hold: (truthC, fault) => queue(() => post('hold', { id, truthC, fault })),
    send: () => queue(() => post('send', { id })),
    connect: (listener) => listenTo(`/api/probe/stream?id=${encodeURIComponent(id)}`, 'probe', listener),
  }
}
