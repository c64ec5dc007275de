import { fitModel, misfit, type GaugeModel, type GaugeParameter, type PressurePair } from './gauge-models.ts'

/** What may make gauges show something else than a setup is entered with. */
export type GaugeCause = 'frontZero' | 'rearZero' | 'spring' | 'valveKnee' | 'valveSlope' | 'bar' | 'bores'

/** What a setup is entered with; undefined where it is not. */
export interface EnteredHydraulics {
  master: 'tandem' | 'twin' | undefined
  /** Rear over front pressure below the knee. */
  ratio: number | undefined
  /** null: no valve. */
  valve: { kneeMpa: number; slope: number } | null | undefined
}

interface GaugeFit {
  model: GaugeModel
  /** Standard uncertainty of each parameter that was free. */
  u: Partial<Record<GaugeParameter, number>>
  causes: readonly GaugeCause[]
}

export interface GaugeDiagnosis {
  /** The explanation of the readings with the least to prove; the first of `remaining`. */
  best: GaugeFit
  /** Explanations that are not clearly worse, none with a cause more than another. */
  remaining: readonly GaugeFit[]
  /** Causes that every explanation needs. */
  stated: GaugeCause[]
  /** Causes of which some would do: the readings cannot tell them apart. */
  undecided: GaugeCause[]
  /** Standard deviation of a reading about the best explanation, MPa. */
  scatterMpa: number
  /** Rear over front pressure below the knee, with the other parameters of the best explanation. */
  ratio: Estimate
  /** Rear pressure at the knee, MPa; undefined without one, or where fewer than two readings lie beyond it. */
  kneeMpa: Estimate | undefined
}

/** A value with its standard uncertainty. */
export interface Estimate {
  value: number
  u: number
}

/** One explanation is clearly worse than another from this difference of the criterion on. */
const CLEARLY = 6
/** Readings are thought to scatter about so much before any is seen, MPa; that counts as much as so many pairs. */
const PRIOR_SCATTER_MPA = 0.02
const PRIOR_PAIRS = 1
/** Fewer pairs than this state no knee, and no absence of one. */
export const PAIRS_FOR_A_KNEE = 5
/** Zeros that are further off than this are rarer and rarer, MPa. */
const LIKELY_ZERO_MPA = 0.5
/** How rare a cause is, -2 ln against the commonest; of a knee where no valve is entered. A spring is in every tandem cylinder. */
const RARITY: Readonly<Record<GaugeCause, number>> = { frontZero: 2, rearZero: 2, spring: 0, valveKnee: 3, valveSlope: 0, bar: 0, bores: 2 }
/** A session begins at rest nine times as often as not. */
const REST_ODDS = 9
/** Two things wrong at once are twenty times rarer than one: -2 ln of that. */
const SECOND_CAUSE = 6

interface CauseShape {
  causes: readonly GaugeCause[]
  free: readonly GaugeParameter[]
}

const PARAMETERS: Readonly<Record<GaugeCause, readonly GaugeParameter[]>> = {
  frontZero: ['frontZeroMpa'],
  rearZero: ['rearZeroMpa'],
  spring: ['springMpa'],
  valveKnee: ['kneeMpa'],
  valveSlope: ['kneeSlope'],
  bar: ['ratio'],
  bores: ['ratio'],
}

/** None, each cause alone, and each pair of them. */
function shapesFor({ master, ratio, valve }: EnteredHydraulics): CauseShape[] {
  const causes: GaugeCause[] = [
    'frontZero',
    'rearZero',
    ...(master === 'twin' ? [] : (['spring'] as const)),
    'valveKnee',
    ...(valve ? (['valveSlope'] as const) : []),
    ...(ratio === undefined ? [] : [master === 'twin' ? ('bar' as const) : ('bores' as const)]),
  ]
  const sets: GaugeCause[][] = [
    [],
    ...causes.map((one) => [one]),
    ...causes.flatMap((one, i) => causes.slice(i + 1).map((other) => [one, other])),
  ]
  return sets.map((set) => ({
    causes: set,
    free: [
      ...(ratio === undefined ? (['ratio'] as const) : []),
      ...set.flatMap((one) => PARAMETERS[one]),
      // a knee that nobody entered has a slope of its own
      ...(!valve && set.includes('valveKnee') ? (['kneeSlope'] as const) : []),
    ],
  }))
}

/** -2 ln of how rare an explanation is before any reading. */
const priorOf = ({ causes }: CauseShape, { frontZeroMpa, rearZeroMpa }: GaugeModel, { valve }: EnteredHydraulics): number =>
  (causes.length > 1 ? SECOND_CAUSE : 0) +
  causes.reduce((sum, cause) => sum + (cause === 'valveKnee' && valve ? 0 : RARITY[cause]), 0) +
  (frontZeroMpa / LIKELY_ZERO_MPA) ** 2 +
  (rearZeroMpa / LIKELY_ZERO_MPA) ** 2

/** The search goes on from so many of the likeliest. */
const STARTS = 3
/** Where a search for the knee begins, parts of the hardest rear pressure. */
const KNEES = [0.15, 0.3, 0.45, 0.6, 0.75, 0.9] as const

function startsOf(shape: CauseShape, entered: EnteredHydraulics, pairs: readonly PressurePair[]): GaugeModel[] {
  const highest = Math.max(...pairs.map(([, rear]) => rear))
  const sums = pairs.reduce(([xx, xy], [x, y]) => [xx + x * x, xy + x * y] as const, [0, 0] as readonly [number, number])
  const plain: GaugeModel = {
    ratio: entered.ratio ?? (sums[0] > 0 ? Math.max(0.1, sums[1] / sums[0]) : 1),
    kneeMpa: entered.valve?.kneeMpa ?? Infinity,
    kneeSlope: entered.valve?.slope ?? 0.4,
    frontZeroMpa: 0,
    rearZeroMpa: 0,
    springMpa: 0,
  }
  if (!shape.free.includes('kneeMpa')) return [plain]
  const knees = KNEES.map((part) => Math.max(0.2, part * highest))
  return [...(entered.valve ? [plain, { ...plain, kneeMpa: highest * 1.2 + 0.3 }] : []), ...knees.map((kneeMpa) => ({ ...plain, kneeMpa }))]
}

/** Akaike's charge for k parameters and a scatter, with its correction for few readings. */
const chargeFor = (k: number, pairs: number): number =>
  pairs - k - 1 > 0 ? (2 * (k + 1) * pairs) / Math.max(0.5, pairs - k - 2) : Infinity

/**
 * Which causes the readings of two gauges need. Each cause alone and each pair of causes is fitted to both columns with
 * errors in both, and weighed by Akaike's criterion with its correction for few readings (K. P. Burnham and D. R. Anderson,
 * Model Selection and Multimodel Inference, 2nd ed., 2002). A cause is stated where every explanation without it is
 * clearly worse.
 *
 * @param pairs in any order; one taken at rest tells most of a zero
 * @returns undefined with fewer than three pairs, or all at one pressure
 */
export function diagnoseGauges(pairs: readonly PressurePair[], entered: EnteredHydraulics): GaugeDiagnosis | undefined {
  const fronts = pairs.map(([front]) => front)
  const range = Math.max(...fronts) - Math.min(...fronts)
  if (pairs.length < 3 || range < 1e-9) return undefined
  const shapes = shapesFor(entered)
  const scratch = new Float64Array(2 * pairs.length)
  const n = pairs.length
  const spread = (misfitMpa2: number) => (misfitMpa2 + PRIOR_PAIRS * PRIOR_SCATTER_MPA ** 2) / (n + PRIOR_PAIRS)
  const criterion = (misfitMpa2: number, k: number) => (n + PRIOR_PAIRS) * Math.log(spread(misfitMpa2)) + chargeFor(k, n)
  const fitAll = (restBonus: number) =>
    shapes.map((shape) => {
      const found = startsOf(shape, entered, pairs)
        .map((start) => ({ start, misfitMpa2: misfit(pairs, start, restBonus, scratch) }))
        .sort((a, b) => a.misfitMpa2 - b.misfitMpa2)
        .slice(0, STARTS)
        .map(({ start }) => fitModel(pairs, start, shape.free, restBonus))
        .reduce((a, b) => (b.misfitMpa2 < a.misfitMpa2 ? b : a))
      return { shape, restBonus, ...found, worth: criterion(found.misfitMpa2, shape.free.length) + priorOf(shape, found.model, entered) }
    })
  const anywhere = fitAll(0)
  const nearest = anywhere.reduce((a, b) => (b.worth < a.worth ? b : a))
  const variance = spread(nearest.misfitMpa2)
  // that the lightest is read at rest is so much likelier than that it is read at one certain pressure
  const notAtRest = 2 * Math.log(REST_ODDS * Math.max(1, range / (2.5 * Math.sqrt(variance))))
  const all = [...anywhere.map((one) => ({ ...one, worth: one.worth + notAtRest })), ...fitAll(Infinity)].sort((a, b) => a.worth - b.worth)
  const least = all[0]!.worth
  const near = all.filter((one) => one.worth - least < CLEARLY)
  const within = (few: readonly GaugeCause[], many: readonly GaugeCause[]) => few.every((one) => many.includes(one))
  const minimal = near.filter(
    (one) =>
      !near.some(
        (other) => other !== one && other.shape.causes.length < one.shape.causes.length && within(other.shape.causes, one.shape.causes),
      ),
  )
  const remaining = minimal.map(({ shape, model, inverse }): GaugeFit => ({
    model,
    u: Object.fromEntries(shape.free.map((name, i) => [name, Math.sqrt((inverse[i] ?? Infinity) * variance)])),
    causes: shape.causes,
  }))
  const best = remaining[0]!
  const named = [...new Set(remaining.flatMap((one) => one.causes))]
  const aboutTheValve = (cause: GaugeCause) => cause === 'valveKnee' || cause === 'valveSlope'
  const stated = named.filter(
    (cause) => remaining.every((one) => one.causes.includes(cause)) && !(n < PAIRS_FOR_A_KNEE && aboutTheValve(cause)),
  )
  const withFree = (name: GaugeParameter): Estimate => {
    const free = [...new Set([name, ...(minimal[0]!.shape.free as GaugeParameter[])])]
    const found = fitModel(pairs, best.model, free, minimal[0]!.restBonus)
    return { value: found.model[name], u: Math.sqrt((found.inverse[0] ?? Infinity) * variance) }
  }
  const beyond = pairs.filter(([, rear]) => rear - best.model.rearZeroMpa > best.model.kneeMpa).length
  return {
    best,
    remaining,
    stated,
    undecided: named.filter((one) => !stated.includes(one)),
    scatterMpa: Math.sqrt(variance),
    ratio: withFree('ratio'),
    kneeMpa: n >= PAIRS_FOR_A_KNEE && beyond >= 2 ? withFree('kneeMpa') : undefined,
  }
}
