<script setup lang="ts">
import { computed } from 'vue'
import { PART_KINDS, fieldsOf } from '#core/model/part-kinds.ts'
import type { ChoiceField } from '#core/model/field.ts'
import { INSTRUMENT_IDS, INSTRUMENTS, type InstrumentId } from '#core/quantity/instrument.ts'
import { formatQuantity } from '#core/quantity/format.ts'
import { useProjectStore } from '~/stores/project'
import { useWorkbench } from '~/composables/workbench'
import type { useMeasuring } from '~/composables/measuring'

/** What is measured, how often and with what, and how the part is made; folded away on a phone. */
const props = defineProps<{ measuring: ReturnType<typeof useMeasuring>; open: boolean; registerMm: number | undefined }>()
const wanted = defineModel<number>('wanted', { required: true })
const fromRegister = defineModel<boolean>('fromRegister', { required: true })

const store = useProjectStore()
const { axle, units, chooseAxle } = useWorkbench()
const { sheet, partKind, part, candidates } = props.measuring
const atHand = computed(() => store.project!.preferences.instrument)
const words = computed(() =>
  [
    part.value?.name ?? axle.value,
    `${wanted.value} ${wanted.value === 1 ? 'reading' : 'readings'} of each`,
    INSTRUMENTS[atHand.value].label,
  ].join(', '),
)
const capital = (text: string) => text[0]!.toUpperCase() + text.slice(1)
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

function choosePart(event: Event) {
  const { value } = event.target as HTMLSelectElement
  if (value === '+') props.measuring.addPart()
  else void props.measuring.choosePart(value)
}
const choose = (field: string, event: Event) => props.measuring.write(field, (event.target as HTMLSelectElement).value || undefined)
const setAtHand = (event: Event) =>
  store.edit(
    'Instrument at hand',
    (draft) => void (draft.preferences.instrument = (event.target as HTMLSelectElement).value as InstrumentId),
  )
</script>

<template>
  <details class="settings" :open="open">
    <summary class="small">{{ words }}</summary>
    <div class="setting">
      <label v-if="partKind" class="small"
        >{{ capital(PART_KINDS[partKind].one) }}
        <select class="native" :value="part?.id ?? ''" data-test="measured-part" @change="choosePart">
          <option v-for="one in candidates" :key="one.id" :value="one.id">{{ one.name }}</option>
          <option value="+">new {{ PART_KINDS[partKind].one }} …</option>
        </select>
      </label>
      <label v-else class="small"
        >Axle
        <select class="native" :value="axle" @change="chooseAxle(($event.target as HTMLSelectElement).value as 'front' | 'rear')">
          <option value="front">front</option>
          <option value="rear">rear</option>
        </select>
      </label>
      <label class="small"
        >Readings of each
        <select v-model.number="wanted" class="native">
          <option v-for="n in [1, 2, 3, 5]" :key="n" :value="n">{{ n }}</option>
        </select>
      </label>
      <label class="small"
        >Instrument at hand
        <select class="native" :value="atHand" data-field="instrument" @change="setAtHand">
          <option v-for="one in INSTRUMENT_IDS" :key="one" :value="one">{{ INSTRUMENTS[one].label }}</option>
        </select>
      </label>
    </div>
    <div v-if="part && choices.length > 0" class="setting">
      <label v-for="one in choices" :key="one.field" class="small"
        >{{ one.table.label }}
        <select class="native" :value="one.value" :data-field="one.field" @change="choose(one.field, $event)">
          <option value="">not known</option>
          <option v-for="option in one.table.options" :key="option.value" :value="option.value">{{ option.label }}</option>
        </select>
      </label>
    </div>
    <label v-if="registerMm !== undefined && radiiRead" class="check small">
      <input v-model="fromRegister" type="checkbox" /> radii are read from the edge of the hub register: add
      {{ formatQuantity(registerMm / 2, 'length', units) }}
    </label>
  </details>
</template>

<style scoped>
summary {
  display: none;
}
.setting {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 10px;
  margin: 8px 0;
}
.setting label {
  flex: 1 1 120px;
}
.setting label:first-child {
  flex-grow: 2;
}
.check {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 32px;
}
@media (max-width: 1000px) {
  summary {
    display: list-item;
    padding: 8px 2px;
    cursor: pointer;
  }
}
</style>
