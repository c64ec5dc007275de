<script setup lang="ts">
import type { Field, WheelFace } from '#core/records/field.ts'
import * as ways from '#core/records/ways.ts'
import type { Figure } from '#core/quantity/figure.ts'
import type { UnitChoice } from '#core/quantity/units.ts'

/** One field of a table, whatever it holds. */
const props = defineProps<{
  field: Field
  value: unknown
  name: string
  units: UnitChoice
  /** The table it stands in, for markings and figures that make it. */
  table?: string
  label?: string
  /** Where it is entered, as one word: two parts have fields of one name. */
  place?: string
  /** Few choices stand side by side, to be taken with one press. */
  atOnce?: boolean
}>()
const emit = defineEmits<{ change: [value: unknown]; several: [values: Record<string, Figure | Figure[]>]; enter: [] }>()
const NOT_KNOWN = { value: '', label: 'not known' }
const own = <T,>() => props.value as T | undefined
</script>

<template>
  <FigureInput
    v-if="field.type === 'figure'"
    :name="name"
    :field="field"
    :figure="own<Figure>()"
    :units="units"
    :table="table"
    :ways="ways"
    :place="place"
    :label="label"
    @change="emit('change', $event)"
    @several="emit('several', $event)"
    @enter="emit('enter')"
  />
  <FiguresInput
    v-else-if="field.type === 'figures'"
    :name="name"
    :field="field"
    :figures="own<Figure[]>()"
    :units="units"
    :table="table"
    :label="label"
    @change="emit('change', $event)"
    @several="emit('several', $event)"
    @enter="emit('enter')"
  />
  <FieldItem v-else-if="field.type === 'choice'" :data-field="name" :label="label ?? field.label" :help="field.help">
    <ElRadioGroup
      v-if="atOnce && field.options.length <= 3"
      :model-value="own<string>()"
      :aria-label="label ?? field.label"
      :validate-event="false"
      @update:model-value="emit('change', $event)"
    >
      <ElRadio v-for="one in field.options" :key="one.value" :value="one.value" :validate-event="false">{{ one.label }}</ElRadio>
    </ElRadioGroup>
    <ChoiceSelect
      v-else
      :value="own<string>() ?? ''"
      :options="[NOT_KNOWN, ...field.options]"
      :label="label ?? field.label"
      @change="emit('change', $event || undefined)"
    />
  </FieldItem>
  <FieldItem
    v-else-if="field.type === 'choices'"
    class="wide"
    :data-field="name"
    :label="field.label"
    :help="field.help"
    :for="`${name}-several`"
  >
    <ElCheckboxGroup
      :id="`${name}-several`"
      :model-value="own<string[]>() ?? []"
      :aria-label="field.label"
      :validate-event="false"
      @update:model-value="emit('change', $event.length > 0 ? $event : undefined)"
    >
      <ElCheckbox v-for="one in field.options" :key="one.value" :value="one.value" :validate-event="false">{{ one.label }}</ElCheckbox>
    </ElCheckboxGroup>
  </FieldItem>
  <FieldItem v-else-if="field.type === 'text'" :data-field="name" :label="label ?? field.label" :help="field.help">
    <DraftInput
      :value="own<string>() ?? ''"
      :maxlength="field.maxLength"
      :aria-label="label ?? field.label"
      @change="emit('change', $event.trim() || undefined)"
    />
  </FieldItem>
  <FacesInput
    v-else-if="field.type === 'faces'"
    :name="name"
    :field="field"
    :value="own<WheelFace[]>()"
    :units="units"
    class="wide"
    @change="emit('change', $event)"
  />
  <PointsInput v-else :name="name" :field="field" :value="own()" :units="units" class="wide" @change="emit('change', $event)" />
</template>
