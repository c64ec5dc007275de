<script setup lang="ts">
import { computed, ref } from 'vue'
import { editQuantity, formatQuantity } from '#core/quantity/format.ts'
import { parseQuantity } from '#core/quantity/parse.ts'
import type { UnitChoice } from '#core/quantity/units.ts'

/** A length that belongs to no part: typed in any unit, without origin. What is beyond its limits is not taken. */
const props = defineProps<{ label: string; valueMm: number; minMm: number; maxMm: number; units: UnitChoice; help?: string }>()
const emit = defineEmits<{ change: [mm: number] }>()
const error = ref('')
const shown = computed(() => editQuantity(props.valueMm, 'length', props.units))
const words = (mm: number) => formatQuantity(mm, 'length', props.units)

function take(text: string, put: (text: string) => void): void {
  const parsed = parseQuantity(text.trim(), 'length', props.units)
  if (!parsed.ok) return void (error.value = `${parsed.message} ${words(props.valueMm)} is kept.`)
  if (parsed.value < props.minMm || parsed.value > props.maxMm)
    return void (error.value = `Must be between ${words(props.minMm)} and ${words(props.maxMm)}; ${words(props.valueMm)} is kept.`)
  error.value = ''
  emit('change', parsed.value)
  put(editQuantity(parsed.value, 'length', props.units))
}
</script>

<template>
  <FieldItem :label="label" :help="help" :error="error">
    <DraftInput class="num" :value="shown" :aria-label="label" :aria-invalid="error !== ''" @change="take" />
  </FieldItem>
</template>
