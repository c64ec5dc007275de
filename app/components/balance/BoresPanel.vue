<script setup lang="ts">
import { computed, ref } from 'vue'
import { STOCK_BORES_MM, type BoreReason, type BoreReport } from '#core/balance/bore-report.ts'
import { counted } from '#core/figures/words.ts'
import { formatQuantity } from '#core/quantity/format.ts'
import { parseQuantity } from '#core/quantity/parse.ts'
import { useBalance } from '~/composables/balance'
import { useWorkbench } from '~/composables/workbench'

/** All stock bores, and all pairs of them with a bar: effort, travel, bar position, and why one does not do. */
const { report, units, openFigureId } = useWorkbench()
const { bores, withoutBooster, mostForceN } = useBalance()
/** What friction and radii make of the deceleration with the bore of the same feel. */
const sameFeel = computed(() => report.value?.figures['master.sameFeel'].notes.find((note) => note.startsWith('With it ')))
const refused = ref('')
/** The pair that was clicked, by its bores: its figures follow what is computed. */
const chosenPair = ref('')
const mm = (value: number, decimals?: number) => formatQuantity(value, 'length', units.value, decimals === undefined ? {} : { decimals })
const bore = (value: number) => mm(value, units.value.length === 'mm' ? 2 : 3)
const force = (value: number) => formatQuantity(value, 'force', units.value)
const share = (value: number) => formatQuantity(value, 'share', units.value)
const cell = computed(() => new Map((bores.value?.pairs ?? []).map((one) => [`${one.frontBoreMm}.${one.rearBoreMm}`, one])))
const shown = computed(() => cell.value.get(chosenPair.value) ?? bores.value?.best)
const angle = (degrees: number) => `${formatQuantity(degrees, 'number', units.value, { decimals: 1 })}°`
function setMost(typed: string) {
  const text = typed.trim()
  const parsed = text === '' ? undefined : parseQuantity(text, 'force', units.value)
  refused.value = parsed && !parsed.ok ? `${parsed.message} The force before is kept.` : ''
  if (!refused.value) mostForceN.value = parsed?.ok ? parsed.value : undefined
}
type BorePairRow = BoreReport['tandem'][number]
const columns = [
  { id: 'bore', label: 'One bore, both circuits', least: 150 },
  { id: 'force', label: 'Pedal force', number: true, least: 94 },
  { id: 'travel', label: 'Travel', number: true },
  { id: 'usual', label: 'Within what is usual', least: 210 },
  { id: 'front', label: 'Front', number: true },
  { id: 'rear', label: 'Rear', number: true },
]
const bestClass = (row: BorePairRow) => (row.boreMm === bores.value?.bestTandem?.boreMm ? 'best' : '')
const markOf = (reasons: readonly BoreReason[]) =>
  reasons.length === 0
    ? 'fits'
    : reasons.includes('rear locks first')
      ? 'blocked'
      : reasons.join() === 'assist not known'
        ? 'unknown'
        : 'check'
const feasible = computed(() => (bores.value?.pairs ?? []).filter((one) => one.reasons.length === 0).length)
</script>

<template>
  <NotEnoughData v-if="bores && bores.tandem.length === 0 && bores.missing.length > 0" what="the bores" :missing="bores.missing" />
  <div v-else-if="bores" class="bores">
    <section>
      <h2 v-if="bores.bestTandem" data-test="best-bore">
        {{ bore(bores.bestTandem.boreMm) }} keeps the pedal at {{ force(bores.bestTandem.pedalForceN) }} and
        {{ mm(bores.bestTandem.pedalTravelMm, 0) }} for
        {{ formatQuantity(bores.decelG, 'deceleration') }}
      </h2>
      <NotEnoughData v-else-if="bores.unknownAssist" what="the bores" :missing="[bores.unknownAssist]" />
      <h2 v-else data-test="best-bore">No stock bore gives both a usual pedal force and a usual travel</h2>
      <div class="tools">
        <ElCheckbox v-model="withoutBooster" class="small" data-test="without-booster" :validate-event="false"
          >booster removed or failed</ElCheckbox
        >
        <FieldItem label="Pedal at most"
          ><DraftInput
            class="num short"
            :value="mostForceN === undefined ? '' : force(mostForceN)"
            placeholder="as usual"
            aria-label="Pedal force at most"
            :aria-invalid="refused !== ''"
            aria-describedby="most-force-refused"
            @change="setMost"
        /></FieldItem>
        <span id="most-force-refused" class="tone-blocked small" role="status">{{ refused }}</span>
        <ElButton link type="primary" class="small" @click="openFigureId = 'master.sameFeel'">
          Pedal as firm as the baseline: {{ bore(report?.figures['master.sameFeel'].value ?? NaN) }}
        </ElButton>
        <span v-if="sameFeel" class="soft small">{{ sameFeel }}</span>
      </div>
      <p class="soft small">
        Usual {{ bores.use === 'competition' ? 'in competition without assist' : 'on the road' }}: {{ force(bores.bands.forceN.low) }} to
        {{ force(bores.bands.forceN.high) }}, {{ mm(bores.bands.travelMm.low, 0) }} to {{ mm(bores.bands.travelMm.high, 0) }}.
      </p>
      <DataTable data-test="bore-table" :rows="bores.tandem" :columns="columns" :row-class="bestClass">
        <template #bore="{ row }">
          {{ bore(row.boreMm)
          }}<span v-if="Math.abs(row.boreMm - (bores.fittedBoreMm ?? 0)) < 0.1" class="soft small">, in this setup</span>
        </template>
        <template #force="{ row }">{{ bores.unknownAssist ? 'at least ' : '' }}{{ force(row.pedalForceN) }}</template>
        <template #front="{ row }">{{ formatQuantity(row.frontMpa, 'pressure', units) }}</template>
        <template #rear="{ row }">{{ formatQuantity(row.rearMpa, 'pressure', units) }}</template>
        <template #travel="{ row }">{{ mm(row.pedalTravelMm, units.length === 'mm' ? 0 : 2) }}</template>
        <template #usual="{ row }">
          <span :class="row.reasons.length === 0 ? 'tone-fits' : 'soft'">
            <VerdictMark :verdict="markOf(row.reasons)" :size="13" />
            {{ row.reasons.length === 0 ? 'yes' : row.reasons.join(', ') }}</span
          >
        </template>
      </DataTable>
    </section>
    <section v-if="bores.pairs.length > 0">
      <h2>
        Twin master cylinders with a <GlossaryTerm id="balanceBar" />, set to {{ share(bores.wantedShare!) }} front:
        {{ counted(feasible, 'pair does', 'pairs do') }}
      </h2>
      <div class="scroll">
        <table class="matrix num" data-test="pair-matrix">
          <caption class="soft small">
            Bar position (front share) for each front bore (rows) and rear bore (columns). A frame marks the smallest difference in stroke.
          </caption>
          <thead>
            <tr>
              <th scope="col"><span class="visually-hidden">Front bore</span></th>
              <th v-for="rear in STOCK_BORES_MM" :key="rear" scope="col">{{ formatQuantity(rear, 'length', units, { bare: true }) }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="front in STOCK_BORES_MM" :key="front">
              <th scope="row">{{ formatQuantity(front, 'length', units, { bare: true }) }}</th>
              <td v-for="rear in STOCK_BORES_MM" :key="rear">
                <button
                  v-if="cell.get(`${front}.${rear}`)"
                  type="button"
                  :class="{
                    does: cell.get(`${front}.${rear}`)!.reasons.length === 0,
                    best: front === bores.best?.frontBoreMm && rear === bores.best?.rearBoreMm,
                    here: chosenPair === `${front}.${rear}`,
                  }"
                  :aria-label="`Front ${bore(front)}, rear ${bore(rear)}: bar ${share(cell.get(`${front}.${rear}`)!.barShare)}, ${cell.get(`${front}.${rear}`)!.reasons.join(', ') || 'does'}`"
                  @click="chosenPair = `${front}.${rear}`"
                >
                  {{ (cell.get(`${front}.${rear}`)!.barShare * 100).toFixed(0) }}
                </button>
              </td>
            </tr>
          </tbody>
        </table>
      </div>
      <p v-if="shown" class="shown" data-test="pair-shown">
        <strong class="num">Front {{ bore(shown.frontBoreMm) }}, rear {{ bore(shown.rearBoreMm) }}</strong
        >: bar at {{ share(shown.barShare) }} front, {{ bores.unknownAssist ? 'at least ' : '' }}{{ force(shown.pedalForceN) }},
        {{ mm(shown.pedalTravelMm, 0) }} of travel; strokes {{ mm(shown.frontStrokeMm) }} and {{ mm(shown.rearStrokeMm) }}.
        <span v-if="shown.reasons.length > 0" class="tone-needs">{{ shown.reasons.join(', ') }}.</span>
      </p>
      <p v-else class="shown">Select a pair to see its values and why it is ruled out.</p>
      <p class="small">
        Equal strokes hold the bar straight. Unequal strokes tilt it, and the balance drifts.
        <template v-if="shown && bores.bar && shown.pivotMm !== undefined && shown.tiltDeg !== undefined">
          With {{ mm(bores.bar.spacingMm) }} between the clevises of {{ bores.bar.name }}, the pivot is
          {{ mm(Math.abs(shown.pivotMm)) }} from the middle, towards the {{ shown.pivotMm >= 0 ? 'front' : 'rear' }} clevis.
          <span data-test="bar-tilt" :class="{ 'tone-needs': shown.reasons.includes('unlike strokes bind the bar') }"
            >At this load the unequal strokes tilt it {{ angle(shown.tiltDeg)
            }}{{
              bores.bar.mostTiltDeg === undefined
                ? '; the maker’s tilt limit is unknown.'
                : `; its maker allows ${angle(bores.bar.mostTiltDeg)}.`
            }}</span
          >
        </template>
        Set the clevises square, at the maker’s spacing. Leave the front pushrod slightly long, so that the bar is straight under load.
        Start with more front brake.
      </p>
    </section>
  </div>
</template>

<style scoped>
.matrix {
  overflow-wrap: normal;
}
.bores {
  display: grid;
  gap: 18px;
}
.bores > section {
  min-width: 0;
  overflow-x: auto;
}
.tools {
  display: flex;
  margin-block: 8px;
  flex-wrap: wrap;
  gap: 6px 20px;
  align-items: center;
}
.tools > .el-form-item {
  flex: 0 1 180px;
}
.short {
  width: 96px;
}
.el-table {
  max-width: 860px;
}
.el-table :deep(.best) {
  font-weight: 660;
}
.scroll {
  overflow-x: auto;
}
.matrix {
  border-collapse: collapse;
}
.matrix caption {
  text-align: left;
}
.matrix th {
  padding: 2px 6px;
  color: var(--ink-soft);
  font-size: 12px;
  font-weight: 400;
}
.matrix td {
  padding: 1px;
}
.matrix button {
  width: 40px;
  min-height: 26px;
  border: 1px solid transparent;
  background: none;
  color: var(--ink-soft);
  font: inherit;
  font-size: 12.5px;
  cursor: pointer;
}
.matrix .does {
  background: var(--steel-soft);
  color: var(--ink);
  font-weight: 640;
}
.matrix .best {
  border: 2px solid var(--ink);
}
.matrix .here {
  outline: 2px solid var(--accent);
}
.shown {
  margin: 8px 0 2px;
}
</style>
