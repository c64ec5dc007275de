<script setup lang="ts">
import { computed, ref } from 'vue'
import { notEnoughData, questionKey } from '#core/model/question.ts'
import type { FindingVerdict } from '#core/report/figure/finding.ts'
import { fitMissing } from '#core/report/step-state.ts'
import { FINDING_ORDER, worstVerdict } from '#core/report/figure/words.ts'
import { COUNT_WORDS, useFitRows } from '~/composables/fit-rows'
import { useWorkbench } from '~/composables/workbench'

/** Every interface of a setup: what is compared, what a mechanic would say, what cures it and for how much. */
const { report, goTo } = useWorkbench()
const { groups } = useFitRows()
const open = ref<string>()
const onlyOpen = ref(false)
const shown = computed(() =>
  groups.value.map((group) => ({ ...group, rows: onlyOpen.value ? group.rows.filter((row) => row.verdict !== 'fits') : group.rows })),
)
const verdicts = computed(() => groups.value.flatMap((group) => group.rows.map((row) => row.verdict)))
const counts = computed(() =>
  [...FINDING_ORDER]
    .reverse()
    .map((verdict) => ({ verdict, count: verdicts.value.filter((one) => one === verdict).length }))
    .filter((one) => one.count > 0),
)
const worst = computed(() => worstVerdict(verdicts.value))
const ANSWERS: Record<FindingVerdict, string> = {
  blocked: 'Cannot be built like this.',
  unknown: '',
  needs: 'Needs a fix before it can be built.',
  check: 'The calculation is OK. Check some points on the car.',
  fits: 'Every check is OK.',
}
const unknowns = computed(() => (report.value ? fitMissing(report.value) : []))
const print = () => window.print()
</script>

<template>
  <div class="check">
    <header>
      <h1 :class="`tone-${worst}`">
        <VerdictMark :verdict="worst" :size="24" /> {{ worst === 'unknown' ? notEnoughData(unknowns) : ANSWERS[worst] }}
      </h1>
      <p class="counts num" data-test="fit-counts">
        <span v-for="one in counts" :key="one.verdict" :class="`tone-${one.verdict}`"
          ><VerdictMark :verdict="one.verdict" :size="14" /> {{ one.count }} {{ COUNT_WORDS[one.verdict] }}</span
        >
      </p>
      <ElCheckbox v-model="onlyOpen" class="only small" :validate-event="false">only what is open</ElCheckbox>
      <ElButton class="print" @click="print">Print for the yard</ElButton>
    </header>

    <section v-if="unknowns.length > 0" class="find-out" data-test="yard-list">
      <h2>To enter ({{ unknowns.length }})</h2>
      <ul>
        <li v-for="one in unknowns" :key="questionKey(one)">
          <span class="box" aria-hidden="true" />
          <span
            ><ElButton link type="primary" @click="goTo(one.at)">{{ one.what }}</ElButton>
            <span v-if="one.how" class="block soft small">{{ one.how }}</span></span
          >
        </li>
      </ul>
    </section>

    <section v-for="group in shown" :key="group.id">
      <h2>{{ group.label }}</h2>
      <p v-if="group.rows.length === 0" class="soft small">Nothing open here.</p>
      <ul class="rows">
        <FitRow
          v-for="row in group.rows"
          :key="row.key"
          :row="row"
          :open="open === row.key"
          @toggle="open = open === row.key ? undefined : row.key"
        />
      </ul>
    </section>
    <FitLimits />
  </div>
</template>

<style scoped>
.check {
  overflow: auto;
}
header {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 18px;
  align-items: center;
  margin-bottom: 6px;
}
h1 {
  flex: 1 1 100%;
  font-size: 19px;
}
.counts {
  display: flex;
  flex: 1;
  flex-wrap: wrap;
  gap: 4px 16px;
  margin: 0;
}
.only {
  display: flex;
  gap: 6px;
  align-items: center;
}
h2 {
  margin: 12px 0 2px;
  padding-bottom: 2px;
  border-bottom: 1px solid var(--line);
}
.rows,
.find-out ul {
  margin: 0;
  padding: 0;
  list-style: none;
}
.find-out li {
  display: grid;
  grid-template-columns: 22px minmax(0, 1fr);
  padding: 3px 0;
}
.box {
  width: 14px;
  height: 14px;
  margin-top: 3px;
  border: 1.5px solid var(--ink-soft);
}
@media (max-width: 760px) {
  .counts {
    flex: 1 1 100%;
  }
}
@media print {
  .check {
    overflow: visible;
  }
  .print,
  .only {
    display: none;
  }
}
</style>
