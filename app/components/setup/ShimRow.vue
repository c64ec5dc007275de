<script setup lang="ts">
import { ref } from 'vue'
import { chooseShims } from '#core/commands/accept.ts'
import { AXLES, type Axle } from '#core/quantity/axle.ts'
import { resolveSetup } from '#core/records/resolve.ts'
import { editQuantity } from '#core/quantity/format.ts'
import { parseQuantity } from '#core/quantity/parse.ts'
import { useProjectStore } from '~/stores/project'
import { useWorkbench } from '~/composables/workbench'

/** Shims between mount and caliper, as a row of the setup: empty is none, or what is on the car. */
const store = useProjectStore()
const { setup, isStock, units } = useWorkbench()
const errors = ref<Partial<Record<Axle, string>>>({})

const own = (axle: Axle) => setup.value?.[axle].shimMm
const shown = (axle: Axle) => editQuantity(own(axle), 'length', units.value)
function empty(axle: Axle): string {
  const asItStands = own(axle) === undefined && setup.value ? resolveSetup(store.current, setup.value)[axle].shimMm : 0
  return asItStands === 0 ? 'none; + is outboard' : `${editQuantity(asItStands, 'length', units.value)} (current car)`
}
function take(axle: Axle, typed: string, put: (text: string) => void) {
  const text = typed.trim()
  const parsed = text === '' ? undefined : parseQuantity(text, 'length', units.value)
  if (parsed && !parsed.ok) {
    errors.value = { ...errors.value, [axle]: parsed.message }
    return
  }
  const problems = store.edit('Shims', (draft) => chooseShims(draft, setup.value!.id, axle, parsed?.value), { shows: true })
  errors.value = { ...errors.value, [axle]: problems[0]?.message ?? '' }
  if (problems.length === 0) put(shown(axle))
}
</script>

<template>
  <span class="place">Shims</span>
  <div v-for="axle in AXLES" :key="axle" class="cell">
    <DraftInput
      class="num"
      :class="{ changed: !isStock && own(axle) !== undefined }"
      :value="shown(axle)"
      :placeholder="empty(axle)"
      :aria-label="`Shims under the caliper, ${axle}`"
      :aria-invalid="Boolean(errors[axle])"
      :data-field="`${axle}.shimMm`"
      maxlength="40"
      autocomplete="off"
      @change="(text, put) => take(axle, text, put)"
    />
    <span v-if="errors[axle]" class="field-error small">{{ errors[axle] }}</span>
  </div>
</template>

<style scoped>
.cell {
  padding: 2px 4px;
}
.changed {
  border-color: var(--ink);
  font-weight: 620;
}
</style>
