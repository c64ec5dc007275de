<script setup lang="ts">
import type { Missing } from '#core/figures/figure.ts'

/** In place of an answer: that there is none yet, and what it waits for. */
defineProps<{ what: string; missing: readonly Missing[] }>()
</script>

<template>
  <section>
    <h2 class="tone-unknown" data-test="cannot-say">
      <VerdictMark verdict="unknown" :size="18" /> Not enough data for {{ what }}: {{ missing.length }} to enter.
    </h2>
    <ToFindOut :missing="missing" />
  </section>
</template>
