import { BAR_MM } from './sheet.ts'
import type { Sure } from './sure.ts'

/** What 100 mm of the sheet came out of the printer as, mm, across the paper and along it. */
export interface Printed {
  across: Sure
  along: Sure
  /** Covariance of the two, mm2; absent: each was measured by itself. */
  covariance?: number
}

/**
 * Both scales of the paper once the picture has said how uneven they are: what is measured of one bar tells of the other.
 * @param uneven natural logarithm of across over along, with the bars and the picture taken together
 *
 * @example
 * // one bar measured, the other not: the picture shows both alike
 * Number(withUneven({ across: { value: 97, u: 0.05 }, along: { value: 100, u: 2.9 } }, { value: 0, u: 0.003 }).along.value.toFixed(1)) // => 97
 */
export function withUneven({ across, along }: Printed, uneven: Sure): Printed {
  const [a, l] = [Math.log(across.value), Math.log(along.value)]
  const [va, vl] = [(across.u / across.value) ** 2, (along.u / along.value) ** 2]
  const before = va + vl
  if (before === 0) return { across, along }
  // the least squares of what the bars say and what was learnt of their difference
  const shift = (uneven.value - (a - l)) / before
  const gain = (before - Math.min(uneven.u ** 2, before)) / before ** 2
  const values = [Math.exp(a + shift * va), Math.exp(l - shift * vl)] as const
  const variances = [va - gain * va * va, vl - gain * vl * vl] as const
  return {
    across: { value: values[0], u: values[0] * Math.sqrt(Math.max(variances[0], 0)) },
    along: { value: values[1], u: values[1] * Math.sqrt(Math.max(variances[1], 0)) },
    covariance: values[0] * values[1] * gain * va * vl,
  }
}

/** What the bars alone say of how uneven the print is. */
export const unevenOf = ({ across, along }: Printed): Sure => ({
  value: Math.log(across.value / along.value),
  u: Math.hypot(across.u / across.value, along.u / along.value),
})

/** Independent ways in which both scales may be off together, each by its standard uncertainty, mm in 100. */
export function printedWays({ across, along, covariance = 0 }: Printed): [across: number, along: number][] {
  if (covariance === 0 || across.u === 0)
    return [
      [across.u, 0],
      [0, along.u],
    ]
  const shared = covariance / across.u
  return [
    [across.u, shared],
    [0, Math.sqrt(Math.max(along.u ** 2 - shared ** 2, 0))],
  ]
}

/** So uneven a sheet may be measured while the picture sees it even, beyond its own uncertainty: rulers are read to a part of a millimetre. */
const AGREES = 0.003
/**
 * What is wrong where the bars as entered cannot both be right: the picture shows another shape.
 * @param seen natural logarithm of across over along as the picture alone shows it
 *
 * @example
 * barsDisagree({ across: { value: 97, u: 0.05 }, along: { value: 100, u: 0.05 } }, { value: 0, u: 0.002 }) // => 'The bars as entered differ by 3.0%; in the picture they differ by 0.0%. Measure both again, each from end to end.'
 */
export function barsDisagree(printed: Printed, seen: Sure): string | undefined {
  const entered = unevenOf(printed)
  const off = Math.abs(entered.value - seen.value)
  if (off <= 3 * Math.hypot(entered.u, seen.u) + AGREES) return undefined
  const percent = (ln: number) => `${(100 * Math.abs(Math.expm1(ln))).toFixed(1)}%`
  return `The bars as entered differ by ${percent(entered.value)}; in the picture they differ by ${percent(seen.value)}. Measure both again, each from end to end.`
}

/** A bar that was not measured: a printer that fits the page to the paper is off by up to so much, mm in 100. */
const UNMEASURED_LIMIT_MM = 5
/** Both bars as they were meant, with what an unknown printer may have made of them. */
export const unmeasuredBar = (): Sure => ({ value: BAR_MM, u: UNMEASURED_LIMIT_MM / Math.sqrt(3) })
