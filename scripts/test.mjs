import { build, ensureTestTools, ensurePackages, must } from './ensure.mjs'

/** Lint, types, unit tests, reference cases, then the built application in a browser. */
const step = (title, command, args, options) => {
  const from = Date.now()
  console.log(`\n== ${title}`)
  must(command, args, options)
  console.log(`== ${title}: ${((Date.now() - from) / 1000).toFixed(0)} s`)
}
const npx = (title, ...args) => step(title, 'npx', ['--no-install', ...args])

ensurePackages()
process.env.CHROMIUM_PATH = ensureTestTools()
npx('lint', 'eslint', '.')
npx('format', 'prettier', '--check', '--log-level', 'warn', '.')
npx('types', 'vue-tsc', '-b', '--noEmit')
step('unit', process.execPath, ['--experimental-vm-modules', 'node_modules/jest/bin/jest.js'], {
  env: { ...process.env, NODE_NO_WARNINGS: '1' },
})
step('reference cases', process.execPath, ['--import', 'tsx', 'scripts/golden.ts'])
const from = Date.now()
build()
console.log(`== build: ${((Date.now() - from) / 1000).toFixed(0)} s`)
npx('end to end', 'playwright', 'test')
