import { ensurePackages, must } from './ensure.mjs'

/** Runs a TypeScript script of this folder: `node scripts/run.mjs NAME [ARGUMENTS]`. */
const [name, ...rest] = process.argv.slice(2)
ensurePackages()
const script = name === 'bench' ? 'bench/run.ts' : `scripts/${name}.ts`
must(process.execPath, ['--import', 'tsx', script, ...rest])
