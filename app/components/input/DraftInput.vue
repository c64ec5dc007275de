<script setup lang="ts">
import { ref, useAttrs, watch } from 'vue'
import { useDraft } from '~/composables/draft'

/**
 * A text field that keeps what is being typed until it is taken. A plain bound field would be set back
 * whenever the page around it is drawn anew, which a report does while one types on; neither that nor another tab's
 * change nor a reload drops a text that was not taken yet.
 */
defineOptions({ inheritAttrs: false })
const props = withDefaults(defineProps<{ value: string | number | undefined; as?: 'text' | 'textarea' }>(), { as: 'text' })
const emit = defineEmits<{
  /** The text was taken; `put` shows another in its place. */
  change: [text: string, put: (text: string) => void]
}>()
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
function write(typed: string) {
  text.value = typed
  dirty.value = true
  draft.keep(typed)
}
/** Also on leaving: a text that stood there since an earlier visit makes no change event of its own. */
function take() {
  if (!dirty.value) return
  dirty.value = false
  draft.drop()
  emit('change', text.value, (shown) => (text.value = shown))
}
function giveUp() {
  dirty.value = false
  draft.drop()
  text.value = given()
}
</script>

<template>
  <ElInput
    v-bind="attrs"
    :model-value="text"
    :type="as"
    :data-waiting="dirty || undefined"
    :validate-event="false"
    @update:model-value="write"
    @change="take"
    @blur="take"
    @keydown.esc="giveUp"
  />
</template>
