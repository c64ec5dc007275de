<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref } from 'vue'
import { useRoute } from 'vue-router'
import type { Field, FieldTable } from '#core/records/field.ts'
import { placeKey, type EntryPlace } from '#core/records/question.ts'
import type { Figure } from '#core/quantity/figure.ts'
import { formatQuantity } from '#core/quantity/format.ts'
import type { UnitChoice } from '#core/quantity/units.ts'
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
const NEEDED = 'Needed for this answer'
const byNeed = computed(() => lens.needs.value !== undefined && props.place !== undefined && searched.value === '')
const headingOf = (key: string, field: Field): string => {
  if (!byNeed.value) return field.group ?? ''
  const need = needOf(key)
  return need?.kind === 'needed' ? NEEDED : need ? 'Makes the result more certain' : REST
}
const RANK = [NEEDED, 'Makes the result more certain', REST]
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
  return all.sort((a, b) => RANK.indexOf(a[0]) - RANK.indexOf(b[0]))
})
/** A form so short needs no folding. */
const SHORT = 12
const isShort = computed(() => groups.value.reduce((sum, [, fields]) => sum + fields.length, 0) <= SHORT)
const opened = ref<string[]>([])
const toggle = (group: string) => {
  opened.value = opened.value.includes(group) ? opened.value.filter((one) => one !== group) : [...opened.value, group]
}
/** The address leads into this group. */
const isWanted = (group: string): boolean => {
  const wanted = route.query.field
  return typeof wanted === 'string' && groups.value.some(([one, fields]) => one === group && fields.some(([key]) => name(key) === wanted))
}
/** Whether a group has a heading to fold it by, and stands open. */
const isFoldable = (group: string) => !isShort.value && group !== '' && searched.value === '' && !lens.all.value
const isOpen = (group: string): boolean =>
  !isFoldable(group) || opened.value.includes(group) || isWanted(group) || (byNeed.value && group.startsWith(NEEDED))
/** A group that is folded says how much of it is entered. */
const enteredOf = (fields: readonly [string, Field][]) => `${fields.filter(([key]) => read(key) !== undefined).length} of ${fields.length}`
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
    <legend :class="{ 'visually-hidden': group === '' }">
      <button v-if="isFoldable(group)" type="button" class="fold" :aria-expanded="isOpen(group)" @click="toggle(group)">
        <Icon :name="isOpen(group) ? 'tabler:chevron-down' : 'tabler:chevron-right'" size="15" />
        {{ group }} <span class="soft small num">{{ enteredOf(fields) }} entered</span>
      </button>
      <template v-else>{{ group || 'Figures' }}</template>
    </legend>
    <div v-if="isOpen(group)" class="grid">
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
.fold {
  display: flex;
  gap: 6px;
  align-items: center;
  min-height: 30px;
  width: 100%;
  padding: 0;
  border: 0;
  color: inherit;
  background: none;
  font: inherit;
  font-weight: 640;
  text-align: left;
  cursor: pointer;
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
