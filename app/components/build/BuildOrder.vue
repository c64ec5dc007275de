<script setup lang="ts">
import { useWakeLock } from '@vueuse/core'
import { computed } from 'vue'
import { stageTick } from '#core/work-order/stages.ts'
import { PHASES, type Phase } from '#core/work-order/work-step.ts'
import { hoursWords, type OrderedStep } from '#core/work-order/work-order.ts'
import { BLEEDINGS, type Bleeding } from '#core/records/build-log.ts'
import { buildLog } from '#core/commands/build-log.ts'
import { orderHeadline } from '#core/evaluate/order-probability.ts'
import { counted } from '#core/figures/words.ts'
import { useBuild } from '~/composables/build'
import { useUncertainty } from '~/composables/uncertainty'
import { useTechnicalReport } from '~/composables/technical-report'
import { useProjectStore } from '~/stores/project'
import { useWorkbench } from '~/composables/workbench'

/** The work order: what to do next is said first, then every step with its box. */
const store = useProjectStore()
const { setup, report, goTo, link } = useWorkbench()
const { build, log, notes } = useBuild()
const { doubt } = useUncertainty()
/** What is still wrong comes before the first step, a lock-up order that is hardly probable too. */
const wrong = computed(() => {
  const said = build.value?.order.stillWrong
  if (said || !report.value) return said
  const { verdict, sentence } = orderHeadline(report.value, doubt.value?.frontFirstOf100)
  return verdict === 'needs' ? `Do not start yet: 1 to fix. ${sentence}` : ''
})
const staged = computed(() => log.value?.staged === true && build.value!.stages.stages.length > 1)
/** One list, or one of each stage; ticks of a stage have names of their own. */
const lists = computed(() =>
  staged.value
    ? build.value!.stages.stages.map((stage, i) => ({
        name: `${i + 1}. ${stage.name}`,
        prefix: stageTick(i, ''),
        order: stage.order,
        date: log.value?.dates?.[i] ?? '',
      }))
    : [{ name: '', prefix: '', order: build.value!.order, date: '' }],
)
const phasesOf = (steps: readonly OrderedStep[]) =>
  (Object.keys(PHASES) as Phase[]).flatMap((phase) => {
    const mine = steps.filter((one) => one.phase === phase)
    return mine.length > 0 ? [{ phase, steps: mine }] : []
  })
const all = computed(() => lists.value.flatMap(({ prefix, order }) => order.steps.map((one) => ({ one, id: prefix + one.id }))))
const isDone = (id: string) => notes.value.get(id)?.doneOn !== undefined
const done = computed(() => all.value.filter(({ id }) => isDone(id)).length)
const phaseTitle = ({ phase, steps }: { phase: Phase; steps: readonly OrderedStep[] }, prefix: string) =>
  `${PHASES[phase]}: ${steps.filter((step) => isDone(prefix + step.id)).length} of ${counted(steps.length, 'step')} done`
const next = computed(() => all.value.find(({ id }) => !isDone(id)))
const minutes = computed(
  () => [0, 1].map((at) => lists.value.reduce((sum, one) => sum + one.order.minutes[at as 0 | 1], 0)) as [number, number],
)
const bleeding = computed<Bleeding>(() => log.value?.bleeding ?? 'pedal')
const setBleeding = (value: Bleeding) => store.edit('How it is bled', (draft) => void (buildLog(draft, setup.value!.id).bleeding = value))
/** The screen stays on while one works, where the browser can. */
const { isSupported, isActive, request, release } = useWakeLock()
const print = () => window.print()
const { open: openReport } = useTechnicalReport()
</script>

<template>
  <div v-if="build" class="order">
    <template v-if="build.blockedBy.length > 0">
      <h1 class="verdict tone-blocked" data-test="build-says">
        <VerdictMark verdict="blocked" :size="24" /> No work order: this setup must not be built.
      </h1>
      <ul class="open" data-test="blocked-by">
        <li v-for="one in build.blockedBy" :key="one.title">
          <strong>{{ one.title }}.</strong> {{ one.sentence }}
          <ElButton v-if="one.at" link type="primary" @click="goTo(one.at)">Open Fit</ElButton>
        </li>
      </ul>
      <p><NuxtLink :to="link('fit')">Open Fit</NuxtLink>, or select another setup above.</p>
    </template>
    <NothingYet v-else-if="build.nothing" text="This setup changes nothing, so it has no work order. Select or add another setup above." />
    <template v-else>
      <p v-if="wrong" class="tone-needs" data-test="order-open"><VerdictMark verdict="needs" :size="18" /> {{ wrong }}</p>
      <h1 data-test="build-says">
        <template v-if="next && done === 0">{{ counted(all.length, 'step', 'steps') }}, {{ hoursWords(minutes) }}</template>
        <template v-else-if="next">{{ done }} of {{ all.length }} done. Next: {{ next.one.number }}. {{ next.one.title }}</template>
        <template v-else>All {{ all.length }} steps are done.</template>
      </h1>
      <p class="small">
        <template v-if="build.order.torquesOpen > 0"
          ><strong class="tone-unknown" data-test="torques-open"
            >{{ counted(build.order.torquesOpen, 'tightening torque is', 'tightening torques are') }} not entered.</strong
          >
          Read them from the makers’ instructions.</template
        ><template v-else>Every tightening torque is entered with its source.</template>
        <template v-if="build.findOutFirst.length + build.needed.length > 0">
          {{ ' '
          }}<NuxtLink :to="link('build', { view: 'before' })"
            >{{ counted(build.findOutFirst.length + build.needed.length, 'question is', 'questions are') }} open before anything is
            ordered.</NuxtLink
          ></template
        >
      </p>
      <NoApproval />
      <p class="soft small">Times are estimates, from experienced to first-time.</p>
      <div class="tools no-print">
        <FieldItem label="Bleeding"
          ><ChoiceSelect
            label="Bleeding"
            :value="bleeding"
            :options="(Object.keys(BLEEDINGS) as Bleeding[]).map((value) => ({ value, label: BLEEDINGS[value] }))"
            @change="setBleeding"
        /></FieldItem>
        <ElButton data-test="report-of-build" @click="openReport = true"
          ><Icon name="tabler:file-description" size="16" /> Technical report</ElButton
        >
        <ElButton @click="print"><Icon name="tabler:printer" size="16" /> Print</ElButton>
        <ElButton v-if="isSupported" :aria-pressed="isActive" data-test="keep-awake" @click="isActive ? release() : request('screen')">
          {{ isActive ? 'Screen stays on' : 'Leave screen on' }}
        </ElButton>
      </div>
      <section v-for="list in lists" :key="list.prefix" :data-stage="list.prefix">
        <h2 v-if="staged" class="stage">
          {{ list.name }}<span v-if="list.date" class="soft">, {{ list.date }}</span>
        </h2>
        <FoldedPart
          v-for="one in phasesOf(list.order.steps)"
          :key="one.phase"
          :title="phaseTitle(one, list.prefix)"
          :open="one.steps.some((step) => list.prefix + step.id === next?.id)"
          :data-phase="list.prefix + one.phase"
        >
          <ol class="steps">
            <WorkStepRow
              v-for="step in one.steps"
              :key="step.id"
              :step="step"
              :tick-id="list.prefix + step.id"
              :current="list.prefix + step.id === next?.id"
            >
              <p v-if="step.id.endsWith('.trial')" class="no-print">
                <NuxtLink :to="link('measure', { axle: step.axle, sheet: 'trialFit' })">Enter the trial fit</NuxtLink>
              </p>
              <BeddingTimer v-if="step.id === 'bed' && notes.get(list.prefix + step.id)?.doneOn === undefined" />
            </WorkStepRow>
          </ol>
        </FoldedPart>
        <p v-if="staged" class="small">Now test the car. Log stops and pedal feel in Prove before the next stage.</p>
      </section>
    </template>
  </div>
</template>

<style scoped>
.order {
  max-width: 900px;
}
h1 {
  max-width: 820px;
  margin: 4px 0;
}
.stage {
  margin: 22px 0 0;
  padding-bottom: 2px;
  border-bottom: 2px solid var(--ink);
}
.steps {
  margin: 0;
  padding: 0;
  list-style: none;
}
.tools {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 12px;
  align-items: end;
  margin: 8px 0;
}
.tools > .el-form-item {
  width: 250px;
}
.verdict {
  display: flex;
  gap: 10px;
  align-items: center;
}
.open {
  padding-left: 18px;
}
</style>
