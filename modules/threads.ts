import { fileURLToPath } from 'node:url'
import { defineNuxtModule } from '@nuxt/kit'

/** Each file of server/workers becomes a module of its own beside the server: a thread starts from a file. */
export default defineNuxtModule({
  meta: { name: 'threads' },
  setup(_, nuxt) {
    const here = (path: string) => fileURLToPath(new URL(`../${path}`, import.meta.url))
    nuxt.hook('nitro:init', (nitro) => {
      nitro.hooks.hook('compiled', async () => {
        const { build } = await import('esbuild')
        await build({
          entryPoints: [here('server/workers/evaluate.ts'), here('server/workers/search.ts')],
          outdir: `${nitro.options.output.serverDir}/workers`,
          outExtension: { '.js': '.mjs' },
          bundle: true,
          platform: 'node',
          format: 'esm',
          target: 'node20',
          alias: { '#core': here('core') },
          // packages of the older kind ask for node's modules at run time
          banner: { js: "import { createRequire } from 'node:module'\nconst require = createRequire(import.meta.url)" },
          logLevel: 'warning',
        })
      })
    })
  },
})
