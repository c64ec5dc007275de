import { GOLDEN_KINDS } from './kinds.ts'

interface Tolerance {
  abs: number
  rel: number
}
export interface GoldenFile {
  kind: string
  cases: { name: string; input: unknown; expect: Record<string, unknown>; tolerance: Tolerance }[]
}
export interface GoldenOutcome {
  kind: string
  name: string
  outcome: 'passed' | 'failed'
  /** One for each difference: where, expected, got. */
  differences: string[]
}

/** Runs the cases of one file. A kind that is not in the reference set fails as a whole. */
export function runGolden(file: GoldenFile): GoldenOutcome[] {
  const compute = Object.hasOwn(GOLDEN_KINDS, file.kind) ? GOLDEN_KINDS[file.kind] : undefined
  if (!compute) {
    return [{ kind: file.kind, name: '(whole file)', outcome: 'failed', differences: [`kind "${file.kind}" is not known`] }]
  }
  return file.cases.map(({ name, input, expect, tolerance }) => {
    let differences: string[]
    try {
      differences = compare(expect, compute(input), tolerance, '')
    } catch (error) {
      differences = [`threw ${String(error)}`]
    }
    return { kind: file.kind, name, outcome: differences.length === 0 ? 'passed' : 'failed', differences }
  })
}

/** Differences between expected and got; fields that are not expected are not looked at. */
export function compare(expected: unknown, got: unknown, tolerance: Tolerance, at: string): string[] {
  const say = [`${at || 'value'}: expected ${JSON.stringify(expected)}, got ${JSON.stringify(got)}`]
  if (typeof expected === 'number') {
    const near = typeof got === 'number' && Math.abs(got - expected) <= tolerance.abs + tolerance.rel * Math.abs(expected)
    return near ? [] : say
  }
  if (Array.isArray(expected)) {
    if (!Array.isArray(got) || got.length !== expected.length) return say
    return expected.flatMap((item, index) => compare(item, got[index], tolerance, `${at}[${index}]`))
  }
  if (typeof expected === 'object' && expected !== null) {
    if (typeof got !== 'object' || got === null) return say
    return Object.entries(expected).flatMap(([key, item]) =>
      compare(item, (got as Record<string, unknown>)[key], tolerance, at ? `${at}.${key}` : key),
    )
  }
  return expected === got ? [] : say
}
