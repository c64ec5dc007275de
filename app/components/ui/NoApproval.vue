<script setup lang="ts">
import { NO_APPROVAL } from '#core/records/safety-note.ts'

/** What the application is not. */
</script>

<template>
  <p class="soft small no-approval">{{ NO_APPROVAL }}</p>
</template>

<style scoped>
@media print {
  .no-approval {
    margin: 4px 0 0;
    font-size: 10px;
  }
}
</style>
