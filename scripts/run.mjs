import { ensurePackages, must, root } from './ensure.mjs'

/** Runs a TypeScript script of this folder: `node scripts/run.mjs NAME [ARGUMENTS]`. */
const [name, ...rest] = process.argv.slice(2)
ensurePackages()
if (name === 'bench') {
  // measured is what is shipped: bundled, without what the loader of scripts adds to every function
  const { buildSync } = await import('esbuild')
  const outfile = `${root}node_modules/.cache/bench.mjs`
  buildSync({ entryPoints: [`${root}bench/run.ts`], bundle: true, format: 'esm', platform: 'node', packages: 'external', outfile })
  must(process.execPath, [outfile, ...rest])
} else must(process.execPath, ['--import', 'tsx', `scripts/${name}.ts`, ...rest])
