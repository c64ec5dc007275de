import type { Project } from '#core/records/project.ts'

/**
 * What changed from one state of a project to the next. A worker holds the last one; a library of thousands of parts
 * would take longer to copy over than to compute with. States share what is the same, so sameness is identity.
 */
export type ProjectDelta = { whole: Project } | { id: string; members: Record<string, unknown>; lists: Record<string, ListDelta> }
interface ListDelta {
  length: number
  /** Place and new member. */
  changed: [at: number, member: unknown][]
}

export function deltaOf(before: Project | undefined, after: Project): ProjectDelta {
  if (!before || before.id !== after.id) return { whole: after }
  const [from, to] = [before, after] as unknown as [Record<string, unknown>, Record<string, unknown>]
  const members: Record<string, unknown> = {}
  const lists: Record<string, ListDelta> = {}
  for (const key of new Set([...Object.keys(from), ...Object.keys(to)])) {
    const [was, is] = [from[key], to[key]]
    if (was === is) continue
    if (Array.isArray(was) && Array.isArray(is)) {
      const [old, now] = [was as unknown[], is as unknown[]]
      lists[key] = { length: now.length, changed: now.flatMap((one, at) => (one === old[at] ? [] : [[at, one] as [number, unknown]])) }
    } else members[key] = is
  }
  return { id: after.id, members, lists }
}

/** @throws RangeError when the change is of another project than the one that is held */
export function withDelta(held: Project | undefined, delta: ProjectDelta): Project {
  if ('whole' in delta) return delta.whole
  if (held?.id !== delta.id) throw new RangeError('the change is of another project')
  const next: Record<string, unknown> = { ...held, ...delta.members }
  for (const [key, value] of Object.entries(delta.members)) if (value === undefined) Reflect.deleteProperty(next, key)
  for (const [key, { length, changed }] of Object.entries(delta.lists)) {
    const list = [...(next[key] as unknown[])].slice(0, length)
    for (const [at, member] of changed) list[at] = member
    next[key] = list
  }
  return next as unknown as Project
}

/** Lets functions of a project answer to what has changed: the project itself is held between two calls. */
export function answering(api: Readonly<Record<string, (project: Project, ...rest: never[]) => unknown>>) {
  let held: Project | undefined
  return {
    run(delta: ProjectDelta, name: string, ...rest: unknown[]): unknown {
      held = withDelta(held, delta)
      return api[name]!(held, ...(rest as never[]))
    },
  }
}
export type Answering = ReturnType<typeof answering>
