<script setup lang="ts">
import { computed } from 'vue'
import { inspected, inspectionOf, type Inspected } from '#core/records/inspection.ts'
import type { Part } from '#core/records/part.ts'
import { useProjectStore } from '~/stores/project'

/** What to look at on a used part, point by point; what fails needs its remedy or rules the part out. */
const props = defineProps<{ part: Part }>()
const store = useProjectStore()
const points = computed(() => inspectionOf(props.part).map((point) => ({ ...point, found: inspected(props.part, point) })))
const open = computed(() => points.value.filter((point) => point.found === 'open').length)
const WORDS: Record<Inspected, string> = { passed: 'passed', failed: 'failed', open: 'not inspected' }

function set(id: string, found: Inspected) {
  store.edit(`Inspect ${props.part.name}`, (draft) => {
    const part = draft.parts.find((one) => one.id === props.part.id)
    if (!part) return
    const known = { ...part.inspection?.points }
    if (found === 'open') Reflect.deleteProperty(known, id)
    else known[id] = found
    if (Object.keys(known).length === 0) delete part.inspection
    else part.inspection = { points: known, date: new Date().toISOString().slice(0, 10) }
  })
}
</script>

<template>
  <fieldset v-if="points.length > 0" class="sheet" data-field="inspection">
    <legend>
      Used part: inspect it
      <span class="soft small">{{ open > 0 ? `${open} of ${points.length} to inspect` : `all ${points.length} inspected` }}</span>
    </legend>
    <ul>
      <li v-for="point in points" :key="point.id" :data-point="point.id">
        <span
          >{{ point.look
          }}<span v-if="point.found === 'failed'" class="block small" :class="point.remedy ? 'tone-needs' : 'tone-blocked'">{{
            point.remedy ? `Needs: ${point.remedy.toLowerCase()}.` : 'The part must not be used.'
          }}</span></span
        >
        <ElRadioGroup
          class="answers"
          :model-value="point.found"
          :aria-label="point.look"
          :validate-event="false"
          @update:model-value="set(point.id, $event as Inspected)"
        >
          <ElRadio v-for="(word, found) in WORDS" :key="found" :value="found">{{ word }}</ElRadio>
        </ElRadioGroup>
      </li>
    </ul>
    <SafetyNote
      :note="{
        level: 'warning',
        hazard: 'Used brake parts can look sound and be worn out.',
        action: 'Have a qualified technician rebuild or inspect them.',
      }"
    />
  </fieldset>
</template>

<style scoped>
.sheet {
  margin: 16px 0 0;
  padding: 0;
  border: 0;
}
legend {
  width: 100%;
  margin-bottom: 4px;
  border-bottom: 1px solid var(--line);
  font-weight: 640;
}
ul {
  margin: 0;
  padding: 0;
  list-style: none;
}
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 4px 16px;
  align-items: center;
  padding: 4px 0;
  border-bottom: 1px solid var(--hair);
}
.answers :deep(.el-radio) {
  margin-right: 12px;
}
@media (max-width: 760px) {
  li {
    grid-template-columns: 1fr;
  }
}
</style>
