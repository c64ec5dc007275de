<script setup lang="ts">
import { ref, watch } from 'vue'

/**
 * A text field that keeps what is being typed until it is taken. A plain bound field would be set back
 * whenever the page around it is drawn anew, which a report does while one types on.
 */
const props = withDefaults(defineProps<{ value: string | number | undefined; as?: 'input' | 'textarea' }>(), { as: 'input' })
const emit = defineEmits<{ change: [event: Event] }>()
const text = ref('')

watch(
  () => props.value,
  (value) => {
    text.value = value === undefined ? '' : String(value)
  },
  { immediate: true },
)
const write = (event: Event) => {
  text.value = (event.target as HTMLInputElement).value
}
function take(event: Event) {
  emit('change', event)
  // whoever took it may have put something else in
  write(event)
}
</script>

<template>
  <component :is="as" :value="text" @input="write" @change="take" />
</template>
