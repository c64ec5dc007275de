import type { Matrix } from 'ml-matrix'
import { times, type Homography } from './homography.ts'
import { mapOf, numbersOf } from './read-sheet.ts'
import type { SheetMap } from './sheet-map.ts'
import type { Sure } from './sure.ts'

/** The focal length of the camera as this picture has it, in pixels. */
export interface Focal {
  px: number
  /** Standard uncertainty of its natural logarithm. */
  uLn: number
  from: 'picture' | 'file' | 'usual'
}
/** What of a picture's geometry is known together. */
interface Pose {
  focal: Focal
  /** Natural logarithm of the sheet's scale across over that along, as it came out of the printer. */
  lnUneven: Sure
}

/** What telephones have that say nothing of it: 24 to 50 mm as of a 36 by 24 mm picture. */
const USUAL_FOCAL35_MM = 28
const USUAL_U_LN = 0.25
/** What a file says of its lens, for an uncropped picture. */
const SAID_U_LN = 0.04
/** However well the marks are seen, a lens is no pinhole: what the axes of the sheet miss being square and even by. */
const LEAST_SKEW = 0.002

/** From the middle of the picture. */
const centred = (map: SheetMap): Homography => times([1, 0, -map.width / 2, 0, 1, -map.height / 2, 0, 0, 1], map.toPicture)

/** How far the two axes of the sheet are from square, and from equally long, were the focal length this. */
function skew(a: Homography, focalPx: number): [number, number] {
  const one = [a[0]! / focalPx, a[3]! / focalPx, a[6]!] as const
  const two = [a[1]! / focalPx, a[4]! / focalPx, a[7]!] as const
  const dot = one[0] * two[0] + one[1] * two[1] + one[2] * two[2]
  const [l, m] = [Math.hypot(...one), Math.hypot(...two)]
  return [dot / (l * m), Math.log(l / m)]
}

/**
 * The focal length and how unevenly the sheet was printed, from how it is seen (square axes of known scales: Z. Zhang, 2000),
 * together with what the file says or what is usual. From straight above a picture says nothing of its focal length, and tells
 * an uneven print to a few parts in a thousand; aslant it is the other way round.
 *
 * @param focal35Mm from the file, as of a 36 by 24 mm picture
 * @param lnUneven what the printed bars say of the scales; a print that is even where nothing is given
 */
export function poseOf(map: SheetMap, spread: Matrix, focal35Mm?: number, lnUneven: Sure = { value: 0, u: 0 }): Pose {
  const diagonal = Math.hypot(map.width, map.height)
  const prior = Math.log(((focal35Mm ?? USUAL_FOCAL35_MM) / Math.hypot(36, 24)) * diagonal)
  const priorU = focal35Mm === undefined ? USUAL_U_LN : SAID_U_LN
  const numbers = numbersOf(map)
  const a = centred(map)
  // how sure the skew is, at a likely focal length
  const at = skew(a, Math.exp(prior))
  const slopes = numbers.map((_, j) => {
    const moved = skew(
      centred(
        mapOf(
          map,
          numbers.map((one, i) => (i === j ? one + 1e-6 : one)),
        ),
      ),
      Math.exp(prior),
    )
    return [(moved[0] - at[0]) / 1e-6, (moved[1] - at[1]) / 1e-6] as const
  })
  const variance = (k: 0 | 1) => {
    let sum = LEAST_SKEW ** 2
    slopes.forEach((one, i) => slopes.forEach((other, j) => (sum += one[k] * other[k] * spread.get(i, j))))
    return sum
  }
  const [v0, v1] = [variance(0), variance(1)]
  const printed = lnUneven.u ** 2
  const [focal, uneven] = [new Moments(), new Moments()]
  for (let i = -80; i <= 80; i += 1) {
    const ln = prior + (i / 80) * 4 * priorU
    const [e0, e1] = skew(a, Math.exp(ln))
    const off = e1 - lnUneven.value
    const w = Math.exp(-0.5 * ((e0 * e0) / v0 + (off * off) / (v1 + printed) + ((ln - prior) / priorU) ** 2))
    focal.add(w, ln, 0)
    // what this focal length and the bars say together
    uneven.add(w, lnUneven.value + (off * printed) / (v1 + printed), (printed * v1) / (printed + v1))
  }
  const from = focal35Mm === undefined ? 'usual' : 'file'
  if (!(focal.weight > 0)) return { focal: { px: Math.exp(prior), uLn: priorU, from }, lnUneven }
  const uLn = Math.max(focal.u, 1e-3)
  return {
    focal: { px: Math.exp(focal.mean), uLn, from: uLn < 0.6 * priorU ? 'picture' : from },
    lnUneven: { value: uneven.mean, u: uneven.u },
  }
}

/** Mean and standard deviation of a mixture, one part after the other. */
class Moments {
  weight = 0
  private sum = 0
  private square = 0
  add(weight: number, mean: number, variance: number): void {
    this.weight += weight
    this.sum += weight * mean
    this.square += weight * (mean * mean + variance)
  }
  get mean(): number {
    return this.sum / this.weight
  }
  get u(): number {
    return Math.sqrt(Math.max(this.square / this.weight - this.mean ** 2, 0))
  }
}

/** How the camera sees the plane so far above the sheet, mm: nearer things look larger, and further from below the lens. */
export function raised(map: SheetMap, heightMm: number, focalPx: number): SheetMap {
  if (heightMm === 0) return map
  const a = centred(map)
  const column = (i: number) => [a[i]! / focalPx, a[3 + i]! / focalPx, a[6 + i]!] as const
  const [one, two] = [column(0), column(1)]
  // the axes are as long as a millimetre is
  const by = 2 / (Math.hypot(...one) + Math.hypot(...two))
  const up = [one[1] * two[2] - one[2] * two[1], one[2] * two[0] - one[0] * two[2], one[0] * two[1] - one[1] * two[0]].map(
    (part) => part * by * heightMm,
  )
  const h = [...a]
  h[2]! += up[0]! * focalPx
  h[5]! += up[1]! * focalPx
  h[8]! += up[2]!
  const toPicture = times([1, 0, map.width / 2, 0, 1, map.height / 2, 0, 0, 1], h)
  return { ...map, toPicture: toPicture.map((each) => each / toPicture[8]!) }
}

/** How high the lens was above the sheet, mm, and above which place of it. */
export function lensOver(map: SheetMap, focalPx: number): { heightMm: number; tiltDeg: number } {
  const a = centred(map)
  const column = (i: number) => [a[i]! / focalPx, a[3 + i]! / focalPx, a[6 + i]!] as const
  const [one, two, t] = [column(0), column(1), column(2)]
  const by = 2 / (Math.hypot(...one) + Math.hypot(...two))
  const up = [one[1] * two[2] - one[2] * two[1], one[2] * two[0] - one[0] * two[2], one[0] * two[1] - one[1] * two[0]].map(
    (part) => part * by * by,
  )
  const heightMm = -(up[0]! * t[0] + up[1]! * t[1] + up[2]! * t[2]) * by
  return { heightMm, tiltDeg: (Math.acos(Math.min(Math.abs(up[2]!) / Math.hypot(...(up as [number, number, number])), 1)) * 180) / Math.PI }
}
