import type { GaugeDriver } from './driver.ts'
import { inTurn, listenTo } from './stream.ts'

export const GAUGE_FAULTS = [
  { id: 'none', label: 'none' },
  { id: 'zeroOffset', label: 'zero is off' },
  { id: 'dropOut', label: 'drops out' },
  { id: 'wrongUnit', label: 'switched to inches' },
] as const
export type GaugeFault = (typeof GAUGE_FAULTS)[number]['id']

const post = (path: string, body: object) =>
  fetch(`/api/gauge/${path}`, { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) })

/** The stand-in that ships with the server: a stream of readings of where its jaws are, with noise and faults at choice. */
export function simulatedGauge(id: string): GaugeDriver & { set(jawMm: number, fault: GaugeFault): Promise<void>; send(): Promise<void> } {
  const queue = inTurn()
  return {
    id: 'simulated',
    label: 'simulated gauge',
    set: (jawMm, fault) => queue(() => post('set', { id, jawMm, fault })),
    send: () => queue(() => post('send', { id })),
    connect: (listener) => listenTo(`/api/gauge/stream?id=${encodeURIComponent(id)}`, 'gauge', listener),
  }
}
