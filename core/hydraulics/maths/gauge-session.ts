import { bisect } from '../../maths/bisect.ts'
import { chain, throttle } from './chain.ts'
import type { BrakeSystem } from './system.ts'

/** Of a valve's knee, parts at which a session reads below it; the rear beyond it, MPa. */
const BELOW = [0, 0.08, 0.1, 0.12, 0.15, 0.18, 0.22, 0.27, 0.33, 0.39, 0.46, 0.55, 0.67, 0.8, 0.92] as const
const BEYOND_MPA = [0.3, 0.7, 1.1, 1.6, 2.2] as const
/** Without a valve: parts of the hardest reading. */
const EVENLY = [0, 0.03, 0.05, 0.07, 0.09, 0.11, 0.13, 0.16, 0.19, 0.23, 0.3, 0.4, 0.6, 1] as const
/** As hard as it is read, MPa at the front. */
const HARDEST_MPA = 6

/**
 * Pedal efforts at which a session tells most, N, rising: at rest first, because that shows a zero; enough below the knee
 * to make a line of, and enough beyond it, and beyond where it would be if it were entered wrong by a megapascal.
 *
 * @param mostN the hardest press, N
 */
export function effortsToRead(system: BrakeSystem, mostN: number): number[] {
  const effortFor = (wanted: (effortN: number) => number, mpa: number) => {
    return bisect(0, mostN, mostN / 2 ** 40, (effortN) => wanted(effortN) >= mpa)
  }
  const front = (effortN: number) => chain(system, effortN).front.pressureMpa
  const unthrottled = (effortN: number) => chain({ ...system, valve: undefined }, effortN).rear.pressureMpa
  const knee = system.valve?.kneeMpa
  const efforts =
    knee === undefined
      ? EVENLY.map((part) => effortFor(front, part * HARDEST_MPA))
      : [...BELOW.map((part) => effortFor(unthrottled, part * knee)), ...BEYOND_MPA.map((more) => effortFor(unthrottled, knee + more))]
  return [...new Set(efforts.map((one) => (one < 0.5 ? 0 : Math.min(mostN, Math.round(one)))))]
}

/** What may be different on the car from what is entered. */
export const CAR_FAULTS = ['none', 'spring', 'knee', 'bar'] as const
export type CarFault = (typeof CAR_FAULTS)[number]

/** Of a simulated car: pressure that its secondary spring takes, knee and rear pressure against what is entered. */
const SPRING_MPA = 0.15
const KNEE_PART = 0.7
const REAR_PART = 0.94

/**
 * Both pressures of a car that has one fault, at a pedal effort.
 *
 * @param effortN at the pedal pad
 * @returns front and rear, MPa
 */
export function pressuresWith(system: BrakeSystem, fault: CarFault, effortN: number): { frontMpa: number; rearMpa: number } {
  const { valve } = system
  const faulty = fault === 'knee' && valve ? { ...system, valve: { ...valve, kneeMpa: KNEE_PART * valve.kneeMpa } } : system
  const { front, rear } = chain(faulty, effortN)
  if (fault === 'spring') {
    const unthrottled = chain({ ...system, valve: undefined }, effortN).rear.pressureMpa
    return { frontMpa: front.pressureMpa, rearMpa: throttle(Math.max(0, unthrottled - SPRING_MPA), valve) }
  }
  return { frontMpa: front.pressureMpa, rearMpa: fault === 'bar' ? REAR_PART * rear.pressureMpa : rear.pressureMpa }
}
