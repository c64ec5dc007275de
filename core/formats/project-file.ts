import { sizeProblem } from '../records/size-limits.ts'
import { projectProblems, type Problem } from '../records/check.ts'
import { migrate, MIGRATIONS, type MigrationTable } from '../records/migrate.ts'
import { placeInWords } from '../records/place.ts'
import { FORMAT, VERSION, type Project } from '../records/project.ts'

/** Larger than any project that is typed or measured: hundreds of calipers of 2,000 points. */
export const MAX_FILE_BYTES = 64_000_000
/** What a request may bring: nobody's machine is held up by somebody else's file. */
export const MAX_BODY_BYTES = 5_000_000

export type ReadProject = { ok: true; project: Project } | { ok: false; problems: Problem[] }

const fail = (message: string, path = '', place = 'the file'): ReadProject => ({ ok: false, problems: [{ path, place, message }] })

/**
 * Reads an exported project. Whatever comes in, the answer is a valid project or the list of what is
 * wrong and where; nothing is thrown.
 */
export function readProject(text: string, table: MigrationTable = MIGRATIONS): ReadProject {
  if (text.length > MAX_FILE_BYTES) return fail(`is larger than ${MAX_FILE_BYTES / 1e6} MB, the limit for a project.`)
  if (text.trim() === '') return fail('is empty.')
  let value: unknown
  try {
    // a byte order mark is what some editors put in front
    value = JSON.parse(text.replace(/^\uFEFF/, ''))
  } catch (error) {
    return fail(`is not JSON: ${whereJsonBreaks(text, error)}`)
  }
  return checkProject(value, table)
}

/**
 * The same for a value that is already parsed: from the browser's storage or a request. Whatever the value is, this
 * answers: what nobody foresaw is said as what it is.
 */
export function checkProject(value: unknown, table: MigrationTable = MIGRATIONS): ReadProject {
  try {
    return checked(value, table)
  } catch (error) {
    const words = error instanceof Error ? error.message : 'an unknown fault'
    return fail(`cannot be read: ${words.slice(0, 200)}. Nothing was changed; if another program wrote it, export it there again.`)
  }
}

function checked(value: unknown, table: MigrationTable): ReadProject {
  if (typeof value !== 'object' || value === null || Array.isArray(value)) return fail('holds no project: it must be one JSON object.')
  const object = value as Record<string, unknown>
  if (object.format !== FORMAT) {
    return fail(
      `is not a project of this application: "format" is ${typeof object.format === 'string' ? `"${object.format.slice(0, 60)}"` : object.format === undefined ? 'missing' : 'no text'}, not "${FORMAT}".`,
      'format',
    )
  }
  const bulk = sizeProblem(object)
  if (bulk) return fail(bulk.message, bulk.path, placeInWords(object, bulk.path))
  const migrated = migrate(object, table, VERSION)
  if (!migrated.ok) return fail(migrated.message, 'version')
  const problems = projectProblems(migrated.value)
  return problems.length > 0 ? { ok: false, problems } : { ok: true, project: migrated.value as unknown as Project }
}

function whereJsonBreaks(text: string, error: unknown): string {
  const message = error instanceof Error ? error.message : String(error)
  const position = /position (\d+)/.exec(message)
  const at = position ? Number(position[1]) : /end of JSON input/i.test(message) ? text.length : undefined
  if (at === undefined) return message
  const before = text.slice(0, at)
  const line = before.split('\n').length
  const column = at - before.lastIndexOf('\n')
  return at >= text.trimEnd().length
    ? `it ends too early, in line ${line}. The file may be cut off.`
    : `something is wrong in line ${line}, column ${column}.`
}

/** The file's text: two-space JSON, keys in the order of the model. */
export const writeProject = (project: Project): string => `${JSON.stringify(project, undefined, 2)}\n`

/** A safe file name from a project's name. */
export function fileNameOf(project: Pick<Project, 'name'>): string {
  const plain = project.name
    .normalize('NFKD')
    .replace(/[^\w-]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 60)
    .toLowerCase()
  return `${plain || 'project'}.brakes.json`
}
