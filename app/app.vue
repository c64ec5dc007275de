<script setup lang="ts">
import { useColorMode } from '@vueuse/core'

// follows the system until the user chooses
useColorMode({ emitAuto: true, storageKey: 'valiant-caliper-theme' })
</script>

<template>
  <ElConfigProvider :message="{ max: 3, grouping: true, placement: 'bottom', offset: 110 }">
    <NuxtPage />
    <FileDrop />
    <ProblemsDialog />
    <ReadingFile />
    <NewVersion />
    <HelpTip />
  </ElConfigProvider>
</template>
