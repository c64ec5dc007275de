import { expect, test } from '@jest/globals'
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { pathToFileURL } from 'node:url'

/** The examples in docstrings of the core are run: `expression // => value`. */
const core = join(import.meta.dirname, '../core')

interface Example {
  file: string
  text: string
  expected: string
}

function filesIn(folder: string): string[] {
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const path = join(folder, entry.name)
    return entry.isDirectory() ? filesIn(path) : entry.name.endsWith('.ts') && !entry.name.includes('.test.') ? [path] : []
  })
}

/** What a docstring shows; an example may go over several lines, its value stands on the last. */
function examplesIn(file: string): Example[] {
  return [...readFileSync(file, 'utf8').matchAll(/\/\*\*(?:(?!\*\/)[\s\S])*\*\//g)].flatMap(([doc]) => {
    const after = doc.split('@example')[1]
    if (after === undefined) return []
    const lines = after
      .replace('*/', '')
      .split('\n')
      .map((line) => line.replace(/^\s*\* ?/, ''))
    const found = /^([\s\S]*?)\s*\/\/ => (.*)$/m.exec(lines.join('\n').trim())
    return found ? [{ file, text: found[1]!.trim(), expected: found[2]!.trim() }] : []
  })
}

const examples = filesIn(core).flatMap(examplesIn)

test('the core shows how it is used', () => {
  expect(examples.length).toBeGreaterThanOrEqual(20)
})

test.each(examples.map((one) => [one.file.slice(core.length + 1), one.text, one.expected] as const))(
  '%s: %s',
  async (file, text, expected) => {
    const names = (await import(pathToFileURL(join(core, file)).href)) as Record<string, unknown>
    const run = (expression: string): unknown => new Function(...Object.keys(names), `return (${expression})`)(...Object.values(names))
    expect(run(text)).toEqual(run(expected))
  },
)
