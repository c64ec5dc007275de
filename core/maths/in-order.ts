/**
 * Things put in an order in which each comes after all it needs; of those that may come next the one that was named first
 * (A. B. Kahn, Topological sorting of large networks, Communications of the ACM 5, 1962).
 * @throws RangeError where something needs itself in the end, or what is not there
 * @example inOrder([{ id: 'b', needs: ['a'] }, { id: 'a', needs: [] }]).map((one) => one.id).join('') // => 'ab'
 */
export function inOrder<T extends { id: string; needs: readonly string[] }>(all: readonly T[]): T[] {
  const ids = new Set(all.map((one) => one.id))
  for (const { id, needs } of all)
    for (const need of needs) if (!ids.has(need)) throw new RangeError(`${id} needs ${need}, which is not there`)
  const done = new Set<string>()
  const waiting = [...all]
  const ordered: T[] = []
  while (waiting.length > 0) {
    const at = waiting.findIndex(({ needs }) => needs.every((need) => done.has(need)))
    if (at < 0) throw new RangeError(`${waiting.map((one) => one.id).join(', ')} need each other`)
    const [next] = waiting.splice(at, 1)
    ordered.push(next!)
    done.add(next!.id)
  }
  return ordered
}
