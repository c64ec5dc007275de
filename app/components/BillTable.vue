<script setup lang="ts">
import { computed } from 'vue'
import { formatMoney } from '#core/quantity/format.ts'
import type { BillGroup, BillLine } from '#core/report/types.ts'
import { useProjectStore } from '~/stores/project'
import { useWorkbench } from '~/composables/workbench'

/** The bill of the setup, in the order of buying, with what the budget reaches. */
const store = useProjectStore()
const { report, goTo } = useWorkbench()
const preferences = computed(() => store.project!.preferences)
const bill = computed(() => report.value!.bill)
const money = (minor: number | undefined) => formatMoney(minor, preferences.value.currency)
const bare = (minor: number | undefined) => money(minor).replace(/\u00a0.*$/, '')
const GROUPS: Record<BillGroup, string> = {
  parts: 'Parts',
  wheels: 'Wheels and spacers',
  remedy: 'Pieces that the checks ask for',
  consumable: 'Consumables',
  service: 'Machining and other services',
  labour: 'Labour',
  fee: 'Inspection and approval',
  shipping: 'Shipping',
  returnFreight: 'Return freight',
  sale: 'Sale of what comes off',
}
const groups = computed(() =>
  (Object.keys(GROUPS) as BillGroup[])
    .map((id) => ({ id, label: GROUPS[id], lines: bill.value.lines.filter((line) => line.group === id) }))
    .filter((group) => group.lines.length > 0),
)
const beyond = (line: BillLine) =>
  bill.value.budget !== undefined && line.likely !== undefined && line.likely > 0 && !bill.value.budget.within.includes(line.id)
</script>

<template>
  <table class="plain bill">
    <thead>
      <tr>
        <th scope="col">What</th>
        <th scope="col" class="r">Low</th>
        <th scope="col" class="r">Likely</th>
        <th scope="col" class="r">High</th>
        <th scope="col">Priced</th>
      </tr>
    </thead>
    <tbody v-for="group in groups" :key="group.id">
      <tr class="group">
        <th scope="colgroup" colspan="5">{{ group.label }}</th>
      </tr>
      <tr v-for="line in group.lines" :key="line.id" :class="{ beyond: beyond(line) }" :data-line="line.id">
        <td>
          <button class="linkish" type="button" @click="goTo(line.at)">{{ line.label }}</button>
          <span v-if="line.detail" class="soft small block">{{ line.detail }}</span>
          <span v-if="beyond(line)" class="tone-needs small block">beyond the budget when bought in this order</span>
        </td>
        <template v-if="line.owned"><td class="r soft" colspan="3">already have it</td></template>
        <template v-else-if="line.likely === undefined"><td class="r tone-unknown" colspan="3">no price yet</td></template>
        <template v-else
          ><td class="r num soft">{{ bare(line.low) }}</td>
          <td class="r num">{{ bare(line.likely) }}</td>
          <td class="r num soft">{{ bare(line.high) }}</td></template
        >
        <td class="soft small">{{ [line.seller, line.origin, line.date].filter(Boolean).join(', ') }}</td>
      </tr>
    </tbody>
    <tfoot>
      <tr>
        <th scope="row">Sum{{ preferences.taxPercent > 0 ? `, with ${preferences.taxPercent} % tax` : '' }}</th>
        <td class="r num">{{ bare(bill.total.low) }}</td>
        <td class="r num">{{ bare(bill.total.likely) }}</td>
        <td class="r num">{{ money(bill.total.high) }}</td>
        <td />
      </tr>
      <tr v-if="bill.deposits > 0" class="deposits">
        <th scope="row">Deposits, back when the old parts are returned: not in the sum</th>
        <td />
        <td class="r num">{{ money(bill.deposits) }}</td>
        <td colspan="2" />
      </tr>
    </tfoot>
  </table>
</template>

<style scoped>
.bill {
  margin-bottom: 22px;
}
.group th {
  padding-top: 10px;
  border: 0;
  color: var(--ink-soft);
  font-size: 12.5px;
  text-align: left;
}
tfoot th,
tfoot td {
  border-top: 2px solid var(--ink);
  color: var(--ink);
  font-size: 14px;
  font-weight: 660;
}
.deposits th,
.deposits td {
  border-top: 0;
  font-size: 13px;
  font-weight: 400;
}
.block {
  display: block;
}
@media (max-width: 760px) {
  td:last-child,
  thead th:last-child {
    display: none;
  }
}
</style>
