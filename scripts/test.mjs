import { spawn } from 'node:child_process'
import { ensurePackages, ensureTestTools, root } from './ensure.mjs'

/**
 * `npm test`: lint, format, types and build on one core while the unit tests and reference cases run on the other, then the
 * built application in a browser. `npm run test:deep` does the same at full strength.
 */
const deep = process.argv.includes('--deep')
ensurePackages()
const env = {
  ...process.env,
  CHROMIUM_PATH: ensureTestTools(),
  NUXT_TELEMETRY_DISABLED: '1',
  NODE_NO_WARNINGS: '1',
  ...(deep ? { TEST_DEEP: '1' } : {}),
}
const seconds = (from) => ((Date.now() - from) / 1000).toFixed(0)
const started = Date.now()
const failed = []
const running = new Set()
for (const signal of ['SIGINT', 'SIGTERM'])
  process.on(signal, () => {
    for (const child of running) child.kill(signal)
    process.exit(1)
  })

/** Runs a command. What it prints is shown at once, or together when it ends. */
function run({ title, command, args }, { live }) {
  const from = Date.now()
  if (live) console.log(`\n== ${title}`)
  return new Promise((done) => {
    const child = spawn(command, args, { cwd: root, env, stdio: ['ignore', live ? 'inherit' : 'pipe', live ? 'inherit' : 'pipe'] })
    running.add(child)
    const said = []
    for (const stream of [child.stdout, child.stderr]) stream?.on('data', (chunk) => said.push(chunk))
    child.on('error', (error) => said.push(Buffer.from(`${error.message}\n`)))
    child.on('close', (code) => {
      running.delete(child)
      if (!live) console.log(`\n== ${title}\n${Buffer.concat(said).toString().trimEnd()}`)
      console.log(`== ${title}: ${code === 0 ? '' : 'FAILED after '}${seconds(from)} s`)
      if (code !== 0) failed.push(title)
      done(code === 0)
    })
  })
}
/** One stage after the other; the rest of a lane is left out when one fails. */
async function lane(stages) {
  for (const stage of stages) if (!(await run(stage, { live: false }))) return
}
const npx = (title, ...args) => ({ title, command: 'npx', args: ['--no-install', ...args] })
const node = (title, ...args) => ({ title, command: process.execPath, args })

await Promise.all([
  lane([
    npx('build', 'nuxt', 'build'),
    node('types', 'scripts/types.mjs'),
    npx('lint', 'eslint', '--cache', '--cache-strategy', 'content', '--cache-location', 'node_modules/.cache/eslint/', '.'),
    node('words', '--import', 'tsx', 'scripts/words.ts'),
    npx('format', 'prettier', '--check', '--cache', '--cache-strategy', 'content', '--log-level', 'warn', '.'),
  ]),
  lane([
    node('unit', '--experimental-vm-modules', 'node_modules/jest/bin/jest.js'),
    node('reference cases', '--import', 'tsx', 'scripts/golden.ts'),
  ]),
])
if (failed.length === 0) await run(npx('end to end', 'playwright', 'test'), { live: true })
console.log(failed.length === 0 ? `\nAll passed in ${seconds(started)} s.` : `\nFAILED: ${failed.join(', ')}.`)
process.exitCode = failed.length === 0 ? 0 : 1
