<script setup lang="ts">
/** A control with its label, its help at the label and its error below. */
defineProps<{
  label: string
  help?: string | undefined
  error?: string | undefined
  /** The control's id, where it holds more than one. */
  for?: string | undefined
}>()
</script>

<template>
  <ElFormItem label-position="top" :for="$props.for" :error="error ?? ''">
    <template #label>{{ label }}<HelpMark v-if="help" :text="help" /></template>
    <slot />
    <template #error="{ error: words }">
      <div class="el-form-item__error field-error" role="alert">{{ words }}</div>
    </template>
  </ElFormItem>
</template>
