<script setup lang="ts">
import { computed } from 'vue'
import { formatQuantity } from '#core/quantity/format.ts'
import { pistonAreas } from '#core/report/piston-areas.ts'
import { useProjectStore } from '~/stores/project'
import { useWorkbench } from '~/composables/workbench'

/** Piston areas of every caliper by both counting schools, against the car as it stands. */
const store = useProjectStore()
const { setup, units, link } = useWorkbench()
const rows = computed(() => {
  if (!store.project || !setup.value) return []
  return pistonAreas(store.project, setup.value.id).sort((a, b) => Number(b.fitted.length > 0) - Number(a.fitted.length > 0))
})
const area = (value: number | undefined) => (value === undefined ? 'not known' : formatQuantity(value, 'area', units.value))
const bores = (list: readonly number[]) => list.map((one) => formatQuantity(one, 'length', units.value, { bare: true })).join(' + ')
</script>

<template>
  <section v-if="rows.length > 0">
    <h2>Piston areas</h2>
    <p class="small">
      Counted on one side, because that is what clamps: a sliding caliper pulls its other pad with the same force. Makers who count all
      pistons give twice as much for a fixed caliper; both are shown.
    </p>
    <div class="scroll">
      <table class="plain" data-test="areas">
        <thead>
          <tr>
            <th scope="col">Caliper</th>
            <th scope="col" class="r">Pistons of one side</th>
            <th scope="col" class="r">One side</th>
            <th scope="col" class="r">All pistons</th>
            <th scope="col" class="r">Against as it stands</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in rows" :key="row.partId" :class="{ fitted: row.fitted.length > 0 }">
            <td>
              <NuxtLink :to="link('parts', { part: row.partId })">{{ row.name }}</NuxtLink>
              <span class="soft small about">
                {{
                  [row.construction, row.staggered ? 'staggered' : '', row.fitted.length > 0 ? `fitted ${row.fitted.join(' and ')}` : '']
                    .filter(Boolean)
                    .join(', ')
                }}</span
              >
            </td>
            <td class="r num">{{ bores(row.pistonsMm) }}</td>
            <td class="r num">{{ area(row.oneSideMm2) }}</td>
            <td class="r num">{{ area(row.allMm2) }}</td>
            <td class="r num">
              {{
                row.against === undefined
                  ? '—'
                  : Math.abs(row.against) < 0.0005
                    ? 'same'
                    : formatQuantity(row.against, 'share', units, { signed: true })
              }}
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <p class="soft small">
      The same area in more pistons clamps the same and takes the same fluid: it spreads the force over a longer pad, so that the pad wears
      more evenly. Pedal, bias and stopping stay as they are.
    </p>
  </section>
</template>

<style scoped>
.scroll {
  overflow-x: auto;
}
table {
  max-width: 900px;
}
.about {
  margin-left: 6px;
}
.fitted td {
  font-weight: 640;
}
</style>
