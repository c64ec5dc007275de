import type { ClearanceInput } from './maths/measure-next.ts'
import type { Shifts } from './maths/shift.ts'
import type { PointDoubts, PointReadings } from '../records/field.ts'
import { ASSUMED_LENGTH_U_MM, ASSUMED_THICKNESS_U_MM, type Figure, type Origin } from '../quantity/figure.ts'
import { INSTRUMENTS, type InstrumentId } from '../quantity/instrument.ts'
import { measuredValue } from '../quantity/readings.ts'
import type { Place } from '../figures/figure.ts'

/** An uncertain input of the gap, with where it is entered. */
export interface GapInput extends ClearanceInput {
  what: string
  at: Place
  /** Nobody said how sure it is: what figures of its origin have turned out to be worth. */
  assumed: boolean
}

/** So many readings are proposed. */
export const PROPOSED_READINGS = 3

/** What a figure is worth once it has been read a few times with an instrument, mm. */
export function uOfProposed(instrument: InstrumentId): number {
  const known = PROPOSED.get(instrument)
  if (known !== undefined) return known
  const { uMm } = measuredValue(new Array<number>(PROPOSED_READINGS).fill(0), INSTRUMENTS[instrument])
  PROPOSED.set(instrument, uMm)
  return uMm
}
const PROPOSED = new Map<InstrumentId, number>()

/** Collects the inputs of one gap as they are read. */
export class GapInputs {
  readonly all: GapInput[] = []
  readonly afterMm: number

  /** @param atHand the instrument with which a next measurement would be taken */
  constructor(atHand: InstrumentId) {
    this.afterMm = uOfProposed(atHand)
  }

  /** A length taken at hub and wheel with straightedge or rule. */
  length(figure: Figure | undefined, what: string, at: Place, moves: Partial<Shifts>): void {
    this.add(figure, ASSUMED_LENGTH_U_MM[figure?.origin ?? 'estimated'], what, at, moves)
  }

  /** A machined thickness, gripped between jaws. */
  thickness(figure: Figure | undefined, what: string, at: Place, moves: Partial<Shifts>): void {
    this.add(figure, ASSUMED_THICKNESS_U_MM[figure?.origin ?? 'estimated'], what, at, moves)
  }

  /** What is known of a whole outline. */
  known(uMm: number, assumed: boolean, what: string, at: Place, moves: Partial<Shifts>): void {
    this.all.push({ what, at, moves, assumed, uMm, afterMm: Math.min(this.afterMm, uMm) })
  }

  private add(figure: Figure | undefined, assumedMm: number, what: string, at: Place, moves: Partial<Shifts>): void {
    this.known(figure?.u ?? assumedMm, figure?.u === undefined, what, at, moves)
  }
}

/** How well points are known, mm. */
interface PointDoubt {
  zMm: number
  rMm: number
  /** Nobody said it, nor were the points read more than once. */
  assumed: boolean
}

/**
 * Standard uncertainty of points, mm: of the worst-known one, because any of them may be the one that limits. Points
 * that were read count by their readings, traced ones by what the picture was worth; others are worth what points of their origin have turned out to be, and those
 * without an origin no more than an estimate.
 */
export function pointDoubt(
  taken: readonly { readings?: PointReadings[]; doubts?: PointDoubts[]; instrument?: InstrumentId; origin?: Origin }[],
): PointDoubt {
  const found: PointDoubt = { zMm: 0, rMm: 0, assumed: taken.length === 0 }
  const atLeast = (zMm: number, rMm: number) => {
    found.zMm = Math.max(found.zMm, zMm)
    found.rMm = Math.max(found.rMm, rMm)
  }
  for (const { readings, doubts, instrument, origin = 'estimated' } of taken) {
    if (readings && instrument)
      for (const [z, r] of readings) atLeast(measuredValue(z, INSTRUMENTS[instrument]).uMm, measuredValue(r, INSTRUMENTS[instrument]).uMm)
    else if (doubts) for (const one of doubts) atLeast(...one)
    else {
      atLeast(ASSUMED_LENGTH_U_MM[origin], ASSUMED_LENGTH_U_MM[origin])
      found.assumed = true
    }
  }
  if (taken.length === 0) atLeast(ASSUMED_LENGTH_U_MM.estimated, ASSUMED_LENGTH_U_MM.estimated)
  return found
}
