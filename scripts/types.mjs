import { must } from './ensure.mjs'

/**
 * Types of everything. The native compiler takes a fifth of the time, but it cannot read Vue files: those, and what stands
 * beside them in the application, are checked by vue-tsc with the compiler in TypeScript.
 */
const PLAIN = [
  'core/tsconfig.json',
  'tsconfig.tests.json',
  '.nuxt/tsconfig.server.json',
  '.nuxt/tsconfig.shared.json',
  '.nuxt/tsconfig.node.json',
]
for (const project of PLAIN) must(process.execPath, ['node_modules/typescript-native/bin/tsc', '-p', project, '--noEmit'])
must('npx', ['--no-install', 'vue-tsc', '-p', '.nuxt/tsconfig.app.json', '--noEmit'])
