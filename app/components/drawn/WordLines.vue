<script setup lang="ts">
/** Some short lines of text on a drawing, one below the other. */
defineProps<{ x: number; y: number; words: readonly { text: string; look?: 'strong' | 'soft' }[]; tone?: string }>()
const LINE_PX = 17
</script>

<template>
  <text :y="y" :class="tone">
    <tspan v-for="(one, i) in words" :key="i" :x="x" :dy="i === 0 ? 0 : LINE_PX" :class="one.look">{{ one.text }}</tspan>
  </text>
</template>

<style scoped>
text {
  fill: var(--ink);
  font-size: 13px;
  font-stretch: 90%;
}
.strong {
  font-weight: 660;
}
.soft {
  fill: var(--ink-soft);
}
.rear .strong {
  fill: var(--rear-line);
}
</style>
