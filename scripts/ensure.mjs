import { spawnSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, readFileSync, writeFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'

/** The project's folder. */
export const root = fileURLToPath(new URL('..', import.meta.url))

/** Runs a command in the project's folder and ends this process when it fails. */
export function must(command, args, options = {}) {
  const done = spawnSync(command, args, { cwd: root, stdio: 'inherit', ...options })
  if (done.error) throw done.error
  if (done.status !== 0) process.exit(done.status ?? 1)
}

const hashOf = (path) => createHash('sha256').update(readFileSync(path)).digest('hex')

/** Installs packages when they are missing or older than the lockfile. Output goes to stderr. */
export function ensurePackages() {
  const stamp = `${root}node_modules/.installed-from`
  const wanted = hashOf(`${root}package-lock.json`)
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === wanted) return
  process.stderr.write('Installing packages …\n')
  must('npm', ['ci'], { stdio: ['ignore', 2, 2] })
  writeFileSync(stamp, wanted)
}

/** Installs what is missing of Debian's packages: the command that must be there, and the package that has it. */
function ensureDebian(wanted) {
  const missing = wanted.filter(({ command }) => !existsSync(command))
  if (missing.length === 0) return
  installDebian(missing.map(({ name }) => name))
}

function installDebian(names) {
  process.stderr.write(`Installing ${names.join(', ')} …\n`)
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' }
  must('apt-get', ['update', '-qq'], { env, stdio: ['ignore', 2, 2] })
  must('apt-get', ['install', '-y', '-qq', ...names], { env, stdio: ['ignore', 2, 2] })
}

/** The stories are tested from this Chromium on: 150 starts the first Tab of a page elsewhere. */
const LEAST_CHROMIUM = 156
/** @returns the major version; NaN where the command does not say */
const majorOf = (command) => Number(/\b(\d+)\.\d+\.\d+/.exec(spawnSync(command, ['--version'], { encoding: 'utf8' }).stdout ?? '')?.[1])

/** What the tests need of Debian: Chromium, and a printer of PDF pages into pictures. Returns Chromium's path. */
export function ensureTestTools() {
  const chromium = process.env.CHROMIUM_PATH ?? '/usr/bin/chromium'
  ensureDebian([
    { command: chromium, name: 'chromium' },
    { command: '/usr/bin/pdftoppm', name: 'poppler-utils' },
  ])
  if (majorOf(chromium) < LEAST_CHROMIUM) {
    if (process.env.CHROMIUM_PATH === undefined) installDebian(['chromium'])
    const now = majorOf(chromium)
    if (now < LEAST_CHROMIUM) {
      process.stderr.write(
        `${chromium} is version ${now}; the stories need ${LEAST_CHROMIUM} or later. Update it (apt-get update, apt-get install chromium), ` +
          'or name another one with CHROMIUM_PATH.\n',
      )
      process.exit(1)
    }
  }
  return chromium
}

/** Builds the application. */
export function build() {
  process.stderr.write('Building …\n')
  must('npx', ['--no-install', 'nuxt', 'build'], { stdio: ['ignore', 2, 2], env: { ...process.env, NUXT_TELEMETRY_DISABLED: '1' } })
}
