/** Markings as people type them from the part. Each reader returns what it found, or a sentence that says what is wrong. */

const number = (text: string): number => Number(text.replace(',', '.'))
const between = (value: number, min: number, max: number): boolean => value >= min && value <= max

export interface Tyre {
  widthMm: number
  /** Height of the side wall, per cent of the width. */
  aspectPercent: number
  rimIn: number
}
/** A tyre without a height in its marking is of the 80 series (ETRTO Standards Manual). */
const FULL_HEIGHT = 80

/**
 * A metric tyre size: `195/50 R15`, `195/50R15 82V`, `155 R13`.
 * @example
 * tyreOf('195/50 R15') // => { widthMm: 195, aspectPercent: 50, rimIn: 15 }
 */
export function tyreOf(text: string): Tyre | string {
  const found = /^(?:P|LT)?\s*(\d{3})\s*(?:\/\s*(\d{2,3}))?\s*(?:[ZVHSTQ]{0,2}R|-|\s)\s*(\d{2}(?:[.,]5)?)(?!\d)/i.exec(text.trim())
  if (!found) return `“${text.trim().slice(0, 40)}” is not a tyre size. Write it as 195/50 R15.`
  const tyre = { widthMm: number(found[1]!), aspectPercent: found[2] ? number(found[2]) : FULL_HEIGHT, rimIn: number(found[3]!) }
  if (!between(tyre.widthMm, 105, 405)) return `A tyre of ${tyre.widthMm} mm width is not possible: use 105 to 405.`
  if (!between(tyre.aspectPercent, 20, 100)) return `A side wall of ${tyre.aspectPercent}% is not possible: use 20 to 100.`
  if (!between(tyre.rimIn, 10, 26)) return `A rim of ${tyre.rimIn} inches is not possible: use 10 to 26.`
  return tyre
}

export interface Bolts {
  boltCount: number
  boltCircleMm: number
}
const PATTERN = /(?<![\d.,])([3-8])\s*(?:x|×|\/|-|on)\s*(\d{1,3}(?:[.,]\d{1,2})?)\s*("|″|”|in\b)?/i

/** A pattern of holes: `5x112`, `5x4.5"`, `4/100`; a circle below 10 is inches. */
function boltsIn(text: string): { bolts: Bolts; all: string } | undefined {
  const found = PATTERN.exec(text)
  if (!found) return undefined
  const circle = number(found[2]!)
  const inches = found[3] !== undefined || circle < 10
  const boltCircleMm = Number((inches ? circle * 25.4 : circle).toFixed(3))
  return between(boltCircleMm, 80, 210) ? { bolts: { boltCount: Number(found[1]), boltCircleMm }, all: found[0] } : undefined
}

/**
 * @example
 * boltPatternOf('5x4.5"') // => { boltCount: 5, boltCircleMm: 114.3 }
 */
export function boltPatternOf(text: string): Bolts | string {
  const found = boltsIn(text.trim())
  return found && found.all.trim() === text.trim()
    ? found.bolts
    : `“${text.trim().slice(0, 40)}” is not a bolt pattern. Write holes and circle as 5x112 or 5x4.5".`
}

interface WheelMarking extends Partial<Bolts> {
  diameterIn?: number
  widthIn?: number
  offsetMm?: number
  boreMm?: number
}

const OFFSET = /(?:\b(?:ET|IS|offset)|(?<![a-z])H2\s*ET)\s*:?\s*([+-]?\d{1,3}(?:[.,]\d)?)/i
const SIZE =
  /(\d{1,2}(?:[.,]\d{1,2}| 1\/2)?)\s*("|″|”)?\s*(JJ?|B|K|P)?\s*[x×]\s*(\d{1,2}(?:[.,]\d{1,2}| 1\/2)?)\s*("|″|”)?\s*(JJ?|B|K)?(?:\s*H2)?/i
const BORE = /(?:\b(?:CB|bore|DIA|NB)|Ø)?\s*:?\s*(\d{2,3}(?:[.,]\d{1,2})?)\s*(?:mm)?/i

/**
 * What is stamped in a wheel, in any order: `7J x 17 ET40 5x112 57.1`. Size and offset are asked for; holes and bore may
 * be absent. What cannot be read is named.
 * @example
 * wheelOf('7J x 17 ET40 5x112 57.1') // => { widthIn: 7, diameterIn: 17, offsetMm: 40, boltCount: 5, boltCircleMm: 112, boreMm: 57.1 }
 */
export function wheelOf(text: string): WheelMarking | string {
  const wheel: WheelMarking = {}
  let rest = text.trim().replace(/[\u2212\u2013]/g, '-')
  const say = `“${text.trim().slice(0, 60)}”`
  const take = (all: string) => (rest = rest.replace(all, ' '))

  const bolts = boltsIn(rest)
  // 6x15 is a size: no circle of holes is so small
  if (bolts) take(bolts.all)
  const size = SIZE.exec(rest)
  if (!size) return `${say} has no size. Write it as 7J x 17 ET40 5x112 57.1.`
  const half = (one: string) => (one.endsWith(' 1/2') ? number(one.slice(0, -4)) + 0.5 : number(one))
  const [a, b] = [half(size[1]!), half(size[4]!)]
  const widthFirst = size[3] !== undefined || (size[6] === undefined && a <= b)
  ;[wheel.widthIn, wheel.diameterIn] = widthFirst ? [a, b] : [b, a]
  take(size[0])
  if (!between(wheel.diameterIn, 10, 26) || !between(wheel.widthIn, 3, 16))
    return `${say}: ${wheel.widthIn} x ${wheel.diameterIn} inches is not a size of wheel. Write width x diameter, as 7J x 17.`
  if (bolts) Object.assign(wheel, bolts.bolts)
  const offset = OFFSET.exec(rest)
  if (offset) {
    wheel.offsetMm = number(offset[1]!)
    take(offset[0])
  }
  const bore = BORE.exec(rest)
  if (bore && between(number(bore[1]!), 40, 200)) {
    wheel.boreMm = number(bore[1]!)
    take(bore[0])
  }
  const left = rest.replace(/[\s,;·|]+/g, ' ').trim()
  if (left !== '') return `${say}: “${left.slice(0, 30)}” is not understood. Write it as 7J x 17 ET40 5x112 57.1.`
  if (wheel.offsetMm === undefined) return `${say} names no offset. Add it as ET40, or enter the figures one by one.`
  return wheel
}

/**
 * A thread by its name: `M12x1.5`, `1/2-20`, `7/16"-20 UNF`.
 * @example
 * threadOf('M12x1.5') // => { threadMm: 12, pitchMm: 1.5 }
 */
export function threadOf(text: string): { threadMm: number; pitchMm: number } | string {
  const metric = /^M\s*(\d{1,2})\s*(?:x|×|-)\s*(\d(?:[.,]\d{1,2})?)$/i.exec(text.trim())
  if (metric) return { threadMm: number(metric[1]!), pitchMm: number(metric[2]!) }
  const inch = /^(\d{1,2})\/(\d{1,2})\s*("|″|”)?\s*(?:-|x|×)\s*(\d{1,2})\s*(?:UNF|UNC|UNEF)?$/i.exec(text.trim())
  const [threadMm, pitchMm] = inch ? [(25.4 * Number(inch[1])) / Number(inch[2]), 25.4 / Number(inch[4])] : [NaN, NaN]
  if (Number.isFinite(threadMm) && Number.isFinite(pitchMm) && pitchMm < threadMm)
    return { threadMm: Number(threadMm.toFixed(4)), pitchMm: Number(pitchMm.toFixed(4)) }
  return `“${text.trim().slice(0, 40)}” is not a thread. Write it as M12x1.5 or 1/2-20.`
}
