<script setup lang="ts">
import { ref, useAttrs, watch } from 'vue'
import { useDraft } from '~/composables/draft'

/**
 * A text field that keeps what is being typed until it is taken. A plain bound field would be set back
 * whenever the page around it is drawn anew, which a report does while one types on; neither that nor another tab's
 * change nor a reload drops a text that was not taken yet.
 */
const props = withDefaults(defineProps<{ value: string | number | undefined; as?: 'input' | 'textarea' }>(), { as: 'input' })
const emit = defineEmits<{ change: [event: Event] }>()
const attrs = useAttrs()
const draft = useDraft(() => {
  const name = attrs['data-field'] ?? attrs['aria-label'] ?? attrs.name ?? attrs.placeholder
  return typeof name === 'string' ? name : undefined
})
const text = ref('')
const dirty = ref(false)
const given = () => (props.value === undefined ? '' : String(props.value))

watch(
  () => props.value,
  () => {
    if (!dirty.value) text.value = given()
  },
  { immediate: true },
)
const typedBefore = draft.read()
if (typedBefore !== undefined && typedBefore !== text.value) {
  text.value = typedBefore
  dirty.value = true
}
function write(event: Event) {
  text.value = (event.target as HTMLInputElement).value
  dirty.value = true
  draft.keep(text.value)
}
function take(event: Event) {
  dirty.value = false
  draft.drop()
  emit('change', event)
  // whoever took it may have put something else in
  text.value = (event.target as HTMLInputElement).value
}
/** A text that stood there since an earlier visit makes no change event of its own: leaving the field takes it. */
function leave(event: Event) {
  if (dirty.value) take(event)
}
function giveUp() {
  dirty.value = false
  draft.drop()
  text.value = given()
}
</script>

<template>
  <component :is="as" :value="text" :data-waiting="dirty || undefined" @input="write" @change="take" @blur="leave" @keydown.esc="giveUp" />
</template>
