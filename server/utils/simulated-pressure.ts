/** A pair of pressure gauges that are not there: what the brakes would show, with noise and what can go wrong. */

export const PRESSURE_FAULTS = ['none', 'zeroOffset', 'air'] as const
export type PressureFault = (typeof PRESSURE_FAULTS)[number]

const NOISE_MPA = 0.02
const ZERO_OFFSET_MPA = 0.28
/** Air is pressed together first: so much of the rear pressure never arrives, less and less as it rises. */
const AIR_MPA = 0.9
/** The bar of the simulated car stands a little off what its owner entered. */
const BAR_OFF = 0.94

export interface PressureAsked {
  /** What the figures say at this effort, MPa. */
  frontMpa: number
  rearMpa: number
  fault: PressureFault
}

/** @param random uniform in [0, 1) */
export function readPressures({ frontMpa, rearMpa, fault }: PressureAsked, random: () => number): { frontMpa: number; rearMpa: number } {
  const noise = () => NOISE_MPA * Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random())
  let rear = rearMpa * BAR_OFF
  if (fault === 'air') rear = Math.max(0, rear - AIR_MPA * Math.exp(-rear / AIR_MPA))
  if (fault === 'zeroOffset') rear += ZERO_OFFSET_MPA
  const round = (value: number) => Math.round(Math.max(0, value) * 100) / 100
  return { frontMpa: round(frontMpa + noise()), rearMpa: round(rear + noise()) }
}

/** Reads what came in with a request; undefined when it is none. */
export function readPressureRequest(body: unknown): PressureAsked | undefined {
  if (typeof body !== 'object' || body === null) return undefined
  const { frontMpa, rearMpa, fault } = body as Record<string, unknown>
  const pressure = (value: unknown): value is number => typeof value === 'number' && Number.isFinite(value) && value >= 0 && value <= 40
  if (!pressure(frontMpa) || !pressure(rearMpa) || !(PRESSURE_FAULTS as readonly unknown[]).includes(fault)) return undefined
  return { frontMpa, rearMpa, fault: fault as PressureFault }
}
