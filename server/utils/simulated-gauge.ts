/** A digital gauge that is not there: where its jaws are, noise, a button, and what can go wrong with one. */

export const FAULTS = ['none', 'zeroOffset', 'dropOut', 'wrongUnit'] as const
export type Fault = (typeof FAULTS)[number]

const NOISE_MM = 0.02
const ZERO_OFFSET_MM = 0.37
/** While it drops out, so many readings in a row are lost of every CYCLE. */
const LOST = 20
const CYCLE = 26

export class SimulatedGauge {
  jawMm = 0
  fault: Fault = 'none'
  private pressed = 0
  private count = 0

  /** @param random uniform in [0, 1) */
  constructor(private readonly random: () => number) {}

  press(): void {
    this.pressed += 1
  }

  /** What the gauge says now, as its line of text; undefined while it is silent. */
  read(): { line: string; sent: boolean } | undefined {
    this.count += 1
    if (this.fault === 'dropOut' && this.count % CYCLE < LOST) return undefined
    const sent = this.pressed > 0
    if (sent) this.pressed -= 1
    const shownMm = this.jawMm + (this.fault === 'zeroOffset' ? ZERO_OFFSET_MM : 0) + NOISE_MM * this.normal()
    const shown = this.fault === 'wrongUnit' ? (shownMm / 25.4).toFixed(4) : shownMm.toFixed(2)
    return { line: shown, sent }
  }

  /** Standard normal number (Box and Muller, 1958). */
  private normal(): number {
    return Math.sqrt(-2 * Math.log(1 - this.random())) * Math.cos(2 * Math.PI * this.random())
  }
}

const MOST_GAUGES = 64
const gauges = new Map<string, SimulatedGauge>()

/** The gauge of one browser tab; the oldest gives way when there are too many. */
export function gaugeOf(id: unknown): SimulatedGauge | undefined {
  if (typeof id !== 'string' || !/^[\w-]{1,64}$/.test(id)) return undefined
  const known = gauges.get(id)
  if (known) return known
  if (gauges.size >= MOST_GAUGES) gauges.delete(gauges.keys().next().value!)
  const made = new SimulatedGauge(Math.random)
  gauges.set(id, made)
  return made
}
