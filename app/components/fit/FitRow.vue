<script setup lang="ts">
import type { CheckboxValueType } from 'element-plus'
import { computed } from 'vue'
import { acceptFix, dropFixItem, setVisualCheck } from '#core/commands/accept.ts'
import type { InterfaceCheck, Fix } from '#core/fit/interface-check.ts'
import { LIMITS, VISUAL_CHECKS, visualCheckAt } from '#core/fit/for-views.ts'
import { ORIGIN_WORDS } from '#core/quantity/figure.ts'
import { formatMoney, formatQuantity, inSentence } from '#core/quantity/format.ts'
import { afterWords, FINDING_SHORT } from '#core/figures/words.ts'
import { interfaceFigure } from '~/drawing/interface-figures'
import { LazyTable } from '~/composables/lazy-table'
import type { FitRow } from '~/composables/fit-rows'
import { useProjectStore } from '~/stores/project'
import { useWorkbench } from '~/composables/workbench'

/** One interface: the verdict, what a mechanic would say, a drawing where geometry decides, what cures it and for how much. */
const props = defineProps<{ row: FitRow; open: boolean }>()
const emit = defineEmits<{ toggle: [] }>()
const store = useProjectStore()
const { setup, isStock, units, goTo, link, openFigureId } = useWorkbench()
const fit = computed(() => props.row.fit)
const figure = computed(() => {
  if (props.row.verdict === 'fits' && !props.open) return undefined
  return fit.value && interfaceFigure(fit.value)
})
const seen = computed(() => {
  const one = fit.value
  return one?.axle !== undefined && setup.value && VISUAL_CHECKS.includes(one.rule)
    ? { where: visualCheckAt(store.current, setup.value, one.axle, one.rule), axle: one.axle }
    : undefined
})

/** Shims of the car as it stands are there and not bought. */
const onTheCar = computed(() => isStock.value && fit.value?.rule === 'disc-plane')

function price(remedy: Fix): string {
  if (remedy.kind === 'shim' || remedy.kind === 'piece') return 'adds a line to the parts list; enter its price there'
  const part = store.current.parts.find((one) => one.id === remedy.partId)
  return part?.owned ? 'have it' : part?.price ? formatMoney(part.price.likelyMinor, part.price.currency, { whole: true }) : 'no price yet'
}
const accept = (finding: Pick<InterfaceCheck, 'axle' | 'rule' | 'slot'>, remedy: Fix) =>
  store.edit(`Fix: ${inSentence(props.row.title)}`, (draft) => acceptFix(draft, setup.value!.id, finding, remedy))
const drop = (finding: InterfaceCheck) =>
  store.edit(`Undo: ${inSentence(finding.title)}`, (draft) => dropFixItem(draft, setup.value!.id, finding))
function see(found: CheckboxValueType) {
  const { axle } = seen.value!
  store.edit('Seen on the car', (draft) => setVisualCheck(draft, setup.value!.id, axle, fit.value!.rule, found === true))
}
/** A cylinder that cures the stroke is a part of the project like any other remedy. */
function takeCylinder() {
  const remedy = props.row.own?.remedy
  if (remedy?.kind !== 'hydraulic') return
  store.edit('Fix: another master cylinder', (draft) => {
    const one = draft.setups.find((candidate) => candidate.id === setup.value!.id)!
    one.hydraulics[remedy.slot] = remedy.partId
  })
}
const shown = (one: InterfaceCheck['looked'][number]) =>
  one.value === undefined
    ? 'not known'
    : typeof one.value === 'string' || one.dimension === 'words'
      ? String(one.value)
      : formatQuantity(one.value, one.dimension, units.value)
const lookedColumns = [
  { id: 'figure', label: 'Input', least: 240 },
  { id: 'value', label: 'Value', number: true, least: 120 },
]
</script>

<template>
  <li :data-rule="row.key">
    <div class="row">
      <span class="mark" :class="`tone-${row.verdict}`"
        ><VerdictMark :verdict="row.verdict" :size="17" /><span class="visually-hidden">{{ FINDING_SHORT[row.verdict] }}</span></span
      >
      <div class="say">
        <strong>{{ row.title }}</strong>
        <span v-if="fit?.safety && row.verdict !== 'fits'" class="safety small">safety</span>
        <p>{{ row.sentence }}</p>
        <p v-if="fit && fit.ownLimits.length > 0" class="small tone-needs">
          Limit set by this project: {{ fit.ownLimits.map((id) => LIMITS[id].label.toLowerCase()).join(', ') }}.
        </p>
      </div>
      <InterfaceSketch v-if="figure" class="sketch" :figure="figure" />
      <span class="figure num">
        <template v-if="fit?.value !== undefined && fit.dimension">{{ formatQuantity(fit.value, fit.dimension, units) }}</template>
        <span v-if="fit?.limit" class="block soft small">{{ fit.limit }}</span>
      </span>
      <ElButton v-if="fit" text class="more" :aria-expanded="open" :aria-label="`Inputs of ${row.title}`" @click="emit('toggle')">
        {{ open ? '−' : '+' }}
      </ElButton>
      <ElButton v-else text class="more" :aria-label="`Working of: ${row.title}`" @click="openFigureId = row.own!.figureId"> + </ElButton>
    </div>
    <div v-if="fit && (fit.remedies.length > 0 || fit.accepted || fit.unpriced || seen)" class="cures">
      <p v-if="seen?.where === 'asItStands'" class="soft small">Checked on the current car, which has the same brake.</p>
      <ElCheckbox v-else-if="seen" class="small" :model-value="seen.where === 'here'" :validate-event="false" @change="see"
        >checked on the car
        <span v-if="seen.where === 'otherBrake'" class="soft">; the parts have changed since, check again</span></ElCheckbox
      >
      <p v-if="fit.accepted || fit.unpriced" class="small">
        {{ onTheCar ? 'On the car.' : fit.unpriced ? 'On the parts list, without a price.' : 'On the parts list.' }}
        <ElButton link type="primary" @click="drop(fit)">Undo</ElButton>{{ ' ' }}
        <NuxtLink v-if="!onTheCar" :to="link('cost', { view: 'bill' })">Enter a price</NuxtLink>
      </p>
      <template v-else>
        <div v-for="(remedy, i) in fit.remedies" :key="i" class="cure">
          <span
            >{{ remedy.sentence }} <span class="soft small">{{ price(remedy) }}</span>
            <span v-if="remedy.after" class="soft small block">{{ afterWords(remedy.after) }}</span></span
          >
          <ElButton @click="accept(fit, remedy)">Use it</ElButton>
        </div>
      </template>
    </div>
    <p v-if="row.own?.remedy?.kind === 'spacer'" class="cures small">
      {{ row.own.remedy.sentence }}
      <span v-if="row.own.remedy.after" class="soft">{{ afterWords(row.own.remedy.after) }}</span>{{ ' ' }}
      <NuxtLink :to="link('fit', { axle: row.own.axle === 'rear' ? 'rear' : undefined })">Open Fit drawing</NuxtLink>
    </p>
    <div v-else-if="row.own?.remedy" class="cures cure">
      <span
        >{{ row.own.remedy.sentence }} <span class="soft small">{{ price(row.own.remedy) }}</span>
        <span v-if="row.own.remedy.after" class="soft small block">{{ afterWords(row.own.remedy.after) }}</span></span
      >
      <ElButton @click="takeCylinder">Use it</ElButton>
    </div>
    <LazyTable v-if="fit && open" class="inputs" :rows="fit.looked" :columns="lookedColumns">
      <template #figure="{ row: one }">
        <ElButton link type="primary" @click="goTo(one.at)">{{ one.label }}</ElButton>
        <span v-if="one.origin" class="origin soft small">
          {{ ORIGIN_WORDS[one.origin] }}{{ one.date ? `, ${one.date.slice(0, 10)}` : '' }}</span
        >
      </template>
      <template #value="{ row: one }">{{ shown(one) }}</template>
    </LazyTable>
  </li>
</template>

<style scoped>
li {
  padding: 6px 0 5px;
  border-bottom: 1px solid var(--hair);
}
.row {
  display: grid;
  grid-template-columns: 24px minmax(0, 1fr) auto 150px 34px;
  gap: 8px;
  align-items: start;
}
.say {
  grid-column: 2;
}
.say p {
  margin: 0;
}
.sketch {
  grid-column: 3;
}
.figure {
  grid-column: 4;
  font-size: 15px;
  text-align: right;
}
.more {
  grid-column: 5;
  min-height: 28px;
}
.safety {
  margin-left: 6px;
  padding: 0 5px;
  border: 1px solid currentColor;
  color: var(--blocked);
}
.cures {
  margin: 4px 0 2px 32px;
}
.cures .el-checkbox {
  display: flex;
  gap: 6px;
  align-items: center;
}
.cure {
  display: flex;
  gap: 12px;
  align-items: center;
  justify-content: space-between;
  max-width: 720px;
  padding: 2px 0;
}
.origin {
  margin-left: 8px;
}
.inputs {
  max-width: 720px;
  margin: 6px 0 6px 32px;
}
@media (max-width: 760px) {
  .row {
    grid-template-columns: 22px minmax(0, 1fr) 44px;
  }
  .more {
    min-width: 44px;
    min-height: 44px;
    grid-row: 1;
    grid-column: 3;
  }
  .sketch,
  .figure {
    grid-column: 2;
    text-align: left;
  }
  .cures {
    margin-left: 30px;
  }
  .inputs {
    width: calc(100% - 32px);
  }
}
@media print {
  .more,
  .cure .el-button {
    display: none;
  }
}
</style>
