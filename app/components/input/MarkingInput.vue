<script setup lang="ts">
import { computed, ref, useId, watch } from 'vue'
import type { WayId } from '#core/records/way-ids.ts'
import { figuresFrom, WAYS, type Asked, type Derivation } from '#core/records/ways.ts'
import type { Figure } from '#core/quantity/figure.ts'
import { formatQuantity } from '#core/quantity/format.ts'
import type { UnitChoice } from '#core/quantity/units.ts'

/** A marking typed as it stands on the part, in one line; what it says is shown below. */
const props = defineProps<{ way: WayId; label: string; values: object; units: UnitChoice }>()
const emit = defineEmits<{ several: [values: Record<string, Figure | Figure[]>]; enter: [] }>()
const id = useId()
const way = computed((): Derivation => WAYS[props.way])
const asked = computed(() => Object.entries<Asked>(way.value.asks)[0]!)
const known = computed(() => way.value.makes.map((field) => (props.values as Record<string, Figure | undefined>)[field]))
const given = computed(() => {
  const made = known.value.find((one) => one?.madeOf?.way === props.way)?.madeOf?.given[asked.value[0]]
  return made === undefined ? '' : String(made)
})
const text = ref('')
const error = ref('')
watch(given, (now) => (text.value = now), { immediate: true })
function take(): boolean {
  error.value = ''
  const typed = text.value.trim()
  if (typed === '' || typed === given.value) return typed !== ''
  const made = figuresFrom(props.way, { [asked.value[0]]: typed }, new Date().toISOString().slice(0, 10))
  if (typeof made === 'string') {
    error.value = made
    return false
  }
  emit('several', made)
  return true
}
/** What it says, as far as it is there. */
const read = computed(() => {
  const [diameter, width, offset, count, circle, bore] = known.value
  if (props.way !== 'wheelMarking' || !diameter || !width) return ''
  const mm = (figure: Figure) => formatQuantity(figure.value, 'length', props.units)
  return [
    `${width.value} inches wide, ${diameter.value} across`,
    ...(offset ? [`offset ${mm(offset)}`] : []),
    ...(count && circle ? [`${count.value} holes on ${mm(circle)}`] : []),
    ...(bore ? [`bore ${mm(bore)}`] : []),
  ].join(', ')
})
</script>

<template>
  <FieldItem :label="label" :for="id" :help="`As it is stamped: ${(asked[1] as { as: string }).as}`" :error="error" data-field="marking">
    <ElInput
      :id="id"
      v-model="text"
      class="num"
      autocomplete="off"
      :placeholder="(asked[1] as { as: string }).as"
      :aria-label="label"
      :aria-invalid="error !== ''"
      :validate-event="false"
      @change="take"
      @keydown.enter.prevent="take() && emit('enter')"
    />
    <p v-if="read" class="soft small below">{{ read }}</p>
  </FieldItem>
</template>

<style scoped>
.below {
  width: 100%;
  margin: 2px 0 0;
  line-height: 1.3;
}
</style>
