import { createSharedComposable } from '@vueuse/core'
import { shallowRef } from 'vue'
import { putPart } from '#core/commands/accept.ts'
import { copyOf, newPart } from '#core/commands/new-part.ts'
import { PART_KINDS, type PartKind } from '#core/records/part-kinds.ts'
import { AXLE_SLOTS, HYDRAULIC_SLOTS, type SlotPlace } from '#core/records/setup.ts'
import type { Part } from '#core/records/part.ts'
import { useProjectStore } from '../stores/project.ts'
import { newId } from './new-id.ts'
import { useWorkbench } from './workbench.ts'

/** Puts parts into slots of the setup that is looked at: chosen from a list, or dragged there. */
export const useChoosePart = createSharedComposable(() => {
  const store = useProjectStore()
  const { setup } = useWorkbench()
  /** The part that is being dragged. */
  const dragged = shallowRef<Part>()

  const labelOf = (place: SlotPlace) => (place.axle ? AXLE_SLOTS[place.slot].label : HYDRAULIC_SLOTS[place.slot].label)
  const takes = (place: SlotPlace, part: Part): boolean =>
    ((place.axle ? AXLE_SLOTS[place.slot].kinds : HYDRAULIC_SLOTS[place.slot].kinds) as readonly string[]).includes(part.kind)
  /** The part that is made in its place, shown in a drawer there. */
  const made = shallowRef<string>()
  /** A new part in its place, of a kind or like another one, of which figures can be entered at once. */
  function make(place: SlotPlace, of: { kind: PartKind } | { like: Part }): void {
    const id = newId()
    const kind = 'kind' in of ? of.kind : of.like.kind
    store.edit(`New ${PART_KINDS[kind].one}`, (draft) => {
      const one = draft.setups.find((candidate) => candidate.id === setup.value?.id)!
      draft.parts.push('kind' in of ? newPart(id, kind, draft.parts) : copyOf(of.like, id))
      putPart(draft, one, place, id)
    })
    made.value = id
  }
  /** @param value a part's id, '-' for nothing on purpose, '' for as the car stands, '+kind' for a new one, '~id' for one like it */
  function put(place: SlotPlace, value: string): void {
    if (value.startsWith('+')) {
      make(place, { kind: value.slice(1) as PartKind })
      return
    }
    const like = value.startsWith('~') ? store.current.parts.find((one) => one.id === value.slice(1)) : undefined
    if (like) {
      make(place, { like })
      return
    }
    store.edit(`Choose ${labelOf(place).toLowerCase()}`, (draft) => {
      const one = draft.setups.find((candidate) => candidate.id === setup.value?.id)!
      putPart(draft, one, place, value === '' ? undefined : value === '-' ? null : value)
    })
  }
  function drop(place: SlotPlace): void {
    if (dragged.value && takes(place, dragged.value)) put(place, dragged.value.id)
    dragged.value = undefined
  }
  return { dragged, made, takes, put, drop }
})
