<script setup lang="ts" generic="V extends string | number">
import { computed, shallowRef } from 'vue'
import type { Verdict } from '#core/figures/verdict.ts'

/** One of several: searched where there are many, in groups, each with what it would bring; a long name keeps its end. */
interface Choice<T> {
  value: T
  label: string
  /** What stands behind it: a verdict in words, a price. */
  detail?: string
  verdict?: Verdict
  group?: string
  disabled?: boolean
}
defineOptions({ inheritAttrs: true })
const props = defineProps<{
  value: V | undefined
  options: readonly Choice<V>[]
  /** Where no label stands beside it. */
  label?: string
  placeholder?: string
  /** It differs from the car as it stands. */
  changed?: boolean
}>()
const emit = defineEmits<{ change: [value: V] }>()

/** More than these are searched rather than looked through. */
const AT_A_GLANCE = 8
/** A name longer than this keeps its end in sight: what stands in brackets there, or its last letters. */
const WHOLE = 14
const TAIL = 9
const PX_A_SIGN = 7.2

/** What the list points at is gone with the list: nothing may go on naming it. */
const list = shallowRef<{ states: { hoveringIndex: number } }>()
function opened(open: boolean) {
  if (!open && list.value) list.value.states.hoveringIndex = -1
}
type ChoiceEntry = Choice<V> | { value: string; label: string; options: Choice<V>[] }
const grouped = computed((): ChoiceEntry[] => {
  if (!props.options.some((one) => one.group)) return [...props.options]
  const groups = new Map<string, Choice<V>[]>()
  for (const one of props.options) groups.set(one.group ?? '', [...(groups.get(one.group ?? '') ?? []), one])
  return [...groups].flatMap(([label, options]): ChoiceEntry[] => (label === '' ? options : [{ value: `group ${label}`, label, options }]))
})
const chosen = computed(() => props.options.find((one) => one.value === props.value))
const tailAt = (label: string): number => {
  if (label.length <= WHOLE) return 0
  const bracket = label.lastIndexOf(' (')
  return bracket > 0 && label.length - bracket <= WHOLE + 2 ? bracket : label.length - TAIL
}
const signs = (one: Choice<V>) => one.label.length + (one.detail?.length ?? 0) + (one.verdict ? 3 : 0)
const widthPx = computed(() => Math.min(Math.max(150, 48 + PX_A_SIGN * Math.max(0, ...props.options.map(signs))), 560))
</script>

<template>
  <ElSelectV2
    ref="list"
    class="choice"
    :class="{ changed }"
    :model-value="chosen?.value"
    :options="grouped"
    :aria-label="label"
    :placeholder="placeholder ?? 'choose'"
    :filterable="options.length > AT_A_GLANCE"
    :fit-input-width="widthPx"
    :empty-values="[null, undefined]"
    :validate-event="false"
    :title="chosen?.label"
    :item-height="32"
    :persistent="false"
    no-match-text="Nothing has that in its name"
    no-data-text="There is nothing to choose from"
    @visible-change="opened"
    @update:model-value="emit('change', $event)"
  >
    <template #label>
      <span class="room"
        ><span class="whole"
          ><span class="head">{{ chosen?.label.slice(0, tailAt(chosen.label)) }}</span
          ><span class="tail">{{ chosen?.label.slice(tailAt(chosen.label)) }}</span></span
        ></span
      >
    </template>
    <template #default="{ item }">
      <span class="row"
        ><VerdictMark v-if="item.verdict" :verdict="item.verdict" :size="13" /><span class="name">{{ item.label }}</span
        ><span v-if="item.detail" class="soft detail">{{ item.detail }}</span></span
      >
    </template>
  </ElSelectV2>
</template>

<style scoped>
.choice {
  width: 100%;
  min-width: 84px;
}
.changed :deep(.el-select__wrapper) {
  box-shadow: 0 0 0 1px var(--ink) inset;
  font-weight: 620;
}
.room {
  container-type: inline-size;
  display: block;
}
.whole {
  display: flex;
  min-width: 0;
  white-space: pre;
}
.head {
  flex: 0 1 auto;
  overflow: hidden;
  text-overflow: ellipsis;
}
.head:empty {
  display: none;
}
.tail {
  flex: 0 0 auto;
  max-width: 100%;
  overflow: hidden;
  text-overflow: ellipsis;
}
/* on a phone the beginning of a name tells more than its end; the whole is in the title */
@container (max-width: 130px) {
  .whole {
    display: block;
    overflow: hidden;
    text-overflow: ellipsis;
  }
  .head,
  .tail {
    overflow: visible;
  }
}
.row {
  display: flex;
  gap: 6px;
  align-items: center;
  min-width: 0;
}
.name {
  overflow: hidden;
  text-overflow: ellipsis;
}
.detail {
  flex: none;
  margin-left: auto;
  padding-left: 10px;
  font-size: 12.5px;
}
</style>
