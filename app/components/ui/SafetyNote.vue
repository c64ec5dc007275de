<script setup lang="ts">
import { SIGNAL_WORDS, type SafetyNote } from '#core/records/safety-note.ts'

/** One hazard beside the control or the step where someone acts: signal word, hazard, and what to do. */
defineProps<{ note: SafetyNote }>()
</script>

<template>
  <p class="safety" :data-level="note.level" role="note">
    <span
      ><strong>{{ SIGNAL_WORDS[note.level] }}</strong> – {{ note.hazard }}</span
    >
    <span>{{ note.action }}</span>
  </p>
</template>

<style scoped>
.safety {
  display: grid;
  gap: 2px;
  padding: 8px 12px;
  border-left: 5px solid var(--unknown);
  background: var(--sheet-2);
  font-size: 13px;
}
.safety[data-level='danger'],
.safety[data-level='warning'] {
  border-left-color: var(--blocked);
}
.safety[data-level='danger'] strong {
  padding: 0 5px;
  background: var(--blocked);
  color: var(--sheet);
}
.safety[data-level='caution'] {
  border-left-color: var(--needs);
}
@media print {
  .safety {
    display: block;
    padding: 1px 8px;
    font-size: 11px;
  }
}
</style>
