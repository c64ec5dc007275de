<script setup lang="ts">
import { computed, ref } from 'vue'
import type { SlotPlace } from '#core/records/setup.ts'
import { useChoosePart } from '~/composables/choose-part'
import { useSortable } from '~/composables/sortable'

/** A place of the setup: what stands in it, and where a part of its kind can be dropped. */
const props = defineProps<{ place: SlotPlace }>()
const { dragged, takes, drop } = useChoosePart()
const wanted = computed(() => dragged.value !== undefined && takes(props.place, dragged.value))
const cell = ref<HTMLElement>()
useSortable(cell, {
  group: { name: 'parts', pull: false, put: () => wanted.value },
  sort: false,
  draggable: '[data-part]',
  onAdd: () => drop(props.place),
})
</script>

<template>
  <div ref="cell" class="cell" :class="{ wanted }" :data-slot="place.axle ? `${place.axle}.${place.slot}` : place.slot">
    <slot />
  </div>
</template>

<style scoped>
.cell {
  min-width: 0;
  padding: 2px 4px;
}
.wanted {
  outline: 2px dashed var(--accent);
  outline-offset: -1px;
  background: var(--accent-soft);
}
/* what is held over it stays with the hand */
.cell :deep([data-part]) {
  display: none;
}
</style>
