<script setup lang="ts">
import { computed, ref } from 'vue'
import { PART_KINDS } from '#core/records/part-kinds.ts'
import { AXLES, type Axle } from '#core/quantity/axle.ts'
import type { AxleSlot } from '#core/records/setup.ts'
import type { Part } from '#core/records/part.ts'
import { slotFor } from '#core/commands/take-bundle.ts'
import { formatMoney } from '#core/quantity/format.ts'
import { useCandidates } from '~/composables/candidates'
import { useChoosePart } from '~/composables/choose-part'
import { useSortable } from '~/composables/sortable'
import { useProjectStore } from '~/stores/project'

/** Every part that goes somewhere, to search, to drag into its place or to put there by its buttons. */
const store = useProjectStore()
const { of, working } = useCandidates()
const { dragged, put } = useChoosePart()
const search = ref('')
const MOST = 80
const found = computed(() => {
  const words = search.value.trim().toLowerCase().split(/\s+/).filter(Boolean)
  return store.current.parts.flatMap((part) => {
    const place = slotFor(part.kind)
    const text = [part.name, part.maker, part.number, part.provenance, PART_KINDS[part.kind].one].join(' ').toLowerCase()
    return place && words.every((word) => text.includes(word)) ? [{ part, place }] : []
  })
})
const costs = (part: Part) =>
  part.owned ? 'have it' : part.price ? formatMoney(part.price.likelyMinor, part.price.currency, { whole: true }) : 'no price'
const verdict = (axle: Axle, slot: AxleSlot, part: Part) => of(axle, slot, part.id)?.worst
const list = ref<HTMLElement>()
useSortable(list, {
  group: { name: 'parts', pull: 'clone', put: false },
  sort: false,
  filter: 'button',
  preventOnFilter: false,
  onStart: ({ item }) => (dragged.value = store.current.parts.find((part) => part.id === item.dataset.part)),
  onEnd: (event) => {
    dragged.value = undefined
    // what was dropped is drawn from the data; the shelf keeps its own
    if (event.to !== event.from) event.clone.replaceWith(event.item)
  },
})
</script>

<template>
  <section class="shelf" aria-label="Parts to choose from">
    <ElInput
      v-model="search"
      type="search"
      placeholder="Search name, maker, number, kind"
      aria-label="Search the parts"
      :validate-event="false"
    />
    <p class="soft small">Drag a part to its place, or select the place.</p>
    <WorkingLine v-if="working" what="Evaluating parts" />
    <ul ref="list" data-test="shelf">
      <li v-for="{ part, place } in found.slice(0, MOST)" :key="part.id" :data-part="part.id">
        <Icon name="tabler:grip-vertical" size="16" class="grip" />
        <span class="what"
          >{{ part.name }} <span class="soft small">{{ PART_KINDS[part.kind].one }}, {{ costs(part) }}</span></span
        >
        <template v-if="place.of === 'axle'">
          <ElButton
            v-for="axle in AXLES"
            :key="axle"
            text
            :aria-label="`${part.name} to the ${axle}`"
            :title="of(axle, place.slot, part.id)?.why"
            @click="put({ axle, slot: place.slot }, part.id)"
          >
            <VerdictMark v-if="verdict(axle, place.slot, part)" :verdict="verdict(axle, place.slot, part)!" :size="13" /> {{ axle }}
          </ElButton>
        </template>
        <ElButton v-else text :aria-label="`${part.name} into the hydraulics`" @click="put({ slot: place.slot }, part.id)"> in </ElButton>
      </li>
    </ul>
    <p v-if="found.length === 0" class="soft">No part has all of “{{ search }}”.</p>
    <p v-else-if="found.length > MOST" class="soft small">{{ found.length - MOST }} more: search narrows them.</p>
  </section>
</template>

<style scoped>
.shelf {
  min-height: 0;
  overflow: auto;
}
ul {
  margin: 0;
  padding: 0;
  list-style: none;
}
li {
  display: flex;
  gap: 8px;
  align-items: center;
  padding: 2px 0;
  border-bottom: 1px solid var(--hair);
  cursor: grab;
}
.what {
  flex: 1;
  min-width: 0;
}
.grip {
  flex: none;
  color: var(--accent);
}
li .el-button {
  gap: 4px;
  min-height: 30px;
  padding: 2px 6px;
  font-size: 13px;
}
</style>
