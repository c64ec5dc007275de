/** A simulated pair of pressure gauges: noise, a needle stop, and a zero error of either. */

const PRESSURE_FAULTS = ['none', 'frontZero', 'rearZero'] as const
export type PressureFault = (typeof PRESSURE_FAULTS)[number]

const NOISE_MPA = 0.02
/** The front gauge reads low, with its needle on the stop; the rear one high. */
const FRONT_ZERO_MPA = -0.34
const REAR_ZERO_MPA = 0.28

interface PressureAsked {
  /** On the car, MPa. */
  frontMpa: number
  rearMpa: number
  fault: PressureFault
}

/** @param random uniform in [0, 1) */
export function readPressures({ frontMpa, rearMpa, fault }: PressureAsked, random: () => number): { frontMpa: number; rearMpa: number } {
  const noise = () => NOISE_MPA * Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random())
  const round = (value: number) => Math.round(Math.max(0, value) * 100) / 100
  return {
    frontMpa: round(frontMpa + (fault === 'frontZero' ? FRONT_ZERO_MPA : 0) + noise()),
    rearMpa: round(rearMpa + (fault === 'rearZero' ? REAR_ZERO_MPA : 0) + noise()),
  }
}

/** Reads what came in with a request; undefined when it is none. */
export function readPressureRequest(body: unknown): PressureAsked | undefined {
  if (typeof body !== 'object' || body === null) return undefined
  const { frontMpa, rearMpa, fault } = body as Record<string, unknown>
  const pressure = (value: unknown): value is number => typeof value === 'number' && Number.isFinite(value) && value >= 0 && value <= 40
  if (!pressure(frontMpa) || !pressure(rearMpa) || !(PRESSURE_FAULTS as readonly unknown[]).includes(fault)) return undefined
  return { frontMpa, rearMpa, fault: fault as PressureFault }
}
