<script setup lang="ts">
import { computed } from 'vue'
import { parseQuantity } from '#core/quantity/parse.ts'
import { CRITERIA } from '#core/balance/balance-report.ts'
import { USES, usesOf } from '#core/records/uses.ts'
import { BIAS_AIMS, type BiasAim } from '#core/records/preferences.ts'
import { LOADS } from '#core/balance/grip.ts'
import type { AdjustmentOffer } from '#core/whatif/adjustments.ts'
import { afterWords } from '#core/figures/words.ts'
import { formatQuantity } from '#core/quantity/format.ts'
import { useBalance } from '~/composables/balance'
import { useProjectStore } from '~/stores/project'
import { useWorkbench } from '~/composables/workbench'

/** All cases, the two named criteria, the changes that reach the aim, and how a valve is set: each behind one press. */
const props = defineProps<{ wrong: boolean }>()
const store = useProjectStore()
const { units, isStock, link } = useWorkbench()
const { balance, stockBalance, levers, engine, downforce, apply } = useBalance()
const g = (value: number) => formatQuantity(value, 'deceleration')
const aims = Object.entries(BIAS_AIMS) as [BiasAim, (typeof BIAS_AIMS)[BiasAim]][]
const preferences = computed(() => store.current.preferences)
const aim = computed<BiasAim>(() => preferences.value.biasAim ?? 'load')
const setAim = (aim: BiasAim) =>
  store.edit('Change the aim', (draft) => {
    draft.preferences.biasAim = aim
    if (draft.preferences.biasAim === 'fixed') draft.preferences.biasAimShare ??= 0.7
  })
function setShare(text: string) {
  const read = parseQuantity(/[%/]/.test(text) ? text : `${text} %`, 'share')
  store.edit('Change the aim', (draft) => void (draft.preferences.biasAimShare = read.ok ? read.value : NaN))
}
/** What the whole setup then is, and what the offer makes worse elsewhere. */
const wholeSetup = ({ outcome, brings }: AdjustmentOffer) => afterWords({ verdict: outcome.verdict, open: outcome.open, brings })
const hasExtras = computed(() => store.current.car.engineDragN !== undefined)
const hasDownforce = computed(() => store.current.car.downforceFrontN !== undefined || store.current.car.downforceRearN !== undefined)
/** How many cases are not OK, for the title of the list: it knows nominal values only, and says so where they do not settle it. */
const casesTitle = computed(() => {
  const bad = balance.value?.cases.filter((one) => one.verdict !== 'fits').length ?? 0
  if (bad > 0) return `Loads and surfaces: ${bad} to check`
  return props.wrong ? 'Loads and surfaces: OK with nominal values only' : 'Loads and surfaces: all OK'
})
/** A change that no part of the library makes stands behind those that one can order. */
const makeable = computed(() => levers.value?.advice.filter((one) => one.offers.length > 0) ?? [])
const unmade = computed(() => levers.value?.advice.filter((one) => one.offers.length === 0) ?? [])
const changesTitle = computed(() =>
  levers.value?.met || !levers.value?.aim
    ? 'Balance to aim for'
    : makeable.value.length > 0
      ? `${props.wrong ? 'Changes that would help' : 'Changes towards the aim'}: ${makeable.value.length}`
      : 'Changes that would help: none in the library',
)
const caseColumns = [
  { id: 'load', label: 'Load', least: 110 },
  { id: 'surface', label: 'Surface', least: 110 },
  { id: 'first', label: 'Locks first', least: 190 },
  { id: 'best', label: 'Best without lock', number: true, least: 140 },
  { id: 'share', label: 'of the tyre', number: true },
  { id: 'pedal', label: 'Pedal', number: true },
]
</script>

<template>
  <div v-if="balance" class="cases">
    <FoldedPart :title="casesTitle" data-test="cases-part">
      <p class="tools small">
        <ElCheckbox v-if="hasExtras" v-model="engine" :validate-event="false">engine engaged</ElCheckbox>
        <ElCheckbox v-if="hasDownforce" v-model="downforce" :validate-event="false">downforce as entered</ElCheckbox>
        <NuxtLink :to="link('car', { field: 'tyreDry' })">tyres and loads</NuxtLink>
      </p>
      <DataTable :rows="balance.cases" :columns="caseColumns" data-test="cases">
        <template #load="{ row }">{{ LOADS[row.load] }}</template>
        <template #surface="{ row }"
          >{{ row.surface }} {{ row.friction }}<span v-if="row.assumed" class="soft small"> assumed</span></template
        >
        <template #first="{ row }">
          <span :class="`tone-${row.verdict}`"><VerdictMark :verdict="row.verdict" :size="13" /> {{ row.words }}</span>
        </template>
        <template #best="{ row }">{{ row.best ? `${g(row.best.decelG)}, then the ${row.best.axle}` : '—' }}</template>
        <template #share="{ row }">{{ row.best ? formatQuantity(row.best.efficiency, 'share', units, { decimals: 0 }) : '—' }}</template>
        <template #pedal="{ row }">
          {{ row.atLeast && row.pedalForceN !== undefined ? 'at least ' : '' }}{{ formatQuantity(row.pedalForceN, 'force', units) }}
        </template>
      </DataTable>
      <ul class="criteria small">
        <template v-for="one in balance.criteria" :key="one.load">
          <li v-for="found in one.found ?? []" :key="`${one.load}.${found.id}`">
            <VerdictMark :verdict="found.holds ? 'fits' : 'needs'" :size="12" /> {{ CRITERIA[found.id].name }}, {{ LOADS[one.load] }}:
            {{ found.holds ? 'met' : `not met from ${g(found.firstG!)}` }} <span class="soft">({{ CRITERIA[found.id].source }})</span>
          </li>
        </template>
      </ul>
      <p class="soft small">
        For cars without ABS, engine disconnected. For information only.
        <template v-if="balance.limitWhy">{{ balance.limitWhy }}</template>
      </p>
    </FoldedPart>
    <FoldedPart :title="changesTitle" data-test="changes-part">
      <div class="aim">
        <FieldItem label="Aim for"
          ><ChoiceSelect
            data-field="biasAim"
            label="Balance to aim for"
            :value="aim"
            :options="aims.map(([id, one]) => ({ value: id, label: one.label }))"
            @change="setAim"
        /></FieldItem>
        <FieldItem v-if="aim === 'fixed'" label="Front share, %"
          ><DraftInput
            class="num"
            :value="((preferences.biasAimShare ?? 0.7) * 100).toFixed(1)"
            aria-label="Front share, %"
            @change="setShare"
        /></FieldItem>
        <span class="soft small">{{ BIAS_AIMS[aim].reason }}</span>
      </div>
      <p v-for="use in usesOf(store.project?.car.uses)" :key="use" class="soft small" data-test="aim-of-use">
        For {{ USES[use].label }}: {{ USES[use].aim }}
      </p>
      <p v-if="levers?.met" class="small">This setup is there already: {{ levers.aim }}.</p>
      <p v-else-if="levers?.aim && levers.advice.length === 0" class="small">No single change gives {{ levers.aim }}.</p>
      <p v-else-if="levers?.aim" class="small">Each of these alone gives {{ levers.aim }}:</p>
      <ul v-if="levers" class="levers" data-test="levers">
        <li v-for="one in makeable" :key="one.id" :data-lever="one.id">
          <strong class="num">{{ one.sentence }}</strong>
          <span v-for="offer in one.offers" :key="offer.name" class="offer">
            <VerdictMark :verdict="offer.outcome.verdict" :size="13" />
            <span
              ><span class="num">{{ offer.sentence }}</span> <span class="soft small block">{{ wholeSetup(offer) }}</span></span
            >
            <ElButton :aria-label="`New setup with ${offer.name}`" @click="apply(one, offer)"> New setup with it </ElButton>
          </span>
        </li>
      </ul>
      <FoldedPart v-if="unmade.length > 0" :title="`No part in the library does it: ${unmade.length}`">
        <ul class="levers">
          <li v-for="one in unmade" :key="one.id" :data-lever="one.id">{{ one.sentence }}</li>
        </ul>
      </FoldedPart>
      <template v-if="balance.missing.length > 0">
        <h3>To find out</h3>
        <ToFindOut :missing="balance.missing" />
      </template>
    </FoldedPart>
    <FoldedPart class="procedure" title="Setting an adjustable valve">
      <SafetyNote
        :note="{
          level: 'warning',
          hazard: 'A wrong valve setting can lock the rear wheels.',
          action: 'Check local rules, have a technician check the valve, and make the first stop at walking pace.',
        }"
      />
      <ol>
        <li>Set minimum rear pressure. A front wheel that locks early is safer than a rear.</li>
        <li>On closed, dry, straight ground, belts on, brake from 30 km/h until a wheel locks. Note which wheel it is.</li>
        <li>Raise it one step, brake twice and note the wheel again. Continue while a front wheel locks first.</li>
        <li>When a rear wheel locks or the rear steps out, go back two steps. That is the setting.</li>
        <li>Repeat from 60 km/h, then laden, then wet. The worst case decides.</li>
        <li>Mark the setting, lock it, record the pressure here, and check for leaks.</li>
      </ol>
    </FoldedPart>
    <FoldedPart v-if="balance.line.length > 0" title="Brake force, front against rear">
      <ForceChart :balance="balance" :stock="isStock ? undefined : stockBalance" />
    </FoldedPart>
  </div>
</template>

<style scoped>
.cases {
  display: grid;
  gap: 4px;
}
.tools {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 18px;
  margin: 0 0 4px;
}
.tools > .el-form-item {
  flex: 0 1 220px;
}
.el-table {
  max-width: 900px;
}
.criteria,
.levers {
  margin: 8px 0 0;
  padding: 0;
  list-style: none;
}
.aim {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  align-items: end;
}
.levers li {
  padding: 5px 0;
  border-bottom: 1px solid var(--hair);
}
.offer {
  display: flex;
  gap: 10px;
  align-items: center;
  max-width: 760px;
  margin: 2px 0 2px 18px;
}
.offer .el-button {
  min-height: 30px;
  margin-left: auto;
}
@media (max-width: 760px) {
  .cases > * {
    overflow-x: auto;
  }
}
</style>
