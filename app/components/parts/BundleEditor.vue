<script setup lang="ts">
import { computed } from 'vue'
import type { Draft } from 'immer'
import { PART_KINDS } from '#core/records/part-kinds.ts'
import { AXLES } from '#core/quantity/axle.ts'
import type { Bundle } from '#core/records/bundle.ts'
import { slotFor } from '#core/commands/take-bundle.ts'
import { useProjectStore } from '~/stores/project'
import { useWorkbench } from '~/composables/workbench'

/** One kit or donor: what it is called, what it yields, what the whole costs. */
const props = defineProps<{ bundle: Bundle }>()
const emit = defineEmits<{ removed: [] }>()
const store = useProjectStore()
const { link } = useWorkbench()

function change(key: keyof Bundle, value: unknown) {
  store.edit(`Edit ${props.bundle.name}`, (draft) => {
    const one = draft.bundles.find((candidate) => candidate.id === props.bundle.id) as Draft<Record<string, unknown>> | undefined
    if (!one) return
    if (value === undefined) Reflect.deleteProperty(one, key)
    else one[key] = value
  })
}
const write = (key: keyof Bundle, text: string, most: number) => change(key, text.trim().slice(0, most) || undefined)
function rename(text: string, put: (text: string) => void) {
  const name = text.trim().slice(0, 120)
  if (name) change('name', name)
  else put(props.bundle.name)
}
const parts = computed(() => props.bundle.parts.flatMap((id) => store.current.parts.find((one) => one.id === id) ?? []))
const others = computed(() => store.current.parts.filter((part) => slotFor(part.kind) && !props.bundle.parts.includes(part.id)))
const addPart = (id: string) => change('parts', [...props.bundle.parts, id])
const drop = (id: string) =>
  change(
    'parts',
    props.bundle.parts.filter((one) => one !== id),
  )
function remove() {
  emit('removed')
  store.edit(`Remove ${props.bundle.name}`, (draft) => {
    draft.bundles = draft.bundles.filter((one) => one.id !== props.bundle.id)
    for (const setup of draft.setups) if (setup.taken) setup.taken = setup.taken.filter((id) => id !== props.bundle.id)
  })
}
</script>

<template>
  <form @submit.prevent>
    <header>
      <FieldItem :label="bundle.kind === 'kit' ? 'Kit' : 'Donor'"
        ><DraftInput :value="bundle.name" maxlength="120" aria-label="Name of the kit or donor" @change="rename"
      /></FieldItem>
      <ElButton title="Undo brings it back." @click="remove">Remove</ElButton>
    </header>
    <div class="grid">
      <FieldItem label="Maker"
        ><DraftInput :value="bundle.maker" maxlength="120" aria-label="Maker" @change="write('maker', $event, 120)"
      /></FieldItem>
      <FieldItem label="Axle"
        ><ChoiceSelect
          :value="bundle.axle"
          :options="AXLES.map((one) => ({ value: one, label: one }))"
          label="Axle"
          @change="change('axle', $event)"
      /></FieldItem>
      <template v-if="bundle.kind === 'donor'">
        <FieldItem label="Years"
          ><DraftInput :value="bundle.years" maxlength="60" aria-label="Years" @change="write('years', $event, 60)"
        /></FieldItem>
        <FieldItem label="Trims"
          ><DraftInput :value="bundle.trims" maxlength="120" aria-label="Trims" @change="write('trims', $event, 120)"
        /></FieldItem>
      </template>
    </div>
    <h3>Parts included</h3>
    <ul>
      <li v-for="part in parts" :key="part.id">
        <NuxtLink :to="link('parts', { part: part.id })">{{ part.name }}</NuxtLink>
        <span class="soft small">{{ PART_KINDS[part.kind].one }}</span>
        <ElButton text :aria-label="`Leave out ${part.name}`" @click="drop(part.id)">
          <Icon name="tabler:x" size="15" />
        </ElButton>
      </li>
    </ul>
    <ChoiceSelect
      label="Add a part to it"
      :value="''"
      :options="[
        { value: '', label: 'Add a part …' },
        ...others.map((part) => ({ value: part.id, label: `${part.name} (${PART_KINDS[part.kind].one})` })),
      ]"
      @change="addPart"
    />
    <h3>Price of the whole</h3>
    <p class="soft small">
      Counts instead of the prices of its parts while all of them are in the setup. Without it each part has its own.
    </p>
    <PriceInput :price="bundle.price" :currency="store.current.preferences.currency" @change="change('price', $event)" />
    <FieldItem label="Note"
      ><DraftInput as="textarea" rows="2" :value="bundle.note" maxlength="4000" aria-label="Note" @change="write('note', $event, 4000)"
    /></FieldItem>
  </form>
</template>

<style scoped>
header {
  display: flex;
  gap: 8px;
  align-items: flex-end;
  margin-bottom: 8px;
}
header > :first-child {
  flex: 1;
}
header :deep(.el-input__wrapper) {
  font-size: 16px;
  font-weight: 640;
}
.grid {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px 14px;
}
h3 {
  margin: 14px 0 4px;
}
ul {
  margin: 0 0 6px;
  padding: 0;
  list-style: none;
}
li {
  display: flex;
  gap: 8px;
  align-items: center;
  border-bottom: 1px solid var(--hair);
}
li .el-button {
  margin-left: auto;
}
</style>
