<script setup lang="ts">
import { NO_APPROVAL } from '#core/model/safety-note.ts'

/** What the application is not. */
</script>

<template>
  <p class="soft small">{{ NO_APPROVAL }}</p>
</template>
