import { expect, test } from '@jest/globals'
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { pathToFileURL } from 'node:url'

/** The examples in docstrings of the core are run: `expression // => value`. */
const core = join(import.meta.dirname, '../core')

interface Example {
  file: string
  text: string
  /** Absent: the example does not say what comes out. */
  expected: string | undefined
}

function filesIn(folder: string): string[] {
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const path = join(folder, entry.name)
    return entry.isDirectory() ? filesIn(path) : entry.name.endsWith('.ts') && !entry.name.includes('.test.') ? [path] : []
  })
}

/**
 * Every example of every docstring. One docstring may hold several; each may go over several lines, and its value stands
 * behind `// =>` on its last one.
 */
function examplesOf(file: string, source: string): Example[] {
  return [...source.matchAll(/\/\*\*(?:(?!\*\/)[\s\S])*\*\//g)].flatMap(([doc]) =>
    doc
      .split('@example')
      .slice(1)
      .flatMap((after) => {
        const text = after
          .replace('*/', '')
          .split('\n')
          .map((line) => line.replace(/^\s*\* ?/, ''))
          .join('\n')
          .split(/\n@\w/)[0]!
          .trim()
        const parts = [...text.matchAll(/([\s\S]*?)\s*\/\/ => (.*)(?:\n|$)/g)]
        const rest = text.slice(parts.reduce((end, [all]) => end + all.length, 0)).trim()
        return [
          ...parts.map(([, run, expected]) => ({ file, text: run!.trim(), expected: expected!.trim() })),
          ...(rest === '' && parts.length > 0 ? [] : [{ file, text: rest, expected: undefined }]),
        ]
      }),
  )
}

test('each example of a docstring is found, and one without a value is seen', () => {
  const source = '/**\n * @example\n * f(1) // => 2\n * f(\n *   2,\n * ) // => 3\n * @example\n * f(3)\n */'
  expect(examplesOf('x', source)).toEqual([
    { file: 'x', text: 'f(1)', expected: '2' },
    { file: 'x', text: 'f(\n  2,\n)', expected: '3' },
    { file: 'x', text: 'f(3)', expected: undefined },
  ])
})

const examples = filesIn(core).flatMap((file) => examplesOf(file.slice(core.length + 1), readFileSync(file, 'utf8')))

/** What an example may name beside the exports of its own file. */
const COMMON = ['quantity/units.ts', 'quantity/instrument.ts', 'demo/project.ts']
const load = async (file: string) => (await import(pathToFileURL(join(core, file)).href)) as Record<string, unknown>

test('the core shows how it is used', () => {
  expect(examples.length).toBeGreaterThanOrEqual(55)
})

test.each(examples.map((one) => [one.file, one.text, one.expected] as const))('%s: %s', async (file, text, expected) => {
  expect([text, expected]).toEqual([text, expect.any(String)])
  const names: Record<string, unknown> = {}
  // one after the other: files that are linked at once can miss each other's imports
  for (const one of [...COMMON, file]) Object.assign(names, await load(one))
  const run = (expression: string): unknown => new Function(...Object.keys(names), `return (${expression})`)(...Object.values(names))
  expect(run(text)).toEqual(run(expected!))
})
