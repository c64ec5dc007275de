<script setup lang="ts">
import type { Verdict } from '#core/figures/verdict.ts'

/** A verdict as a shape of its own, so that colour is never alone. */
defineProps<{ verdict: Verdict; size?: number }>()
</script>

<template>
  <svg :class="['mark', `tone-${verdict}`]" :width="size ?? 18" :height="size ?? 18" viewBox="0 0 20 20" aria-hidden="true">
    <g v-if="verdict === 'fits'">
      <circle cx="10" cy="10" r="8.5" fill="currentColor" />
      <path d="M5.8 10.4l2.9 2.9 5.6-6" fill="none" stroke="var(--sheet)" stroke-width="2" />
    </g>
    <g v-else-if="verdict === 'check'">
      <path d="M10 1l9 9-9 9-9-9z" fill="none" stroke="currentColor" stroke-width="1.8" />
      <circle cx="10" cy="10" r="2.6" fill="currentColor" />
    </g>
    <g v-else-if="verdict === 'needs'">
      <path d="M10 1.5l9 16.5H1z" fill="none" stroke="currentColor" stroke-width="1.8" />
      <path d="M10 8v4.6M10 14.4v1.8" stroke="currentColor" stroke-width="1.8" />
    </g>
    <g v-else-if="verdict === 'unknown'">
      <circle cx="10" cy="10" r="8.3" fill="none" stroke="currentColor" stroke-width="1.6" stroke-dasharray="3.2 2.2" />
      <path d="M7.4 8.2c0-3.4 5.3-3.2 5.3-.2 0 2-2.6 2-2.6 4M10.1 13.6v1.7" fill="none" stroke="currentColor" stroke-width="1.7" />
    </g>
    <g v-else>
      <rect x="1.5" y="1.5" width="17" height="17" fill="currentColor" />
      <path d="M6 6l8 8M14 6l-8 8" stroke="var(--sheet)" stroke-width="2.2" />
    </g>
  </svg>
</template>

<style scoped>
.mark {
  flex: none;
  vertical-align: -3px;
}
</style>
