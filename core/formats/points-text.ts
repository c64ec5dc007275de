import { LIMITS } from '../records/record-fields.ts'
import { type NamedOutline, type WheelProfile, WHEEL_TAGS, type WheelTag } from '../records/field.ts'
import { editQuantity } from '../quantity/format.ts'
import { parseQuantity } from '../quantity/parse.ts'
import type { UnitChoice } from '../quantity/units.ts'
import { csvText } from './csv-text.ts'

/**
 * Points as people keep them: a line a point, "z r" with blanks, tabs or a semicolon between, as a
 * spreadsheet gives them when pasted.
 */

export interface LineProblem {
  line: number
  message: string
}
type ReadPoints<T> = { ok: true; value: T } | { ok: false; problems: LineProblem[] }

const MOST_POINTS = LIMITS.points
/** More than these help nobody: what follows is not read. */
const MOST_PROBLEMS = 100
const MOST_LINES = (MOST_POINTS + 2) * LIMITS.outlines

/** The lines of a text, or why there are too many of them to read. */
function linesOf(text: string): string[] | LineProblem {
  if (text.length > MOST_LINES * 80) return { line: 0, message: `the text is far longer than ${MOST_LINES} lines of points` }
  const lines = text.split(/\r?\n/)
  return lines.length > MOST_LINES ? { line: MOST_LINES, message: `${lines.length} lines; at most ${MOST_LINES} are read` } : lines
}

const splitLine = (line: string): string[] =>
  (line.includes(';') || line.includes('\t') ? line.split(/[;\t]/) : line.split(/\s+/)).map((piece) => piece.trim()).filter(Boolean)

function readPoint(pieces: readonly string[], units: UnitChoice): [number, number] | string {
  if (pieces.length < 2) return 'needs two numbers: z, then r'
  const pair: number[] = []
  for (const [index, name] of ['z', 'r'].entries()) {
    const parsed = parseQuantity(pieces[index]!, 'length', units)
    if (!parsed.ok) return `${name}: ${parsed.message}`
    if (Math.abs(parsed.value) > 1000) return `${name} is beyond 1000 mm`
    if (name === 'r' && parsed.value < 0) return 'a radius is never negative'
    pair.push(parsed.value)
  }
  return [pair[0]!, pair[1]!]
}

const isNumberLine = (line: string): boolean => /^[-+\u2212]?\s*[\d.,]/.test(line)

/** Outlines of a caliper: lines that are not numbers name the outline that follows. */
export function readOutlines(text: string, units: UnitChoice): ReadPoints<NamedOutline[]> {
  const outlines: NamedOutline[] = []
  const problems: LineProblem[] = []
  let current: NamedOutline | undefined
  const lines = linesOf(text)
  if (!Array.isArray(lines)) return { ok: false, problems: [lines] }
  lines.forEach((raw, index) => {
    const line = raw.trim()
    if (line === '' || problems.length >= MOST_PROBLEMS) return
    if (!isNumberLine(line)) {
      current = { name: line.replace(/^#+\s*/, '').slice(0, 120), points: [] }
      outlines.push(current)
      return
    }
    const point = readPoint(splitLine(line), units)
    if (typeof point === 'string') {
      problems.push({ line: index + 1, message: point })
      return
    }
    if (!current) {
      current = { name: 'body', points: [] }
      outlines.push(current)
    }
    if (current.points.length >= MOST_POINTS) problems.push({ line: index + 1, message: `more than ${MOST_POINTS} points in one outline` })
    else current.points.push(point)
  })
  for (const outline of outlines)
    if (outline.points.length < 2 && problems.length === 0)
      problems.push({ line: 0, message: `${outline.name}: needs at least two points` })
  if (outlines.length > LIMITS.outlines)
    problems.push({ line: 0, message: `${outlines.length} outlines; at most ${LIMITS.outlines} belong to one part` })
  if (outlines.length === 0) problems.push({ line: 0, message: 'No points yet.' })
  return problems.length > 0 ? { ok: false, problems } : { ok: true, value: outlines }
}

/** A wheel's profile: "z r tag" from the inboard edge of the barrel; the tag belongs to the stretch that follows. */
export function readProfile(text: string, units: UnitChoice): ReadPoints<WheelProfile> {
  const points: [number, number][] = []
  const tags: WheelTag[] = []
  const problems: LineProblem[] = []
  const lines = linesOf(text)
  if (!Array.isArray(lines)) return { ok: false, problems: [lines] }
  lines.forEach((raw, index) => {
    const line = raw.trim()
    if (line === '' || problems.length >= MOST_PROBLEMS) return
    const pieces = splitLine(line)
    const point = readPoint(pieces, units)
    if (typeof point === 'string') {
      problems.push({ line: index + 1, message: point })
      return
    }
    if (points.length > 0 && tags.length < points.length)
      problems.push({ line: index + 1, message: `the point before has no tag: write ${WHEEL_TAGS.join(', ')} after it` })
    if (points.length === MOST_POINTS) problems.push({ line: index + 1, message: `more than ${MOST_POINTS} points` })
    points.push(point)
    const tag = pieces[2]?.toLowerCase()
    if (tag === undefined) return
    const known = WHEEL_TAGS.find((one) => one === tag)
    if (known) tags.push(known)
    else problems.push({ line: index + 1, message: `"${tag.slice(0, 20)}" is not a tag: write ${WHEEL_TAGS.join(', ')}` })
  })
  // a tag on the last point has nothing to belong to
  const profile = { points, tags: tags.slice(0, Math.max(points.length - 1, 0)) }
  if (problems.length === 0 && points.length < 2) problems.push({ line: 0, message: 'needs at least two points' })
  return problems.length > 0 ? { ok: false, problems } : { ok: true, value: profile }
}

const writePoint = ([z, r]: [number, number], units: UnitChoice): string =>
  [z, r].map((value) => editQuantity(value, 'length', units).replace(/ \S+$/, '')).join('\t')

export const writeOutlines = (outlines: readonly NamedOutline[], units: UnitChoice): string =>
  outlines.map(({ name, points }) => [name, ...points.map((point) => writePoint(point, units))].join('\n')).join('\n\n')

export const writeProfile = ({ points, tags }: WheelProfile, units: UnitChoice): string =>
  points.map((point, index) => `${writePoint(point, units)}${tags[index] ? `\t${tags[index]}` : ''}`).join('\n')

/** Points of several outlines as a table, mm. */
export const writePointsCsv = (outlines: readonly { name: string; points: readonly (readonly [number, number])[] }[]): string =>
  csvText(
    ['outline', 'z_mm', 'r_mm'],
    outlines.flatMap(({ name, points }) => points.map(([z, r]) => [name, z, r])),
  )
