import { LIMITS, plainField, plainFields } from './record-fields.ts'
import { projectRecord } from './project.ts'
import type { RecordDefinition, RecordField } from './record.ts'
import type { SchemaProblem } from './schema-problems.ts'

/**
 * The limits of lists by the key that they stand under, the greatest where several records use it. Of any other a project
 * never holds more than points of a line.
 */
function listLimits(root: RecordDefinition): ReadonlyMap<string, number> {
  const limits = new Map<string, number>()
  const seen = new Set<RecordDefinition>()
  const visit = (record: RecordDefinition) => {
    if (seen.has(record)) return
    seen.add(record)
    for (const [key, field] of plainFields(record.fields)) visitField(key, field)
  }
  const visitField = (key: string, given: RecordField) => {
    const field = plainField(given)
    if (field.type === 'record') visit(field.record)
    if (field.type === 'byKind') Object.values(field.kinds).forEach(visit)
    if (field.type === 'list') {
      if (field.most !== undefined) limits.set(key, Math.max(field.most, limits.get(key) ?? 0))
      visitField('', field.of as RecordField)
    }
  }
  visit(root)
  return limits
}
let known: ReadonlyMap<string, number> | undefined
const mostUnder = (key: string): number => {
  known ??= listLimits(projectRecord)
  return OF_A_LINE.has(key) ? LIMITS.points : (known.get(key) ?? MOST_ELSE)
}
const MOST_ELSE = 200
/** Points, their tags and their readings; readings of one figure are far fewer. */
const OF_A_LINE = new Set(['points', 'tags', 'readings', 'doubts'])
/** The model is nine levels deep: a project, its setups, one, an axle, a list, a member, a figure, its readings, one. */
const MOST_DEEP = 16
const MOST_KEYS = 200

/** What is no member of such a list: a schema would spend its time on each. Many readings are those of points, in pairs. */
const isOdd = (key: string, one: unknown): boolean => (key === 'tags' ? typeof one !== 'string' : !(Array.isArray(one) && one.length === 2))
const MOST_ODD = 20

/**
 * Whether a value is too long, too deep or too wide for a project anywhere, before a schema walks it: schemas spend
 * milliseconds on each member that is wrong, and a small file holds a million of them. Nothing of a list that is too
 * long is read.
 * @param passed what was looked at before and can change no more
 * @returns the first problem found; undefined when the value is of a size to be looked at
 */
export function sizeProblem(value: unknown, passed: (one: object) => boolean = () => false): SchemaProblem | undefined {
  const waiting: { value: unknown; path: string; key: string; depth: number }[] = [{ value, path: '', key: '', depth: 0 }]
  for (let next = waiting.pop(); next; next = waiting.pop()) {
    const { path, key, depth } = next
    if (typeof next.value !== 'object' || next.value === null || passed(next.value)) continue
    if (depth > MOST_DEEP) return { path, message: `is nested deeper than ${MOST_DEEP} levels, which no project is` }
    const go = (one: unknown, to: string, name: string) => {
      if (typeof one === 'object' && one !== null) waiting.push({ value: one, path: to, key: name, depth: depth + 1 })
    }
    if (Array.isArray(next.value)) {
      const list = next.value as unknown[]
      const most = mostUnder(key)
      if (list.length > most) return { path, message: `has ${list.length} members; at most ${most} are read` }
      if (OF_A_LINE.has(key) && list.length > LIMITS.readings && list.filter((one) => isOdd(key, one)).length > MOST_ODD)
        return { path, message: key === 'tags' ? 'holds members that are no tags' : 'has entries that are not pairs [z, r]' }
      list.forEach((one, i) => go(one, `${path}[${i}]`, key === 'readings' || key === 'points' ? 'readings of one' : ''))
    } else {
      const entries = Object.entries(next.value)
      if (entries.length > MOST_KEYS) return { path, message: `has ${entries.length} members; at most ${MOST_KEYS} are read` }
      for (const [name, one] of entries) go(one, path === '' ? name : `${path}.${name}`, name)
    }
  }
  return undefined
}
