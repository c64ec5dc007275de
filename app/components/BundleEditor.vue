<script setup lang="ts">
import { computed } from 'vue'
import type { Draft } from 'immer'
import { PART_KINDS } from '#core/model/part-kinds.ts'
import { AXLES, type Bundle } from '#core/model/project.ts'
import { slotFor } from '#core/model/take-bundle.ts'
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
const write = (key: keyof Bundle, event: Event, most: number) =>
  change(key, (event.target as HTMLInputElement).value.trim().slice(0, most) || undefined)
function rename(event: Event) {
  const input = event.target as HTMLInputElement
  const name = input.value.trim().slice(0, 120)
  if (name) change('name', name)
  else input.value = props.bundle.name
}
const parts = computed(() => props.bundle.parts.flatMap((id) => store.project!.parts.find((one) => one.id === id) ?? []))
const others = computed(() => store.project!.parts.filter((part) => slotFor(part.kind) && !props.bundle.parts.includes(part.id)))
function addPart(event: Event) {
  const select = event.target as HTMLSelectElement
  if (select.value) change('parts', [...props.bundle.parts, select.value])
  select.value = ''
}
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
      <label
        ><span class="soft small block">{{ bundle.kind }}</span
        ><DraftInput class="native" :value="bundle.name" maxlength="120" aria-label="Name of the kit or donor" @change="rename"
      /></label>
      <button class="btn" type="button" title="Undo brings it back." @click="remove">Remove</button>
    </header>
    <div class="grid">
      <label>Maker<DraftInput class="native" :value="bundle.maker" maxlength="120" @change="write('maker', $event, 120)" /></label>
      <label
        >Axle<select class="native" :value="bundle.axle" @change="change('axle', ($event.target as HTMLSelectElement).value)">
          <option v-for="one in AXLES" :key="one">{{ one }}</option>
        </select></label
      >
      <template v-if="bundle.kind === 'donor'">
        <label>Years<DraftInput class="native" :value="bundle.years" maxlength="60" @change="write('years', $event, 60)" /></label>
        <label>Trims<DraftInput class="native" :value="bundle.trims" maxlength="120" @change="write('trims', $event, 120)" /></label>
      </template>
    </div>
    <h3>What it yields</h3>
    <ul>
      <li v-for="part in parts" :key="part.id">
        <NuxtLink :to="link('parts', { part: part.id })">{{ part.name }}</NuxtLink>
        <span class="soft small">{{ PART_KINDS[part.kind].one }}</span>
        <button class="btn bare" type="button" :aria-label="`Leave out ${part.name}`" @click="drop(part.id)">
          <Icon name="tabler:x" size="15" />
        </button>
      </li>
    </ul>
    <select class="native" aria-label="Add a part to it" value="" @change="addPart">
      <option value="">Add a part …</option>
      <option v-for="part in others" :key="part.id" :value="part.id">{{ part.name }} ({{ PART_KINDS[part.kind].one }})</option>
    </select>
    <h3>Price of the whole</h3>
    <p class="soft small">
      Counts instead of the prices of its parts while all of them are in the setup. Without it each part has its own.
    </p>
    <PriceInput :price="bundle.price" :currency="store.project!.preferences.currency" @change="change('price', $event)" />
    <label class="small"
      >Note<DraftInput as="textarea" class="native" rows="2" :value="bundle.note" maxlength="4000" @change="write('note', $event, 4000)"
    /></label>
  </form>
</template>

<style scoped>
header {
  display: flex;
  gap: 8px;
  align-items: flex-end;
  margin-bottom: 8px;
}
header label {
  flex: 1;
}
header input {
  font-size: 16px;
  font-weight: 640;
}
.grid {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px 14px;
}
label {
  font-size: 13px;
}
.block {
  display: block;
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
li .btn {
  margin-left: auto;
}
</style>
