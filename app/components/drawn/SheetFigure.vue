<script setup lang="ts">
import { computed } from 'vue'
import { sheetOf, type SheetId } from '#core/records/sheets.ts'
import { SHEET_FIGURES } from '~/drawing/sheet-figures'

/** What to touch with what: the drawn figure of a sheet, the dimension in hand picked out. */
const props = defineProps<{
  sheet: SheetId
  current: string
  /** The dimensions that are asked for; all of the sheet when absent. */
  fields?: readonly string[]
}>()
const letters = computed(() => {
  const sheet = sheetOf(props.sheet)
  const found = new Map(sheet.dimensions.map((one) => [one.field, one.letter]))
  if (sheet.points) found.set(sheet.points.field, '')
  return props.fields ? new Map([...found].filter(([field]) => props.fields!.includes(field))) : found
})
const described = computed(() => {
  const sheet = sheetOf(props.sheet)
  const one = sheet.dimensions.find((dimension) => dimension.field === props.current)
  return `${sheet.title}: ${one ? `${one.letter}, ${one.touch}` : (sheet.points?.touch ?? '')}`
})
</script>

<template>
  <DrawnFigure :drawn="SHEET_FIGURES[sheet]" :letters="letters" :current="current" :described="described" />
</template>
