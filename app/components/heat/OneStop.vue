<script setup lang="ts">
import { computed } from 'vue'
import { stopReport, type StopRow } from '#core/report/heat/stop-report.ts'
import { formatQuantity } from '#core/quantity/format.ts'
import { useProjectStore } from '~/stores/project'
import { useWorkbench } from '~/composables/workbench'

/** What limits one cold stop: foot and tyres as bars, dry and wet, with the car as it stands. */
const store = useProjectStore()
const { setup, units } = useWorkbench()
const found = computed(() => (store.project && setup.value ? stopReport(store.project, setup.value.id) : undefined))
const g = (value: number) => formatQuantity(value, 'deceleration')
/** All bars in one scale, as long as the longest. */
const mostG = computed(() => Math.max(1, ...(found.value?.rows ?? []).flatMap((row) => [row.driverG, row.tyreG, row.stock?.driverG ?? 0])))
const bars = (row: StopRow) => [
  {
    id: 'driver',
    label: `The foot, ${formatQuantity(found.value!.footN, 'force', units.value)}`,
    here: row.driverG,
    stock: row.stock?.driverG,
  },
  {
    id: 'tyre',
    label: `The tyres, ${row.friction.toFixed(2)}${row.assumed ? ' assumed' : ''}`,
    here: row.tyreG,
    stock: row.stock?.tyreG,
  },
]
const width = (value: number) => `${(value / mostG.value) * 100}%`
</script>

<template>
  <div v-if="found">
    <CannotSay v-if="found.rows.length === 0" what="what limits a stop" :missing="found.missing" />
    <template v-else>
      <h1 data-test="stop-says">{{ found.sentence }}</h1>
      <p data-test="stop-worth">{{ found.worth }}</p>
      <ToFindOut v-if="found.missing.length > 0" :missing="found.missing" />
      <section v-for="row in found.rows" :key="row.surface">
        <h2>
          {{ row.surface === 'dry' ? 'Dry' : 'Wet' }}: {{ g(row.decelG) }}, <span class="num">{{ row.distanceM.toFixed(1) }} m</span>
          <span v-if="row.stock" class="was-words soft small"
            >as it stands {{ g(row.stock.decelG) }}, {{ row.stock.distanceM.toFixed(1) }} m</span
          >
        </h2>
        <dl>
          <template v-for="bar in bars(row)" :key="bar.id">
            <dt>{{ bar.label }}{{ bar.id === row.limit ? ': limits' : '' }}</dt>
            <dd>
              <span class="bar" :class="{ limits: bar.id === row.limit }" :style="{ width: width(bar.here) }" />
              <span
                v-if="bar.stock !== undefined"
                class="was"
                :style="{ left: width(bar.stock) }"
                :title="`As it stands ${g(bar.stock)}`"
              />
              <span class="num value">{{ bar.id === 'driver' && found.footAtMost ? 'at most ' : '' }}{{ g(bar.here) }}</span>
            </dd>
          </template>
        </dl>
        <p v-if="row.locksFirst" class="small">
          Without anti-lock the tyres count up to where the first wheels lock: the {{ row.locksFirst }} ones.
        </p>
      </section>
      <p class="soft small">
        From {{ found.fromKmh }} km/h, driver only, cold brakes; 0.3 s until the brakes are fully on, no time to react. The mark is the car
        as it stands. Stroke of the master cylinder and hot pads can limit a stop before: see the fit check and the session.
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
