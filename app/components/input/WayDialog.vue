<script setup lang="ts">
import { computed, ref } from 'vue'
import type { WayId } from '#core/records/way-ids.ts'
import { figuresFrom, madeIn, WAYS, type Asked, type Derivation } from '#core/records/ways.ts'
import type { Figure } from '#core/quantity/figure.ts'
import { editQuantity, formatQuantity } from '#core/quantity/format.ts'
import { parseQuantity } from '#core/quantity/parse.ts'
import type { UnitChoice } from '#core/quantity/units.ts'

/** A figure worked out from others: what is asked for, the formula, and what comes out while it is typed. */
const props = defineProps<{ way: WayId; figure: Figure | undefined; units: UnitChoice; label: string }>()
const emit = defineEmits<{ made: [figures: Record<string, Figure | Figure[]>]; close: [] }>()
const way = computed((): Derivation => WAYS[props.way])
const asks = computed(() => Object.entries<Asked>(way.value.asks))
const before = props.figure?.madeOf?.way === props.way ? props.figure.madeOf.given : {}
const texts = ref<Record<string, string>>(
  Object.fromEntries(
    asks.value.map(([name, asked]) => {
      const value = before[name]
      return [
        name,
        value === undefined ? '' : asked.type === 'figure' ? editQuantity(Number(value), asked.dimension, props.units) : String(value),
      ]
    }),
  ),
)
const tried = ref(false)
function read(): Record<string, string | number> | string {
  const given: Record<string, string | number> = {}
  for (const [name, asked] of asks.value) {
    const text = texts.value[name]!.trim()
    if (asked.type !== 'figure' || text === '') given[name] = text
    else {
      const parsed = parseQuantity(text, asked.dimension, props.units)
      if (!parsed.ok) return `${asked.label}: ${parsed.message}`
      given[name] = parsed.value
    }
  }
  return given
}
const found = computed(() => {
  const given = read()
  return typeof given === 'string' ? given : figuresFrom(props.way, given, new Date().toISOString().slice(0, 10))
})
const shown = computed(() => {
  if (typeof found.value === 'string') return []
  return Object.entries(found.value).map(([field, figure]) => {
    const [first] = [figure].flat()
    const dimension = madeIn(props.way, field)
    const u = first!.u === undefined ? '' : ` ± ${formatQuantity(first!.u, dimension, props.units, { decimals: 2 })}`
    return `${formatQuantity(first!.value, dimension, props.units, { decimals: 2 })}${u}`
  })
})
function take() {
  tried.value = true
  if (typeof found.value !== 'string') emit('made', found.value)
}
</script>

<template>
  <ElDialog
    :model-value="true"
    :title="`${label}: from ${way.label}`"
    width="min(460px, 94vw)"
    append-to-body
    @update:model-value="emit('close')"
  >
    <form @submit.prevent="take">
      <p v-if="way.how" class="soft small">{{ way.how }}</p>
      <FieldItem v-for="[name, asked] in asks" :key="name" :label="asked.label" :for="`way-${name}`">
        <ElRadioGroup
          v-if="asked.type === 'choice'"
          :id="`way-${name}`"
          v-model="texts[name]"
          :aria-label="asked.label"
          :validate-event="false"
        >
          <ElRadio v-for="one in asked.options" :key="one.value" :value="one.value" :validate-event="false">{{ one.label }}</ElRadio>
        </ElRadioGroup>
        <ElInput
          v-else
          :id="`way-${name}`"
          v-model="texts[name]"
          class="num"
          autocomplete="off"
          :placeholder="asked.type === 'text' ? asked.as : ''"
          :aria-label="asked.label"
          :validate-event="false"
        />
      </FieldItem>
      <p class="formula num">{{ way.formula }}</p>
      <p class="soft small">Source: {{ way.source }}.</p>
      <p v-if="shown.length > 0" class="num out" role="status" data-test="way-result">{{ shown.join(', ') }}</p>
      <p v-else-if="tried" class="field-error" role="alert">{{ found }}</p>
      <div class="foot">
        <ElButton @click="emit('close')">Cancel</ElButton>
        <ElButton type="primary" native-type="submit">Use value</ElButton>
      </div>
    </form>
  </ElDialog>
</template>

<style scoped>
.formula {
  margin-top: 10px;
  padding: 6px 10px;
  background: var(--sheet-2);
}
.out {
  font-size: 18px;
}
.foot {
  display: flex;
  justify-content: flex-end;
}
</style>
