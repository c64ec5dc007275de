<script setup lang="ts">
import { computed } from 'vue'
import { shownUnit, toUnit, type UnitChoice } from '#core/quantity/units.ts'
import type { SectionScale } from '~/drawing/section'

/** The paper of a section: radius upwards, along the axle from the wheel seat. */
const props = defineProps<{ scale: SectionScale; units: UnitChoice; narrow: boolean }>()
const ticks = computed(() => ({ z: props.scale.z.ticks(props.narrow ? 4 : 7), r: props.scale.r.ticks(5) }))
const unit = computed(() => shownUnit('length', props.units))
const tick = (mm: number) => String(Number(toUnit(mm, unit.value).toFixed(unit.value.symbol === 'mm' ? 0 : 2)))
</script>

<template>
  <g class="axes num">
    <g v-for="t in ticks.r" :key="`r${t}`">
      <line :x1="scale.z.range()[0]" :x2="scale.z.range()[1]" :y1="scale.r(t)" :y2="scale.r(t)" />
      <text :x="scale.z.range()[0]! - 6" :y="scale.r(t) + 4" text-anchor="end">{{ tick(t) }}</text>
    </g>
    <g v-for="t in ticks.z" :key="`z${t}`">
      <line :x1="scale.z(t)" :x2="scale.z(t)" :y1="scale.r.range()[0]" :y2="scale.r.range()[1]" />
      <text :x="scale.z(t)" :y="scale.r.range()[0]! + 14" text-anchor="middle">{{ tick(t) }}</text>
    </g>
    <text :x="scale.z.range()[0]! - 30" :y="scale.r.range()[1]! - 8">radius, {{ unit.symbol }}</text>
    <text v-if="!narrow" :x="scale.z.range()[1]!" :y="scale.r.range()[0]! + 28" text-anchor="end">
      from the wheel mounting face, {{ unit.symbol }} · outboard →
    </text>
  </g>
</template>

<style scoped>
line {
  stroke: var(--hair);
}
text {
  fill: var(--ink-soft);
  font-size: 11.5px;
}
</style>
