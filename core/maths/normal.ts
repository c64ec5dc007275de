/** The standard normal distribution. */

/**
 * Standard normal quantile to about 1e-9 (M. J. Wichura, Algorithm AS 241, PPND7 refined by one
 * Newton step; Applied Statistics 37, 1988).
 * @param p strictly between 0 and 1
 *
 * @example
 * Math.round(normalQuantile(0.95) * 1000) / 1000 // => 1.645
 */
export function normalQuantile(p: number): number {
  const q = p - 0.5
  let z: number
  if (Math.abs(q) <= 0.425) {
    const r = 0.180625 - q * q
    z = (q * (((59.109374 * r + 159.29113) * r + 50.434271) * r + 3.3871327)) / (((67.1875636 * r + 78.757757) * r + 17.895169) * r + 1)
  } else {
    const r = Math.sqrt(-Math.log(Math.min(p, 1 - p)))
    const tail =
      r <= 5
        ? (((0.17023821 * (r - 1.6) + 1.3067284) * (r - 1.6) + 2.75681539) * (r - 1.6) + 1.42343711) /
          ((0.120211008 * (r - 1.6) + 0.7370016425) * (r - 1.6) + 1)
        : (((0.017337203 * (r - 5) + 0.42868294) * (r - 5) + 3.0812263) * (r - 5) + 6.657905115) /
          ((0.012258202635 * (r - 5) + 0.24197894225) * (r - 5) + 1)
    z = q < 0 ? -tail : tail
  }
  const density = Math.exp((-z * z) / 2) / Math.sqrt(2 * Math.PI)
  return z - (normalCdf(z) - p) / density
}

/**
 * Share of the standard normal distribution below z, to 1e-12 (Abramowitz and Stegun 26.2.11 near the
 * middle, the continued fraction 26.2.14 in the tails).
 *
 * @example
 * normalCdf(0) // => 0.5
 */
export function normalCdf(z: number): number {
  const x = Math.abs(z)
  if (x > 38) return z < 0 ? 0 : 1
  const density = Math.exp((-x * x) / 2) / Math.sqrt(2 * Math.PI)
  let upper: number
  if (x < 3) {
    let term = x
    let sum = x
    for (let k = 3; Math.abs(term) > 1e-17 * Math.abs(sum); k += 2) {
      term *= (x * x) / k
      sum += term
    }
    upper = 0.5 - density * sum
  } else {
    let fraction = 0
    for (let k = 60; k > 0; k -= 1) fraction = k / (x + fraction)
    upper = density / (x + fraction)
  }
  return z < 0 ? upper : 1 - upper
}
