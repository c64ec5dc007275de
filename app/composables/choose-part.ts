import { createSharedComposable } from '@vueuse/core'
import { shallowRef } from 'vue'
import { putPart } from '#core/edit/accept.ts'
import { AXLE_SLOTS, HYDRAULIC_SLOTS, type Part, type SlotPlace } from '#core/model/project.ts'
import { useProjectStore } from '../stores/project.ts'
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
  /** @param value a part's id, '-' for nothing on purpose, '' for as the car stands */
  function put(place: SlotPlace, value: string): void {
    store.edit(`Choose ${labelOf(place).toLowerCase()}`, (draft) => {
      const one = draft.setups.find((candidate) => candidate.id === setup.value?.id)!
      putPart(draft, one, place, value === '' ? undefined : value === '-' ? null : value)
    })
  }
  function drop(place: SlotPlace): void {
    if (dragged.value && takes(place, dragged.value)) put(place, dragged.value.id)
    dragged.value = undefined
  }
  return { dragged, takes, put, drop }
})
