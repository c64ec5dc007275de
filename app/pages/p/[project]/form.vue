<script setup lang="ts">
import { carAxleFields } from '#core/records/car-fields.ts'
import { fieldsOf } from '#core/records/part-kinds.ts'
import { SHEETS, type Sheet } from '#core/records/sheets.ts'
import { INSTRUMENTS } from '#core/quantity/instrument.ts'
import { useProjectStore } from '~/stores/project'
import { LOOSE_FIELDS } from '~/composables/measuring'
import { useWorkbench } from '~/composables/workbench'

/** The measuring sheets as a blank form to print and fill in by hand: the same fields, made from the same table. */
const store = useProjectStore()
const { link } = useWorkbench()
function labelOf(sheet: Sheet, field: string): string {
  const table: Record<string, { label: string }> =
    sheet.on === 'carAxle' ? carAxleFields : sheet.on === 'byDifference' || sheet.on === 'trialFit' ? LOOSE_FIELDS : fieldsOf(sheet.on)
  return table[field]?.label ?? field
}
const print = () => window.print()
</script>

<template>
  <div class="form">
    <header class="screen">
      <NuxtLink :to="link('measure')"><Icon name="tabler:arrow-left" /> Measure</NuxtLink>
      <ElButton type="primary" @click="print">Print</ElButton>
    </header>
    <h1>Measuring form</h1>
    <p class="fill">
      Car: <span>{{ store.current.car.name }}</span> Date: <span /> Axle: <span /> Who: <span />
    </p>
    <p class="small">
      Values in millimetres. Measure each dimension three times, lifting the tool each time, and note the tool. A blank means unknown.
    </p>
    <section v-for="sheet in SHEETS" :key="sheet.id">
      <h2>{{ sheet.title }}</h2>
      <SafetyNote v-for="one in sheet.safety" :key="one.hazard" :note="one" />
      <p v-for="line in sheet.before" :key="line" class="small">{{ line }}</p>
      <div class="two">
        <div class="figure"><SheetFigure :sheet="sheet.id" current="" /></div>
        <table v-if="sheet.dimensions.length > 0" class="plain">
          <thead>
            <tr>
              <th scope="col">Dimension</th>
              <th scope="col">1</th>
              <th scope="col">2</th>
              <th scope="col">3</th>
              <th scope="col">with</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="one in sheet.dimensions" :key="one.field">
              <th scope="row">
                <b>{{ one.letter }}</b> {{ labelOf(sheet, one.field) }}<span class="touch">{{ one.touch }}</span>
              </th>
              <td class="box" />
              <td class="box" />
              <td class="box" />
              <td class="with">{{ INSTRUMENTS[one.instrument].label }}?</td>
            </tr>
          </tbody>
        </table>
        <div v-if="sheet.points" class="points">
          <p class="touch">{{ labelOf(sheet, sheet.points.field) }}. {{ sheet.points.touch }}</p>
          <table class="plain">
            <thead>
              <tr>
                <template v-for="n in 3" :key="n">
                  <th scope="col">z</th>
                  <th scope="col">r</th>
                  <th scope="col">{{ sheet.points.field === 'profile' ? 'barrel, shoulder, face' : 'what' }}</th>
                </template>
              </tr>
            </thead>
            <tbody>
              <tr v-for="row in 5" :key="row">
                <td v-for="cell in 9" :key="cell" class="box" />
              </tr>
            </tbody>
          </table>
        </div>
      </div>
    </section>
  </div>
</template>

<style scoped>
.form {
  max-width: 820px;
}
.screen {
  display: flex;
  gap: 8px;
  justify-content: space-between;
  margin-bottom: 10px;
}
.fill {
  margin: 8px 0;
}
.fill span {
  display: inline-block;
  min-width: 120px;
  margin-right: 14px;
  border-bottom: 1px solid currentColor;
}
section {
  margin-top: 16px;
  break-inside: avoid;
}
section > p {
  margin: 2px 0;
}
.figure {
  width: 300px;
  margin: 6px 0;
}
.two {
  display: grid;
  grid-template-columns: 1fr;
}
table.plain th,
table.plain td {
  border: 1px solid var(--line);
  font-size: 12px;
}
table.plain tbody th {
  color: var(--ink);
  font-weight: 400;
}
.touch {
  display: block;
  color: var(--ink-soft);
  font-size: 11px;
}
.box {
  min-width: 56px;
  height: 26px;
}
.with {
  width: 96px;
  color: var(--ink-soft);
}
@media (max-width: 760px) {
  .form {
    overflow-x: auto;
  }
}
@media print {
  .screen {
    display: none;
  }
}
</style>
