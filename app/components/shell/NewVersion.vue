<script setup lang="ts">
import { useNewVersion } from '~/composables/new-version'

/** A newer build is here; it is taken when one says so, or when all pages of this one are closed. */
const { ready, take } = useNewVersion()
</script>

<template>
  <ElAlert v-if="ready" class="newer" type="info" :closable="true" show-icon role="status" data-test="newer" @close="ready = false">
    <template #title> A newer version is here. <ElButton @click="take">Save and use it</ElButton> </template>
  </ElAlert>
</template>

<style scoped>
.newer {
  position: fixed;
  right: 12px;
  /* the key figures below stays in sight */
  bottom: 112px;
  z-index: 2500;
  width: auto;
  max-width: calc(100vw - 24px);
  padding-right: 44px;
  border: 1px solid var(--line);
  background: var(--sheet);
  color: var(--ink);
}
.newer :deep(.el-alert__title) {
  display: flex;
  gap: 12px;
  align-items: center;
  color: var(--ink);
}
.newer :deep(.el-alert__close-btn) {
  top: 50%;
  right: 14px;
  margin-top: -8px;
  color: var(--ink);
}
</style>
