<script setup lang="ts">
import { computed } from 'vue'
import { chooseMaster } from '#core/commands/begin.ts'
import { newPart } from '#core/commands/new-part.ts'
import { putAt } from '#core/commands/put-at.ts'
import { AXLE_SLOTS, HYDRAULIC_SLOTS } from '#core/records/setup.ts'
import { placeKey } from '#core/records/question.ts'
import { formatQuantity } from '#core/quantity/format.ts'
import { fieldAt, heldAt, tableAt } from '#core/records/entry.ts'
import type { Ask } from '#core/guide/path.ts'
import { useProjectStore } from '~/stores/project'
import { newId } from '~/composables/new-id'
import { useWorkbench } from '~/composables/workbench'

/** One thing that is asked for on the way to an answer: a field, a marking, a place without a part. */
const props = defineProps<{ ask: Ask }>()
const emit = defineEmits<{ enter: [] }>()
const store = useProjectStore()
const { units } = useWorkbench()
const at = computed(() => props.ask.at)
const field = computed(() => fieldAt(store.current, at.value))
const name = computed(() => {
  const place = at.value
  if (!('field' in place)) return ''
  return place.kind === 'car' && place.axle ? `${place.axle}.${place.field}` : place.field
})
const part = computed(() => {
  const place = at.value
  return place.kind === 'part' ? store.current.parts.find((one) => one.id === place.partId) : undefined
})

function put(values: Record<string, unknown>) {
  store.edit(`Enter ${props.ask.label.toLowerCase()}`, (draft) => {
    // two cylinders bring the bar between them
    if (part.value?.kind === 'masterCylinder' && values.construction !== undefined)
      chooseMaster(draft, part.value.id, values.construction as 'tandem' | 'twin')
    else putAt(draft, at.value, values)
  })
}
const change = (value: unknown) => 'field' in at.value && put({ [at.value.field]: value })

const slot = computed(() => {
  const place = at.value
  if (place.kind !== 'slot') return undefined
  const all: Record<string, { kinds: readonly string[]; nothing: boolean }> = { ...AXLE_SLOTS, ...HYDRAULIC_SLOTS }
  return { place, kind: all[place.slot]!.kinds[0] as Parameters<typeof newPart>[1], nothing: all[place.slot]!.nothing }
})
/** A place without a part: nothing on purpose, or a part of which nothing is known yet. */
function fill(there: boolean) {
  const { place, kind } = slot.value!
  const what = props.ask.label.replace(/,.*/, '')
  store.edit(`${there ? 'There is a' : 'No'} ${what.toLowerCase()}`, (draft) => {
    const id = newId()
    if (there) draft.parts.push({ ...newPart(id, kind, draft.parts), name: what, owned: true })
    const setup = draft.setups.find((one) => one.id === place.setupId)!
    Object.assign(place.axle ? setup[place.axle] : setup.hydraulics, { [place.slot]: there ? id : null })
  })
}
const share = computed(() =>
  props.ask.share !== undefined && props.ask.share >= 0.01 ? formatQuantity(props.ask.share, 'share', undefined, { decimals: 0 }) : '',
)
</script>

<template>
  <div class="ask" :data-ask="ask.key">
    <div v-if="slot" class="slot">
      <span>{{ ask.label }}</span>
      <ElButton v-if="slot.nothing" size="small" @click="fill(false)">There is none</ElButton>
      <ElButton size="small" @click="fill(true)">There is one</ElButton>
    </div>
    <MarkingInput
      v-else-if="ask.way"
      :way="ask.way"
      :label="ask.label"
      :values="part ?? {}"
      :units="units"
      @several="put($event)"
      @enter="emit('enter')"
    />
    <FieldControl
      v-else-if="field"
      :field="field"
      :value="heldAt(store.current, at)"
      :name="name"
      :label="ask.label"
      :units="units"
      :table="tableAt(store.current, at)?.name"
      :place="placeKey(at)"
      at-once
      @change="change"
      @several="put($event)"
      @enter="emit('enter')"
    />
    <BarShare v-else-if="at.kind === 'setup'" :setup-id="at.setupId" @enter="emit('enter')" />
    <span v-if="share" class="soft small">{{ share }} of the uncertainty</span>
  </div>
</template>

<style scoped>
.ask {
  margin-bottom: 8px;
}
.slot {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
.slot .el-button {
  margin: 0;
}
</style>
