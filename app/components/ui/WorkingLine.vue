<script setup lang="ts">
import { computed } from 'vue'

/** Something is being computed for this list; what is done at once shows nothing. With a share it says how far it is and can be ended. */
const props = defineProps<{ what: string; share?: number }>()
defineEmits<{ stop: [] }>()
const percent = computed(() => (props.share === undefined ? undefined : Math.round(props.share * 100)))
</script>

<template>
  <div class="working no-print">
    <template v-if="percent !== undefined">
      <ElProgress :percentage="percent" :stroke-width="3" :aria-label="what" />
      <ElButton link type="primary" data-test="stop-working" @click="$emit('stop')">Cancel</ElButton>
    </template>
    <ElProgress v-else :percentage="60" indeterminate :duration="1.6" :show-text="false" :stroke-width="3" :aria-label="what" />
  </div>
</template>

<style scoped>
.working {
  display: flex;
  gap: 12px;
  align-items: center;
  margin: 2px 0;
  animation: appear 0.2s 0.25s both;
}
.working > :first-child {
  flex: 1;
}
@keyframes appear {
  from {
    opacity: 0;
  }
}
</style>
