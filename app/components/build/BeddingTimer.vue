<script setup lang="ts">
import { useIntervalFn } from '@vueuse/core'
import { computed, ref } from 'vue'
import { BEDDING } from '#core/work-order/bedding.ts'

/** Bedding in, a stop at a time, with the time to cool between counted on the phone. */
const at = ref<{ row: number; stop: number } | undefined>()
const coolS = ref(0)
const { pause, resume } = useIntervalFn(
  () => {
    coolS.value -= 1
    if (coolS.value <= 0) pause()
  },
  1000,
  { immediate: false },
)
const row = computed(() => (at.value ? BEDDING[at.value.row] : undefined))
const words = computed(() => {
  if (!row.value || !at.value) return ''
  if (coolS.value > 0) return `Cool, without stopping: ${coolS.value} s`
  const { fromKmh, toKmh, times, how } = row.value
  return fromKmh === toKmh ? `Drive at ${fromKmh} km/h, ${how}` : `Stop ${at.value.stop} of ${times}: ${fromKmh} to ${toKmh} km/h, ${how}`
})
function begin() {
  at.value = { row: 0, stop: 1 }
  coolS.value = 0
}
function done() {
  const now = row.value
  if (!now || !at.value) return
  coolS.value = now.coolSeconds
  resume()
  const { row: index, stop } = at.value
  if (stop < now.times) at.value = { row: index, stop: stop + 1 }
  else at.value = index + 1 < BEDDING.length ? { row: index + 1, stop: 1 } : undefined
}
type BeddingRow = (typeof BEDDING)[number]
const columns = [
  { id: 'from', label: 'From', number: true, text: (one: BeddingRow) => `${one.fromKmh} km/h` },
  { id: 'to', label: 'To', number: true, text: (one: BeddingRow) => `${one.toKmh} km/h` },
  { id: 'times', label: 'Times', number: true, text: (one: BeddingRow) => String(one.times) },
  { id: 'cool', label: 'Cool between', number: true, least: 110, text: (one: BeddingRow) => `${one.coolSeconds} s` },
  { id: 'how', label: 'How', least: 160, text: (one: BeddingRow) => one.how },
]
</script>

<template>
  <div class="bedding">
    <p class="small"><strong>General outline.</strong> Follow the pad maker’s instructions first; some pads are sold bedded in.</p>
    <DataTable :rows="BEDDING" :columns="columns" />
    <p v-if="at" class="now" role="status" aria-live="polite" data-test="bedding-now">{{ words }}</p>
    <div class="no-print">
      <ElButton v-if="!at" size="large" data-test="bedding-begin" @click="begin">Count it here</ElButton>
      <template v-else>
        <ElButton type="primary" size="large" :disabled="coolS > 0" data-test="bedding-done" @click="done">Done</ElButton>
        <ElButton size="large" @click="at = undefined">End</ElButton>
      </template>
    </div>
  </div>
</template>

<style scoped>
.bedding {
  max-width: 620px;
  margin: 6px 0;
}
.now {
  margin: 8px 0;
  font-size: 20px;
  font-weight: 640;
}
</style>
