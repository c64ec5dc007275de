import { readdirSync, readFileSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { fileURLToPath } from 'node:url'
import { runGolden, type GoldenFile, type GoldenOutcome } from '../core/golden/run.ts'

/** Runs reference cases: `npm run golden -- [DIR]`, by default the project's own copy. */
const own = fileURLToPath(new URL('../core/golden', import.meta.url))
const folder = resolve(process.env.INIT_CWD ?? '.', process.argv[2] ?? own)

const tally = { passed: 0, failed: 0 }
const count = (outcomes: readonly GoldenOutcome[]): void => {
  for (const { kind, name, outcome, differences } of outcomes) {
    tally[outcome] += 1
    if (outcome === 'failed') console.log(`FAILED ${kind} / ${name}: ${differences.join('; ')}`)
  }
}

try {
  const files = readdirSync(folder)
    .filter((name) => name.endsWith('.json'))
    .sort()
  if (files.length === 0) {
    console.error(`No *.json in ${folder}.`)
    process.exit(1)
  }
  for (const name of files) {
    let file: GoldenFile
    try {
      file = JSON.parse(readFileSync(join(folder, name), 'utf8')) as GoldenFile
      if (typeof file.kind !== 'string' || !Array.isArray(file.cases)) throw new Error('needs "kind" and a list "cases"')
    } catch (error) {
      tally.failed += 1
      console.log(`FAILED ${name}: ${error instanceof Error ? error.message : String(error)}`)
      continue
    }
    count(runGolden(file))
  }
} catch (error) {
  console.error(`Cannot read ${folder}: ${error instanceof Error ? error.message : String(error)}`)
  process.exit(1)
}

console.log(`${tally.passed} passed, ${tally.failed} failed`)
process.exit(tally.failed > 0 ? 1 : 0)
