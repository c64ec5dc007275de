// @ts-check
/**
 * The one-way rule between rooms, on resolved paths: maths -> quantity -> model -> subjects -> edit -> report -> app and
 * server. Subjects import each other only where physics says so; report joins them.
 */
import { createNodeResolver, importX } from 'eslint-plugin-import-x'
import { fileURLToPath } from 'node:url'

const root = fileURLToPath(new URL('.', import.meta.url))
const MODEL = ['model', 'quantity', 'maths']
const SUBJECTS = ['search', 'clearance', 'fit', 'hydraulics', 'balance', 'cost', 'heat', 'stopping', 'evidence']

/** What each room of the core may import beside itself. */
const CORE = {
  maths: [],
  // joins and fronts of whatever: knows nothing of brakes
  search: ['maths'],
  quantity: ['maths'],
  model: ['quantity', 'maths'],
  // what a picture of a sheet says in millimetres: knows nothing of brakes
  picture: ['quantity', 'maths'],
  clearance: MODEL,
  // the parking brake acts at the radius of the foot brake
  fit: ['hydraulics', ...MODEL],
  hydraulics: MODEL,
  // which axle locks first is a property of the hydraulic chain
  balance: ['hydraulics', ...MODEL],
  cost: MODEL,
  // a session is driven by the pressures of the chain
  heat: ['hydraulics', ...MODEL],
  // what limits a stop is foot, tyres and, when hot, the friction that is left
  stopping: ['hydraulics', 'balance', 'heat', ...MODEL],
  evidence: MODEL,
  edit: [...SUBJECTS, ...MODEL],
  report: ['edit', ...SUBJECTS, ...MODEL],
  formats: ['report', ...MODEL, 'heat', 'evidence', 'picture'],
  demo: MODEL,
  // classes of cars, and what is unknown filled in from one
  typical: MODEL,
}
/** What each room of the report may import beside itself and the table of figures; the files that join import all. */
const REPORT = {
  figure: [],
  brake: ['figure'],
  pedal: ['brake', 'figure'],
  balance: ['pedal', 'brake', 'figure'],
  // a session is driven by the chain
  heat: ['pedal', 'brake', 'balance', 'figure'],
  fit: ['figure'],
  corner: ['figure'],
  cost: ['figure'],
  // gauges are held against the chain, reports of others against the corner's verdict
  evidence: ['pedal', 'corner', 'figure'],
  // what the doubts of all that went in make of a figure
  doubt: ['balance', 'pedal', 'brake', 'heat', 'figure', 'report.ts'],
  // the shortest way to an answer, from what the report reads
  path: ['doubt', 'decide', 'build', 'prove', 'heat', 'figure', 'report.ts'],
  // the whole setup is put together and weighed
  decide: [
    'build',
    'doubt',
    'offer',
    'corner',
    'fit',
    'balance',
    'pedal',
    'brake',
    'cost',
    'heat',
    'evidence',
    'figure',
    'report.ts',
    'evaluate.ts',
  ],
  // a build is made of the whole setup, and its stages are judged like offers
  build: ['offer', 'cost', 'figure', 'report.ts'],
  // what was driven is held against what the model says
  prove: ['build', 'evidence', 'heat', 'balance', 'pedal', 'brake', 'cost', 'figure', 'report.ts'],
  // what is offered is tried on the whole setup
  offer: ['corner', 'fit', 'balance', 'pedal', 'brake', 'cost', 'evidence', 'figure'],
}
/** Where the interface and the server take values from; types may come from anywhere. */
const OFFERED = ['report', 'edit', 'model', 'quantity', 'formats', 'demo', 'typical', 'picture']

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

const zone = (at, room, allowed, also = []) => ({
  target: `${at}/${room}`,
  from: at,
  except: [room, ...allowed, ...also].map((one) => `./${one}`),
  message: `${at}/${room} may import ${allowed.join(', ') || 'nothing else'}.`,
})
const zones = [
  ...Object.entries(CORE).map(([room, allowed]) => zone('./core', room, allowed)),
  ...Object.entries(REPORT).map(([room, allowed]) => zone('./core/report', room, allowed, ['figures.ts'])),
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
              regex: `^#core/(?!(${OFFERED.join('|')})/)`,
              allowTypeImports: true,
              message: `Values come from ${OFFERED.join(', ')}.`,
            },
          ],
        },
      ],
    },
  },
]
