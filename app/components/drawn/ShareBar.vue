<script setup lang="ts">
import { stack } from 'd3'
import { computed } from 'vue'

/** What a whole is made of, as one bar: each part with its share in the list below it, which is what readers of text get. */
const props = defineProps<{
  parts: readonly { name: string; value: number; text: string }[]
  /** What the whole is, in words. */
  label: string
}>()
const whole = computed(() => props.parts.reduce((sum, part) => sum + part.value, 0))
const spans = computed(() => {
  const names = props.parts.map((_, i) => String(i))
  const [row] = [Object.fromEntries(props.parts.map((part, i) => [String(i), part.value]))]
  return stack<Record<string, number>>()
    .keys(names)([row!])
    .map(([span]) => ({ from: span![0], to: span![1] }))
})
const percent = (value: number) => `${Math.round((100 * value) / whole.value)}%`
const TINTS = ['--ink', '--accent', '--steel', '--steel-soft']
const tint = (i: number) => `var(${TINTS[i % TINTS.length]})`
</script>

<template>
  <figure v-if="whole > 0" class="shares" :aria-label="label">
    <svg viewBox="0 0 100 10" preserveAspectRatio="none" aria-hidden="true">
      <rect
        v-for="(span, i) in spans"
        :key="i"
        :x="(100 * span.from) / whole"
        :width="(100 * (span.to - span.from)) / whole"
        y="0"
        height="10"
        :style="{ fill: tint(i) }"
      />
    </svg>
    <ul>
      <li v-for="(part, i) in parts" :key="part.name">
        <span class="key" :style="{ background: tint(i) }" aria-hidden="true" />{{ part.name }}
        <span class="num">{{ part.text }}, {{ percent(part.value) }}</span>
      </li>
    </ul>
  </figure>
</template>

<style scoped>
.shares {
  margin: 6px 0;
}
svg {
  display: block;
  width: 100%;
  height: 14px;
  border: 1px solid var(--line);
}
rect {
  stroke: var(--sheet);
  stroke-width: 1px;
  vector-effect: non-scaling-stroke;
}
ul {
  margin: 6px 0 0;
  padding: 0;
  list-style: none;
  font-size: 13px;
}
li {
  display: grid;
  grid-template-columns: 12px minmax(0, 1fr) auto;
  gap: 8px;
  align-items: center;
  padding: 2px 0;
}
.key {
  width: 10px;
  height: 10px;
  border: 1px solid var(--line);
}
</style>
