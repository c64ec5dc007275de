<script setup lang="ts">
import { computed } from 'vue'
import { formatMoney } from '#core/quantity/format.ts'
import { useBuild } from '~/composables/build'
import { useProjectStore } from '~/stores/project'
import { useWorkbench } from '~/composables/workbench'

/** Before anything is ordered: what could make a part useless, what to buy of whom, what has to come along from a donor. */
const store = useProjectStore()
const { goTo, link } = useWorkbench()
const { build } = useBuild()
const money = (minor: number | undefined) => formatMoney(minor, store.current.preferences.currency, { whole: true })
const open = computed(() => [
  ...(build.value?.findOutFirst.map((one) => ({ ...one, verdict: 'unknown' as const })) ?? []),
  ...(build.value?.needed.map((one) => ({ ...one, verdict: 'needs' as const })) ?? []),
])
const bought = computed(() => build.value?.shopping.reduce((sum, one) => sum + one.lines.length, 0) ?? 0)
const columns = [
  { id: 'what', label: 'What', least: 220 },
  { id: 'detail', label: 'Details', least: 220 },
  { id: 'price', label: 'Expected', number: true },
]
</script>

<template>
  <div v-if="build" class="before">
    <h1 class="verdict" :class="`tone-${build.says.verdict}`" data-test="before-says">
      <VerdictMark :verdict="build.says.verdict" :size="22" /> {{ build.says.sentence }}
    </h1>
    <ul v-if="build.blockedBy.length > 0" class="open">
      <li v-for="one in build.blockedBy" :key="one.title">
        <VerdictMark verdict="blocked" :size="16" />
        <span
          ><strong>{{ one.title }}.</strong> {{ one.sentence }}</span
        >
      </li>
    </ul>
    <section v-if="open.length > 0">
      <h2>Answer first</h2>
      <p class="soft small">Most money at risk first. Each line names the parts it could make useless.</p>
      <ul class="open" data-test="find-out-first">
        <li v-for="one in open" :key="one.verdict + one.title">
          <VerdictMark :verdict="one.verdict" :size="16" />
          <span
            ><strong>{{ one.title }}</strong
            ><span v-if="one.stakeMinor !== undefined" class="soft num">, {{ money(one.stakeMinor) }} at risk</span><br />{{ one.sentence }}
            <ElButton v-if="one.at" link type="primary" class="no-print" @click="goTo(one.at)">Enter the value</ElButton>
            <NuxtLink v-else class="no-print" :to="link('fit')">Open Fit</NuxtLink></span
          >
        </li>
      </ul>
    </section>
    <section>
      <h2>To buy</h2>
      <NothingYet v-if="bought === 0" text="Nothing: every part is on hand." />
      <div v-for="one in build.shopping" :key="one.seller" class="seller" data-test="seller">
        <h3>
          {{ one.seller || 'No seller named'
          }}<span class="soft num">, {{ one.unpriced > 0 ? 'at least ' : '' }}{{ money(one.likelyMinor) }}</span>
        </h3>
        <DataTable :rows="one.lines" :columns="columns">
          <template #what="{ row }">{{ row.label }}</template>
          <template #detail="{ row }"
            ><span class="soft">{{ row.detail }}</span></template
          >
          <template #price="{ row }">{{ row.likely === undefined ? 'no price' : money(row.likely) }}</template>
        </DataTable>
      </div>
    </section>
    <section v-if="build.along.length > 0">
      <h2>Parts to get with a donor</h2>
      <p class="soft small">These parts are often missing and hard to find later. Inspect them before you pay.</p>
      <div v-for="one in build.along" :key="one.donor" data-test="along">
        <h3>{{ one.donor }}</h3>
        <p>{{ one.parts.join(', ') }}; with {{ one.along.join('; ') }}.</p>
      </div>
    </section>
  </div>
</template>

<style scoped>
.before {
  max-width: 860px;
}
h2 {
  margin: 18px 0 2px;
}
.open {
  margin: 0;
  padding: 0;
  list-style: none;
}
.open li {
  display: flex;
  gap: 8px;
  padding: 5px 0;
  border-bottom: 1px solid var(--hair);
}
h3 {
  margin: 10px 0 2px;
  font-size: 15px;
}
</style>
