<script setup lang="ts">
import { useFormats } from '~/composables/formats'

/** A file that takes a while to read: its name, and a way to leave it. */
const { reading } = useFormats()
</script>

<template>
  <ElDialog
    :model-value="reading !== undefined"
    title="Reading the file"
    width="min(420px, 92vw)"
    :show-close="false"
    :close-on-click-modal="false"
    append-to-body
    @close="reading?.cancel()"
  >
    <p class="name" role="status">{{ reading?.name }}</p>
    <ElProgress :percentage="100" :indeterminate="true" :show-text="false" :duration="2" aria-label="Reading" />
    <template #footer>
      <ElButton data-test="leave-file" @click="reading?.cancel()">Cancel</ElButton>
    </template>
  </ElDialog>
</template>

<style scoped>
.name {
  margin: 0 0 10px;
  overflow-wrap: anywhere;
}
</style>
