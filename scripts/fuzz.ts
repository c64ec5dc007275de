import { DEMO_PROJECT } from '../core/demo/project.ts'
import { FUZZ_TARGETS, fuzzOne } from '../core/testing/fuzz.ts'
import { LIMITS_TARGET } from '../core/testing/fuzz-limits.ts'
import { PICTURES_TARGET } from '../core/testing/fuzz-pictures.ts'
import { LOGBOOK_TARGET, SESSIONS_TARGET } from '../core/testing/fuzz-records.ts'
import { abandonedRequests } from './fuzz-requests.ts'

/**
 * `npm run fuzz -- SECONDS [SEED] [TARGET]`: broken files for so long, from one seed after the other. Each failure says
 * what repeats it; with one, the exit code is 1. The target `requests` leaves the built server's requests midway, and runs
 * only when it is named.
 */
const REQUESTS = 'requests'
const [seconds = '60', first = '1', only] = process.argv.slice(2)
const until = Date.now() + Number(seconds) * 1000
const all = [...FUZZ_TARGETS, LIMITS_TARGET, SESSIONS_TARGET, LOGBOOK_TARGET, PICTURES_TARGET]
const targets = all.filter((one) => only === undefined || one.name === only)
if (!Number.isFinite(until) || !Number.isInteger(Number(first)) || (targets.length === 0 && only !== REQUESTS)) {
  process.stderr.write(
    `npm run fuzz -- SECONDS [SEED] [TARGET]; the seed is a whole number, a target one of ${[...all.map((one) => one.name), REQUESTS].join(', ')}\n`,
  )
  process.exit(2)
}
const before = JSON.stringify(DEMO_PROJECT)
let files = 0
let failures = 0
if (only === REQUESTS) {
  const { rounds, failures: said } = await abandonedRequests(until, Number(first))
  files = rounds
  failures = said.length
  for (const one of said) console.log(`FAILED ${REQUESTS}: ${one}`)
}
for (let seed = Number(first); targets.length > 0 && (Date.now() < until || seed === Number(first)); seed += 1)
  for (const target of targets) {
    files += 1
    const failure = fuzzOne(target, seed)
    if (!failure) continue
    failures += 1
    console.log(`FAILED ${failure.target}: ${failure.message}\n  again: npm run fuzz -- 0 ${failure.seed} ${failure.target}`)
  }
if (JSON.stringify(DEMO_PROJECT) !== before) {
  failures += 1
  console.log('FAILED: a reader changed what it was given')
}
console.log(`${files} files, ${failures} failures`)
process.exitCode = failures > 0 ? 1 : 0
