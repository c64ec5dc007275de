<script setup lang="ts">
import { computed, onBeforeUnmount, ref } from 'vue'
import { putAt } from '#core/commands/put-at.ts'
import { readPartLine } from '#core/formats/part-line.ts'
import { PART_KINDS } from '#core/records/part-kinds.ts'
import { useProjectStore } from '~/stores/project'
import { useChoosePart } from '~/composables/choose-part'
import { useFormLens } from '~/composables/form-lens'
import { useWorkbench } from '~/composables/workbench'

/** A part made in its place: pasted as a line, or entered figure by figure, without leaving the setup. */
const store = useProjectStore()
const { made } = useChoosePart()
const { units } = useWorkbench()
const part = computed(() => store.project?.parts.find((one) => one.id === made.value))
const open = computed({
  get: () => part.value !== undefined,
  set: (value) => {
    if (!value) made.value = undefined
  },
})
// what its place needs first stands first; the rest is folded away
const lens = useFormLens()
const before = lens.by.value
if (before === '') lens.by.value = part.value?.kind === 'wheel' || part.value?.kind === 'spacer' ? 'clears' : 'balanced'
onBeforeUnmount(() => (lens.by.value = before))
const text = ref('')
const said = ref('')
const left = ref<string[]>([])
function take() {
  if (!part.value || text.value.trim() === '') return
  const { name, values, left: open } = readPartLine(part.value.kind, text.value, units.value, new Date().toISOString().slice(0, 10))
  const count = Object.keys(values).length
  left.value = open
  said.value = count === 0 ? 'No value was recognised.' : `${count} imported, with origin “reported”.`
  if (count === 0 && name === undefined) return
  store.edit(`Paste ${part.value.name}`, (draft) =>
    putAt(draft, { kind: 'part', partId: part.value!.id, field: '' }, { ...values, ...(name === undefined ? {} : { name }) }),
  )
  text.value = ''
}
</script>

<template>
  <ElDrawer
    v-model="open"
    :modal="false"
    :lock-scroll="false"
    modal-penetrable
    size="min(640px, 100vw)"
    :title="part ? `${part.name}: ${PART_KINDS[part.kind].one} in its place` : ''"
    class="part-drawer"
  >
    <template v-if="part">
      <form class="paste" @submit.prevent="take">
        <FieldItem
          label="Paste it as one line, or as head and row of a spreadsheet"
          help="Pieces with commas between, each a figure by its name: Four-piston caliper, fixed, pistons on one side 38.1; 41.3, slot width 32 mm."
        >
          <ElInput
            v-model="text"
            type="textarea"
            :rows="2"
            aria-label="The part as text"
            :validate-event="false"
            @keydown.enter.exact.prevent="take"
          />
        </FieldItem>
        <ElButton native-type="submit">Import</ElButton>
        <span v-if="said" class="small" role="status" data-test="pasted">{{ said }}</span>
        <ul v-if="left.length > 0" class="small tone-needs">
          <li v-for="one in left" :key="one">{{ one }}</li>
        </ul>
      </form>
      <PartEditor :key="part.id" :part="part" @removed="made = undefined" @copied="made = $event" />
    </template>
  </ElDrawer>
</template>

<style scoped>
.paste {
  margin-bottom: 12px;
}
</style>
