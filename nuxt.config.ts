import { fileURLToPath } from 'node:url'

const core = fileURLToPath(new URL('./core', import.meta.url))

export default defineNuxtConfig({
  compatibilityDate: '2026-05-11',
  ssr: false,
  telemetry: { enabled: false },
  devtools: { enabled: false },
  modules: ['@pinia/nuxt', '@element-plus/nuxt', '@vueuse/nuxt', '@nuxt/icon', '@nuxt/eslint'],
  alias: { '#core': core },
  // explicit imports for the project's own code; auto-imports for the framework's
  imports: { dirs: [] },
  components: [{ path: '~/components', pathPrefix: false }],
  css: [
    '@fontsource-variable/archivo/wdth.css',
    'element-plus/theme-chalk/dark/css-vars.css',
    '~/assets/css/theme.css',
    '~/assets/css/main.css',
  ],
  app: {
    head: {
      htmlAttrs: { lang: 'en' },
      title: 'Valiant Caliper',
      meta: [
        { name: 'description', content: 'Plans a brake upgrade: does it fit, is it balanced, what does it cost.' },
        { name: 'theme-color', media: '(prefers-color-scheme: light)', content: '#f1ede3' },
        { name: 'theme-color', media: '(prefers-color-scheme: dark)', content: '#14171a' },
      ],
      link: [
        { rel: 'icon', type: 'image/svg+xml', href: '/icon.svg' },
        { rel: 'apple-touch-icon', href: '/icons/touch-180.png' },
        { rel: 'manifest', href: '/manifest.webmanifest' },
      ],
    },
  },
  elementPlus: { importStyle: 'css', icon: false },
  icon: {
    provider: 'none',
    fallbackToApi: false,
    mode: 'svg',
    serverBundle: false,
    clientBundle: { scan: true, sizeLimitKb: 256 },
  },
  nitro: {
    preset: 'node-server',
    compressPublicAssets: { gzip: true, brotli: false },
    typescript: { tsConfig: { compilerOptions: { allowImportingTsExtensions: true, noEmit: true } } },
  },
  vite: {
    worker: { format: 'es' },
    build: { reportCompressedSize: false },
    optimizeDeps: { include: ['comlink', 'd3', 'dayjs', 'dayjs/plugin/*.js', 'immer', 'localforage', 'lodash-unified', 'yup'] },
  },
  typescript: {
    strict: true,
    tsConfig: { compilerOptions: { allowImportingTsExtensions: true, noEmit: true } },
  },
  hooks: {
    // pages are fetched ahead by the links that lead to them; fetching every one with the first costs what the first load saves
    'build:manifest'(manifest) {
      for (const one of Object.values(manifest)) one.prefetch = false
    },
  },
  $development: {
    hooks: {
      // Nuxt 4.4.5: `nuxt dev` with ssr:false asks the client config for a server entry
      'vite:extendConfig'(config, { isClient }) {
        const input = config.build?.rollupOptions?.input as Record<string, string> | undefined
        if (isClient && input?.entry && !input.server) input.server = input.entry
      },
    },
  },
  eslint: { config: { stylistic: false } },
})
