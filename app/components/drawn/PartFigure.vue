<script setup lang="ts">
import { computed } from 'vue'
import { fieldsOf, PART_KINDS } from '#core/records/part-kinds.ts'
import type { Part } from '#core/records/part.ts'
import { PART_FIGURES } from '~/drawing/part-figures'

/** What the geometric figures of a part are, drawn; the one in hand picked out. */
const props = defineProps<{ part: Part; current: string }>()
const drawn = computed(() => PART_FIGURES[props.part.kind])
const table = computed(() => fieldsOf(props.part.kind))
const letters = computed(
  () =>
    new Map(
      Object.keys(drawn.value?.dimensions ?? {})
        .filter((field) => field in table.value)
        .map((field, i) => [field, String.fromCharCode(65 + i)]),
    ),
)
const known = (field: string) => (props.part as unknown as Record<string, unknown>)[field] !== undefined
</script>

<template>
  <div v-if="drawn && letters.size > 0" class="drawn">
    <DrawnFigure
      :drawn="drawn"
      :letters="letters"
      :current="current"
      :described="`Where the figures of a ${PART_KINDS[part.kind].one} are measured`"
    />
    <ol class="small">
      <li v-for="[field, letter] in letters" :key="field" :class="{ here: field === current, open: !known(field) }">
        <b>{{ letter }}</b> {{ table[field]?.label }}
      </li>
    </ol>
  </div>
</template>

<style scoped>
.drawn {
  display: grid;
  grid-template-columns: minmax(0, 330px) minmax(0, 1fr);
  gap: 16px;
  align-items: center;
  margin-bottom: 12px;
}
ol {
  margin: 0;
  padding: 0;
  list-style: none;
}
.open {
  color: var(--unknown);
}
.here {
  color: var(--accent);
  font-weight: 640;
}
@media (max-width: 760px) {
  .drawn {
    grid-template-columns: 1fr;
  }
}
</style>
