<script setup lang="ts">
import { useNewVersion } from '~/composables/new-version'

/** A newer build is here; it is taken when one says so, or when all pages of this one are closed. */
const { ready, take } = useNewVersion()
</script>

<template>
  <ElAlert v-if="ready" class="newer" type="info" :closable="true" show-icon role="status" data-test="newer" @close="ready = false">
    <template #title> A newer version is here. <button class="btn" type="button" @click="take">Save and use it</button> </template>
  </ElAlert>
</template>

<style scoped>
.newer {
  position: fixed;
  right: 12px;
  bottom: 12px;
  z-index: 2500;
  width: auto;
  max-width: calc(100vw - 24px);
  border: 1px solid var(--line);
}
</style>
