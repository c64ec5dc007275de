<script setup lang="ts">
import { ref } from 'vue'
import { EXTRA_KINDS, type ExtraKind, type ExtraLine } from '#core/records/setup.ts'
import { newId } from '~/composables/new-id'
import { useProjectStore } from '~/stores/project'
import { useWorkbench } from '~/composables/workbench'

/** What a setup costs beside its parts: fluid, labour, shipping, fees; and what the old parts bring. */
const store = useProjectStore()
const { setup } = useWorkbench()
const errors = ref<Record<string, string>>({})
const kinds = Object.entries(EXTRA_KINDS) as [ExtraKind, string][]

function change(id: string, key: keyof ExtraLine, value: ExtraLine[keyof ExtraLine]) {
  const problems = store.edit(
    'Edit extra cost',
    (draft) => {
      const line = draft.setups.find((one) => one.id === setup.value?.id)!.extras.find((one) => one.id === id)
      if (!line) return
      if (value === undefined) Reflect.deleteProperty(line, key)
      else Object.assign(line, { [key]: value })
    },
    { shows: true },
  )
  errors.value = { ...errors.value, [id]: problems[0] ? `${problems[0].place}: ${problems[0].message}.` : '' }
}
const add = () =>
  store.edit(
    'Add extra cost',
    (draft) =>
      void draft.setups
        .find((one) => one.id === setup.value?.id)!
        .extras.push({ id: newId(), label: 'New cost', kind: 'consumable', quantity: 1 }),
  )
const remove = (id: string) =>
  store.edit('Remove extra cost', (draft) => {
    const one = draft.setups.find((candidate) => candidate.id === setup.value?.id)!
    one.extras = one.extras.filter((line) => line.id !== id)
  })
</script>

<template>
  <section v-if="setup">
    <h2>Extra costs of this setup</h2>
    <p class="soft small">Fluid, small parts, labour, shipping, inspection, and income from the old parts.</p>
    <div v-for="line in setup.extras" :key="line.id" class="extra" :data-extra="line.id">
      <FieldItem label="What"
        ><DraftInput :value="line.label" maxlength="120" aria-label="What" @change="change(line.id, 'label', $event.trim())"
      /></FieldItem>
      <FieldItem label="Kind"
        ><ChoiceSelect
          :value="line.kind ?? ''"
          :options="[{ value: '', label: 'extra cost' }, ...kinds.map(([id, word]) => ({ value: id, label: word }))]"
          label="Kind"
          @change="change(line.id, 'kind', ($event || undefined) as ExtraKind | undefined)"
      /></FieldItem>
      <FieldItem label="Quantity"
        ><DraftInput
          class="num"
          :value="line.quantity"
          inputmode="decimal"
          aria-label="Quantity"
          @change="change(line.id, 'quantity', Number($event.replace(',', '.')))"
      /></FieldItem>
      <PriceInput
        class="price"
        :price="line.price"
        :currency="store.current.preferences.currency"
        @change="change(line.id, 'price', $event)"
      />
      <ElButton text :aria-label="`Remove ${line.label}`" @click="remove(line.id)">
        <Icon name="tabler:trash" size="17" />
      </ElButton>
      <p v-if="line.kind === 'sale'" class="soft small wide">Income, which lowers the total.</p>
      <p v-if="errors[line.id]" class="field-error wide">{{ errors[line.id] }}</p>
    </div>
    <ElButton @click="add"><Icon name="tabler:plus" size="16" /> Add a cost</ElButton>
  </section>
</template>

<style scoped>
.extra {
  display: grid;
  grid-template-columns: minmax(130px, 1.2fr) 130px 70px minmax(290px, 2fr) 36px;
  gap: 10px;
  align-items: start;
  margin-bottom: 6px;
  padding-bottom: 4px;
  border-bottom: 1px solid var(--hair);
}
.extra > .el-button {
  margin-top: 20px;
}
.wide {
  grid-column: 1 / -1;
  margin: 0;
}
@media (max-width: 760px) {
  .extra {
    grid-template-columns: 1fr 110px 60px 36px;
  }
  .extra > .price {
    grid-row: 2;
    grid-column: 1 / -1;
  }
}
</style>
