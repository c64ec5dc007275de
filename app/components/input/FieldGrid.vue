<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref } from 'vue'
import type { Field, FieldTable, WheelFace } from '#core/model/field.ts'
import type { Figure } from '#core/quantity/figure.ts'
import type { UnitChoice } from '#core/quantity/units.ts'

/** All fields of a table as a form, gathered under their headings. */
const props = defineProps<{ table: FieldTable; values: object; units: UnitChoice; prefix?: string }>()
const emit = defineEmits<{ change: [key: string, value: unknown] }>()

const read = (key: string) => (props.values as Record<string, unknown>)[key]
const groups = computed(() => {
  const found = new Map<string, [string, Field][]>()
  for (const [key, field] of Object.entries(props.table)) {
    if (field.when && read(field.when.field) !== field.when.is) continue
    const group = field.group ?? ''
    found.set(group, [...(found.get(group) ?? []), [key, field]])
  }
  return [...found]
})
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
const NOT_KNOWN = { value: '', label: 'not known' }
const own = <T,>(key: string) => read(key) as T | undefined
</script>

<template>
  <fieldset v-for="[group, fields] in groups.slice(0, shown)" :key="group" class="group">
    <legend :class="{ 'visually-hidden': group === '' }">{{ group || 'Figures' }}</legend>
    <div class="grid">
      <template v-for="[key, field] in fields" :key="key">
        <FigureInput
          v-if="field.type === 'figure'"
          :name="name(key)"
          :field="field"
          :figure="own<Figure>(key)"
          :units="units"
          @change="emit('change', key, $event)"
        />
        <FiguresInput
          v-else-if="field.type === 'figures'"
          :name="name(key)"
          :field="field"
          :figures="own<Figure[]>(key)"
          :units="units"
          @change="emit('change', key, $event)"
        />
        <FieldItem v-else-if="field.type === 'choice'" :data-field="name(key)" :label="field.label" :help="field.help">
          <ChoiceSelect
            :value="own<string>(key) ?? ''"
            :options="[NOT_KNOWN, ...field.options]"
            :label="field.label"
            @change="emit('change', key, $event || undefined)"
          />
        </FieldItem>
        <FieldItem
          v-else-if="field.type === 'choices'"
          class="wide"
          :data-field="name(key)"
          :label="field.label"
          :help="field.help"
          :for="`${name(key)}-several`"
        >
          <ElCheckboxGroup
            :id="`${name(key)}-several`"
            :model-value="own<string[]>(key) ?? []"
            :aria-label="field.label"
            :validate-event="false"
            @update:model-value="emit('change', key, $event.length > 0 ? $event : undefined)"
          >
            <ElCheckbox v-for="one in field.options" :key="one.value" :value="one.value" :validate-event="false">{{
              one.label
            }}</ElCheckbox>
          </ElCheckboxGroup>
        </FieldItem>
        <FieldItem v-else-if="field.type === 'text'" :data-field="name(key)" :label="field.label" :help="field.help">
          <DraftInput
            :value="own<string>(key) ?? ''"
            :maxlength="field.maxLength"
            :aria-label="field.label"
            @change="emit('change', key, $event.trim() || undefined)"
          />
        </FieldItem>
        <FacesInput
          v-else-if="field.type === 'faces'"
          :name="name(key)"
          :field="field"
          :value="own<WheelFace[]>(key)"
          :units="units"
          class="wide"
          @change="emit('change', key, $event)"
        />
        <PointsInput
          v-else
          :name="name(key)"
          :field="field"
          :value="own(key)"
          :units="units"
          class="wide"
          @change="emit('change', key, $event)"
        />
      </template>
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
