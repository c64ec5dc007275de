import { DEMO_PROJECT } from '../demo/project.ts'
import { readDxf, type DxfPlacing } from '../formats/dxf-read.ts'
import { outlinesFromDxf, profileFromDxf } from '../formats/dxf-take.ts'
import { writeDxf } from '../formats/dxf-write.ts'
import { readReports, writeReportsCsv, writeReportsJsonl } from '../formats/fit-reports-text.ts'
import { partColumns } from '../formats/part-cells.ts'
import { guessMapping, partsFromTable, readTable, writePartsCsv } from '../formats/parts-csv.ts'
import { readOutlines, readProfile, writeOutlines, writeProfile } from '../formats/points-text.ts'
import { readProject, writeProject } from '../formats/project-file.ts'
import { PART_KIND_NAMES } from '../records/part-kinds.ts'
import type { PartOf } from '../records/part.ts'
import { DEFAULT_UNITS } from '../quantity/units.ts'
import { evaluateAll } from '../evaluate/evaluate-all.ts'
import { stream } from './heavy.ts'
import { cpuMs } from './yardstick.ts'

/**
 * Files that nobody should send, made from good ones and from a seed: whoever reads them answers soon, in words, and
 * changes nothing.
 */
export interface FuzzTarget {
  name: string
  /** Reading one may take so long, ms; else `LONGEST_MS`. */
  longestMs?: number
  /** A file from a stream of numbers. */
  make(next: () => number): string
  /** Reads it; throws when what it says does not hold. */
  read(text: string): void
}

/** No file may keep a reader longer, ms of the processor: other work on the machine does not count. */
const LONGEST_MS = 1000

interface FuzzFailure {
  target: string
  seed: number
  message: string
}

/** One file of a target: undefined when it was read as it should be. */
export function fuzzOne(target: FuzzTarget, seed: number, longestMs = target.longestMs ?? LONGEST_MS): FuzzFailure | undefined {
  const next = stream(1 + (Math.abs(seed) % 2147483646))
  // the first numbers of a Lehmer stream follow its seed
  for (let i = 0; i < 8; i += 1) next()
  const text = target.make(next)
  const from = cpuMs()
  const fail = (message: string): FuzzFailure => ({ target: target.name, seed, message: message.slice(0, 400) })
  try {
    target.read(text)
  } catch (error) {
    return fail(error instanceof Error ? `${error.name}: ${error.message}` : String(error))
  }
  const ms = cpuMs() - from
  return ms > longestMs ? fail(`took ${ms.toFixed(0)} ms for ${text.length} signs`) : undefined
}

const JUNK = [
  '\u0000',
  '-',
  '1e309',
  'NaN',
  '\n',
  '\n\n',
  '9'.repeat(400),
  '"',
  '{',
  '[',
  ']',
  '999999999',
  '0\nSECTION',
  '0\nVERTEX\n',
  'EOF',
  '\u202e',
  '\uffff',
  '\ud800',
  '__proto__',
  ',',
  ';',
  '\t',
  '=1+1',
  '-1',
  '1e-320',
]
const pick = <T>(next: () => number, from: readonly T[]): T => from[Math.floor(next() * from.length)]!
const below = (next: () => number, n: number): number => Math.floor(next() * n)

/** A text with pieces cut, doubled, swapped and thrown in. */
export function mutateText(text: string, next: () => number): string {
  let out = text
  for (let times = 1 + below(next, 6); times > 0; times -= 1) {
    const at = below(next, out.length + 1)
    const long = below(next, 60)
    switch (below(next, 8)) {
      case 0:
        out = out.slice(0, at) + out.slice(at + long)
        break
      case 1:
        out = out.slice(0, at) + pick(next, JUNK) + out.slice(at)
        break
      case 2:
        out = out.slice(0, at) + out.slice(at, at + 5 * long) + out.slice(at)
        break
      case 3:
        out = next() < 0.3 ? out.slice(0, at) : out
        break
      case 4:
        out = out.slice(0, at) + String.fromCharCode(below(next, 65536)) + out.slice(at + 1)
        break
      case 5: {
        // one piece, again and again
        const piece = out.slice(at, at + long)
        out = out.slice(0, at) + piece.repeat(below(next, 2000)) + out.slice(at)
        break
      }
      case 6: {
        const cells = out.split(/([,;\t\n:])/)
        cells[below(next, cells.length)] = pick(next, JUNK)
        out = cells.join('')
        break
      }
      default: {
        const lines = out.split('\n')
        const [a, b] = [below(next, lines.length), below(next, lines.length)]
        ;[lines[a], lines[b]] = [lines[b]!, lines[a]!]
        out = lines.join('\n')
      }
    }
  }
  return out
}

const nested = (depth: number): unknown => {
  let value: unknown = 1
  for (let i = 0; i < depth; i += 1) value = i % 2 === 0 ? [value] : { a: value }
  return value
}
/** Stands for a nesting deeper than can be written out of a value. */
const DEEP = '(deep)'
const HOSTILE: readonly (() => unknown)[] = [
  () => null,
  () => '',
  () => 0,
  () => -1,
  () => 1e308,
  () => -1e308,
  () => 5e-324,
  () => 1e15,
  () => true,
  () => [],
  () => ({}),
  () => 'x'.repeat(100_000),
  () => '__proto__',
  () => '<img src=x onerror=alert(1)>',
  () => '\u202egnp.exe',
  () => ({ toString: 1 }),
  () => ({ valueOf: null, toString: null }),
  () => JSON.parse('{"__proto__":{"polluted":true}}') as unknown,
  () => ({ constructor: { prototype: { polluted: true } } }),
  () => nested(50),
  () => DEEP,
  () => new Array<number>(100_000).fill(0),
  () => new Array<null>(5000).fill(null),
  () => Object.fromEntries(Array.from({ length: 5000 }, (_, i) => [`key${i}`, i])),
  () => Array.from({ length: 3000 }, () => [0, 0]),
  () => ({ value: 1e160, u: 1e160, origin: 'measured' }),
  () => ({ value: 10, u: -0, origin: 'measured' }),
  () => '2026-13-45',
]

/** A value with some of its members replaced, dropped, doubled or put where others belong. */
export function mutateValue(value: unknown, next: () => number): unknown {
  const out = structuredClone(value)
  for (let times = 1 + below(next, 4); times > 0; times -= 1) {
    let holder = out as Record<string, unknown>
    let key = ''
    for (let at: unknown = out; typeof at === 'object' && at !== null;) {
      holder = at as Record<string, unknown>
      const keys = Object.keys(holder)
      if (keys.length === 0) break
      key = pick(next, keys)
      if (next() < 0.2) break
      at = holder[key]
    }
    const elsewhere = pick(next, Object.values(out as object) as unknown[])
    switch (below(next, 6)) {
      case 0:
        if (Array.isArray(holder)) holder.splice(Number(key), 1)
        else Reflect.deleteProperty(holder, key)
        break
      case 1:
        if (Array.isArray(holder))
          holder.push(...Array.from({ length: below(next, 60) }, () => structuredClone((holder as unknown as unknown[])[Number(key)])))
        else holder[`${key}2`] = structuredClone(holder[key])
        break
      case 2:
        holder[key] = structuredClone(elsewhere)
        break
      case 3:
        if (typeof holder[key] === 'number') holder[key] = Number(holder[key]) * pick(next, [-1, 0, 1e-3, 10, 1e3, 1e9])
        break
      default:
        holder[key] = pick(next, HOSTILE)()
    }
  }
  return out
}

function must(holds: boolean, words: string): void {
  if (!holds) throw new Error(words)
}
const isSaid = (words: unknown): boolean =>
  typeof words === 'string' && words.length > 0 && words.length < 1000 && !/undefined|\[object /.test(words)

const project: FuzzTarget = {
  name: 'project',
  make(next) {
    if (next() < 0.3) return mutateText(writeProject(DEMO_PROJECT), next)
    const text = JSON.stringify(mutateValue(DEMO_PROJECT, next)).replaceAll(`"${DEEP}"`, '['.repeat(5000) + ']'.repeat(5000))
    return next() < 0.1 ? mutateText(text, next) : text
  },
  read(text) {
    const read = readProject(text)
    if (!read.ok) {
      must(read.problems.length > 0 && read.problems.length <= 100, `${read.problems.length} problems`)
      for (const one of read.problems) must(isSaid(one.message) && isSaid(one.place), `a problem says “${one.place}: ${one.message}”`)
      return
    }
    const again = readProject(writeProject(read.project))
    must(again.ok && writeProject(again.project) === writeProject(read.project), 'what was read and written is not read again')
    // each eighth: a look at what is made of it
    if (text.length % 8 > 0) return
    for (const one of evaluateAll(read.project)) must(!('failed' in one), `${one.setupName}: ${'failed' in one ? one.failed : ''}`)
  },
}

const demoTables = PART_KIND_NAMES.filter((kind) => DEMO_PROJECT.parts.some((part) => part.kind === kind)).map((kind) => ({
  kind,
  text: writePartsCsv(kind, DEMO_PROJECT.parts, DEFAULT_UNITS),
}))
const partsCsv: FuzzTarget = {
  name: 'csv',
  make: (next) => mutateText(pick(next, demoTables).text, next),
  read(text) {
    const read = readTable(text)
    if (!read.ok) return must(isSaid(read.message), `a table is refused with “${read.message}”`)
    const kind = PART_KIND_NAMES[text.length % PART_KIND_NAMES.length]!
    const mapping = guessMapping(read.table.header, partColumns(kind, DEFAULT_UNITS))
    const context = { units: DEFAULT_UNITS, origin: 'published', date: '2026-11-26', currency: 'EUR' } as const
    const taken = partsFromTable(read.table, mapping, kind, context, (row) => `row-${row}`)
    must(taken.parts.length + taken.rejected.length === read.table.rows.length, 'a row is neither taken nor rejected')
    for (const one of taken.rejected) must(one.reasons.length > 0, `row ${one.row} is rejected without a reason`)
  },
}

const reports: FuzzTarget = {
  name: 'reports',
  make: (next) => mutateText(next() < 0.5 ? writeReportsJsonl(DEMO_PROJECT.fitReports) : writeReportsCsv(DEMO_PROJECT.fitReports), next),
  read(text) {
    const taken = readReports(text, (line) => `line-${line}`)
    must(taken.rejectedCount >= taken.rejected.length, 'fewer are counted than listed')
    for (const one of taken.rejected) for (const reason of one.reasons) must(isSaid(reason), `line ${one.line}: “${reason}”`)
  },
}

const outlined = DEMO_PROJECT.parts.filter((part): part is PartOf<'caliper'> => part.kind === 'caliper' && part.outlines !== undefined)
const profiled = DEMO_PROJECT.parts.filter((part): part is PartOf<'wheel'> => part.kind === 'wheel' && part.profile !== undefined)
const points: FuzzTarget = {
  name: 'points',
  make: (next) =>
    mutateText(
      next() < 0.5
        ? writeOutlines(pick(next, outlined).outlines!, DEFAULT_UNITS)
        : writeProfile(pick(next, profiled).profile!, DEFAULT_UNITS),
      next,
    ),
  read(text) {
    const profile = readProfile(text, DEFAULT_UNITS)
    if (profile.ok) must(profile.value.tags.length === profile.value.points.length - 1, 'a stretch has no tag')
    for (const read of [readOutlines(text, DEFAULT_UNITS), profile])
      if (!read.ok) for (const one of read.problems) must(isSaid(one.message), `line ${one.line}: “${one.message}”`)
  },
}

const PLACING: DxfPlacing = { unit: 'mm', originX: 0, originY: 0, outboard: '+x', mirrorRadius: false }
const dxf: FuzzTarget = {
  name: 'dxf',
  make(next) {
    const text = writeDxf(pick(next, outlined).outlines!)
    const hostile = (entities: string) => `0\nSECTION\n2\nENTITIES\n${entities}0\nENDSEC\n0\nEOF\n`
    const many = (piece: string, most: number) => piece.repeat(below(next, most))
    if (next() < 0.05) return hostile(`0\nPOLYLINE\n8\nA\n0\nVERTEX\n${many('10\n1\n20\n7\n', 200_000)}0\nSEQEND\n`)
    if (next() < 0.05) return hostile(`0\nLWPOLYLINE\n8\nA\n${many('10\n1\n20\n1\n42\n5\n10\n9\n20\n1e5\n', 30_000)}`)
    if (next() < 0.05) return hostile(many('0\nARC\n8\nA\n10\n0\n20\n0\n40\n1e6\n50\n0\n51\n359\n', 20_000))
    return mutateText(text, next)
  },
  read(text) {
    const read = readDxf(text)
    if (!read.ok) return must(isSaid(read.message), `a drawing is refused with “${read.message}”`)
    const layers = read.drawing.layers.filter((layer) => !layer.refused)
    for (const { points: line } of outlinesFromDxf(layers, PLACING))
      for (const point of line) must(point.every(Number.isFinite), 'a point is no number')
    const found = profileFromDxf(layers, PLACING)
    if (!found.ok) must(isSaid(found.message), `a profile is refused with “${found.message}”`)
  },
}

export const FUZZ_TARGETS: readonly FuzzTarget[] = [project, partsCsv, reports, points, dxf]
