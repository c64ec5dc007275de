import { array, boolean, string } from 'yup'
import { closed, finite } from '../records/record-schema.ts'
import { schemaProblems } from '../records/schema-problems.ts'
import type { Project } from '../records/project.ts'
import { SEARCH_CRITERIA } from './criteria.ts'
import { DEFAULT_QUERY, type SearchQuery } from './search-space.ts'

const yesNo = () => boolean().strict().typeError('must be true or false').required('is missing')
const askSchema = closed({
  setupId: string().strict().required('the setup that is searched from is missing').max(80),
  vary: closed({ front: yesNo(), rear: yesNo(), wheel: yesNo(), hydraulics: yesNo(), booster: yesNo() }).required('is missing'),
  onHand: yesNo(),
  wholeKits: yesNo(),
  musts: closed({
    known: yesNo(),
    noPieces: yesNo(),
    clears: yesNo(),
    frontFirst: yesNo(),
    pedal: yesNo(),
    parkingBrake: yesNo(),
    budgetMinor: finite().integer('must be a whole number of minor units').min(0, 'must not be negative').max(1e10, 'is too large'),
  }).required('is missing'),
  by: array()
    .strict()
    .required('is missing')
    .min(1, 'needs at least one criterion')
    .max(SEARCH_CRITERIA.length)
    .of(
      string()
        .strict()
        .oneOf(SEARCH_CRITERIA, `must be among ${SEARCH_CRITERIA.join(', ')}`)
        .required(),
    )
    .test('once', 'names a criterion twice', (by: unknown) => !Array.isArray(by) || new Set(by as unknown[]).size === by.length),
})

type ReadQuery = { ok: true; ask: SearchQuery } | { ok: false; problems: { path: string; message: string }[] }

/**
 * What a search is asked, from outside: what is left out is as usual, and the setup searched from is the car as it stands.
 */
export function readQuery(value: unknown, project: Project): ReadQuery {
  const given = typeof value === 'object' && value !== null && !Array.isArray(value) ? (value as Record<string, unknown>) : undefined
  if (value !== undefined && !given) return { ok: false, problems: [{ path: 'ask', message: 'must be an object' }] }
  const part = (key: 'vary' | 'musts') => {
    const one = given?.[key]
    return typeof one === 'object' && one !== null && !Array.isArray(one) ? { ...DEFAULT_QUERY[key], ...one } : (one ?? DEFAULT_QUERY[key])
  }
  const ask = { setupId: project.setups[0].id, ...DEFAULT_QUERY, ...given, vary: part('vary'), musts: part('musts') }
  const problems = schemaProblems(askSchema, ask).map(({ path, message }) => ({ path: path ? `ask.${path}` : 'ask', message }))
  if (problems.length > 0) return { ok: false, problems }
  const read = ask as unknown as SearchQuery
  if (!project.setups.some((one) => one.id === read.setupId))
    return { ok: false, problems: [{ path: 'ask.setupId', message: `names the setup ${read.setupId}, which is not in the project` }] }
  return { ok: true, ask: read }
}
