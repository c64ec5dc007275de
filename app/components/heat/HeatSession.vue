<script setup lang="ts">
import { FoldedPart } from '#components'
import { SAFETY } from '#core/records/safety-note.ts'
import { computed } from 'vue'
import { nearestLine } from '#core/heat/heat-lines.ts'
import type { HeatLine } from '#core/heat/heat-report.ts'
import { counted } from '#core/figures/words.ts'
import { formatQuantity } from '#core/quantity/format.ts'
import { AXLES, type Axle } from '#core/quantity/axle.ts'
import { useHeat } from '~/composables/heat'
import { useProjectStore } from '~/stores/project'
import { useWorkbench } from '~/composables/workbench'

/** A session: what reaches its limit first, when, and how sure that is. */
const store = useProjectStore()
const { units, axle, chooseAxle, isStock, report, setup, goTo, link } = useWorkbench()
const { heat, working } = useHeat()
const c = (value: number) => formatQuantity(value, 'temperature', units.value, { decimals: 0 })
const minutes = (seconds: number | undefined) => (seconds === undefined ? '' : `${(seconds / 60).toFixed(1)} min`)
const columns = [
  { id: 'what', label: 'Part', least: 120, text: (one: HeatLine) => one.label },
  { id: 'peak', label: 'Peak', number: true },
  { id: 'doubt', label: 'Range', number: true, least: 116 },
  { id: 'limit', label: 'Limit', least: 180 },
  { id: 'bar', label: 'Range and limit', unseen: true, least: 110 },
  { id: 'margin', label: 'Margin', number: true, least: 76 },
  { id: 'over', label: 'Limit passed', number: true, least: 100 },
  { id: 'for', label: 'Time above', number: true, least: 70 },
]
const look = (one: HeatLine) => (one.overAtS !== undefined ? 'over' : one.highC > one.leastLimitC ? 'may' : '')
const margin = (one: HeatLine) => formatQuantity(one.limitC - one.peakC, 'temperatureRise', units.value, { decimals: 0, signed: true })
/** So far below its limit no part needs a look, K. */
const FAR_K = 50
// brakes that failed midway were not as hot as the session makes them
const isFar = (one: HeatLine) => heat.value?.goneAtS === undefined && one.leastLimitC - one.highC >= FAR_K
/** Parts that come near a limit stand in sight; where none does, the one that comes nearest. */
const near = computed(() => {
  const lines = heat.value?.lines ?? []
  const found = lines.filter((one) => !isFar(one))
  const nearest = nearestLine(lines)
  return found.length > 0 || !nearest ? found : [nearest]
})
const far = computed(() => heat.value?.lines.filter((one) => !near.value.includes(one)) ?? [])
const most = computed(() => Math.max(0, ...(heat.value?.lines ?? []).map((one) => Math.max(one.limitC, one.highC))))
const rangeWords = (one: HeatLine) =>
  `${c(one.peakC)}, range ${formatQuantity(one.lowC, 'temperature', units.value, { decimals: 0, bare: true })} to ${c(one.highC)}, limit ${c(one.limitC)}`
const tables = computed(() => [
  { id: 'near', title: '', lines: near.value },
  ...(far.value.length > 0
    ? [
        {
          id: 'far',
          title: `${counted(far.value.length, 'part stays', 'parts stay')} at least ${formatQuantity(FAR_K, 'temperatureRise', units.value, { decimals: 0 })} below the limit`,
          lines: far.value,
        },
      ]
    : []),
])
const megajoule = (joule: number) => `${(joule / 1e6).toFixed(joule < 1e6 ? 2 : 1)} MJ`
const facts = computed(() => {
  const { axles, duty } = heat.value ?? {}
  if (!axles) return []
  return AXLES.map((at) => {
    const { workJ, perEachJ, liningMm, lasts, coolS, coolingW } = axles[at]
    return {
      axle: at,
      rows: [
        [
          'Energy, one corner',
          [
            megajoule(workJ / 2),
            ...(perEachJ === undefined ? [] : [`${megajoule(perEachJ)} a ${duty?.each?.word}`]),
            ...(coolingW === undefined ? [] : [`cooled by ${(coolingW / 1000).toFixed(1)} kW on average`]),
          ].join(', '),
        ],
        ['Parked until the rotor is below 100 °C', coolS === undefined ? 'not within ten minutes, or never above' : minutes(coolS)],
        [
          'Lining wear',
          liningMm === undefined
            ? 'unknown: wear rate not entered'
            : `${liningMm.toFixed(2)} mm${lasts === undefined ? '' : `; new pads last ${Math.floor(lasts)} such sessions`}`,
        ],
      ] as const,
      lasts,
    }
  })
})
/** What a driving wears, as what the season's cost is computed with. */
const WEARS = { front: 'frontPads', rear: 'rearPads' } as const
const enterWear = (at: Axle, lasts: number) =>
  store.edit(`Enter the wear of the ${at} pads`, (draft) => {
    const one = draft.setups.find((candidate) => candidate.id === setup.value!.id)!
    one.wear = {
      ...one.wear,
      [WEARS[at]]: {
        ...one.wear?.[WEARS[at]],
        lastsEvents: {
          value: Math.min(1000, Math.max(0.1, Math.round(lasts * 10) / 10)),
          origin: 'estimated',
          note: `From the wear of the lining over ${heat.value!.duty.label}`,
        },
      },
    }
  })
const entered = (at: Axle) => setup.value?.wear?.[WEARS[at]]?.lastsEvents?.value
</script>

<template>
  <div class="session">
    <p class="print-only">{{ store.current.car.name }}, {{ setup?.name }}</p>
    <SessionChoice />
    <WorkingLine v-if="working" what="The session is being computed" />
    <template v-if="heat">
      <NotEnoughData v-if="heat.lines.length === 0" what="the temperatures" :missing="heat.missing" />
      <template v-else>
        <p class="verdict" :class="`tone-${heat.verdict}`" role="status" data-test="heat-says">
          <VerdictMark :verdict="heat.verdict" :size="24" /><strong>{{ heat.sentence }}</strong>
        </p>
        <p v-if="heat.notKnown" class="tone-unknown small" data-test="heat-open">{{ heat.notKnown }}</p>
        <ul v-if="heat.findings.length > 0" class="findings" data-test="heat-findings">
          <li v-for="one in heat.findings" :key="`${one.id}${one.axle ?? ''}`" :class="`tone-${one.verdict}`">
            <VerdictMark :verdict="one.verdict" :size="16" />
            <span
              ><TermText :text="one.sentence" />
              <ElButton link type="primary" class="no-print" @click="goTo(one.at)">Open details</ElButton></span
            >
          </li>
        </ul>
        <p v-if="heat.narrowed" class="small" data-test="narrowed">{{ heat.narrowed }}</p>
        <div class="axles no-print" role="group" aria-label="Axle">
          <ElButton link type="primary" :aria-pressed="axle === 'front'" @click="chooseAxle('front')">Front</ElButton>
          <ElButton link type="primary" :aria-pressed="axle === 'rear'" @click="chooseAxle('rear')">Rear</ElButton>
        </div>
        <HeatChart :heat="heat" :axle="axle" :corner="report?.corners[axle]" />
        <component :is="one.title ? FoldedPart : 'div'" v-for="one in tables" :key="one.id" :title="one.title">
          <DataTable class="lines" :rows="one.lines" :columns="columns" :row-class="look" :data-test="`heat-lines-${one.id}`">
            <template #peak="{ row }">{{ c(row.peakC) }}</template>
            <template #doubt="{ row }"
              >{{ formatQuantity(row.lowC, 'temperature', units, { decimals: 0, bare: true }) }} to {{ c(row.highC) }}</template
            >
            <template #limit="{ row }">{{ c(row.limitC) }}, {{ row.limitWords }}</template>
            <template #bar="{ row }">
              <RangeBar
                :value="row.peakC"
                :low="row.lowC"
                :high="row.highC"
                :limit="row.limitC"
                :most="most"
                :tone="row.overAtS !== undefined ? 'needs' : row.highC > row.leastLimitC ? 'check' : 'fits'"
                :label="rangeWords(row)"
              />
            </template>
            <template #margin="{ row }">{{ margin(row) }}</template>
            <template #over="{ row }">{{
              minutes(row.overAtS) || (row.highC > row.leastLimitC ? 'perhaps' : heat!.goneAtS === undefined ? 'never' : 'not before')
            }}</template>
            <template #for="{ row }">{{ row.overAtS === undefined ? '' : `${Math.round(row.beyondS)} s` }}</template>
          </DataTable>
        </component>
        <p class="small">
          {{ heat.fluidWords }}: boils at <span class="num">{{ c(heat.fluidBoilC!) }}</span>.
        </p>
        <p v-if="heat.readNext" class="small no-print" data-test="read-next">
          {{ heat.readNext }} <NuxtLink class="no-print" :to="link('heat', { view: 'read' })">Enter it</NuxtLink>
        </p>
        <FoldedPart title="Energy, cooling and lining wear">
          <section class="beside">
            <div v-for="one in facts" :key="one.axle" data-test="heat-facts">
              <h2>{{ one.axle === 'front' ? 'Front' : 'Rear' }}</h2>
              <ElDescriptions :column="1" size="small" border>
                <ElDescriptionsItem v-for="[label, value] in one.rows" :key="label" :label="label"
                  ><span class="num">{{ value }}</span></ElDescriptionsItem
                >
              </ElDescriptions>
              <ElButton
                v-if="one.lasts && entered(one.axle) !== Math.round(one.lasts * 10) / 10"
                class="no-print wear"
                :data-test="`enter-wear-${one.axle}`"
                @click="enterWear(one.axle, one.lasts)"
              >
                Use this wear rate
              </ElButton>
              <p v-else-if="one.lasts" class="no-print small" role="status">
                The season uses this wear rate. <NuxtLink :to="link('cost', { view: 'season' })">Open Season</NuxtLink>
              </p>
            </div>
          </section>
        </FoldedPart>
        <FoldedPart class="no-print" :title="`Assumed values: ${heat.assumed.length}`">
          <ul class="small">
            <li v-for="one in heat.assumed" :key="one">{{ one }}</li>
          </ul>
          <p class="soft small">
            The range comes from twelve runs with these values at the ends of their uncertainty.{{
              isStock ? '' : ' The baseline is driven through the same session.'
            }}
          </p>
        </FoldedPart>
        <FoldedPart v-if="heat.cautions.length > 0" :title="`Notes on this session: ${heat.cautions.length}`">
          <p v-for="tip in heat.cautions" :key="tip" class="small">{{ tip }}</p>
        </FoldedPart>
        <SafetyNote :note="SAFETY.hot" />
        <SafetyNote
          :note="{
            level: 'warning',
            hazard: 'Brakes that fade may not stop the car.',
            action: 'End the session if the pedal gets soft. Test fade on closed ground only.',
          }"
        />
      </template>
    </template>
  </div>
</template>

<style scoped>
.verdict {
  display: flex;
  gap: 10px;
  max-width: 900px;
  margin: 8px 0 4px;
  font-size: 17px;
  line-height: 1.3;
}
.findings {
  max-width: 860px;
  margin: 4px 0 8px;
  padding: 0;
  list-style: none;
}
.findings li {
  display: flex;
  gap: 8px;
  padding: 2px 0;
}
.axles {
  display: flex;
  gap: 14px;
}
.axles [aria-pressed='true'] {
  color: var(--ink);
  font-weight: 640;
  text-decoration: none;
}
.lines {
  max-width: 900px;
  margin: 6px 0 10px;
}
.lines :deep(.over td) {
  color: var(--needs);
  font-weight: 640;
}
.lines :deep(.may td) {
  color: var(--check);
}
.beside {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(300px, 1fr));
  gap: 8px 20px;
  max-width: 900px;
}
.beside h2 {
  margin: 6px 0 4px;
}
.wear {
  margin-top: 6px;
}
/* a session is read on one sheet */
@media print {
  .session {
    zoom: 0.84;
  }
}
</style>
