<script setup lang="ts">
import { computed } from 'vue'
import type { Draft } from 'immer'
import { putAt } from '#core/commands/put-at.ts'
import { carAxleFields, carFields } from '#core/records/car-fields.ts'
import { AXLES, type Axle } from '#core/quantity/axle.ts'
import type { Car } from '#core/records/project.ts'
import { useProjectStore } from '~/stores/project'
import { useFieldFocus } from '~/composables/field-focus'
import { useWorkbench } from '~/composables/workbench'

const store = useProjectStore()
const { units, link } = useWorkbench()
useFieldFocus()
const car = computed(() => store.current.car)
/** Nothing is known of the car but its name: a typical one is the quickest beginning. */
const isBlank = computed(() => car.value.massKg === undefined && car.value.wheelbaseMm === undefined)
const stock = computed(() => store.current.setups[0])

function put(target: Draft<Record<string, unknown>>, key: string, value: unknown) {
  if (value === undefined) Reflect.deleteProperty(target, key)
  else target[key] = value
}
const change = (key: string, value: unknown) =>
  store.edit('Edit car', (draft) => put(draft.car as Draft<Record<string, unknown>>, key, value))
const changeAxle = (axle: Axle, key: string, value: unknown) =>
  store.edit(`Edit ${axle} axle`, (draft) => put(draft.car[axle] as Draft<Record<string, unknown>>, key, value))
const several = (values: Record<string, unknown>) => store.edit('Edit car', (draft) => putAt(draft, { kind: 'car', field: '' }, values))
const severalAtAxle = (axle: Axle, values: Record<string, unknown>) =>
  store.edit(`Edit ${axle} axle`, (draft) => putAt(draft, { kind: 'car', axle, field: '' }, values))
const rename = (text: string) => {
  const name = text.trim()
  if (name) change('name' satisfies keyof Car, name.slice(0, 120))
}
</script>

<template>
  <div class="page">
    <h1>The car</h1>
    <p class="soft">
      Mass, geometry and pedal of the car. Leave unknown values empty. Type any unit:
      <span class="num">2440 mm, 96 in, 1-3/8"</span>; a share as <span class="num">63%</span>.
    </p>
    <FieldItem class="name" label="Name of the car"
      ><DraftInput :value="car.name" maxlength="120" aria-label="Name of the car" @change="rename"
    /></FieldItem>
    <TypicalCar :folded="!isBlank" />
    <FormLens />
    <FieldGrid
      :table="carFields"
      :values="car"
      :units="units"
      kind="car"
      :place="(field) => ({ kind: 'car', field })"
      @change="change"
      @several="several"
    />
    <UsesNote :uses="car.uses" :units="units" />
    <div class="axles">
      <section v-for="axle in AXLES" :key="axle">
        <h2>{{ axle === 'front' ? 'Front hub and tyre' : 'Rear hub and tyre' }}</h2>
        <FieldGrid
          :table="carAxleFields"
          :values="car[axle]"
          :units="units"
          :prefix="axle"
          kind="carAxle"
          :place="(field) => ({ kind: 'car', axle, field })"
          @several="severalAtAxle(axle, $event)"
          @change="(key, value) => changeAxle(axle, key, value)"
        />
      </section>
    </div>
    <p>
      The present brakes, booster, master cylinder, proportioning valve and wheels are in
      <NuxtLink :to="link('setup', { setup: stock.id })">the setup “{{ stock.name }}”</NuxtLink>.
    </p>
  </div>
</template>

<style scoped>
.page {
  max-width: 1000px;
}
h1 {
  margin-bottom: 4px;
}
.name {
  display: block;
  max-width: 420px;
  margin-bottom: 14px;
  font-size: 13px;
}
.axles {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 28px;
}
h2 {
  margin-bottom: 6px;
  padding-bottom: 2px;
  border-bottom: 1px solid var(--line);
}
@media (max-width: 760px) {
  .axles {
    grid-template-columns: 1fr;
  }
}
</style>
