<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Chain } from '#core/hydraulics/maths/chain.ts'
import { hydraulicsOf } from '#core/hydraulics/hydraulics-of.ts'
import { chainPicture } from '#core/hydraulics/chain-picture.ts'
import { FAILURE_FORCE_N } from '#core/balance/balance-report.ts'
import type { FigureId } from '#core/figures/figure-ids.ts'
import { formatQuantity } from '#core/quantity/format.ts'
import { HYDRAULIC_SLOTS, type HydraulicSlot } from '#core/records/setup.ts'
import { useChoosePart } from '~/composables/choose-part'
import { useProjectStore } from '~/stores/project'
import { useWorkbench } from '~/composables/workbench'

/** From the foot to the road, both circuits: force, pressure, ratio and travel at each stage, for a pedal force that is dragged. */
const store = useProjectStore()
const { report, setup, isStock, units, openFigureId, goTo } = useWorkbench()
const MOST_N = 600
const own = ref<number>()
const forceN = computed({
  get: () => own.value ?? Math.min(MOST_N, Math.round(report.value?.chain?.pedalForceN ?? 200)),
  set: (value: number) => (own.value = value),
})
// the system is made once a change of the project; a drag only runs the chain
const now = computed(() => (store.project && setup.value ? hydraulicsOf(store.project, setup.value.id) : undefined))
const then = computed(() => (store.project && !isStock.value ? hydraulicsOf(store.project, store.project.setups[0].id) : undefined))
const here = computed(() => now.value && chainPicture(now.value, forceN.value))
const stock = computed(() => then.value && chainPicture(then.value, forceN.value))
const show = (value: number | undefined, dimension: 'force' | 'pressure' | 'torque' | 'length') =>
  value === undefined ? '—' : formatQuantity(value, dimension, units.value)
const times = (value: number | undefined) =>
  value === undefined || !Number.isFinite(value) ? '' : `× ${value.toFixed(value < 10 ? 2 : 0)}`
const system = computed(() => now.value?.system)
interface ChainStage {
  id: string
  title: string
  /** One for both circuits, or front and rear. */
  values: string[]
  was: string[]
  ratio: string
  travel: string
  open?: FigureId
  place?: Parameters<typeof goTo>[0]
}
const { put } = useChoosePart()
const partsFor = (slot: HydraulicSlot) =>
  store.current.parts.filter((part) => (HYDRAULIC_SLOTS[slot].kinds as readonly string[]).includes(part.kind))
const slotValue = (slot: HydraulicSlot) => {
  const own = setup.value?.hydraulics[slot]
  return own === undefined ? '' : (own ?? '-')
}
const stages = computed<ChainStage[]>(() => {
  const one = here.value
  const s = system.value
  if (!one || !s) return []
  const { chain, travel } = one
  const was = stock.value?.chain
  const both = (pick: (c: Chain) => [number | undefined, number | undefined], dimension: 'force' | 'pressure' | 'torque') => ({
    values: pick(chain).map((value) => show(value, dimension)),
    was: was ? pick(was).map((value) => show(value, dimension)) : [],
  })
  const single = (pick: (c: Chain) => number, dimension: 'force' | 'pressure') => ({
    values: [show(pick(chain), dimension)],
    was: was ? [show(pick(was), dimension)] : [],
  })
  return [
    {
      id: 'pedal',
      title: 'Pedal force',
      ...single((c) => c.pedalForceN, 'force'),
      ratio: '',
      travel: show(travel?.pedalMm, 'length'),
      open: 'pedal.force',
    },
    {
      id: 'rod',
      title: 'Pushrod',
      ...single((c) => c.rodForceN, 'force'),
      ratio: times(s.pedalRatio * s.pedalEfficiency),
      travel: show(travel?.rodMm, 'length'),
      place: { kind: 'setup', setupId: setup.value!.id, field: 'pedalRatio' },
    },
    {
      id: 'booster',
      title: s.booster ? (chain.runout ? 'Booster, at runout' : 'Booster') : 'No booster',
      ...single((c) => c.boostedForceN, 'force'),
      ratio: times(one.boostRatio),
      travel: '',
    },
    {
      id: 'master',
      title: s.master.kind === 'twin' ? 'Two cylinders and bar' : 'Master cylinder',
      values: [show(chain.front.pressureMpa, 'pressure'), show(one.rearBeforeValveMpa, 'pressure')],
      was: [],
      ratio: '',
      travel: travel ? `${show(travel.masterMm.front, 'length')} / ${show(travel.masterMm.rear, 'length')}` : '',
    },
    {
      id: 'valve',
      title: s.valve ? 'Rear valve' : 'No valve',
      ...both((c) => [c.front.pressureMpa, c.rear.pressureMpa], 'pressure'),
      ratio: '',
      travel: '',
      open: 'bias.pressure',
    },
    {
      id: 'clamp',
      title: 'Clamp force on each pad',
      ...both((c) => [c.front.clampN, c.rear.clampN], 'force'),
      ratio: '',
      travel: travel ? `${show(travel.padMm.front, 'length')} / ${show(travel.padMm.rear, 'length')}` : '',
      open: 'bias.clamp',
    },
    {
      id: 'torque',
      title: 'Torque, one wheel',
      ...both((c) => [c.front.torqueNm, c.rear.torqueNm], 'torque'),
      ratio: '',
      travel: '',
      open: 'bias.torque',
    },
    {
      id: 'road',
      title: 'Road, both wheels',
      ...both((c) => [c.front.forceN, c.rear.forceN], 'force'),
      ratio: '',
      travel: '',
      open: 'bias.road',
    },
  ]
})
const SLOTS = ['booster', 'masterCylinder', 'valve'] as const
const VIEWS = [
  { value: 'drawing', label: 'Drawing' },
  { value: 'table', label: 'Table' },
] as const
const view = ref<(typeof VIEWS)[number]['value']>('drawing')
const columns = [
  { id: 'stage', label: 'Stage', least: 170 },
  { id: 'ratio', label: 'Ratio', number: true },
  { id: 'front', label: 'Front, or both', number: true, least: 120 },
  { id: 'rear', label: 'Rear', number: true, least: 120 },
  { id: 'moves', label: 'Moves', number: true, least: 120 },
]
const biases = computed(() => {
  const one = here.value?.chain.bias
  return one
    ? ([
        ['line pressure', one.pressure, 'bias.pressure'],
        ['clamp force', one.clamp, 'bias.clamp'],
        ['brake torque', one.torque, 'bias.torque'],
        ['brake force', one.road, 'bias.road'],
      ] as const)
    : []
})
</script>

<template>
  <div class="picture">
    <div v-if="stages.length > 0" class="force">
      <span class="said"
        >Pedal force <strong class="num">{{ show(forceN, 'force') }}</strong>
        <span v-if="here?.decelG !== undefined" class="num"
          >gives {{ formatQuantity(here.decelG, 'deceleration') }}, as far as the tyres hold</span
        ></span
      >
      <ElSlider
        v-model="forceN"
        :min="0"
        :max="MOST_N"
        :step="5"
        :show-tooltip="false"
        aria-label="Pedal force"
        data-test="pedal-force"
        :validate-event="false"
      />
      <span v-if="forceN >= FAILURE_FORCE_N" class="tone-needs small"
        >More than {{ show(FAILURE_FORCE_N, 'force') }}: few drivers reach it.</span
      >
    </div>
    <div v-if="stages.length > 0" class="parts">
      <FieldItem v-for="slot in SLOTS" :key="slot" :label="HYDRAULIC_SLOTS[slot].label">
        <ChoiceSelect
          :label="`Change the ${HYDRAULIC_SLOTS[slot].label.toLowerCase()}`"
          :value="slotValue(slot)"
          :options="[
            { value: '', label: isStock ? 'not known' : 'as on the current car' },
            ...(HYDRAULIC_SLOTS[slot].nothing ? [{ value: '-', label: 'none' }] : []),
            ...partsFor(slot).map((part) => ({ value: part.id, label: part.name })),
          ]"
          @change="put({ slot }, $event)"
        />
      </FieldItem>
      <ElSegmented v-model="view" :options="[...VIEWS]" aria-label="Show the chain as" />
    </div>
    <ChainDrawing
      v-if="stages.length > 0 && now && view === 'drawing'"
      :now="now"
      :stock="then"
      :force-n="forceN"
      :most-n="MOST_N"
      @force="own = $event"
    />
    <DataTable v-else-if="stages.length > 0" :rows="stages" :columns="columns" data-test="chain">
      <template #stage="{ row }">
        <ElButton v-if="row.open" link type="primary" @click="openFigureId = row.open">{{ row.title }}</ElButton>
        <template v-else>{{ row.title }}</template>
        <ElButton v-if="row.place" link type="primary" class="small" @click="goTo(row.place)">change</ElButton>
      </template>
      <template #ratio="{ row }">{{ row.ratio }}</template>
      <template #front="{ row }">
        <strong>{{ row.values[0] }}</strong>
        <span v-if="row.was[0]" class="soft small block">{{ row.was[0] }}</span>
      </template>
      <template #rear="{ row }">
        <template v-if="row.values.length === 2">
          <strong>{{ row.values[1] }}</strong>
          <span v-if="row.was[1]" class="soft small block">{{ row.was[1] }}</span>
        </template>
      </template>
      <template #moves="{ row }">{{ row.travel === '—' ? '' : row.travel }}</template>
    </DataTable>
    <template v-if="stages.length > 0 && now?.unknownAssist">
      <p class="tone-unknown small">The booster’s limit is unknown, so these are the highest possible values.</p>
      <ToFindOut :missing="[now.unknownAssist]" />
    </template>
    <p v-if="stages.length > 0 && !isStock && view === 'table'" class="soft small">Small figures: the baseline at the same pedal force.</p>
    <p v-if="biases.length > 0" class="biases num">
      Front share of
      <template v-for="([name, value, id], i) in biases" :key="id">
        <ElButton link type="primary" @click="openFigureId = id">{{ name }}</ElButton> {{ formatQuantity(value, 'share', units)
        }}{{ i < 3 ? ', ' : '.' }}
      </template>
    </p>
    <NotEnoughData v-if="now && stages.length === 0" what="the path from pedal to road" :missing="now.missing" />
  </div>
</template>

<style scoped>
.force {
  display: grid;
  grid-template-columns: minmax(250px, auto) minmax(0, 480px);
  gap: 0 20px;
  align-items: center;
  margin-bottom: 4px;
}
@media (max-width: 760px) {
  .force {
    grid-template-columns: 1fr;
  }
}
.said {
  display: flex;
  flex-wrap: wrap;
  gap: 0 8px;
}
.force .el-slider {
  width: 100%;
  accent-color: var(--accent);
}
.parts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  align-items: end;
  margin-bottom: 8px;
}
.parts :deep(.choice) {
  width: 210px;
}
.biases {
  margin-top: 10px;
}
</style>
