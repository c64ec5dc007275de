<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Draft } from 'immer'
import { amount } from '#core/records/field.ts'
import { fieldsOf, PART_KINDS } from '#core/records/part-kinds.ts'
import { doubts } from '#core/records/plausible.ts'
import { CONDITIONS, type Part } from '#core/records/part.ts'
import { putAt } from '#core/commands/put-at.ts'
import { copyOf } from '#core/commands/new-part.ts'
import { removeParts } from '#core/commands/remove-parts.ts'
import { useProjectStore } from '~/stores/project'
import { newId } from '~/composables/new-id'
import { useWorkbench } from '~/composables/workbench'

/** Everything of one part, the figures that checks need first. */
const props = defineProps<{ part: Part }>()
const emit = defineEmits<{ removed: []; copied: [id: string] }>()
const store = useProjectStore()
const { units } = useWorkbench()
const kind = computed(() => PART_KINDS[props.part.kind])
const questions = computed(() => doubts(props.part, units.value))
const current = ref('')
/** The figure in hand, for the drawing. */
const look = (event: FocusEvent) => {
  current.value = (event.target as HTMLElement).closest<HTMLElement>('[data-field]')?.dataset.field ?? current.value
}
const against = ref('')
const alike = computed(() => store.current.parts.filter((one) => one.kind === props.part.kind && one.id !== props.part.id))
const other = computed(() => alike.value.find((one) => one.id === against.value))
const mass = amount('Mass', 'mass', 0, 200)

function change(key: string, value: unknown) {
  store.edit(`Edit ${props.part.name}`, (draft) => {
    const part = draft.parts.find((one) => one.id === props.part.id) as Draft<Record<string, unknown>> | undefined
    if (!part) return
    if (value === undefined) Reflect.deleteProperty(part, key)
    else part[key] = value
  })
}
const several = (values: Record<string, unknown>) =>
  store.edit(`Edit ${props.part.name}`, (draft) => putAt(draft, { kind: 'part', partId: props.part.id, field: '' }, values))
const write = (key: string, text: string, most: number) => change(key, text.trim().slice(0, most) || undefined)
function rename(text: string, put: (text: string) => void) {
  const name = text.trim().slice(0, 120)
  if (name) change('name', name)
  else put(props.part.name)
}
const usedIn = computed(() =>
  store.current.setups
    .filter((setup) =>
      [...Object.values(setup.front), ...Object.values(setup.rear), ...Object.values(setup.hydraulics)].includes(props.part.id),
    )
    .map((setup) => setup.name),
)
function remove() {
  emit('removed')
  store.edit(`Remove ${props.part.name}`, (draft) => removeParts(draft, new Set([props.part.id])))
}
function duplicate() {
  const id = newId()
  store.edit(`Copy ${props.part.name}`, (draft) => {
    const at = draft.parts.findIndex((one) => one.id === props.part.id)
    draft.parts.splice(at + 1, 0, copyOf(props.part, id))
  })
  emit('copied', id)
}
</script>

<template>
  <form class="editor" @submit.prevent @focusin="look">
    <header>
      <FieldItem class="title" :label="kind.one"
        ><DraftInput :value="part.name" maxlength="120" aria-label="Name of the part" data-field="name" @change="rename"
      /></FieldItem>
      <ChoiceSelect
        v-if="alike.length > 0"
        class="with"
        label="Compare with"
        :value="against"
        :options="[{ value: '', label: 'Compare with …' }, ...alike.map((one) => ({ value: one.id, label: one.name }))]"
        @change="against = $event"
      />
      <ElButton @click="duplicate">Copy</ElButton>
      <ElButton
        :title="usedIn.length > 0 ? `In use in: ${usedIn.join(', ')}. Undo brings it back.` : 'Undo brings it back.'"
        @click="remove"
      >
        Remove
      </ElButton>
    </header>
    <p v-if="usedIn.length > 0" class="soft small">In use in: {{ usedIn.join(', ') }}</p>
    <ul v-if="questions.length > 0" class="doubts tone-needs" data-test="doubts">
      <li v-for="one in questions" :key="one.sentence">{{ one.sentence }} Is that so?</li>
    </ul>
    <PartCompare v-if="other" :part="part" :other="other" />
    <PartFigure :part="part" :current="current" />
    <FormLens />
    <FieldGrid
      :table="fieldsOf(part.kind)"
      :values="part"
      :units="units"
      :kind="part.kind"
      :place="(field) => ({ kind: 'part', partId: part.id, field })"
      @change="change"
      @several="several"
    />
    <PartSketch v-if="part.kind === 'caliper' || part.kind === 'wheel'" :part="part" />
    <InspectionSheet :part="part" />
    <fieldset class="group">
      <legend>Where it comes from and what it costs</legend>
      <div class="grid">
        <FieldItem label="Maker"
          ><DraftInput :value="part.maker" maxlength="120" aria-label="Maker" @change="write('maker', $event, 120)"
        /></FieldItem>
        <FieldItem label="Number"
          ><DraftInput :value="part.number" maxlength="120" aria-label="Number" @change="write('number', $event, 120)"
        /></FieldItem>
        <FieldItem label="Comes from"
          ><DraftInput
            :value="part.provenance"
            maxlength="200"
            placeholder="kit, donor, shop"
            aria-label="Comes from"
            @change="write('provenance', $event, 200)"
        /></FieldItem>
        <FieldItem label="Condition"
          ><ChoiceSelect
            :value="part.condition ?? ''"
            :options="[{ value: '', label: 'not known' }, ...CONDITIONS.map((one) => ({ value: one, label: one }))]"
            label="Condition"
            @change="write('condition', $event, 20)"
        /></FieldItem>
        <FigureInput name="massKg" :field="mass" :figure="part.massKg" :units="units" @change="change('massKg', $event)" />
        <ElCheckbox :model-value="part.owned" :validate-event="false" @change="change('owned', $event || undefined)"
          >already have it</ElCheckbox
        >
      </div>
      <PriceInput
        v-if="!part.owned"
        :key="part.id"
        :price="part.price"
        :currency="store.current.preferences.currency"
        per-pieces
        @change="change('price', $event)"
      />
      <FieldItem class="note" label="Note"
        ><DraftInput as="textarea" rows="2" :value="part.note" maxlength="4000" aria-label="Note" @change="write('note', $event, 4000)"
      /></FieldItem>
    </fieldset>
  </form>
</template>

<style scoped>
header {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: flex-end;
  margin-bottom: 8px;
}
.title {
  flex: 1 1 260px;
  min-width: 0;
}
.title :deep(.el-input__wrapper) {
  font-size: 16px;
  font-weight: 640;
}
.with {
  width: 170px;
}
.doubts {
  margin: 0 0 10px;
  padding-left: 18px;
}
.group {
  margin: 16px 0 0;
  padding: 0;
  border: 0;
}
legend {
  width: 100%;
  margin-bottom: 6px;
  border-bottom: 1px solid var(--line);
  font-weight: 640;
}
.grid {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(228px, 1fr));
  gap: 8px 16px;
  margin-bottom: 8px;
}
.check {
  display: flex;
  gap: 8px;
  align-items: center;
  align-self: end;
  min-height: 32px;
}
.note {
  display: block;
  margin-top: 8px;
}
</style>
