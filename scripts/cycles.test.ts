import { expect, test } from '@jest/globals'
import { existsSync, readdirSync, readFileSync } from 'node:fs'
import { dirname, join, relative } from 'node:path'

/** No file depends on itself by way of others, types included; but a registry may know its entries and they the type of its ids. */
const REGISTRIES = ['core/fit/rules.ts']
const root = join(import.meta.dirname, '..')

function filesIn(folder: string): string[] {
  return readdirSync(join(root, folder), { withFileTypes: true }).flatMap((entry) => {
    const path = `${folder}/${entry.name}`
    return entry.isDirectory() ? filesIn(path) : /\.(ts|vue)$/.test(entry.name) ? [path] : []
  })
}

function importsOf(file: string): string[] {
  const text = readFileSync(join(root, file), 'utf8')
  return [...text.matchAll(/\bfrom '([^']+)'/g)].flatMap(([, from]) => {
    const bare = from!.startsWith('#core/')
      ? `core/${from!.slice(6)}`
      : from!.startsWith('~/')
        ? `app/${from!.slice(2)}`
        : from!.startsWith('.')
          ? relative(root, join(root, dirname(file), from!))
          : undefined
    return bare === undefined ? [] : [bare, `${bare}.ts`].filter((path) => /\.(ts|vue)$/.test(path) && existsSync(join(root, path)))
  })
}

/** The first way from a file back to itself. */
export function cycleIn(graph: ReadonlyMap<string, readonly string[]>): string[] | undefined {
  const done = new Set<string>()
  const walk = (file: string, way: readonly string[]): string[] | undefined => {
    const at = way.indexOf(file)
    if (at >= 0) return [...way.slice(at), file]
    if (done.has(file)) return undefined
    for (const next of graph.get(file) ?? []) {
      const found = walk(next, [...way, file])
      if (found) return found
    }
    done.add(file)
    return undefined
  }
  for (const file of graph.keys()) {
    const found = walk(file, [])
    if (found) return found
  }
  return undefined
}

test('a cycle is found', () => {
  expect(
    cycleIn(
      new Map([
        ['a', ['b']],
        ['b', ['c']],
        ['c', ['b']],
      ]),
    ),
  ).toEqual(['b', 'c', 'b'])
})

test('no file depends on itself by way of others', () => {
  const files = ['core', 'app', 'server'].flatMap(filesIn)
  const graph = new Map(files.map((file) => [file, REGISTRIES.includes(file) ? [] : importsOf(file)]))
  expect(files.length).toBeGreaterThan(300)
  expect(cycleIn(graph)).toBeUndefined()
})
