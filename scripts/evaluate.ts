import { readFileSync } from 'node:fs'
import { resolve } from 'node:path'
import { readProject } from '../core/formats/project-file.ts'
import { evaluateAll } from '../core/report/evaluate-all.ts'

/** An exported project in, the reports of its setups as JSON on stdout: `npm run -s evaluate -- FILE.json`. */
function stop(lines: readonly string[]): never {
  for (const line of lines) process.stderr.write(`${line}\n`)
  process.exit(2)
}

const name = process.argv[2]
if (name === undefined) stop(['Which file? npm run -s evaluate -- FILE.json'])
const path = resolve(process.env.INIT_CWD ?? '.', name)
let text: string
try {
  text = readFileSync(path, 'utf8')
} catch (error) {
  stop([`Cannot read ${path}: ${error instanceof Error ? error.message : String(error)}`])
}
const read = readProject(text)
if (!read.ok)
  stop([
    `${path} cannot be used:`,
    ...read.problems.map((problem) => `- ${problem.place}: ${problem.message}${problem.path ? ` (${problem.path})` : ''}`),
  ])
const { project } = read
const report = { project: { id: project.id, name: project.name }, setups: evaluateAll(project) }
process.stdout.write(`${JSON.stringify(report, undefined, 2)}\n`)
