import type { Draft } from 'immer'
import { PART_KINDS, type PartKind } from '../records/part-kinds.ts'
import type { Part } from '../records/part.ts'

/** A part of which nothing is known yet. A caliper is measured from hub and wheel seat, unless someone says otherwise. */
export function newPart(id: string, kind: PartKind, beside: readonly { kind: string }[]): Draft<Part> {
  const count = beside.filter((one) => one.kind === kind).length + 1
  return {
    id,
    kind,
    name: `New ${PART_KINDS[kind].one} ${count}`,
    ...(kind === 'caliper' ? { frame: 'seat' } : {}),
  } as Draft<Part>
}

/** Another one of a part: it is not on the shelf because the first one is, nor was it looked over. */
export function copyOf(part: Part, id: string): Draft<Part> {
  const { owned: _, inspection: __, ...copied } = JSON.parse(JSON.stringify(part)) as Draft<Part>
  return { ...copied, id, name: `${part.name} (copy)`.slice(0, 120) } as Draft<Part>
}
