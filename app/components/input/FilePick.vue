<script setup lang="ts">
import type { UploadRawFile } from 'element-plus'

/** A file of this machine's, read here: nothing is sent anywhere. */
defineProps<{ label: string; accept: string; name: string }>()
const emit = defineEmits<{ pick: [file: File] }>()
/** Taken in hand before an upload would begin, which is then stopped. */
function take(file: UploadRawFile): boolean {
  emit('pick', file)
  return false
}
</script>

<template>
  <ElUpload class="pick" :accept="accept" :show-file-list="false" :before-upload="take" :data-test="name">
    <ElButton tag="span"
      ><slot>{{ label }}</slot></ElButton
    >
  </ElUpload>
</template>

<style scoped>
.pick {
  display: inline-block;
}
</style>
