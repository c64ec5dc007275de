import { createSharedComposable } from '@vueuse/core'
import { produce, type Draft } from 'immer'
import { computed, shallowRef } from 'vue'
import type { Project } from '#core/records/project.ts'
import { useProjectStore } from '../stores/project.ts'

/**
 * A change that a hand is still making: shown at once, kept only when the hand lets go. Nothing is checked
 * or saved on the way, because that takes longer than a frame; letting go is one checked, undoable edit.
 */
export const useLiveEdit = createSharedComposable(() => {
  const store = useProjectStore()
  const live = shallowRef<{ setupId: string; project: Project; label: string; recipe: (draft: Draft<Project>) => void }>()

  function move(setupId: string, label: string, recipe: (draft: Draft<Project>) => void): void {
    if (!store.project) return
    live.value = { setupId, label, recipe, project: produce(store.project, recipe) }
  }
  function settle(): void {
    const last = live.value
    live.value = undefined
    if (last) store.edit(last.label, last.recipe)
  }

  return { live, project: computed(() => live.value?.project ?? store.project), move, settle }
})
