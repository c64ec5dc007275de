<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref } from 'vue'
import { useRoute } from 'vue-router'
import type { Field, FieldTable } from '#core/model/field.ts'
import { placeKey, type EntryPlace } from '#core/model/question.ts'
import type { Figure } from '#core/quantity/figure.ts'
import { formatQuantity } from '#core/quantity/format.ts'
import type { UnitChoice } from '#core/quantity/units.ts'
import { counted } from '#core/report/figure/words.ts'
import { useFormLens } from '~/composables/form-lens'

/** All fields of a table as a form: under their headings, or by what they are to an answer; some of them, where one searches. */
const props = defineProps<{
  table: FieldTable
  values: object
  units: UnitChoice
  prefix?: string
  /** The table's name, for markings and figures that make others. */
  kind?: string
  /** Where a field is entered, so that the form knows what it is needed for. */
  place?: (field: string) => EntryPlace
}>()
const emit = defineEmits<{ change: [key: string, value: unknown]; several: [values: Record<string, Figure | Figure[]>] }>()
const lens = useFormLens()
const route = useRoute()

const read = (key: string) => (props.values as Record<string, unknown>)[key]
const needOf = (key: string) => (props.place ? lens.needs.value?.get(placeKey(props.place(key))) : undefined)
const searched = computed(() => lens.search.value.trim().toLowerCase())
const matches = (key: string, field: Field): boolean =>
  searched.value === '' || `${field.label} ${field.help ?? ''} ${key}`.toLowerCase().includes(searched.value)
const REST = 'Everything else'
const byNeed = computed(() => lens.needs.value !== undefined && props.place !== undefined && searched.value === '')
const headingOf = (key: string, field: Field): string => {
  if (!byNeed.value) return field.group ?? ''
  const need = needOf(key)
  return need?.kind === 'needed' ? 'Needed for this answer' : need ? 'Makes the result more certain' : REST
}
const RANK = ['Needed for this answer', 'Makes the result more certain', REST]
const groups = computed(() => {
  const found = new Map<string, [string, Field][]>()
  for (const [key, field] of Object.entries(props.table)) {
    if (field.when && read(field.when.field) !== field.when.is) continue
    if (!matches(key, field)) continue
    const group = headingOf(key, field)
    found.set(group, [...(found.get(group) ?? []), [key, field]])
  }
  const all = [...found]
  if (!byNeed.value) return all
  const surer = found.get('Makes the result more certain')
  surer?.sort((a, b) => (needOf(b[0])?.share ?? 0) - (needOf(a[0])?.share ?? 0))
  return all
    .sort((a, b) => RANK.indexOf(a[0]) - RANK.indexOf(b[0]))
    .map(([group, fields]): [string, [string, Field][]] => [`${group} (${fields.length})`, fields])
})
/** The rest is folded away, unless the address leads into it. */
const opened = ref<string[]>([])
const isFolded = (group: string): boolean => {
  if (!byNeed.value || !group.startsWith(REST) || opened.value.includes(group)) return false
  const wanted = route.query.field
  return !(typeof wanted === 'string' && groups.value.find(([one]) => one === group)?.[1].some(([key]) => name(key) === wanted))
}
const shareOf = (key: string): string => {
  const share = needOf(key)?.share
  return share === undefined || share < 0.01 ? '' : formatQuantity(share, 'share', undefined, { decimals: 0 })
}
const isWide = (field: Field): boolean => !['figure', 'figures', 'choice', 'text'].includes(field.type)
const name = (key: string) => (props.prefix ? `${props.prefix}.${key}` : key)
/** Groups come in one a frame: a page of sixty fields answers at once. */
const shown = ref(1)
let frame = 0
function more() {
  shown.value = shown.value < groups.value.length ? shown.value + 1 : Infinity
  if (Number.isFinite(shown.value)) frame = requestAnimationFrame(more)
}
onMounted(() => (frame = requestAnimationFrame(more)))
onBeforeUnmount(() => cancelAnimationFrame(frame))
</script>

<template>
  <p v-if="searched && groups.length === 0" class="soft">Nothing here has “{{ lens.search.value.trim() }}” in its name.</p>
  <fieldset v-for="[group, fields] in groups.slice(0, shown)" :key="group" class="group">
    <legend :class="{ 'visually-hidden': group === '' }">{{ group || 'Figures' }}</legend>
    <ElButton v-if="isFolded(group)" link type="primary" :aria-expanded="false" @click="opened = [...opened, group]">
      Show {{ counted(fields.length, 'field') }}
    </ElButton>
    <div v-else class="grid">
      <div v-for="[key, field] in fields" :key="key" :class="{ wide: isWide(field) }">
        <FieldControl
          :name="name(key)"
          :field="field"
          :value="read(key)"
          :units="units"
          :table="kind"
          :place="place && placeKey(place(key))"
          @change="emit('change', key, $event)"
          @several="emit('several', $event)"
        />
        <span v-if="shareOf(key)" class="soft small" data-test="share">{{ shareOf(key) }} of the uncertainty</span>
      </div>
    </div>
  </fieldset>
</template>

<style scoped>
.group {
  margin: 0 0 16px;
  padding: 0;
  border: 0;
}
legend {
  width: 100%;
  margin-bottom: 6px;
  padding: 0 0 2px;
  border-bottom: 1px solid var(--line);
  font-weight: 640;
}
.grid {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(228px, 1fr));
  gap: 8px 16px;
  align-items: start;
}
.wide {
  grid-column: 1 / -1;
}
</style>
