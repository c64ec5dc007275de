<script setup lang="ts">
import { computed, ref } from 'vue'
import { LIMITS, type LimitId } from '#core/fit/for-views.ts'
import { formatQuantity, editQuantity } from '#core/quantity/format.ts'
import { parseQuantity } from '#core/quantity/parse.ts'
import type { Dimension } from '#core/quantity/units.ts'
import { LazyTable } from '~/composables/lazy-table'
import { useProjectStore } from '~/stores/project'
import { useWorkbench } from '~/composables/workbench'

/** Every limit of the fit check with its reason; a project may set its own, and is shown that it did. */
const store = useProjectStore()
const { units } = useWorkbench()
const own = computed(() => store.current.preferences.limits ?? {})
const ids = Object.keys(LIMITS) as LimitId[]
const errors = ref<Partial<Record<LimitId, string>>>({})
/** A limit's name ends in its unit. */
const dimensionOf = (id: LimitId): Dimension =>
  id.endsWith('Mm') ? 'length' : id.endsWith('Mpa') ? 'pressure' : /Share$|Points$/.test(id) ? 'share' : 'number'
const shown = (id: LimitId, value: number) =>
  formatQuantity(value, dimensionOf(id), units.value, dimensionOf(id) === 'pressure' ? { decimals: 2 } : {})
const changed = computed(() => ids.filter((id) => own.value[id] !== undefined).length)

function set(id: LimitId, typed: string) {
  const text = typed.trim()
  let value: number | undefined
  if (text !== '') {
    const parsed = parseQuantity(text, dimensionOf(id), units.value)
    if (!parsed.ok) {
      errors.value = { ...errors.value, [id]: parsed.message }
      return
    }
    value = parsed.value === LIMITS[id].value ? undefined : parsed.value
  }
  const problems = store.edit(
    `Limit: ${LIMITS[id].label.toLowerCase()}`,
    (draft) => {
      const limits = { ...draft.preferences.limits }
      if (value === undefined) Reflect.deleteProperty(limits, id)
      else limits[id] = value
      if (Object.keys(limits).length > 0) draft.preferences.limits = limits
      else delete draft.preferences.limits
    },
    { shows: true },
  )
  errors.value = { ...errors.value, [id]: problems[0] ? 'A limit is a number from 0 to 1000.' : '' }
}
const rows = computed(() => ids.map((id) => ({ id })))
const columns = [
  { id: 'limit', label: 'Limit and why', least: 320 },
  { id: 'usual', label: 'Usual', number: true },
  { id: 'own', label: 'In this project', least: 150 },
]
</script>

<template>
  <FoldedPart class="limits" data-test="limits" :title="`Limits${changed > 0 ? `: ${changed} set by this project` : ''}`">
    <LazyTable :rows="rows" :columns="columns">
      <template #limit="{ row: { id } }">
        {{ LIMITS[id].label }}<span class="soft small block">{{ LIMITS[id].reason }}</span>
      </template>
      <template #usual="{ row: { id } }">{{ shown(id, LIMITS[id].value) }}</template>
      <template #own="{ row: { id } }">
        <DraftInput
          class="num"
          :class="{ own: own[id] !== undefined }"
          :value="own[id] === undefined ? '' : editQuantity(own[id], dimensionOf(id), units)"
          placeholder="as usual"
          :aria-label="LIMITS[id].label"
          :aria-invalid="!!errors[id]"
          @change="set(id, $event)"
        />
        <span v-if="errors[id]" class="field-error">{{ errors[id] }}</span>
      </template>
    </LazyTable>
  </FoldedPart>
</template>

<style scoped>
.limits {
  margin-top: 14px;
  max-width: 860px;
}
.own {
  border-color: var(--needs);
  font-weight: 640;
}
</style>
