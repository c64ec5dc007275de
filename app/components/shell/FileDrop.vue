<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { ref } from 'vue'
import { usePictureDrop } from '~/composables/picture-drop'
import { useProjectFiles } from '~/composables/project-files'

const { openFile } = useProjectFiles()
const pictures = usePictureDrop()
/** What would become of what hangs over the page. */
const over = ref<'project' | 'picture'>()
const holdsFile = (event: DragEvent) => event.dataTransfer?.types.includes('Files') ?? false

useEventListener(document, 'dragover', (event) => {
  if (!holdsFile(event)) return
  event.preventDefault()
  over.value = pictures.takes(event.dataTransfer!.items[0]?.type ?? '') ? 'picture' : 'project'
})
useEventListener(document, 'dragleave', (event) => {
  if (event.relatedTarget === null) over.value = undefined
})
useEventListener(document, 'drop', (event) => {
  if (!holdsFile(event)) return
  event.preventDefault()
  over.value = undefined
  const file = event.dataTransfer?.files[0]
  if (!file) return
  if (pictures.takes(file.type)) pictures.take(file)
  else void openFile(file)
})
</script>

<template>
  <div v-if="over" class="drop" role="status">
    {{ over === 'picture' ? 'Drop to trace the picture' : 'Let go to open the project file' }}
  </div>
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
