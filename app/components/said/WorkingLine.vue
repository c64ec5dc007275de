<script setup lang="ts">
/** Something is being computed for this list; what is done at once shows nothing. */
defineProps<{ what: string }>()
</script>

<template>
  <ElProgress class="working" :percentage="60" indeterminate :duration="1.6" :show-text="false" :stroke-width="3" :aria-label="what" />
</template>

<style scoped>
.working {
  margin: 2px 0;
  animation: appear 0.2s 0.25s both;
}
@keyframes appear {
  from {
    opacity: 0;
  }
}
</style>
