<script setup lang="ts">
import { computed, ref } from 'vue'
import { buildLog } from '#core/commands/build-log.ts'
import { isDay } from '#core/quantity/day.ts'
import { writeCalendar } from '#core/formats/calendar.ts'
import { hoursWords } from '#core/work-order/work-order.ts'
import type { Stage } from '#core/work-order/stages.ts'
import { counted } from '#core/figures/words.ts'
import { useBuild } from '~/composables/build'
import { newId } from '~/composables/new-id'
import { download } from '~/composables/project-files'
import { useProjectStore } from '~/stores/project'
import { useWorkbench } from '~/composables/workbench'

/** A build in stages, each a car that may be driven and is tested before the next. */
const store = useProjectStore()
const { setup } = useWorkbench()
const { build, log } = useBuild()
const stages = computed(() => build.value?.stages.stages ?? [])
const several = computed(() => stages.value.length > 1)
const staged = computed(() => log.value?.staged === true)
const error = ref('')
const split = (on: boolean) =>
  store.edit(on ? 'Build in stages' : 'Build in one go', (draft) => {
    const mine = buildLog(draft, setup.value!.id)
    if (on) mine.staged = true
    else delete mine.staged
  })
function setDate(at: number, date: string | null) {
  error.value = date === null || isDay(date) ? '' : `${date} is not a day of the calendar: write 2026-11-28.`
  if (error.value) return
  store.edit('Date of a stage', (draft) => {
    const mine = buildLog(draft, setup.value!.id)
    mine.dates = stages.value.map((_, i) => (i === at ? date : (mine.dates?.[i] ?? null)))
    if (mine.dates.every((one) => one === null)) delete mine.dates
  })
}
const dated = computed(() =>
  stages.value.flatMap((stage, i) => {
    const date = log.value?.dates?.[i]
    return date && isDay(date) ? [{ stage, at: i, date }] : []
  }),
)
function calendar() {
  const text = writeCalendar(
    dated.value.map(({ stage, at, date }) => ({
      id: `${store.current.id}-${setup.value!.id}-${at + 1}`,
      date,
      title: `Brakes of ${store.current.car.name}: ${stage.name}`,
      text: stage.order.steps.map((one) => `${one.number}. ${one.title}`).join('\n'),
    })),
  )
  if (text) download(`${setup.value!.name}, stages.ics`, text, 'text/calendar')
}
/** A stage as a setup of its own: everything can be looked at as it will be then. */
function keep(stage: Stage) {
  const problems = store.edit(
    'Add a stage as a setup',
    (draft) => void draft.setups.push({ ...(JSON.parse(JSON.stringify(stage.setup)) as typeof stage.setup), id: newId() }),
    { shows: true },
  )
  error.value = problems[0] ? `${problems[0].place} ${problems[0].message}.` : ''
}
const parts = (stage: Stage) =>
  [...new Set(stage.order.steps.flatMap((one) => one.puts))].map((id) => store.current.parts.find((one) => one.id === id)?.name ?? id)
</script>

<template>
  <div v-if="build" class="stages">
    <NothingYet v-if="build.blockedBy.length > 0" text="This setup must not be built, so there is nothing to plan." />
    <NothingYet v-else-if="build.nothing" text="Nothing is changed in this setup." />
    <template v-else>
      <h1 data-test="stages-say">
        {{ several ? `It can be built in ${stages.length} stages, with a test after each` : 'It has to be built in one stage' }}
      </h1>
      <ul v-if="build.stages.together.length > 0" class="small" data-test="together">
        <li v-for="one in build.stages.together" :key="one">{{ one }}</li>
      </ul>
      <p v-if="several" class="soft small">
        No stage leaves the car worse than both the baseline and the finished setup. Testing after each change shows which one made the
        difference.
      </p>
      <ElCheckbox
        v-if="several"
        :model-value="staged"
        label="Work and tick it stage by stage"
        :validate-event="false"
        @change="split($event === true)"
      />
      <ol class="list">
        <li v-for="(stage, i) in stages" :key="stage.name" :data-test="`stage-${i + 1}`">
          <div>
            <strong>{{ stage.name }}</strong>
            <span class="soft num">{{ counted(stage.order.steps.length, 'step', 'steps') }}, {{ hoursWords(stage.order.minutes) }}</span>
            <p class="small">{{ parts(stage).join(', ') || 'Only settings change.' }}</p>
            <p v-if="i + 1 < stages.length" class="small">
              Then test on closed ground: pedal and leaks first, then three stops and the lock-up order.
            </p>
          </div>
          <div class="acts no-print">
            <ElDatePicker
              :model-value="log?.dates?.[i] ?? ''"
              type="date"
              format="YYYY-MM-DD"
              value-format="YYYY-MM-DD"
              placeholder="date"
              :aria-label="`Date of stage ${i + 1}`"
              :validate-event="false"
              @update:model-value="setDate(i, $event as string | null)"
            />
            <ElButton v-if="i + 1 < stages.length" @click="keep(stage)">Open as a setup</ElButton>
          </div>
        </li>
      </ol>
      <p v-if="error" class="field-error" role="alert">{{ error }}</p>
      <ElButton :disabled="dated.length === 0" data-test="calendar" @click="calendar">
        {{ dated.length === 0 ? 'Give a date for a calendar file' : `Calendar file of ${counted(dated.length, 'day', 'days')}` }}
      </ElButton>
    </template>
  </div>
</template>

<style scoped>
.stages {
  max-width: 820px;
}
.list .num {
  margin-left: 8px;
}
.list {
  padding-left: 22px;
}
.list li {
  padding: 8px 0;
  border-bottom: 1px solid var(--hair);
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 12px;
  margin-top: 6px;
}
</style>
