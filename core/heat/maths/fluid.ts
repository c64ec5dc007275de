/** Water from which a fluid is changed whatever its grade, %: the "wet" boiling point is stated there (FMVSS 116). */
export const WET_AT_PERCENT = 3.7

interface FluidState {
  boilC: number
  changeNow: boolean
}

/**
 * The boiling point of a glycol fluid that has taken up water: between its dry and wet boiling points, falling fastest
 * with the first water (points from FMVSS 116 and ISO 4925; the curve between them is an engineering estimate).
 *
 * @param waterPercent by mass, >= 0
 *
 * @example
 * presentBoil(260, 180, 0) // => { boilC: 260, changeNow: false }
 */
export function presentBoil(dryC: number, wetC: number, waterPercent: number): FluidState {
  const left = Math.max(0, 1 - waterPercent / WET_AT_PERCENT)
  return { boilC: wetC + (dryC - wetC) * left ** 1.7, changeNow: waterPercent >= WET_AT_PERCENT }
}

/** Water that fluid in service takes up, % a year: usual, and where the air is humid. */
const WATER_PERCENT_A_YEAR = { usual: 2, humid: 3 } as const

/** Water by the time in service, %; a strip or a refractometer outranks it. */
export const waterAfter = (months: number, climate: keyof typeof WATER_PERCENT_A_YEAR = 'usual'): number =>
  (months / 12) * WATER_PERCENT_A_YEAR[climate]

/** Least boiling points that a grade stands for, dry and wet, degC (FMVSS 116, ISO 4925). */
export const GRADES = {
  '3': { dryC: 205, wetC: 140 },
  '4': { dryC: 230, wetC: 155 },
  '5.1': { dryC: 260, wetC: 180 },
  '6': { dryC: 250, wetC: 165 },
  '5': { dryC: 260, wetC: 180 },
} as const
/**
 * The grade in what a bottle says; undefined where it names none.
 *
 * @example
 * gradeOf('grade 5.1') // => '5.1'
 */
export function gradeOf(text: string | undefined): keyof typeof GRADES | undefined {
  const found = /(?:^|\D)(5\.1|[3456])(?!\d|\.\d)/.exec(text ?? '')?.[1]
  return found as keyof typeof GRADES | undefined
}
