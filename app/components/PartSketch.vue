<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, ref } from 'vue'
import type { Polyline } from '#core/clearance/outline.ts'
import type { PartOf } from '#core/model/project.ts'
import { partSection } from '#core/report/part-section.ts'
import { extentOf, pathOf, sectionScale } from '~/drawing/section'

/** The outline of a caliper or the profile of a wheel alone, so that a mistyped figure is seen at once. */
const props = defineProps<{ part: PartOf<'caliper'> | PartOf<'wheel'> }>()
const host = ref<HTMLElement>()
const { width } = useElementSize(host)
const HEIGHT = 210
const lines = computed<Polyline[]>(() => partSection(props.part))
const scale = computed(() => {
  const extent = extentOf(lines.value)
  if (!extent) return undefined
  const margin = { top: 14, right: 14, bottom: 24, left: 40 }
  return sectionScale(
    { width: Math.max(width.value, 240), height: HEIGHT, margin },
    [extent.z[0] - 5, extent.z[1] + 5],
    [extent.r[0] - 5, extent.r[1] + 5],
  )
})
</script>

<template>
  <div ref="host" class="sketch">
    <svg
      v-if="scale"
      :width="Math.max(width, 240)"
      :height="HEIGHT"
      role="img"
      :aria-label="part.kind === 'caliper' ? 'Outline as entered' : 'Profile as entered'"
    >
      <g class="axes num">
        <g v-for="t in scale.r.ticks(4)" :key="t">
          <line :x1="scale.z.range()[0]" :x2="scale.z.range()[1]" :y1="scale.r(t)" :y2="scale.r(t)" />
          <text :x="scale.z.range()[0]! - 6" :y="scale.r(t) + 4" text-anchor="end">{{ t }}</text>
        </g>
        <text v-for="t in scale.z.ticks(6)" :key="`z${t}`" :x="scale.z(t)" :y="HEIGHT - 8" text-anchor="middle">{{ t }}</text>
      </g>
      <path v-for="(line, index) in lines" :key="index" class="line" :d="pathOf(scale, line)" />
      <g v-for="(line, index) in lines" :key="`p${index}`">
        <circle v-for="([z, r], point) in line" :key="point" :cx="scale.z(z)" :cy="scale.r(r)" r="2.4" />
      </g>
    </svg>
    <p v-else class="soft small">The outline appears here once its figures are in.</p>
  </div>
</template>

<style scoped>
.sketch {
  margin: 4px 0 8px;
  border: 1px solid var(--hair);
  background: var(--sheet-2);
}
.sketch p {
  margin: 10px;
}
.line {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.8;
}
circle {
  fill: var(--ink);
}
.axes line {
  stroke: var(--hair);
}
.axes text {
  fill: var(--ink-soft);
  font-size: 11px;
}
</style>
