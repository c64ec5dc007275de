import { readQuery } from '../core/decide/read-query.ts'
import { searching } from '../core/decide/search.ts'
import { projectFrom, stop, write } from './file-in.ts'

/**
 * The best that can be built from an exported project's library, as JSON on stdout; how far it is on stderr:
 * `npm run -s search -- FILE.json [--must budget=500 --must pedal] [--by cost,heat] [--vary front,rear,wheel]`.
 */
const USAGE = `npm run -s search -- FILE.json [options]
  --must budget=500 | pedal | no-known | no-clears | no-front-first | no-parking-brake | pieces    more than once
  --by cost,heat,gap,bias,mass,pedal        the first one first
  --vary front,rear,wheel,hydraulics,booster  what may change
  --on-hand                                 only what is there already
  --whole-kits                              what belongs to a kit or donor comes with all the rest of it
  --from SETUP_ID                           what is not changed is as in this setup`

const MUSTS: Readonly<Record<string, [key: string, on: boolean]>> = {
  pedal: ['pedal', true],
  'no-known': ['known', false],
  'no-clears': ['clears', false],
  'no-front-first': ['frontFirst', false],
  'no-parking-brake': ['parkingBrake', false],
  pieces: ['noPieces', false],
}
const VARIED = ['front', 'rear', 'wheel', 'hydraulics', 'booster']

function askFrom(options: readonly string[]): Record<string, unknown> {
  const musts: Record<string, unknown> = {}
  const ask: Record<string, unknown> = { musts }
  for (let at = 0; at < options.length; at += 1) {
    const option = options[at]!
    const value = () => options[(at += 1)] ?? stop([`${option} needs a value.`, USAGE])
    if (option === '--on-hand') ask.onHand = true
    else if (option === '--whole-kits') ask.wholeKits = true
    else if (option === '--from') ask.setupId = value()
    else if (option === '--by') ask.by = value().split(',')
    else if (option === '--vary') {
      const named = value().split(',')
      const odd = named.find((one) => !VARIED.includes(one))
      if (odd !== undefined) stop([`--vary knows ${VARIED.join(', ')}; not ${odd}.`])
      ask.vary = Object.fromEntries(VARIED.map((one) => [one, named.includes(one)]))
    } else if (option === '--must') {
      const must = value()
      const budget = /^budget=(\d+(?:[.,]\d{1,2})?)$/.exec(must)?.[1]
      const known = Object.hasOwn(MUSTS, must) ? MUSTS[must] : undefined
      if (budget !== undefined) musts.budgetMinor = Math.round(Number(budget.replace(',', '.')) * 100)
      else if (known) musts[known[0]] = known[1]
      else stop([`--must does not know ${must}.`, USAGE])
    } else stop([`${option} is no option.`, USAGE])
  }
  return ask
}

const [name, ...options] = process.argv.slice(2)
if (name === undefined || name.startsWith('--')) stop(['Which file?', USAGE])
const project = projectFrom(name)
const asked = readQuery(askFrom(options), project)
if (!asked.ok) stop(['What is asked cannot be used:', ...asked.problems.map((problem) => `- ${problem.path} ${problem.message}`)])
const going = searching(project, asked.ask)
let said = performance.now()
for (;;) {
  const { done, value } = going.next()
  if (done) {
    write(`${JSON.stringify(value)}\n`)
    break
  }
  if (performance.now() - said < 500) continue
  said = performance.now()
  process.stderr.write(`${Math.round(value.done * 100)} %${value.best ? `, best so far ${JSON.stringify(value.best.parts)}` : ''}\n`)
}
