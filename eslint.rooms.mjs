// @ts-check
/**
 * The one-way rule between rooms, on resolved paths. The rooms of the core stand in one order and import only what stands
 * before them; the maths of a subject knows no project; the interface takes no formula.
 */
import { createNodeResolver, importX } from 'eslint-plugin-import-x'
import { fileURLToPath } from 'node:url'

const root = fileURLToPath(new URL('.', import.meta.url))
/** The rooms of the core, from the ground up: each may import those before it. */
const ROOMS = [
  'maths',
  'quantity',
  'records',
  'figures',
  'vision',
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
  'work-order',
  'evaluate',
  'uncertainty',
  'decide',
  'guide',
  'formats',
  'technical-report',
]
/** Subjects with a folder of functions of plain numbers: it knows no project, and only the maths of subjects before it. */
const WITH_MATHS = ['hydraulics', 'balance', 'clearance', 'stopping', 'heat', 'evidence', 'cost', 'decide']
const before = (room) => ROOMS.slice(0, ROOMS.indexOf(room))

const OUTSIDE = [
  'vue',
  'vue-*',
  'pinia',
  'nuxt*',
  '@vue/*',
  '@vueuse/*',
  'element-plus',
  'localforage',
  'd3',
  'd3-*',
  '#*',
  '~/*',
  '@/*',
  'node:*',
]

const zone = (target, allowed, message) => ({
  target: `./core/${target}`,
  from: './core',
  except: allowed.map((one) => `./${one}`),
  message: `core/${target} may import ${message}.`,
})
const zones = [
  ...ROOMS.map((room) => zone(room, [room, ...before(room)], before(room).join(', ') || 'nothing else')),
  ...WITH_MATHS.map((room) => {
    const others = WITH_MATHS.filter((one) => before(room).includes(one)).map((one) => `${one}/maths`)
    const allowed = ['maths', 'quantity', ...others]
    return zone(`${room}/maths`, [`${room}/maths`, ...allowed], allowed.join(', '))
  }),
  zone('demo', ['demo', 'records', 'quantity', 'maths'], 'records, quantity, maths'),
  {
    target: './core',
    from: ['./app', './server', './e2e', './bench', './scripts'],
    message: 'The core runs anywhere: no interface, no server.',
  },
  { target: './server', from: './app' },
  { target: './app', from: ['./server', './e2e', './bench', './scripts'] },
]

export const rooms = [
  {
    name: 'rooms/paths',
    files: ['core/**/*.ts', 'app/**/*.{ts,vue}', 'server/**/*.ts'],
    ignores: ['**/*.test.ts', 'app/testing/**'],
    plugins: { 'import-x': importX },
    settings: {
      'import-x/resolver-next': [
        createNodeResolver({ alias: { '#core': [`${root}core`], '~': [`${root}app`] }, extensions: ['.ts', '.vue', '.js', '.mjs'] }),
      ],
    },
    rules: { 'import-x/no-restricted-paths': ['error', { basePath: root, zones }] },
  },
  {
    name: 'rooms/outside',
    files: ['core/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        { patterns: [{ group: OUTSIDE, message: 'The core runs anywhere: no interface, storage or platform.' }] },
      ],
    },
  },
  {
    name: 'rooms/offered',
    files: ['app/**/*.{ts,vue}', 'server/**/*.ts'],
    ignores: ['**/*.test.ts', 'app/testing/**'],
    rules: {
      '@typescript-eslint/no-restricted-imports': [
        'error',
        {
          patterns: [
            {
              regex: '^#core/([^/]+/maths|maths|testing|golden)/',
              allowTypeImports: true,
              message: 'No formula in the interface: take figures and checks from the rooms that make them.',
            },
          ],
        },
      ],
    },
  },
]
