import type { SpeedSample } from './stop-run.ts'

/** Where the brake was applied in a trace, and how well the samples hold that. */
interface BrakeApplication {
  atS: number
  /** Half of its 95% range, s. */
  halfS: number
  /** Speed at that moment, km/h. */
  kmh: number
}

/** How long pressure may build up, s. */
const BUILDS_UP_S = Array.from({ length: 24 }, (_, i) => 0.05 * (i + 1))
/** Engine braking before it, m/s2. */
const MOST_COASTING_MS2 = 2
/** Steps of the search, s: coarse over all, fine about the best. */
const COARSE_S = 0.02
const FINE_S = 0.005
/** Chi-square of one number at 95%. */
const CHI2_95 = 3.84
/** More samples say no more about one moment. */
const MOST_SAMPLES = 120
/** Speed is read no finer, km/h: a trace without any scatter is no surer than that. */
const LEAST_SCATTER_KMH = 0.05

interface Fit {
  off: number
  coastingMs2: number
  kmh: number
}

/**
 * When the brake was applied: coasting at an even deceleration of 0 to 2 m/s2, then a braking that grows evenly to its
 * full value within 0.05 to 1.2 s, by least squares over both moments. The range is that of the moments whose fit is not
 * worse than chance (profile likelihood; W. Q. Meeker, L. A. Escobar, 1995).
 *
 * @param points samples about the application, times rising
 * @param between the earliest and the latest moment that is tried, s
 * @returns undefined where nothing fits
 */
export function brakeApplication(points: readonly SpeedSample[], [fromS, toS]: readonly [number, number]): BrakeApplication | undefined {
  const every = Math.ceil(points.length / MOST_SAMPLES)
  const near = thinned(points, every)
  const best = (atS: number) =>
    BUILDS_UP_S.reduce<Fit | undefined>((least, builds) => {
      const found = fitAt(near, atS, builds)
      return found && (!least || found.off < least.off) ? found : least
    }, undefined)
  const tried: { atS: number; fit: Fit }[] = []
  const tryAt = (atS: number) => {
    const fit = best(atS)
    if (fit) tried.push({ atS, fit })
  }
  for (let atS = fromS; atS <= toS; atS += COARSE_S) tryAt(atS)
  if (tried.length === 0) return undefined
  const coarse = tried.reduce((a, b) => (b.fit.off < a.fit.off ? b : a)).atS
  for (let atS = coarse - 2 * COARSE_S; atS <= coarse + 2 * COARSE_S; atS += FINE_S) tryAt(atS)
  const { atS, fit } = tried.reduce((a, b) => (b.fit.off < a.fit.off ? b : a))
  // five numbers are found
  const variance = Math.max(LEAST_SCATTER_KMH ** 2, fit.off / Math.max(1, near.length - 5))
  const likely = tried.filter((one) => one.fit.off <= fit.off + CHI2_95 * variance).map((one) => one.atS)
  return { atS, halfS: (Math.max(...likely) - Math.min(...likely)) / 2 + COARSE_S / 4, kmh: fit.kmh }
}

/** Means of so many samples after each other. */
function thinned(points: readonly SpeedSample[], every: number): readonly SpeedSample[] {
  if (every <= 1) return points
  const means: SpeedSample[] = []
  for (let i = 0; i + every <= points.length; i += every) {
    const of = points.slice(i, i + every)
    const mean = (index: 0 | 1) => of.reduce((sum, one) => sum + one[index], 0) / of.length
    means.push([mean(0), mean(1)])
  }
  return means
}

/** Speed, coasting and full braking that fit best for an application and a build-up: three numbers of a linear fit. */
function fitAt(points: readonly SpeedSample[], atS: number, builds: number): Fit | undefined {
  const free = solveFor(points, atS, builds, undefined)
  if (!free) return undefined
  if (free.coastingMs2 >= 0 && free.coastingMs2 <= MOST_COASTING_MS2) return free
  return solveFor(points, atS, builds, free.coastingMs2 < 0 ? 0 : MOST_COASTING_MS2)
}

function solveFor(points: readonly SpeedSample[], atS: number, builds: number, coasting: number | undefined): Fit | undefined {
  // sums of the normal equations for speed, coasting and braking, with speed as v = a - 3.6 c t - 3.6 f fall(t)
  let [n, t1, t2, r1, r2, tr, v0, vt, vr, vv] = [0, 0, 0, 0, 0, 0, 0, 0, 0, 0]
  for (const [seconds, kmh] of points) {
    const t = seconds - atS
    const r = t <= 0 ? 0 : t < builds ? (t * t) / (2 * builds) : t - builds / 2
    const v = kmh + (coasting === undefined ? 0 : 3.6 * coasting * t)
    n += 1
    t1 += t
    t2 += t * t
    r1 += r
    r2 += r * r
    tr += t * r
    v0 += v
    vt += v * t
    vr += v * r
    vv += v * v
  }
  if (coasting !== undefined) {
    const det = n * r2 - r1 * r1
    if (!(det > 1e-12)) return undefined
    const kmh = (v0 * r2 - r1 * vr) / det
    const slope = (n * vr - r1 * v0) / det
    return slope >= 0 ? undefined : { off: Math.max(0, vv - kmh * v0 - slope * vr), coastingMs2: coasting, kmh }
  }
  const det = n * (t2 * r2 - tr * tr) - t1 * (t1 * r2 - tr * r1) + r1 * (t1 * tr - t2 * r1)
  if (!(det > 1e-12)) return undefined
  const kmh = (v0 * (t2 * r2 - tr * tr) - t1 * (vt * r2 - tr * vr) + r1 * (vt * tr - t2 * vr)) / det
  const rolls = (n * (vt * r2 - vr * tr) - v0 * (t1 * r2 - tr * r1) + r1 * (t1 * vr - vt * r1)) / det
  const brakes = (n * (t2 * vr - tr * vt) - t1 * (t1 * vr - vt * r1) + v0 * (t1 * tr - t2 * r1)) / det
  if (brakes >= 0) return undefined
  return { off: Math.max(0, vv - kmh * v0 - rolls * vt - brakes * vr), coastingMs2: -rolls / 3.6, kmh }
}
