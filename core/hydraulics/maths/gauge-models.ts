/** A front and a rear pressure read at one pedal effort, MPa. */
export type PressurePair = readonly [frontMpa: number, rearMpa: number]

/** What two gauges of one car show: line, valve, secondary spring and the zeros of both. */
export interface GaugeModel {
  /** Rear over front pressure below the knee. */
  ratio: number
  /** Rear pressure at the knee, MPa; Infinity without a valve. */
  kneeMpa: number
  /** Rise of the rear beyond the knee against below it, 0 to 1. */
  kneeSlope: number
  frontZeroMpa: number
  rearZeroMpa: number
  /** What the secondary spring takes from the rear; from the front where negative. */
  springMpa: number
}

export type GaugeParameter = keyof GaugeModel

/** At or below this a needle may rest on its stop: such a reading says only "at most this", MPa. */
const STOP_MPA = 0.03
/** No secondary spring takes more, MPa; and no gauge is off by more. */
const MOST_SPRING_MPA = 0.25
const MOST_ZERO_MPA = 1

const BOUNDS: Readonly<Record<GaugeParameter, readonly [number, number]>> = {
  ratio: [0.05, 20],
  kneeMpa: [0.5, 40],
  kneeSlope: [0, 0.8],
  frontZeroMpa: [-MOST_ZERO_MPA, MOST_ZERO_MPA],
  rearZeroMpa: [-MOST_ZERO_MPA, MOST_ZERO_MPA],
  springMpa: [-MOST_SPRING_MPA, MOST_SPRING_MPA],
}

/** Both pressures without the zeros of the gauges, as straight lines of the primary pressure. */
interface GaugeSegment {
  fromMpa: number
  toMpa: number
  front: readonly [slope: number, interceptMpa: number]
  rear: readonly [slope: number, interceptMpa: number]
}

function segmentsOf({ ratio, kneeMpa, kneeSlope, springMpa }: GaugeModel): GaugeSegment[] {
  const [front, rear] = [Math.max(0, -springMpa), Math.max(0, springMpa)]
  const [starts, bends] = [front > 0 ? front : rear / ratio, (kneeMpa + rear) / ratio]
  const frontLine = [1, -front] as const
  const rearLine = [ratio, -rear] as const
  const beyond = [ratio * kneeSlope, kneeMpa - kneeSlope * (kneeMpa + rear)] as const
  const parts: GaugeSegment[] = []
  if (starts > 0) parts.push({ fromMpa: 0, toMpa: starts, front: front > 0 ? [0, 0] : frontLine, rear: rear > 0 ? [0, 0] : rearLine })
  parts.push({ fromMpa: starts, toMpa: Math.max(starts, bends), front: frontLine, rear: rearLine })
  if (Number.isFinite(bends)) parts.push({ fromMpa: Math.max(starts, bends), toMpa: Infinity, front: frontLine, rear: beyond })
  return parts
}

/** How far a reading lies from what the model shows; one on its stop is no further than what is shown above it. */
const off = (readMpa: number, shownMpa: number): number => (readMpa <= STOP_MPA && shownMpa < readMpa ? 0 : readMpa - shownMpa)

/** Distances of a pair from the model at the likeliest of all primary pressures that it may have been read at; their squares' sum. */
function nearest([x, y]: PressurePair, model: GaugeModel, segments: readonly GaugeSegment[], into: Float64Array, at: number): number {
  const onStop = x <= STOP_MPA || y <= STOP_MPA
  let best = Infinity
  for (const { fromMpa, toMpa, front, rear } of segments) {
    const [frontAt, rearAt] = [front[1] + model.frontZeroMpa, rear[1] + model.rearZeroMpa]
    const squares = front[0] ** 2 + rear[0] ** 2
    // nearest to both readings; to the one that is not on its stop; to neither
    for (let way = 0; way < (onStop ? 4 : 1); way += 1) {
      let wanted = fromMpa
      if (way === 0 && squares > 0) wanted = (front[0] * (x - frontAt) + rear[0] * (y - rearAt)) / squares
      else if (way === 1 && front[0] > 0) wanted = (x - frontAt) / front[0]
      else if (way === 2 && rear[0] > 0) wanted = (y - rearAt) / rear[0]
      const primary = Math.min(toMpa, Math.max(fromMpa, wanted))
      const dx = off(x, front[0] * primary + frontAt)
      const dy = off(y, rear[0] * primary + rearAt)
      const squared = dx * dx + dy * dy
      if (squared >= best) continue
      best = squared
      into[at] = dx
      into[at + 1] = dy
    }
  }
  return best
}

/** The lightest pair may have been read at rest. That is likelier than any one other pressure: by so much, in MPa² of misfit. */
type RestBonusMpa2 = number

/**
 * Distances of all pairs from a model, errors in both gauges (total least squares: W. E. Deming, Statistical Adjustment of
 * Data, 1943). Readings on a stop are censored.
 * @param into two for each pair, MPa
 * @returns the sum of their squares, MPa²
 */
export function misfit(pairs: readonly PressurePair[], model: GaugeModel, restBonus: RestBonusMpa2, into: Float64Array): number {
  const segments = segmentsOf(model)
  const lightest = lightestOf(pairs)
  let sum = 0
  for (let i = 0; i < pairs.length; i += 1) {
    const free = nearest(pairs[i]!, model, segments, into, 2 * i)
    sum += free
    if (i !== lightest) continue
    const [dx, dy] = [off(pairs[i]![0], model.frontZeroMpa), off(pairs[i]![1], model.rearZeroMpa)]
    const rest = dx * dx + dy * dy
    if (rest > free + restBonus) sum += restBonus
    else {
      sum += rest - free
      into[2 * i] = dx
      into[2 * i + 1] = dy
    }
  }
  return sum
}

function lightestOf(pairs: readonly PressurePair[]): number {
  let lightest = 0
  pairs.forEach(([front, rear], i) => {
    if (front + rear < pairs[lightest]![0] + pairs[lightest]![1]) lightest = i
  })
  return lightest
}

const STEP = 1e-5
const MOST_STEPS = 15

/**
 * The model of least misfit near a start, with only some parameters free (K. Levenberg, 1944; D. Marquardt, 1963).
 * @returns the model, its misfit, MPa², and the diagonal of the inverse normal matrix: times the variance of a reading it
 * is that of each free parameter; empty where the readings do not hold them all
 */
export function fitModel(
  pairs: readonly PressurePair[],
  start: GaugeModel,
  free: readonly GaugeParameter[],
  restBonus: RestBonusMpa2 = 0,
): { model: GaugeModel; misfitMpa2: number; inverse: number[] } {
  const many = 2 * pairs.length
  const [at, moved] = [new Float64Array(many), new Float64Array(many)]
  let model = start
  let least = misfit(pairs, model, restBonus, at)
  if (free.length === 0) return { model, misfitMpa2: least, inverse: [] }
  let damping = 1e-3
  let inverse: number[] = []
  for (let step = 0; step < MOST_STEPS; step += 1) {
    const slopes = free.map((name) => {
      const high = model[name] + STEP <= BOUNDS[name][1]
      misfit(pairs, { ...model, [name]: model[name] + (high ? STEP : -STEP) }, restBonus, moved)
      return moved.map((one, i) => (one - at[i]!) / (high ? STEP : -STEP))
    })
    const normal = slopes.map((a) => slopes.map((b) => dot(a, b)))
    const pull = slopes.map((a) => -dot(a, at))
    inverse = inverseDiagonal(normal)
    let better = false
    for (let tries = 0; tries < 6 && !better; tries += 1) {
      const by = solve(
        normal.map((row, i) => row.map((one, j) => (i === j ? one * (1 + damping) + 1e-12 : one))),
        pull,
      )
      if (!by) break
      const next = { ...model }
      free.forEach((name, i) => {
        next[name] = Math.min(BOUNDS[name][1], Math.max(BOUNDS[name][0], model[name] + by[i]!))
      })
      const found = misfit(pairs, next, restBonus, moved)
      if (found < least) {
        better = found < least * (1 - 1e-5)
        ;[model, least] = [next, found]
        at.set(moved)
        damping = Math.max(1e-9, damping / 10)
        if (!better) break
      } else damping *= 10
    }
    if (!better) break
  }
  return { model, misfitMpa2: least, inverse }
}

function dot(a: Float64Array, b: Float64Array): number {
  let sum = 0
  for (let i = 0; i < a.length; i += 1) sum += a[i]! * b[i]!
  return sum
}

/** Gauss elimination with pivots; undefined where the rows do not tell the unknowns apart. */
function solve(rows: readonly (readonly number[])[], right: readonly number[]): number[] | undefined {
  const n = right.length
  const work = rows.map((row, i) => [...row, right[i]!])
  for (let i = 0; i < n; i += 1) {
    let pivot = i
    for (let r = i + 1; r < n; r += 1) if (Math.abs(work[r]![i]!) > Math.abs(work[pivot]![i]!)) pivot = r
    ;[work[i], work[pivot]] = [work[pivot]!, work[i]!]
    if (Math.abs(work[i]![i]!) < 1e-9) return undefined
    for (let r = 0; r < n; r += 1) {
      if (r === i) continue
      const by = work[r]![i]! / work[i]![i]!
      for (let c = i; c <= n; c += 1) work[r]![c]! -= by * work[i]![c]!
    }
  }
  return work.map((row, i) => row[n]! / row[i]!)
}

function inverseDiagonal(normal: readonly (readonly number[])[]): number[] {
  const diagonal = normal.map(
    (_, i) =>
      solve(
        normal,
        normal.map((_, j) => (i === j ? 1 : 0)),
      )?.[i],
  )
  return diagonal.every((one) => one !== undefined) ? (diagonal as number[]) : []
}
