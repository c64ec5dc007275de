<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { notEnoughData, questionKey } from '#core/records/question.ts'
import { fitMissing } from '#core/evaluate/step-state.ts'
import { counted, FINDING_ORDER, worstVerdict } from '#core/figures/words.ts'
import { COUNT_WORDS, useFitRows, type FitRow } from '~/composables/fit-rows'
import { useWorkbench } from '~/composables/workbench'

/** Every interface of a setup: what is compared, what a mechanic would say, what cures it and for how much. */
const { report, goTo } = useWorkbench()
const { groups } = useFitRows()
const open = ref<string>()
/** Rows that needed attention since the page was opened: one that is fixed here stays where it is. */
const attended = ref(new Set<string>())
const needsAttention = (row: FitRow) => row.verdict !== 'fits' || row.fit?.accepted === true || row.fit?.unpriced === true
watch(
  () => report.value?.setupId,
  () => (attended.value = new Set()),
)
watch(
  groups,
  (now) => {
    for (const row of now.flatMap((group) => group.rows)) if (needsAttention(row)) attended.value.add(row.key)
  },
  { immediate: true },
)
/** What needs attention stands in sight; what is OK is folded under its number. */
const shown = computed(() =>
  groups.value.map((group) => ({
    ...group,
    attention: group.rows.filter((row) => needsAttention(row) || attended.value.has(row.key)),
    ok: group.rows.filter((row) => !needsAttention(row) && !attended.value.has(row.key)),
  })),
)
const verdicts = computed(() => groups.value.flatMap((group) => group.rows.map((row) => row.verdict)))
const counts = computed(() =>
  [...FINDING_ORDER]
    .reverse()
    .map((verdict) => ({ verdict, count: verdicts.value.filter((one) => one === verdict).length }))
    .filter((one) => one.count > 0),
)
const worst = computed(() => worstVerdict(verdicts.value))
/** The worst check in its own words, where one decides. */
const answer = computed(() => {
  if (worst.value === 'unknown') return notEnoughData(unknowns.value)
  if (worst.value === 'check') return 'The calculation is OK. Check some points on the car.'
  if (worst.value === 'fits') return 'Every check is OK.'
  return groups.value.flatMap((group) => group.rows).find((row) => row.verdict === worst.value)?.sentence ?? ''
})
const unknowns = computed(() => (report.value ? fitMissing(report.value) : []))
const print = () => window.print()
</script>

<template>
  <div class="check">
    <header>
      <h1 :class="`tone-${worst}`"><VerdictMark :verdict="worst" :size="24" /> {{ answer }}</h1>
      <p class="counts num" data-test="fit-counts">
        <span v-for="one in counts" :key="one.verdict" :class="`tone-${one.verdict}`"
          ><VerdictMark :verdict="one.verdict" :size="14" /> {{ one.count }} {{ COUNT_WORDS[one.verdict] }}</span
        >
      </p>
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
      <ul v-if="group.attention.length > 0" class="rows">
        <FitRow
          v-for="row in group.attention"
          :key="row.key"
          :row="row"
          :open="open === row.key"
          @toggle="open = open === row.key ? undefined : row.key"
        />
      </ul>
      <FoldedPart v-if="group.ok.length > 0" :title="`${counted(group.ok.length, 'check')} OK`" :data-test="`ok-${group.id}`">
        <ul class="rows">
          <FitRow
            v-for="row in group.ok"
            :key="row.key"
            :row="row"
            :open="open === row.key"
            @toggle="open = open === row.key ? undefined : row.key"
          />
        </ul>
      </FoldedPart>
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
  .print {
    display: none;
  }
}
</style>
