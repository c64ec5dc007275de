import { spawnSync } from 'node:child_process'
import { cpSync, existsSync, mkdtempSync, readdirSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { dirname, join } from 'node:path'
import ts from 'typescript'
import { stream } from '../core/testing/heavy.ts'

/**
 * `npm run mutate -- [COUNT] [SEED]`: small faults are put into a copy of the core, one at a time, and the unit tests and
 * reference cases must see each of them. With `--deep` a fault that the quick runs miss is tried once more with all runs.
 */
const deepToo = process.argv.includes('--deep')
const [count = '60', seed = '20261130'] = process.argv.slice(2).filter((one) => one !== '--deep')
const root = join(import.meta.dirname, '..')
const SUBJECTS = [
  'maths',
  'quantity',
  'figures',
  'hydraulics',
  'fit',
  'commands',
  'balance',
  'clearance',
  'stopping',
  'heat',
  'evidence',
  'cost',
  'whatif',
  'evaluate',
  'uncertainty',
  'decide',
  'vision',
  'technical-report',
]

interface Fault {
  file: string
  line: number
  from: string
  to: string
  text: string
}

const SWAPS: Readonly<Record<string, string>> = {
  '+': '-',
  '-': '+',
  '*': '/',
  '/': '*',
  '<': '<=',
  '<=': '<',
  '>': '>=',
  '>=': '>',
  '&&': '||',
  '||': '&&',
}

/** Every place of a file where a sign, a factor, a bound or an axle can be changed. */
export function faultsIn(file: string, text: string): Fault[] {
  const source = ts.createSourceFile(file, text, ts.ScriptTarget.Latest, true)
  const found: Fault[] = []
  const put = (node: ts.Node, to: string) => {
    const at = node.getStart(source)
    found.push({
      file,
      line: source.getLineAndCharacterOfPosition(at).line + 1,
      from: node.getText(source),
      to,
      text: text.slice(0, at) + to + text.slice(node.end),
    })
  }
  const visit = (node: ts.Node) => {
    if (ts.isTypeNode(node) || ts.isImportDeclaration(node)) return
    if (ts.isBinaryExpression(node) && !ts.isStringLiteralLike(node.left) && !ts.isStringLiteralLike(node.right)) {
      const to = SWAPS[node.operatorToken.getText(source)]
      if (to) put(node.operatorToken, to)
    }
    if (ts.isNumericLiteral(node) && !['0', '1', '2'].includes(node.text)) put(node, `(${node.text} * 1.1)`)
    if (ts.isStringLiteral(node) && (node.text === 'front' || node.text === 'rear')) put(node, node.text === 'front' ? "'rear'" : "'front'")
    if (ts.isPropertyAccessExpression(node) && node.expression.getText(source) === 'Math' && /^(min|max)$/.test(node.name.text))
      put(node.name, node.name.text === 'min' ? 'max' : 'min')
    ts.forEachChild(node, visit)
  }
  visit(source)
  return found
}

function sourcesIn(folder: string): string[] {
  return readdirSync(join(root, folder), { withFileTypes: true }).flatMap((entry) => {
    const path = `${folder}/${entry.name}`
    return entry.isDirectory() ? sourcesIn(path) : path.endsWith('.ts') && !path.endsWith('.test.ts') ? [path] : []
  })
}

/** One fault of a file after the other, the files at random. */
function choose(many: number, next: () => number): Fault[] {
  // the first numbers of the stream follow its seed
  for (let i = 0; i < 8; i += 1) next()
  const files = SUBJECTS.flatMap((room) => sourcesIn(`core/${room}`))
  const chosen: Fault[] = []
  while (chosen.length < many) {
    const file = files[Math.floor(next() * files.length)]!
    const faults = faultsIn(file, readFileSync(join(root, file), 'utf8'))
    const fault = faults[Math.floor(next() * faults.length)]
    if (fault && !chosen.some((one) => one.text === fault.text)) chosen.push(fault)
  }
  return chosen
}

const copy = mkdtempSync(join(tmpdir(), 'mutants-'))
for (const name of [
  'core',
  'app',
  'server',
  'scripts',
  'docs',
  'package.json',
  'jest.config.mjs',
  'eslint.config.mjs',
  'eslint.rooms.mjs',
  'tsconfig.json',
])
  cpSync(join(root, name), join(copy, name), { recursive: true })
for (const name of ['node_modules', '.nuxt']) symlinkSync(join(root, name), join(copy, name))

/** A fault that makes a loop endless is seen too: by then any test has ended. */
const ENDLESS_MS = 150_000
/** Whether a run of Jest fails. */
function fails(deep: boolean, ...args: string[]): boolean {
  const jest = ['--experimental-vm-modules', 'node_modules/jest/bin/jest.js', '--bail', '--silent', '--passWithNoTests', ...args]
  const env = { ...process.env, NODE_NO_WARNINGS: '1', TEST_DEEP: deep ? '1' : '0' }
  return (
    spawnSync(process.execPath, jest, {
      cwd: copy,
      env,
      stdio: 'ignore',
      timeout: args.length === 1 && !deep ? ENDLESS_MS : 10 * ENDLESS_MS,
      killSignal: 'SIGKILL',
    }).status !== 0
  )
}
const goldenFails = () =>
  spawnSync(process.execPath, ['--import', 'tsx', 'scripts/golden.ts'], { cwd: copy, stdio: 'ignore', timeout: ENDLESS_MS }).status !== 0
/** Tests beside the fault first: they see most, and soon. */
const isSeen = (file: string, deep: boolean) => fails(deep, `${dirname(file)}/`) || goldenFails() || fails(deep, '--findRelatedTests', file)

const tally = { quick: 0, deep: 0 }
try {
  if (fails(false, 'core/quantity') || goldenFails()) throw new Error('the tests fail without any fault')
  for (const [i, fault] of choose(Number(count), stream(Number(seed))).entries()) {
    const path = join(copy, fault.file)
    writeFileSync(path, fault.text)
    const quick = isSeen(fault.file, false)
    const deep = quick || (deepToo && isSeen(fault.file, true))
    if (quick) tally.quick += 1
    if (deep) tally.deep += 1
    cpSync(join(root, fault.file), path)
    console.log(
      `${i + 1} ${fault.file}:${fault.line} ${fault.from} -> ${fault.to}: ${quick ? 'seen' : deep ? 'seen by all runs only' : 'NOT SEEN'}`,
    )
  }
  console.log(`seen by npm test ${tally.quick} of ${count}${deepToo ? `, with all runs ${tally.deep} of ${count}` : ''}`)
} finally {
  if (existsSync(copy)) rmSync(copy, { recursive: true })
}
