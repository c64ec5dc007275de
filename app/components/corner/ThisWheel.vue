<script setup lang="ts">
import { computed } from 'vue'
import { formatQuantity } from '#core/quantity/format.ts'
import { boundWord } from '#core/figures/words.ts'
import { shownVerdict } from '#core/evaluate/step-state.ts'
import { worstCheck } from '#core/evaluate/worst-check.ts'
import { useUncertainty } from '~/composables/uncertainty'
import { COUNT_WORDS } from '~/composables/fit-rows'
import { useWorkbench } from '~/composables/workbench'

/** One corner: whether the wheel clears, how sure that is, what to measure next, and the drawing. */
const { report, axle, units, openFigureId, goTo, chooseAxle, link } = useWorkbench()
const { doubt } = useUncertainty()
const corner = computed(() => report.value?.corners[axle.value])
const finding = computed(() => report.value?.findings.find((one) => one.rule === 'wheel-clearance' && one.axle === axle.value))
const otherAxle = computed(() => (axle.value === 'front' ? 'rear' : 'front'))
const other = computed(() => report.value?.findings.find((one) => one.rule === 'wheel-clearance' && one.axle === otherAxle.value))
const mm = (value: number | undefined) => formatQuantity(value, 'length', units.value)
const rows = computed(() =>
  corner.value
    ? [
        { id: `${axle.value}.gap` as const, label: 'Minimum clearance, any direction', value: corner.value.gap?.meanMm },
        { id: `${axle.value}.faceGap` as const, label: 'Spoke clearance, along the axle', value: corner.value.gap?.faceGapMm },
        { id: `${axle.value}.barrelGap` as const, label: 'Barrel clearance, along the radius', value: corner.value.gap?.barrelGapMm },
      ]
    : [],
)
/** What all checks but the clearance say, in numbers. */
const rest = computed(() => {
  if (!report.value) return []
  const others = report.value.findings.filter((one) => one.rule !== 'wheel-clearance')
  const all = [...report.value.fit.map((one) => one.verdict), ...others.map((one) => shownVerdict(one, doubt.value?.frontFirstOf100))]
  return (['blocked', 'unknown', 'needs', 'check', 'fits'] as const)
    .map((verdict) => ({ word: COUNT_WORDS[verdict], count: all.filter((one) => one === verdict).length }))
    .filter((one) => one.count > 0)
})
/** What is worse than this wheel: the answer of the step is the worst of all checks. */
const worst = computed(() => report.value && worstCheck(report.value, axle.value, doubt.value?.frontFirstOf100))
const contradicted = computed(() => report.value?.reports[axle.value].filter((one) => one.contradicts !== undefined) ?? [])
</script>

<template>
  <div v-if="corner && finding" class="fit">
    <section class="answer">
      <h1 class="visually-hidden">Fit: wheel clearance, {{ axle }}</h1>
      <p v-if="worst" class="verdict" :class="`tone-${worst.verdict}`" data-test="worst-check">
        <VerdictMark :verdict="worst.verdict" :size="26" /><strong>{{ worst.sentence }}</strong>
      </p>
      <p class="verdict" :class="[`tone-${finding.verdict}`, { second: worst }]" role="status" data-test="verdict">
        <VerdictMark :verdict="finding.verdict" :size="worst ? 18 : 26" /><strong>{{ corner.sentence }}</strong>
      </p>
      <p v-if="other" class="small">
        <ElButton link type="primary" @click="chooseAxle(otherAxle)">{{ otherAxle === 'rear' ? 'Rear' : 'Front' }}</ElButton>:
        {{ other.sentence }}
      </p>
      <p v-if="contradicted.length > 0" class="small tone-needs" data-test="contradicted">
        <VerdictMark verdict="needs" :size="13" /> A report contradicts this. {{ contradicted[0]!.contradicts }}
        <NuxtLink :to="link('fit', { view: 'reports' })">Read it</NuxtLink>
      </p>
      <p v-if="rest.length > 0" class="small" data-test="rest">
        All other checks:
        <NuxtLink :to="link('fit', { view: 'check' })">{{ rest.map((one) => `${one.count} ${one.word}`).join(', ') }}</NuxtLink>
      </p>

      <template v-if="corner.missing.length > 0">
        <h2>To find out</h2>
        <ToFindOut :missing="corner.missing" />
      </template>
      <template v-if="corner.gap">
        <template v-if="corner.measureNext.length > 0">
          <h2>Measure next</h2>
          <ol class="next" data-test="measure-next">
            <li v-for="(one, i) in corner.measureNext" :key="one.what" :class="{ first: i === 0 }">
              <ElButton link type="primary" @click="goTo(one.at)">{{ one.sentence }}</ElButton>
              <span class="block small">{{ one.effect }}</span>
            </li>
          </ol>
        </template>
        <p v-if="corner.trial" class="small" :class="corner.trial.agree ? '' : 'tone-needs'">{{ corner.trial.sentence }}</p>
        <p v-if="corner.twoWays && !corner.twoWays.agree" class="small tone-needs">{{ corner.twoWays.sentence }}</p>
        <p class="small"><GlossaryTerm id="clearance">Clearances</GlossaryTerm></p>
        <ElDescriptions class="gaps" :column="1" border>
          <ElDescriptionsItem v-for="row in rows" :key="row.id" label-align="left" align="right">
            <template #label>
              <ElButton link type="primary" @click="openFigureId = row.id">{{ row.label }}</ElButton>
            </template>
            {{ row.value === undefined ? 'no common place' : `${report ? boundWord(report.figures[row.id]) : ''}${mm(row.value)}` }}
          </ElDescriptionsItem>
          <ElDescriptionsItem :label="corner.faceKnown ? '90% range' : '90% range, barrel alone'" label-align="left" align="right">
            {{ formatQuantity(corner.gap.p05Mm, 'length', units, { bare: true }) }} to {{ mm(corner.gap.p95Mm) }}
          </ElDescriptionsItem>
        </ElDescriptions>

        <SpacerChoice />
      </template>

      <FaceHeights />
      <p v-if="corner.difference" class="small">{{ corner.difference.sentence }} {{ corner.difference.agrees }}</p>

      <GapLimits />
      <p class="soft small">Trial-fit all parts and turn the wheel by hand before you drive.</p>
    </section>
    <CornerPanel class="drawing" />
  </div>
</template>

<style scoped>
.verdict.second {
  font-size: 14.5px;
}
.next {
  margin: 4px 0 8px;
  padding-left: 20px;
}
.next li {
  margin-bottom: 5px;
  font-size: 13px;
}
.next .first {
  font-size: 14.5px;
  font-weight: 600;
}
.next .block {
  font-weight: 400;
}
.answer :deep(.effects th) {
  color: var(--ink);
  font-size: 13px;
  font-weight: 400;
}
.answer :deep(.effects td) {
  font-size: 14px;
}
.fit {
  display: grid;
  flex: 1;
  grid-template-columns: minmax(300px, 372px) minmax(0, 1fr);
  gap: 18px;
  min-height: 0;
}
.answer {
  min-height: 0;
  padding-right: 6px;
  overflow: auto;
}
.verdict {
  display: flex;
  gap: 10px;
  margin-bottom: 8px;
  font-size: 18px;
  line-height: 1.3;
}
.answer :deep(h2) {
  margin: 12px 0 4px;
}
.gaps th {
  color: var(--ink);
  font-size: 14px;
  font-weight: 400;
}
.gaps td {
  font-size: 16px;
  white-space: nowrap;
}
@media (max-width: 1000px) {
  .fit {
    display: flex;
    flex-direction: column;
    gap: 6px;
  }
  /* the verdict, then the drawing, then the rest */
  .answer {
    display: contents;
  }
  .answer > * {
    order: 2;
  }
  .answer > .verdict {
    order: 0;
    margin: 0;
  }
  .drawing {
    order: 1;
    flex: none;
    height: 330px;
  }
}
</style>
