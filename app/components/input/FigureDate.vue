<script setup lang="ts">
/** The day a figure was taken: apart, so that the calendar comes when somebody opens what is beside a figure. */
defineProps<{ value: string | undefined; label: string }>()
defineEmits<{ change: [date: string] }>()
</script>

<template>
  <ElDatePicker
    :model-value="value?.slice(0, 10)"
    value-format="YYYY-MM-DD"
    placeholder="Date"
    :aria-label="label"
    :validate-event="false"
    @update:model-value="$emit('change', $event)"
  />
</template>
