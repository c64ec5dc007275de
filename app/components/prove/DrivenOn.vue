<script setup lang="ts">
import { LOADS_DRIVEN, SURFACES, type LoadDriven, type SurfaceDriven } from '#core/records/logbook.ts'

/** On what, and with what load, a car was driven. */
const surface = defineModel<SurfaceDriven>('surface', { required: true })
const load = defineModel<LoadDriven>('load', { required: true })
const listed = <K extends string>(of: Readonly<Record<K, string>>) => (Object.keys(of) as K[]).map((value) => ({ value, label: of[value] }))
</script>

<template>
  <FieldItem label="On"><ChoiceSelect label="On" :value="surface" :options="listed(SURFACES)" @change="surface = $event" /></FieldItem>
  <FieldItem label="Load"><ChoiceSelect label="Load" :value="load" :options="listed(LOADS_DRIVEN)" @change="load = $event" /></FieldItem>
</template>
