<script setup lang="ts">
import { useMediaQuery } from '@vueuse/core'
import { computed, ref, shallowRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { formatQuantity } from '#core/quantity/format.ts'
import { takeCompany } from '#core/commands/take-bundle.ts'
import type { PairingRow } from '#core/whatif/compare-wheels.ts'
import { PLACE_WORDS } from '#core/clearance/words.ts'
import { LazyTable } from '~/composables/lazy-table'
import { useProjectStore } from '~/stores/project'
import { useReports } from '~/composables/reports'
import { useWorkbench } from '~/composables/workbench'
import { latestCall } from '~/composables/latest-call'

/** Every wheel over the brakes of this setup, or one wheel over every brake: the surest first. */
const props = defineProps<{ what: 'wheels' | 'brakes' }>()
const store = useProjectStore()
const route = useRoute()
const router = useRouter()
const { setup, axle, units, link, chooseAxle } = useWorkbench()
const { worker } = useReports()

const wheels = computed(() => store.current.parts.filter((part) => part.kind === 'wheel'))
const wheelId = computed(() => wheels.value.find((one) => one.id === route.query.wheel)?.id ?? wheels.value[0]?.id)
const rows = shallowRef<PairingRow[]>()
const rim = ref('')
const trouble = ref('')
const begin = latestCall()

watch(
  () => [store.project, setup.value?.id, axle.value, wheelId.value] as const,
  async ([project, setupId, at, wheel]) => {
    if (!project || !setupId) return
    const isLatest = begin()
    try {
      if (props.what === 'wheels') {
        const found = await worker().wheels(project, setupId, at)
        if (!isLatest()) return
        rows.value = found.rows
        rim.value = found.rim.sentence
      } else {
        const found = wheel ? await worker().brakes(project, setupId, at, wheel) : []
        if (isLatest()) rows.value = found
      }
      trouble.value = ''
    } catch (error) {
      trouble.value = `The comparison could not be computed: ${error instanceof Error ? error.message : String(error)}.`
    }
  },
  { immediate: true },
)
const mm = (value: number | undefined) => formatQuantity(value, 'length', units.value)
const spacerOf = (row: PairingRow) =>
  row.stockSpacerMm === undefined ? (row.spacerJudged ? 'none helps' : '') : row.stockSpacerMm === 0 ? 'none needed' : mm(row.stockSpacerMm)
/** On a phone the gap's cell says the rest of it. */
const narrow = useMediaQuery('(max-width: 760px)')
const columns = computed(() => [
  { id: 'name', label: props.what === 'wheels' ? 'Wheel' : 'Brake', least: narrow.value ? 96 : 210 },
  { id: 'verdict', label: 'Verdict', least: narrow.value ? 98 : 190 },
  { id: 'gap', label: 'Minimum clearance', number: true, least: 84 },
  ...(narrow.value
    ? []
    : [
        { id: 'range', label: '90% range and requirement', least: 150 },
        { id: 'limits', label: 'Limits' },
        { id: 'spacer', label: 'Spacer', number: true, least: 96 },
      ]),
  ...(props.what === 'wheels' ? [{ id: 'fit', label: 'Fit it', unseen: true, least: narrow.value ? 78 : 90 }] : []),
])
const TONES: Record<PairingRow['verdict'], string> = {
  clears: 'fits',
  tight: 'check',
  measure: 'unknown',
  tooClose: 'blocked',
  hits: 'blocked',
}
/** One scale for all rows: past these a clearance is plenty. */
const PLENTY_MM = 25
const most = computed(() => Math.min(PLENTY_MM, Math.max(1, ...(rows.value ?? []).map((row) => row.p95Mm ?? 0))))
const rangeWords = (row: PairingRow) =>
  `${mm(row.meanMm)}, 90% range ${formatQuantity(row.p05Mm, 'length', units.value, { bare: true })} to ${mm(row.p95Mm)}, ${mm(row.requiredMm)} required`
const chooseWheel = (wheel: string) => router.replace({ path: route.path, query: { ...link('fit').query, view: 'brakes', wheel } })
/** The wheel as its row has it: with its face and its spacer. */
function fit({ id, detail, fit: { face, spacer } }: PairingRow) {
  store.edit(`Choose wheel${detail ? ` ${detail}` : ''}`, (draft) => {
    const one = draft.setups.find((candidate) => candidate.id === setup.value?.id)!
    one[axle.value].wheel = id
    const wheel = draft.parts.find((part) => part.id === id)
    if (face !== undefined && wheel?.kind === 'wheel') wheel.faceChosen = face
    if (spacer !== undefined) Object.assign(one, takeCompany(one, axle.value, { spacer }))
  })
  void router.push(link('fit'))
}
</script>

<template>
  <div class="compare">
    <header>
      <h1 v-if="what === 'wheels'">All wheels on “{{ setup?.name }}”, {{ axle }}</h1>
      <template v-else>
        <h1>One wheel over all brakes, {{ axle }}</h1>
        <FieldItem label="Wheel"
          ><ChoiceSelect
            data-test="customer-wheel"
            :value="wheelId"
            :options="wheels.map((one) => ({ value: one.id, label: one.name }))"
            label="Wheel"
            @change="chooseWheel"
        /></FieldItem>
      </template>
      <ElButton @click="chooseAxle(axle === 'front' ? 'rear' : 'front')"> {{ axle === 'front' ? 'Rear' : 'Front' }} instead </ElButton>
    </header>
    <p v-if="trouble" class="field-error" role="alert">{{ trouble }}</p>
    <WorkingLine v-else-if="!rows" :what="what === 'wheels' ? 'Checking every wheel' : 'Checking every brake'" />
    <NothingYet
      v-else-if="rows.length === 0"
      :text="
        what === 'wheels' ? 'No wheels in the library yet. Add one in Parts.' : 'No setup has a caliper on this axle yet. Add one in Setup.'
      "
    />
    <LazyTable v-else :rows="rows" :columns="columns" data-test="comparison">
      <template #name="{ row }">
        <b :title="row.sentence">{{ row.name }}</b>
        <span class="block small soft">{{
          [row.detail, row.nominal ? 'from its markings, an estimate' : '', row.inUse ? 'fitted' : ''].filter(Boolean).join('; ')
        }}</span>
      </template>
      <template #verdict="{ row }">
        <div :class="`tone-${row.whole}`">
          <VerdictMark :verdict="row.whole" :size="16" /> {{ row.answer
          }}<span v-if="row.why && (row.answer !== row.short || row.verdict === 'clears')" class="block small" data-test="why">{{
            row.why
          }}</span
          ><span v-if="row.missing > 0" class="block small">{{ `${row.missing} to enter` }}</span>
        </div>
      </template>
      <template #gap="{ row }">
        {{ mm(row.meanMm) }}
        <template v-if="narrow">
          <span v-if="row.p05Mm !== undefined" class="block small soft">at least {{ mm(row.p05Mm) }} (95% confidence)</span>
          <span v-if="spacerOf(row)" class="block small soft">spacer: {{ spacerOf(row) }}</span>
        </template>
      </template>
      <template #range="{ row }">
        <RangeBar
          v-if="row.meanMm !== undefined"
          :value="row.meanMm"
          :low="row.p05Mm"
          :high="row.p95Mm"
          :limit="row.requiredMm"
          :most="most"
          :tone="TONES[row.verdict]"
          :label="rangeWords(row)"
        />
      </template>
      <template #limits="{ row }">{{ row.limitingTag ? PLACE_WORDS[row.limitingTag] : '' }}</template>
      <template #spacer="{ row }">{{ spacerOf(row) }}</template>
      <template #fit="{ row }">
        <ElButton
          v-if="(!row.inUse || Object.keys(row.fit).length > 0) && row.whole !== 'blocked'"
          :size="narrow ? 'small' : 'default'"
          :aria-label="`Fit ${row.name}`"
          @click="fit(row)"
        >
          Fit it
        </ElButton>
      </template>
    </LazyTable>
    <p v-if="what === 'wheels' && rim" class="small" data-test="rim-hint">{{ rim }}</p>
    <p class="soft small">Each wheel is checked with this setup’s spacer or the spacer named. The best overall result is first.</p>
  </div>
</template>

<style scoped>
.compare {
  overflow: auto;
}
header > .el-form-item {
  flex: 0 1 280px;
}
header {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  align-items: flex-end;
  margin-bottom: 8px;
}
h1 {
  flex: 1 1 320px;
  font-size: 18px;
}
</style>
