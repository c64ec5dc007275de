<script setup lang="ts">
import type { HeatLine } from '#core/report/heat/heat-report.ts'
import type { PadTry } from '#core/report/heat/heat-pads.ts'
import { formatMoney, formatQuantity } from '#core/quantity/format.ts'
import { useChoosePart } from '~/composables/choose-part'
import { useHeat } from '~/composables/heat'
import { useWorkbench } from '~/composables/workbench'

/** A session: what reaches its limit first, when, and how sure that is. */
const { units, axle, chooseAxle, isStock } = useWorkbench()
const { heat, pads, working, duty, chooseDuty, duties } = useHeat()
const c = (value: number) => formatQuantity(value, 'temperature', units.value, { decimals: 0 })
const c2 = (value: number | undefined) => (value === undefined ? 'not known' : c(value))
const minutes = (seconds: number | undefined) => (seconds === undefined ? '' : `${(seconds / 60).toFixed(1)} min`)
const columns = [
  { id: 'what', label: 'What', least: 120, text: (one: HeatLine) => one.label },
  { id: 'peak', label: 'Peak', number: true },
  { id: 'doubt', label: 'By the doubts', number: true, least: 120 },
  { id: 'limit', label: 'Limit', least: 190 },
  { id: 'over', label: 'Beyond it from', number: true, least: 110 },
]
const { put } = useChoosePart()
const padColumns = [
  { id: 'pads', label: 'Pads', least: 190 },
  { id: 'range', label: 'Range to', number: true },
  { id: 'face', label: 'Their faces', number: true },
  { id: 'first', label: 'Goes first', least: 190 },
  { id: 'price', label: 'Price', number: true },
  { id: 'put', label: 'Put in', unseen: true, least: 84 },
]
const price = ({ owned, price }: PadTry) =>
  owned ? 'have it' : price ? formatMoney(price.likelyMinor, price.currency, { whole: true }) : 'no price'
const first = ({ first, rangeToC, fadeKnown }: PadTry) =>
  first
    ? `${first.label.toLowerCase()} ${first.when}`
    : rangeToC === undefined
      ? 'range not known'
      : !fadeKnown
        ? 'nothing, but fade is not predicted'
        : 'nothing, by the likely figures'
const look = (one: HeatLine) => (one.overAtS !== undefined ? 'over' : one.highC > one.leastLimitC ? 'may' : '')
</script>

<template>
  <div class="session">
    <div class="ask">
      <FieldItem label="Driving"
        ><ChoiceSelect
          label="Driving"
          :value="duty.id"
          :options="duties.map((one) => ({ value: one.id, label: one.label }))"
          data-test="duty"
          @change="chooseDuty"
      /></FieldItem>
      <p class="soft small">{{ duty.words[0]!.toUpperCase() + duty.words.slice(1) }}.</p>
    </div>
    <WorkingLine v-if="working" what="The session is being computed" />
    <template v-if="heat">
      <CannotSay v-if="heat.lines.length === 0" what="what gets how hot" :missing="heat.missing" />
      <template v-else>
        <p class="verdict" :class="`tone-${heat.verdict}`" role="status" data-test="heat-says">
          <VerdictMark :verdict="heat.verdict" :size="24" /><strong>{{ heat.sentence }}</strong>
        </p>
        <p v-if="heat.notKnown" class="tone-unknown small">{{ heat.notKnown }}</p>
        <div class="axles" role="group" aria-label="Axle">
          <ElButton link type="primary" :aria-pressed="axle === 'front'" @click="chooseAxle('front')">Front</ElButton>
          <ElButton link type="primary" :aria-pressed="axle === 'rear'" @click="chooseAxle('rear')">Rear</ElButton>
        </div>
        <HeatChart :heat="heat" :axle="axle" />
        <DataTable class="lines" :rows="heat.lines" :columns="columns" :row-class="look" data-test="heat-lines">
          <template #peak="{ row }">{{ c(row.peakC) }}</template>
          <template #doubt="{ row }"
            >{{ formatQuantity(row.lowC, 'temperature', units, { decimals: 0, bare: true }) }} to {{ c(row.highC) }}</template
          >
          <template #limit="{ row }">{{ c(row.limitC) }}, {{ row.limitWords }}</template>
          <template #over="{ row }">{{
            minutes(row.overAtS) || (row.highC > row.leastLimitC ? 'perhaps' : heat!.goneAtS === undefined ? 'never' : 'not before')
          }}</template>
        </DataTable>
        <section v-if="pads.length > 0" data-test="pads">
          <h2>Pads of these shapes, over the same driving</h2>
          <DataTable class="lines" :rows="pads" :columns="padColumns">
            <template #pads="{ row }"
              ><b>{{ row.name }}</b> <span class="soft small">{{ row.axle }}{{ row.fitted ? ', fitted' : '' }}</span></template
            >
            <template #range="{ row }">{{ c2(row.rangeToC) }}</template>
            <template #face="{ row }">{{ c(row.faceC) }}</template>
            <template #first="{ row }">{{ first(row) }}</template>
            <template #price="{ row }">{{ price(row) }}</template>
            <template #put="{ row }">
              <ElButton
                v-if="!row.fitted"
                :aria-label="`Put ${row.name} in, ${row.axle}`"
                @click="put({ axle: row.axle, slot: 'pad' }, row.partId)"
              >
                Put in
              </ElButton>
            </template>
          </DataTable>
          <p class="soft small">
            By the same shape code; friction over temperature where the pad's maker gives it, else one figure. A pad made for heat may bite
            little while it is cold: ask its maker before it goes on a car that is driven on the road.
          </p>
        </section>
        <FoldedPart :title="`What stands in for figures nobody entered: ${heat.assumed.length}`">
          <ul class="small">
            <li v-for="one in heat.assumed" :key="one">{{ one }}</li>
          </ul>
          <p class="soft small">
            Twelve runs with these figures at the ends of their doubts make the range.{{
              isStock ? '' : ' The same driving for the car as it stands.'
            }}
          </p>
        </FoldedPart>
        <p class="caution">
          After a run the brakes burn the skin and light what is dry: no water on hot rotors, no foot held on the pedal and no parking brake
          set until they are cool. A pedal that gets soft ends the session; fluid that has boiled once is changed. Try fade on closed ground
          only.
        </p>
      </template>
    </template>
  </div>
</template>

<style scoped>
.ask {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  align-items: end;
}
.ask :deep(.choice) {
  width: 260px;
}
.verdict {
  display: flex;
  gap: 10px;
  max-width: 900px;
  margin: 8px 0 4px;
  font-size: 17px;
  line-height: 1.3;
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
  max-width: 860px;
  margin: 6px 0 10px;
}
.lines :deep(.over td) {
  color: var(--needs);
  font-weight: 640;
}
.lines :deep(.may td) {
  color: var(--check);
}
</style>
