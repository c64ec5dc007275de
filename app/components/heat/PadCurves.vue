<script setup lang="ts">
import { curveLinear, line, scaleLinear } from 'd3'
import { computed, ref } from 'vue'
import { frictionOf, padsBeside } from '#core/heat/pad-curves.ts'
import { formatQuantity } from '#core/quantity/format.ts'
import { useChartWidth } from '~/composables/chart-width'
import { useHeat } from '~/composables/heat'
import { useProjectStore } from '~/stores/project'
import { useWorkbench } from '~/composables/workbench'

/** Friction over temperature of the pads that could go in, over what this driving makes of their faces. */
const store = useProjectStore()
const { setup, axle, chooseAxle, units } = useWorkbench()
const { heat } = useHeat()
const pads = computed(() => (store.project && setup.value ? padsBeside(store.project, setup.value.id, axle.value) : []))
const drawn = computed(() => pads.value.filter((one) => one.curve))
const svg = ref<SVGSVGElement>()
const W = useChartWidth(svg, 760)
const H = 260
const margin = { top: 20, right: 16, bottom: 36, left: 48 }
const mostC = computed(() => Math.max(400, ...drawn.value.flatMap((one) => one.curve!.map(([c]) => c)), peakC.value ?? 0))
/** Faces while it is driven: from the first brake on. */
const peakC = computed(() => {
  const faces = heat.value?.samples.map((one) => one[axle.value].faceC) ?? []
  return faces.length > 0 ? Math.max(...faces) : undefined
})
const x = computed(() => scaleLinear([margin.left, W.value - margin.right]).domain([0, mostC.value]))
const y = computed(() =>
  scaleLinear([H - margin.bottom, margin.top]).domain([
    0,
    Math.max(0.5, ...drawn.value.flatMap((one) => one.curve!.map(([, mu]) => mu))) * 1.08,
  ]),
)
const path = (points: readonly (readonly [number, number])[]) =>
  line<readonly [number, number]>()
    .x((one) => x.value(one[0]))
    .y((one) => y.value(one[1]))
    .curve(curveLinear)([...points, [mostC.value, points.at(-1)![1]]]) ?? ''
/** Each by its own dash and its letter: tones alone are not told apart. */
const DASHES = ['', '8 4', '2 3', '10 3 2 3', '5 5', '1 4']
const letter = (i: number) => String.fromCharCode(65 + i)
/** Letters stand where the lines are apart. */
const at = (i: number) => mostC.value * (0.18 + 0.12 * (i % 6))
const c = (value: number | undefined) =>
  value === undefined ? 'not known' : formatQuantity(value, 'temperature', units.value, { decimals: 0 })
</script>

<template>
  <section v-if="pads.length > 0" data-test="pad-curves">
    <h2>
      Pad friction, {{ axle }}
      <ElButton link type="primary" class="no-print" @click="chooseAxle(axle === 'front' ? 'rear' : 'front')"
        >see the {{ axle === 'front' ? 'rear' : 'front' }}</ElButton
      >
    </h2>
    <svg
      v-if="drawn.length > 0"
      ref="svg"
      :viewBox="`0 0 ${W} ${H}`"
      role="img"
      aria-label="Friction of the pads over the temperature of their faces"
    >
      <rect
        v-if="peakC"
        class="driven"
        :x="x(20)"
        :y="margin.top"
        :width="x(Math.min(peakC, mostC)) - x(20)"
        :height="H - margin.top - margin.bottom"
      />
      <ChartAxes
        :x="x"
        :y="y"
        :x-ticks="7"
        :y-ticks="5"
        :x-name="`face, ${units.temperature}`"
        y-name="friction"
        :show-x="(t: number) => formatQuantity(t, 'temperature', units, { bare: true, decimals: 0 })"
      />
      <text v-if="peakC" class="note" :x="x(20) + 6" :y="H - margin.bottom - 8">pad surface temperatures in this session</text>
      <g v-for="(one, i) in drawn" :key="one.partId" :class="{ fitted: one.fitted }">
        <path class="curve" :d="path(one.curve!)" :stroke-dasharray="DASHES[i % DASHES.length]" />
        <text class="letter" :x="x(at(i))" :y="y(frictionOf(one.curve!, at(i))) - 5">{{ letter(i) }}</text>
      </g>
    </svg>
    <ul class="words">
      <li v-for="one in pads" :key="one.partId">
        <b class="num">{{ one.curve ? letter(drawn.indexOf(one)) : '–' }}</b>
        <span
          ><strong>{{ one.name }}</strong
          >{{ one.fitted ? ' (fitted)' : '' }}: range to {{ c(one.rangeToC) }}; {{ one.words.join('; ')
          }}{{ one.curve ? '' : '; friction over temperature is not entered, fade is not predicted' }}.</span
        >
      </li>
    </ul>
    <p class="soft small">On the road, pads must also work in the first cold stop: ask the maker before you use track pads there.</p>
  </section>
</template>

<style scoped>
svg {
  display: block;
  width: 100%;
  max-width: 760px;
}
.driven {
  fill: var(--accent-soft);
  opacity: 0.6;
}
.curve {
  fill: none;
  stroke: var(--ink-soft);
  stroke-width: 1.5;
}
.fitted .curve {
  stroke: var(--accent);
  stroke-width: 2.6;
}
.letter {
  fill: var(--ink);
  font-weight: 640;
  font-size: 13px;
  paint-order: stroke;
  stroke: var(--sheet);
  stroke-width: 3px;
}
.note {
  fill: var(--ink-soft);
  font-size: 11.5px;
}
.words {
  max-width: 820px;
  margin: 6px 0;
  padding: 0;
  list-style: none;
}
.words li {
  display: flex;
  gap: 8px;
  padding: 2px 0;
}
.words b {
  flex: 0 0 16px;
}
</style>
