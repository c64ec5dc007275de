<script setup lang="ts">
/** There is nothing here, and what to do about it. */
defineProps<{ text: string }>()
</script>

<template>
  <ElEmpty class="nothing" :image-size="0" :description="text">
    <slot />
  </ElEmpty>
</template>

<style scoped>
.nothing {
  align-items: flex-start;
  padding: 6px 0 10px;
  text-align: left;
}
.nothing :deep(.el-empty__image) {
  display: none;
}
.nothing :deep(.el-empty__description) {
  margin: 0;
}
.nothing :deep(.el-empty__description p) {
  color: var(--ink-soft);
}
.nothing :deep(.el-empty__bottom) {
  margin-top: 8px;
}
</style>
