<script setup lang="ts">
import { computed, ref } from 'vue'
import { editQuantity, formatQuantity } from '#core/quantity/format.ts'
import { parseQuantity } from '#core/quantity/parse.ts'
import type { UnitChoice } from '#core/quantity/units.ts'

/** A length that belongs to no part: typed in any unit, without origin. What is beyond its limits is not taken. */
const props = defineProps<{ label: string; valueMm: number | undefined; minMm: number; maxMm: number; units: UnitChoice; help?: string }>()
const emit = defineEmits<{ change: [mm: number] }>()
const error = ref('')
const shown = computed(() => (props.valueMm === undefined ? '' : editQuantity(props.valueMm, 'length', props.units)))
const words = (mm: number) => formatQuantity(mm, 'length', props.units)
const kept = () => (props.valueMm === undefined ? 'nothing was changed.' : `${words(props.valueMm)} is unchanged.`)

function take(text: string, put: (text: string) => void): void {
  const parsed = parseQuantity(text.trim(), 'length', props.units)
  if (!parsed.ok) return void (error.value = `${parsed.message} ${kept()}`)
  if (parsed.value < props.minMm || parsed.value > props.maxMm)
    return void (error.value = `Must be between ${words(props.minMm)} and ${words(props.maxMm)}; ${kept()}`)
  error.value = ''
  emit('change', parsed.value)
  put(editQuantity(parsed.value, 'length', props.units))
}
</script>

<template>
  <FieldItem :label="label" :help="help" :error="error">
    <DraftInput class="num" placeholder="not typed yet" :value="shown" :aria-label="label" :aria-invalid="error !== ''" @change="take" />
  </FieldItem>
</template>
