<script setup lang="ts">
import { INSTRUMENT_CHOICES } from '~/composables/choices'
import { computed } from 'vue'
import { PART_KINDS, fieldsOf } from '#core/records/part-kinds.ts'
import type { ChoiceField } from '#core/records/field.ts'
import { INSTRUMENTS, type InstrumentId } from '#core/quantity/instrument.ts'
import { capital, formatQuantity } from '#core/quantity/format.ts'
import { useProjectStore } from '~/stores/project'
import { useWorkbench } from '~/composables/workbench'
import type { useMeasuring } from '~/composables/measuring'

/** What is measured; how often, with what and how the part is made is folded. */
const props = defineProps<{ measuring: ReturnType<typeof useMeasuring>; registerMm: number | undefined }>()
const wanted = defineModel<number>('wanted', { required: true })
const fromRegister = defineModel<boolean>('fromRegister', { required: true })

const store = useProjectStore()
const { axle, units, chooseAxle } = useWorkbench()
const { sheet, partKind, part, candidates } = props.measuring
const atHand = computed(() => store.current.preferences.instrument)
const words = computed(() =>
  [
    `${wanted.value} ${wanted.value === 1 ? 'reading' : 'readings'} of each`,
    INSTRUMENTS[atHand.value].label,
    ...choices.value.flatMap(({ field, table, value }) =>
      field === 'construction' ? (table.options.find((one) => one.value === value)?.label ?? []) : [],
    ),
  ].join(', '),
)
/** The choices that decide how the sheet's figures are read. */
const choices = computed(() => {
  const wantedHere: Record<string, readonly string[]> = {
    caliperQuick: ['construction', 'frame', 'outlineFrom', 'corner'],
    caliperOutline: ['construction', 'frame', 'outlineFrom'],
    nearWheel: ['construction', 'frame'],
    wheelMarkings: ['barrel', 'face'],
  }
  const table = partKind.value ? fieldsOf(partKind.value) : {}
  const own = part.value as unknown as Record<string, unknown> | undefined
  return (wantedHere[sheet.value.id] ?? [])
    .filter((field) => field !== 'outlineFrom' || own?.outlines !== undefined)
    .map((field) => ({ field, table: table[field] as ChoiceField, value: (own?.[field] as string | undefined) ?? '' }))
})
const radiiRead = computed(() => sheet.value.id === 'caliperQuick' || (sheet.value.points !== undefined && sheet.value.on !== 'wheel'))

function choosePart(value: string) {
  if (value === '+') props.measuring.addPart()
  else void props.measuring.choosePart(value)
}
const choose = (field: string, value: string) => props.measuring.write(field, value || undefined)
const setAtHand = (instrument: InstrumentId) =>
  store.edit('Instrument at hand', (draft) => void (draft.preferences.instrument = instrument))
</script>

<template>
  <div class="settings">
    <FieldItem v-if="partKind" :label="capital(PART_KINDS[partKind].one)"
      ><ChoiceSelect
        data-test="measured-part"
        :value="part?.id ?? ''"
        :options="[
          ...candidates.map((one) => ({ value: one.id, label: one.name })),
          { value: '+', label: `new ${PART_KINDS[partKind].one} …` },
        ]"
        :label="capital(PART_KINDS[partKind].one)"
        @change="choosePart"
    /></FieldItem>
    <FieldItem v-else label="Axle"
      ><ChoiceSelect
        :value="axle"
        :options="[
          { value: 'front', label: 'front' },
          { value: 'rear', label: 'rear' },
        ]"
        label="Axle"
        @change="chooseAxle($event as 'front' | 'rear')"
    /></FieldItem>
    <FoldedPart :title="words">
      <div class="setting">
        <FieldItem label="Readings of each"
          ><ChoiceSelect
            :value="wanted"
            :options="[1, 2, 3, 5].map((n) => ({ value: n, label: String(n) }))"
            label="Readings of each"
            @change="wanted = $event"
        /></FieldItem>
        <FieldItem label="Instrument at hand"
          ><ChoiceSelect
            data-field="instrument"
            :value="atHand"
            :options="INSTRUMENT_CHOICES"
            label="Instrument at hand"
            @change="setAtHand"
        /></FieldItem>
        <FieldItem v-for="one in choices" :key="one.field" :label="one.table.label"
          ><ChoiceSelect
            :data-field="one.field"
            :value="one.value"
            :options="[
              { value: '', label: 'not known' },
              ...one.table.options.map((option) => ({ value: option.value, label: option.label })),
            ]"
            :label="one.table.label"
            @change="choose(one.field, $event)"
        /></FieldItem>
      </div>
      <ElCheckbox v-if="registerMm !== undefined && radiiRead" v-model="fromRegister" class="small" :validate-event="false"
        >radii are read from the edge of the hub register: add {{ formatQuantity(registerMm / 2, 'length', units) }}</ElCheckbox
      >
    </FoldedPart>
  </div>
</template>

<style scoped>
.setting {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 10px;
  margin: 8px 0;
}
.setting > .el-form-item {
  flex: 1 1 140px;
}
</style>
