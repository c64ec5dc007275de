<script setup lang="ts">
import { computed } from 'vue'
import { distanceWords, stopReport, type StopRow } from '#core/heat/stop-report.ts'
import { formatQuantity } from '#core/quantity/format.ts'
import { useProjectStore } from '~/stores/project'
import { useWorkbench } from '~/composables/workbench'

/** What limits one cold stop: foot, stroke, pads and tyres as bars, dry and wet, with the car as it stands. */
const store = useProjectStore()
const { setup, units } = useWorkbench()
const found = computed(() => (store.project && setup.value ? stopReport(store.project, setup.value.id) : undefined))
const g = (value: number) => formatQuantity(value, 'deceleration')
/** All bars in one scale, as long as the longest; what never ends a stop has none. */
const mostG = computed(() => {
  const all = (found.value?.rows ?? []).flatMap((row) => [
    row.driverG,
    row.tyreG,
    row.strokeG ?? 0,
    row.padsG ?? 0,
    row.stock?.driverG ?? 0,
  ])
  return Math.max(1, ...all.filter((one) => one < Infinity))
})
const bars = (row: StopRow) => {
  const { footN, footAtMost } = found.value!
  const force = formatQuantity(footN, 'force', units.value)
  return [
    { id: 'driver' as const, label: `Pedal force, ${force}`, here: row.driverG, stock: row.stock?.driverG, most: footAtMost },
    { id: 'stroke' as const, label: 'Stroke of pedal and master cylinder', here: row.strokeG, stock: row.stock?.strokeG, most: false },
    { id: 'pads' as const, label: `Cold pads, at ${force}`, here: row.padsG, stock: row.stock?.padsG, most: footAtMost },
    {
      id: 'tyre' as const,
      label: `The tyres, ${row.friction.toFixed(2)}${row.assumed ? ' assumed' : ''}`,
      here: row.tyreG,
      stock: row.stock?.tyreG,
      most: false,
    },
  ].map((bar) => ({ ...bar, words: words(bar.here, row.distancesM[bar.id], bar.most) }))
}
function words(here: number | undefined, distanceM: number | undefined, most: boolean): string {
  if (here === undefined) return 'not known'
  if (here === Infinity) return 'never at its end'
  if (distanceM === undefined) return `${g(here)}, ${distanceWords({ distanceM })}`
  return most ? `at most ${g(here)}, at least ${distanceM.toFixed(1)} m` : `${g(here)}, ${distanceM.toFixed(1)} m`
}
const width = (value: number) => `${(Math.min(value, mostG.value) / mostG.value) * 100}%`
</script>

<template>
  <div v-if="found">
    <NotEnoughData v-if="found.rows.length === 0" what="the limit of a stop" :missing="found.missing" />
    <template v-else>
      <h1 data-test="stop-says">{{ found.sentence }}</h1>
      <p data-test="stop-worth">{{ found.worth }}</p>
      <ToFindOut v-if="found.missing.length > 0" :missing="found.missing" />
      <section v-for="row in found.rows" :key="row.surface">
        <h2>
          {{ row.surface === 'dry' ? 'Dry' : 'Wet' }}: {{ g(row.decelG) }}, <span class="num">{{ distanceWords(row) }}</span>
          <span v-if="row.stock" class="was-words soft small">baseline {{ g(row.stock.decelG) }}, {{ distanceWords(row.stock) }}</span>
        </h2>
        <dl>
          <template v-for="bar in bars(row)" :key="bar.id">
            <dt>{{ bar.label }}{{ bar.id === row.limit ? ': limits' : '' }}</dt>
            <dd>
              <span class="bar" :class="{ limits: bar.id === row.limit }" :style="{ width: width(bar.here ?? 0) }" />
              <span
                v-if="bar.stock !== undefined && bar.stock < Infinity"
                class="was"
                :style="{ left: width(bar.stock) }"
                :title="`Baseline ${g(bar.stock)}`"
              />
              <span class="num value">{{ bar.words }}</span>
            </dd>
          </template>
        </dl>
        <p v-if="row.locksFirst" class="small">
          Without ABS the stop is limited where the first wheels lock: the {{ row.locksFirst }} ones.
        </p>
      </section>
      <p class="soft small">
        From {{ found.fromKmh }} km/h, driver only, cold brakes, 0.3 s brake build-up, no reaction time. The mark shows the baseline. Hot
        pads can limit a stop earlier: see Session.
      </p>
      <StagingHold />
    </template>
  </div>
</template>

<style scoped>
h1 {
  max-width: 820px;
  margin: 6px 0;
  font-size: 18px;
}
h1 + p {
  max-width: 820px;
}
h2 {
  margin: 14px 0 4px;
}
dl {
  display: grid;
  grid-template-columns: 190px minmax(0, 560px);
  gap: 6px 12px;
  align-items: center;
  margin: 0;
}
dd {
  position: relative;
  height: 24px;
  margin: 0;
  background: var(--sheet-2);
}
.bar {
  position: absolute;
  inset: 0 auto 0 0;
  background: var(--steel-soft);
  border-right: 2px solid var(--ink-soft);
}
.bar.limits {
  background: var(--accent-soft);
  border-right-color: var(--accent);
}
.was {
  position: absolute;
  top: -3px;
  bottom: -3px;
  border-left: 2px dashed var(--ink);
}
.was-words {
  margin-left: 10px;
  font-weight: 400;
}
.value {
  position: absolute;
  left: 8px;
  line-height: 24px;
}
@media (max-width: 760px) {
  dl {
    grid-template-columns: 1fr;
    gap: 2px;
  }
}
</style>
