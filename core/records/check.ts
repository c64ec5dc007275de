import { sizeProblem } from './size-limits.ts'
import { PART_KINDS } from './part-kinds.ts'
import { placeInWords } from './place.ts'
import { buildRecord } from './build-log.ts'
import { AXLES } from '../quantity/axle.ts'
import { AXLE_SLOTS, HYDRAULIC_SLOTS } from './setup.ts'
import { projectRecord, type Project } from './project.ts'
import { goodMembers, rememberGood } from './good-members.ts'
import { listOf } from './record.ts'
import { memberSchema, recordSchema } from './record-schema.ts'
import { isGoodMember } from './quick-check.ts'
import { schemaProblems, type SchemaProblem } from './schema-problems.ts'

export interface Problem {
  path: string
  /** The path in words: "Parts › Front rotor › Thickness, new". */
  place: string
  message: string
}

/** What a file may hold at most when problems are listed: more helps nobody. */
const MOST_PROBLEMS = 100

/** The long lists of a project: looked at a member at a time, so that a bad one does not cost the time of all. */
const LONG = [
  'parts',
  'setups',
  'bundles',
  'fitReports',
  'gaugeSessions',
  'heatReadings',
  'stopTests',
  'lockSightings',
  'wearReadings',
  'builds',
] as const

/**
 * Everything wrong with a value that claims to be a project of the current version: sizes, shapes and limits
 * by the schema, then references between its members. An empty list means the value is a Project.
 *
 * A member of a long list that is frozen is looked at once: of a project that is edited only what changed is checked again.
 */
export function projectProblems(value: unknown): Problem[] {
  const bulk = sizeProblem(value, (one) => goodMembers.has(one))
  const found = bulk ? [bulk] : shapeProblems(value)
  const all = found.length > 0 ? found : referenceProblems(value as Project)
  return all.slice(0, MOST_PROBLEMS).map((problem) => ({ place: placeInWords(value, problem.path), ...problem }))
}

/** The frozen members of a project that was just found good: they are not looked at again. */
export function knownGood(project: Project): void {
  for (const list of LONG) project[list].forEach(rememberGood)
}

/** What the schema finds, about as many as are said: the rest of a file that is wrong all over is not read. */
function shapeProblems(value: unknown): SchemaProblem[] {
  const schema = recordSchema(projectRecord)
  if (typeof value !== 'object' || value === null) return schemaProblems(schema, value)
  const rest: Record<string, unknown> = { ...value }
  const found: SchemaProblem[] = []
  for (const list of LONG) {
    const members = rest[list]
    if (!Array.isArray(members)) continue
    const field = listOf(projectRecord, list).of
    for (let i = 0; i < members.length && found.length < MOST_PROBLEMS; i += 1) {
      const member: unknown = members[i]
      if (typeof member === 'object' && member !== null && goodMembers.has(member)) continue
      const problems = isGoodMember(field, member)
        ? []
        : list === 'builds'
          ? buildProblems(member)
          : schemaProblems(memberSchema(field), member)
      for (const { path, message } of problems)
        found.push({ path: `${list}[${i}]${path === '' || path.startsWith('[') ? path : `.${path}`}`, message })
      if (problems.length === 0) rememberGood(member)
    }
    if (members.length > 0) rest[list] = []
  }
  const shell = schemaProblems(schema, rest).filter((one) => !LONG.some((list) => one.path === list && hasMembers(value, list)))
  return [...found, ...shell]
}
/** Of a build whose notes hold pictures only those that are not known to be good. */
function buildProblems(build: unknown): SchemaProblem[] {
  const schema = recordSchema(buildRecord)
  const { notes } = (build ?? {}) as { notes?: unknown }
  if (!Array.isArray(notes)) return schemaProblems(schema, build)
  const open = notes.flatMap((note: unknown, i) => (typeof note === 'object' && note !== null && goodMembers.has(note) ? [] : [i]))
  return schemaProblems(schema, { ...(build as object), notes: open.map((i) => notes[i] as unknown) }).map((problem) => ({
    ...problem,
    path: problem.path.replace(/^notes\[(\d+)\]/, (_, at: string) => `notes[${open[Number(at)]}]`),
  }))
}
const hasMembers = (value: object, list: (typeof LONG)[number]): boolean => {
  const members = (value as Record<string, unknown>)[list]
  return Array.isArray(members) && members.length > 0
}

const kindWord = (kind: string): string => (PART_KINDS as Record<string, { one: string }>)[kind]?.one ?? kind

function referenceProblems(project: Project): { path: string; message: string }[] {
  const problems: { path: string; message: string }[] = []
  const say = (path: string, message: string) => problems.push({ path, message })

  const kinds = new Map<string, string>()
  project.parts.forEach((part, index) => {
    if (kinds.has(part.id)) say(`parts[${index}].id`, `the id ${part.id} is used twice`)
    kinds.set(part.id, part.kind)
  })
  const setups = new Set<string>()
  project.setups.forEach((setup, index) => {
    const at = `setups[${index}]`
    if (setups.has(setup.id)) say(`${at}.id`, `the id ${setup.id} is used twice`)
    setups.add(setup.id)
    const check = (path: string, slot: unknown, kindsAllowed: readonly string[]) => {
      if (typeof slot !== 'string') return
      const kind = kinds.get(slot)
      if (kind === undefined) say(path, `names the part ${slot}, which is not in the file`)
      else if (!kindsAllowed.includes(kind))
        say(path, `holds a ${kindWord(kind)}, where a ${kindsAllowed.map(kindWord).join(' or ')} belongs`)
    }
    for (const axle of AXLES) {
      for (const [slot, { kinds: allowed }] of Object.entries(AXLE_SLOTS))
        check(`${at}.${axle}.${slot}`, setup[axle][slot as keyof typeof AXLE_SLOTS], allowed)
    }
    for (const [slot, { kinds: allowed }] of Object.entries(HYDRAULIC_SLOTS))
      check(`${at}.hydraulics.${slot}`, setup.hydraulics[slot as keyof typeof HYDRAULIC_SLOTS], allowed)
    const lines = new Set<string>()
    setup.extras.forEach((line, row) => {
      if (lines.has(line.id)) say(`${at}.extras[${row}].id`, `the id ${line.id} is used twice`)
      lines.add(line.id)
    })
  })
  const bundles = new Set<string>()
  project.bundles.forEach((bundle, index) => {
    if (bundles.has(bundle.id)) say(`bundles[${index}].id`, `the id ${bundle.id} is used twice`)
    bundles.add(bundle.id)
    bundle.parts.forEach((id, row) => {
      if (!kinds.has(id)) say(`bundles[${index}].parts[${row}]`, `names the part ${id}, which is not in the file`)
    })
  })
  project.setups.forEach((setup, index) =>
    setup.taken?.forEach((id, row) => {
      if (!bundles.has(id)) say(`setups[${index}].taken[${row}]`, `names the kit or donor ${id}, which is not in the file`)
    }),
  )
  for (const list of [
    'gaugeSessions',
    'fitReports',
    'duties',
    'heatReadings',
    'stopTests',
    'lockSightings',
    'wearReadings',
    'builds',
  ] as const) {
    const ids = new Set<string>()
    project[list].forEach(({ id }, index) => {
      if (ids.has(id)) say(`${list}[${index}].id`, `the id ${id} is used twice`)
      ids.add(id)
    })
  }
  return problems
}
