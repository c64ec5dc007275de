<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { ref } from 'vue'
import { useProjectFiles } from '~/composables/project-files'

const { openFile } = useProjectFiles()
const over = ref(false)
const holdsFile = (event: DragEvent) => event.dataTransfer?.types.includes('Files') ?? false

useEventListener(document, 'dragover', (event) => {
  if (!holdsFile(event)) return
  event.preventDefault()
  over.value = true
})
useEventListener(document, 'dragleave', (event) => {
  if (event.relatedTarget === null) over.value = false
})
useEventListener(document, 'drop', (event) => {
  if (!holdsFile(event)) return
  event.preventDefault()
  over.value = false
  const file = event.dataTransfer?.files[0]
  if (file) void openFile(file)
})
</script>

<template>
  <div v-if="over" class="drop" role="status">Let go to open the project file</div>
</template>

<style scoped>
.drop {
  position: fixed;
  inset: 12px;
  z-index: 3000;
  display: grid;
  place-items: center;
  border: 2px dashed var(--accent);
  background: color-mix(in srgb, var(--paper) 85%, transparent);
  font-size: 20px;
  pointer-events: none;
}
</style>
