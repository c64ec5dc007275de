<script setup lang="ts">
import { computed } from 'vue'
import { formatQuantity } from '#core/quantity/format.ts'
import { hydraulicsOf } from '#core/hydraulics/hydraulics-of.ts'
import { lastBars, type LastBar } from '#core/evidence/logbook.ts'
import { today } from '~/composables/build'
import { useProjectStore } from '~/stores/project'
import { useWorkbench } from '~/composables/workbench'

/** How the bar stood at the last visit to each track: the next one starts from there. */
const store = useProjectStore()
const { setup, units } = useWorkbench()
const bars = computed(() => lastBars(store.current))
const hasBar = computed(() => setup.value !== undefined && hydraulicsOf(store.current, setup.value.id).system?.master.kind === 'twin')
const share = (value: number) => formatQuantity(value, 'share', units.value)
const start = ({ barFrontShare, track, date }: LastBar) =>
  store.edit('Start from the last bar setting', (draft) => {
    const one = draft.setups.find((candidate) => candidate.id === setup.value!.id)!
    one.hydraulics.barFrontShare = { value: barFrontShare!, origin: 'measured', date: today(), note: `As at ${track}, ${date}` }
  })
const there = ({ barFrontShare }: LastBar) => barFrontShare !== undefined && setup.value?.hydraulics.barFrontShare?.value === barFrontShare
</script>

<template>
  <section v-if="bars.length > 0" data-test="last-bars">
    <h2>Starting point of the next test</h2>
    <ul>
      <li v-for="one in bars" :key="one.track">
        <strong>{{ one.track }}</strong>: {{ one.barFrontShare === undefined ? '' : `bar ${share(one.barFrontShare)} front`
        }}{{ one.barFrontShare !== undefined && one.knob ? ', ' : '' }}{{ one.knob ? `knob ${one.knob}` : '' }}
        <span class="soft small">{{ one.date }}{{ one.setupName ? `, ${one.setupName}` : '' }}</span>
        <template v-if="one.barFrontShare !== undefined">
          <span v-if="there(one)" class="small tone-fits">, as this setup is</span>
          <ElButton v-else-if="hasBar" link type="primary" @click="start(one)">Start from it</ElButton>
          <span v-else class="soft small">, this setup has no bar</span>
        </template>
      </li>
    </ul>
  </section>
</template>

<style scoped>
ul {
  margin: 0 0 12px;
  padding-left: 18px;
}
</style>
