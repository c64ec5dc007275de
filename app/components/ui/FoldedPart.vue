<script setup lang="ts">
import { ref, watch } from 'vue'

/** Something that is looked at now and then, folded under its title. */
const props = defineProps<{ title: string; open?: boolean }>()
const PART = 'part'
const shown = ref<string[]>(props.open ? [PART] : [])
watch(
  () => props.open,
  (open) => (shown.value = open ? [PART] : []),
)
</script>

<template>
  <ElCollapse v-model="shown" class="folded">
    <ElCollapseItem :title="title" :name="PART"><slot /></ElCollapseItem>
  </ElCollapse>
</template>

<style scoped>
.folded {
  border: 0;
}
.folded :deep(.el-collapse-item__header) {
  height: auto;
  min-height: 32px;
  border: 0;
  background: none;
  font-size: 14px;
  font-weight: 640;
  line-height: 1.4;
  text-align: left;
}
.folded :deep(.el-collapse-item__wrap) {
  border: 0;
  background: none;
}
.folded :deep(.el-collapse-item__content) {
  padding: 0 0 10px;
  font-size: 14px;
  line-height: 1.4;
}
@media print {
  .folded :deep(.el-collapse-item__wrap) {
    display: block !important;
  }
}
</style>
