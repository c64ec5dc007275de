<script setup lang="ts">
import { line, scaleLinear } from 'd3'
import { computed, ref } from 'vue'
import { amount, length } from '#core/records/field.ts'
import type { Figure } from '#core/quantity/figure.ts'
import { pedalOf } from '#core/records/uses.ts'
import { formatQuantity } from '#core/quantity/format.ts'
import { boundWord } from '#core/figures/words.ts'
import { EVERYDAY_G, FAILURE_FORCE_N, LOST_WORDS, SECONDARY_MS2 } from '#core/balance/balance-report.ts'
import { BANDS } from '#core/hydraulics/pedal-bands.ts'
import { STANDARD_GRAVITY } from '#core/quantity/units.ts'
import { useBalance } from '~/composables/balance'
import { useChartWidth } from '~/composables/chart-width'
import { useProjectStore } from '~/stores/project'
import { useWorkbench } from '~/composables/workbench'

/** Pedal force over deceleration with and without assist, travel, and what is left when something fails. */
const store = useProjectStore()
const { units, isStock, report, openFigureId } = useWorkbench()
const { balance, stockBalance } = useBalance()
const car = computed(() => store.current.car)
const bands = computed(() => BANDS[pedalOf(car.value.uses)])
const svg = ref<SVGSVGElement>()
const W = useChartWidth(svg, 560)
const H = 280
const margin = { top: 18, right: 16, bottom: 36, left: 56 }
const MOST_N = 800
const x = computed(() => scaleLinear([margin.left, W.value - margin.right]).domain([0, 1.2]))
const y = scaleLinear([H - margin.bottom, margin.top]).domain([0, MOST_N])
type EffortPoint = NonNullable<typeof balance.value>['effort'][number]
const path = (points: readonly EffortPoint[], of: 'forceN' | 'bareN') =>
  line<EffortPoint>(
    (one) => x.value(one.decelG),
    (one) => y(one[of]),
  )(points.filter((one) => one[of] <= MOST_N && one.decelG <= 1.2)) ?? ''
const force = (value: number | undefined) => formatQuantity(value, 'force', units.value)
const mm = (value: number | undefined) => (value === undefined ? 'not known' : formatQuantity(value, 'length', units.value))
const g = (value: number) => formatQuantity(value, 'deceleration')
const left = (leftMm: number | undefined) => (leftMm !== undefined && leftMm < 0 ? 'on the floor' : mm(leftMm))
const secondaryG = SECONDARY_MS2 / STANDARD_GRAVITY
const travelField = length('Pedal travel that was measured', 5, 250)
const forceField = amount('… at a pedal force of', 'force', 20, 1500)
const set = (key: 'measuredTravelMm' | 'measuredTravelForceN', figure: Figure | undefined) =>
  store.edit('Calibrate the travel', (draft) => {
    if (figure) draft.car[key] = figure
    else Reflect.deleteProperty(draft.car, key)
  })
const parts = computed(() => {
  const found = balance.value?.travelParts
  return found
    ? (
        [
          ['pad clearance', found.clearanceMm],
          ['compliance of calipers and pads', found.complianceMm],
          ['hose expansion', found.hosesMm],
          ['free stroke', found.freeMm],
        ] as const
      ).map(([name, value]) => ({ name, value, text: mm(value) }))
    : []
})
const stopColumns = [
  { id: 'stop', label: 'A stop of', least: 240 },
  { id: 'assisted', label: 'With assist', number: true, least: 110 },
  { id: 'bare', label: 'Without', number: true, least: 110 },
  { id: 'travel', label: 'Travel', number: true },
]
const failureColumns = [
  { id: 'lost', label: 'What fails', least: 210 },
  { id: 'left', label: 'Deceleration left', number: true, least: 150 },
  { id: 'pedal', label: 'Pedal before the floor', number: true, least: 130 },
]
const beyond = (forceN: number) => (forceN > FAILURE_FORCE_N ? ', few drivers reach it' : '')
</script>

<template>
  <NotEnoughData
    v-if="balance && balance.effort.length === 0 && balance.missing.length > 0"
    what="the pedal force"
    :missing="balance.missing"
  />
  <div v-else-if="balance" class="pedal">
    <section>
      <h2>
        {{ report?.figures['pedal.force'].atLeast ? 'At least ' : '' }}{{ force(report?.figures['pedal.force'].value) }} at the pedal for
        {{ g(store.current.preferences.referenceDecelG) }},
        <ElButton link type="primary" class="num" @click="openFigureId = 'pedal.travel'">
          {{
            report?.figures['pedal.travel'].value === undefined ? 'travel unknown' : `${mm(report.figures['pedal.travel'].value)} of travel`
          }}
        </ElButton>
      </h2>
      <p class="small">
        Usual for {{ pedalOf(car.uses) === 'competition' ? 'competition without assist' : 'the road' }}: {{ force(bands.forceN.low) }} to
        {{ force(bands.forceN.high) }}, {{ mm(bands.travelMm.low) }} to {{ mm(bands.travelMm.high) }}.
        <template v-if="balance.bareAtLimitG !== undefined"
          >At {{ force(FAILURE_FORCE_N) }} without assist the brakes give {{ g(balance.bareAtLimitG)
          }}{{ balance.bareAtLimitG < 0.6 ? ': few drivers would stop it hard' : '' }}.</template
        >
      </p>
      <template v-if="balance.unknownAssist">
        <p class="tone-unknown small" data-test="unknown-assist">
          The booster’s limit is unknown, so the pedal force shown is the least that is needed.
        </p>
        <ToFindOut :missing="[balance.unknownAssist]" />
      </template>
      <DataTable v-if="balance.stops.length > 0" class="stops" data-test="stops" :rows="balance.stops" :columns="stopColumns">
        <template #stop="{ row }">
          {{ g(row.decelG) }} <span class="soft">{{ row.decelG === EVERYDAY_G ? 'everyday' : 'as stated' }}</span>
          <span v-if="row.tyresG !== undefined" class="tone-needs small block"
            >cannot be reached: with the driver only, dry tyres give out at {{ g(row.tyresG) }}</span
          >
        </template>
        <template #assisted="{ row }">
          <span :class="{ 'tone-needs': row.forceN > FAILURE_FORCE_N }"
            >{{ boundWord(row) }}{{ force(row.forceN) }}{{ beyond(row.forceN) }}</span
          >
        </template>
        <template #bare="{ row }">
          <span :class="{ 'tone-needs': row.bareN > FAILURE_FORCE_N }">{{ force(row.bareN) }}{{ beyond(row.bareN) }}</span>
        </template>
        <template #travel="{ row }">{{ mm(row.travelMm) }}</template>
      </DataTable>
      <svg
        v-if="balance.effort.length > 0"
        ref="svg"
        :viewBox="`0 0 ${W} ${H}`"
        role="img"
        aria-label="Pedal force over deceleration, with and without assist"
      >
        <rect
          class="band"
          :x="margin.left"
          :width="W - margin.left - margin.right"
          :y="y(bands.forceN.high)"
          :height="y(bands.forceN.low) - y(bands.forceN.high)"
        />
        <ChartAxes
          :x="x"
          :y="y"
          :x-ticks="6"
          :y-ticks="5"
          x-name="deceleration, g"
          :y-name="`pedal force, ${units.force}`"
          :show-y="(t: number) => formatQuantity(t, 'force', units, { bare: true })"
        />
        <path v-if="!isStock && stockBalance" class="stock" :d="path(stockBalance.effort, 'forceN')" />
        <path class="bare" :d="path(balance.effort, 'bareN')" />
        <path class="force" :d="path(balance.effort, 'forceN')" />
        <g v-if="balance.runoutForceN !== undefined && balance.runoutForceN < MOST_N" class="runout">
          <line :x1="margin.left" :x2="W - margin.right" :y1="y(balance.runoutForceN)" :y2="y(balance.runoutForceN)" />
          <text :x="W - margin.right - 4" :y="y(balance.runoutForceN) - 5" text-anchor="end">booster run-out</text>
        </g>
      </svg>
      <p class="soft small">
        Heavy line: with booster; dashed line without.{{ isStock ? '' : ' Thin: the baseline.' }} The band shows usual pedal forces at 0.9
        g.
      </p>
    </section>
    <section v-if="balance.travelParts || balance.vacuum.length > 0" class="beside">
      <ElDescriptions
        v-if="balance.vacuum.length > 0"
        :title="`Pedal force for ${g(store.current.preferences.referenceDecelG)}`"
        :column="1"
        border
        data-test="vacuum"
      >
        <ElDescriptionsItem
          v-for="one in balance.vacuum"
          :key="one.share"
          :label="one.share === 1 ? 'full assist' : one.share === 0 ? 'booster failed' : 'half the vacuum'"
          label-align="left"
          align="right"
        >
          <span :class="one.forceN > FAILURE_FORCE_N ? 'tone-needs' : ''"
            >{{ boundWord(one) }}{{ force(one.forceN) }}{{ beyond(one.forceN) }}</span
          >
        </ElDescriptionsItem>
      </ElDescriptions>
      <section v-if="balance.travelParts" data-test="travel-parts">
        <h3>Travel breakdown</h3>
        <ShareBar :parts="parts" label="Travel breakdown" />
        <p v-if="balance.hoses.length > 0" class="soft small">
          In total
          <template v-for="(one, i) in balance.hoses" :key="one.kind"
            >{{ i > 0 ? ', ' : '' }}{{ mm(one.travelMm) }} with {{ one.kind === 'rubber' ? 'rubber' : 'braided' }} hoses</template
          >.
        </p>
      </section>
    </section>
    <section>
      <h2>When something fails, at {{ force(FAILURE_FORCE_N) }}</h2>
      <DataTable data-test="failures" :rows="balance.failures" :columns="failureColumns">
        <template #lost="{ row }">
          {{ LOST_WORDS[row.lost] }}
          <span v-if="row.tooLittle" class="tone-needs small block"
            ><VerdictMark verdict="needs" :size="12" /> less than {{ g(secondaryG)
            }}{{ row.roadForceN === 0 ? ': only the parking brake is left' : '' }}</span
          >
        </template>
        <template #left="{ row }">
          <span :class="row.tooLittle ? 'tone-needs' : row.atMost ? 'tone-unknown' : ''"
            >{{ boundWord(row) }}{{ g(row.decelG)
            }}<span v-if="row.limit !== 'brakes'" class="soft small">{{
              row.limit === 'tyres' ? ', the tyres limit' : ', then the rear lifts'
            }}</span></span
          >
        </template>
        <template #pedal="{ row }">
          <span :class="(row.leftMm ?? 0) < 0 ? 'tone-blocked' : ''">{{ left(row.leftMm) }}</span>
        </template>
      </DataTable>
      <p class="soft small">
        UN Regulation No. 13-H requires {{ g(secondaryG) }} with the remaining brakes at this force; rows below it are marked. For
        comparison only.
      </p>
    </section>
    <section>
      <h2>Calibrate the travel</h2>
      <p class="small">{{ balance.calibration }}</p>
      <div class="pair">
        <FigureInput
          name="measuredTravelMm"
          :field="travelField"
          :figure="car.measuredTravelMm"
          :units="units"
          @change="set('measuredTravelMm', $event)"
        />
        <FigureInput
          name="measuredTravelForceN"
          :field="forceField"
          :figure="car.measuredTravelForceN"
          :units="units"
          @change="set('measuredTravelForceN', $event)"
        />
      </div>
      <p class="soft small">Measure on the current car, with a scale under the shoe and a ruler beside the pedal. One pair is enough.</p>
    </section>
    <HandLever />
  </div>
</template>

<style scoped>
.pedal {
  display: grid;
  gap: 18px;
  max-width: 860px;
}
section > svg {
  width: 100%;
  max-width: 680px;
}
.stops {
  margin-bottom: 12px;
}
.beside {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(280px, 1fr));
  align-items: start;
  gap: 18px;
}
caption {
  font-weight: 640;
  text-align: left;
}
th[scope='row'] {
  font-weight: 400;
  text-align: left;
}
.band {
  fill: var(--steel-soft);
  fill-opacity: 0.45;
}
.runout text {
  fill: var(--ink-soft);
  font-size: 11.5px;
}
path {
  fill: none;
}
.force {
  stroke: var(--ink);
  stroke-width: 2.8;
}
.bare {
  stroke: var(--ink);
  stroke-width: 1.8;
  stroke-dasharray: 8 4;
}
.stock {
  stroke: var(--rear-line);
  stroke-width: 1.2;
}
.runout line {
  stroke: var(--accent);
  stroke-dasharray: 3 3;
}
.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 14px;
  max-width: 560px;
}
@media (max-width: 760px) {
  .pair {
    grid-template-columns: 1fr;
  }
}
</style>
