/** A temperature probe that is not there: what it is held to, noise, a button, and what goes wrong with one. */

export const PROBE_FAULTS = ['none', 'late', 'emissivity'] as const
export type ProbeFault = (typeof PROBE_FAULTS)[number]

const NOISE_C = 2
/** Share of the difference that it follows from one reading to the next; a worn tip follows slowly. */
const FOLLOWS = { none: 0.5, late: 0.03, emissivity: 0.5 } as const
/** Set for dull paint and pointed at bare metal: it sees less than there is. */
const EMISSIVITY = { set: 0.95, metal: 0.55 }
const KELVIN = 273.15
const AIR_C = 20

export class SimulatedProbe {
  truthC = AIR_C
  fault: ProbeFault = 'none'
  private shownC = AIR_C
  private pressed = 0

  /** @param random uniform in [0, 1) */
  constructor(private readonly random: () => number) {}

  hold(truthC: number, fault: ProbeFault): void {
    // taken away and held to another place: it starts from the air
    if (truthC !== this.truthC || fault !== this.fault) this.shownC = AIR_C
    this.truthC = truthC
    this.fault = fault
  }
  press(): void {
    this.pressed += 1
  }
  /** What the probe says now, as its line of text. */
  read(): { line: string; sent: boolean } {
    const seenC = this.fault === 'emissivity' ? (this.truthC + KELVIN) * (EMISSIVITY.metal / EMISSIVITY.set) ** 0.25 - KELVIN : this.truthC
    this.shownC += (seenC - this.shownC) * FOLLOWS[this.fault]
    const sent = this.pressed > 0
    if (sent) this.pressed -= 1
    return { line: (this.shownC + NOISE_C * this.normal()).toFixed(1), sent }
  }
  /** Standard normal number (Box and Muller, 1958). */
  private normal(): number {
    return Math.sqrt(-2 * Math.log(1 - this.random())) * Math.cos(2 * Math.PI * this.random())
  }
}

const MOST_PROBES = 64
const probes = new Map<string, SimulatedProbe>()

/** The probe of one browser tab; the oldest gives way when there are too many. */
export function probeOf(id: unknown): SimulatedProbe | undefined {
  if (typeof id !== 'string' || !/^[\w-]{1,64}$/.test(id)) return undefined
  const known = probes.get(id)
  if (known) return known
  if (probes.size >= MOST_PROBES) probes.delete(probes.keys().next().value!)
  const made = new SimulatedProbe(Math.random)
  probes.set(id, made)
  return made
}
