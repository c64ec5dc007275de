import { defineNuxtModule } from '@nuxt/kit'

/** Answers for every page when the server cannot be reached: all pages are one shell. */
const SHELL = '/shell'

/**
 * Keeps the built application in the browser, so that it opens without a network after the first load.
 * Pages are asked of the server first: a new build is seen at once, the kept one only stands in.
 */
export default defineNuxtModule({
  meta: { name: 'offline' },
  setup(_, nuxt) {
    nuxt.hook('nitro:build:public-assets', async (nitro) => {
      const { generateSW } = await import('workbox-build')
      const { publicDir } = nitro.options.output
      const { warnings } = await generateSW({
        globDirectory: publicDir,
        globPatterns: ['**/*.{js,css,woff2,svg,json,webmanifest,pfb,ttf}', 'icons/*.png'],
        globIgnores: ['**/builds/latest.json'],
        // the build names these files by what is in them
        dontCacheBustURLsMatching: /^_nuxt\//,
        additionalManifestEntries: [{ url: SHELL, revision: nuxt.options.buildId }],
        runtimeCaching: [
          {
            urlPattern: ({ request }) => request.mode === 'navigate',
            handler: 'NetworkOnly',
            options: { precacheFallback: { fallbackURL: SHELL } },
          },
        ],
        swDest: `${publicDir}/sw.js`,
        sourcemap: false,
        inlineWorkboxRuntime: true,
        clientsClaim: true,
        cleanupOutdatedCaches: true,
      })
      for (const warning of warnings) console.warn(`offline: ${warning}`)
    })
  },
})
