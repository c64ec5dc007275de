<script setup lang="ts">
import type { InputInstance } from 'element-plus'
import { computed, nextTick, ref, useId, watch } from 'vue'
import { findIn, type Findable } from '~/composables/finding'
import { useFinder } from '~/composables/finder'

/**
 * Any step, setup, part, figure or action by its name. The list is our own: that of the library's autocomplete stands in
 * two roles at once, which a screen reader cannot follow.
 */
const { open, all } = useFinder()
const id = useId()
const text = ref('')
const at = ref(0)
const field = ref<InputInstance>()
const list = ref<HTMLElement>()
const found = computed(() => findIn(all.value, text.value))
watch(text, () => (at.value = 0))
watch(open, (now) => now && (text.value = ''))

/** The role of the field is not passed on by the library's. */
function opened() {
  field.value?.input?.setAttribute('role', 'combobox')
  field.value?.focus()
}
async function move(by: number) {
  const count = found.value.length
  if (count === 0) return
  at.value = (at.value + by + count) % count
  await nextTick()
  list.value?.children[at.value]?.scrollIntoView({ block: 'nearest' })
}
function run(one: Findable | undefined) {
  if (!one) return
  open.value = false
  one.run()
}
</script>

<template>
  <ElDialog v-model="open" title="Find" width="min(560px, 94vw)" append-to-body @opened="opened">
    <ElInput
      ref="field"
      v-model="text"
      aria-label="Find by name"
      aria-autocomplete="list"
      aria-expanded="true"
      :aria-controls="`${id}-list`"
      :aria-activedescendant="found[at] && `${id}-${at}`"
      autocomplete="off"
      placeholder="a step, a setup, a part, a figure, an action"
      :validate-event="false"
      @keydown.down.prevent="move(1)"
      @keydown.up.prevent="move(-1)"
      @keydown.enter.prevent="run(found[at])"
    />
    <ul :id="`${id}-list`" ref="list" role="listbox" aria-label="Found">
      <li
        v-for="(one, i) in found"
        :id="`${id}-${i}`"
        :key="one.id"
        role="option"
        :aria-selected="i === at"
        @pointermove="at = i"
        @click="run(one)"
      >
        <span class="name">{{ one.label }}</span><span class="soft small kind">{{ one.kind }}</span>
      </li>
    </ul>
    <p v-if="found.length === 0" class="soft" role="status">No result. Try another name.</p>
  </ElDialog>
</template>

<style scoped>
ul {
  max-height: min(420px, 60vh);
  margin: 8px 0 0;
  padding: 0;
  overflow: auto;
  list-style: none;
}
li {
  display: flex;
  gap: 16px;
  padding: 5px 8px;
  cursor: pointer;
}
li[aria-selected='true'] {
  background: var(--accent-soft);
}
.name {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.kind {
  flex: none;
  margin-left: auto;
}
</style>
