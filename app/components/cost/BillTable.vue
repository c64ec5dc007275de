<script setup lang="ts">
import { computed } from 'vue'
import { formatMoney } from '#core/quantity/format.ts'
import type { BillGroup, BillLine } from '#core/report/cost/bill.ts'
import { useProjectStore } from '~/stores/project'
import { useWorkbench } from '~/composables/workbench'

/** The bill of the setup, in the order of buying, with what the budget reaches. */
const store = useProjectStore()
const { report, setup, goTo } = useWorkbench()
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
/** Lines in the order of buying; a heading wherever another group begins. */
const groups = computed(() => {
  const found: { key: string; label: string; lines: BillLine[] }[] = []
  for (const line of bill.value.lines) {
    const last = found[found.length - 1]
    if (last && last.lines[0]!.group === line.group) last.lines.push(line)
    else found.push({ key: `${line.group}.${found.length}`, label: GROUPS[line.group], lines: [line] })
  }
  return found
})
const place = (line: BillLine) => bill.value.lines.indexOf(line)
const WAYS = [
  { by: -1, word: 'earlier', sign: '↑' },
  { by: 1, word: 'later', sign: '↓' },
] as const
/** Buys a line one place earlier or later. */
function move(line: BillLine, { by, word }: (typeof WAYS)[number]) {
  const order = bill.value.lines.map((one) => one.id)
  const at = order.indexOf(line.id)
  if (at + by < 0 || at + by >= order.length) return
  ;[order[at], order[at + by]] = [order[at + by]!, order[at]!]
  store.edit(`Buy ${line.label} ${word}`, (draft) => {
    draft.setups.find((one) => one.id === setup.value?.id)!.buyOrder = order
  })
}
function setRate(line: BillLine, text: string) {
  const rate = Number(text.trim().replace(',', '.'))
  const currency = line.rateMissing!
  store.edit(`Exchange rate of ${currency}`, (draft) => {
    const others = draft.preferences.rates.filter((one) => one.currency !== currency)
    draft.preferences.rates = [...others, { currency, rate, date: new Date().toISOString().slice(0, 10) }]
  })
}
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
        <th scope="col"><span class="visually-hidden">Order of buying</span></th>
      </tr>
    </thead>
    <tbody v-for="group in groups" :key="group.key">
      <tr class="group">
        <th scope="colgroup" colspan="6">{{ group.label }}</th>
      </tr>
      <tr v-for="line in group.lines" :key="line.id" :class="{ beyond: beyond(line) }" :data-line="line.id">
        <td>
          <ElButton link type="primary" @click="goTo(line.at)">{{ line.label }}</ElButton>
          <span v-if="line.detail" class="soft small block">{{ line.detail }}</span>
          <span v-if="beyond(line)" class="tone-needs small block">beyond the budget when bought in this order</span>
        </td>
        <template v-if="line.owned"><td class="r soft" colspan="3">already have it</td></template>
        <template v-else-if="line.rateMissing"
          ><td class="r tone-unknown" colspan="3">
            <FieldItem class="rate" :label="`rate missing: 1 ${line.rateMissing} in ${preferences.currency}`"
              ><DraftInput
                class="num"
                value=""
                inputmode="decimal"
                :data-field="`rate.${line.rateMissing}.${line.id}`"
                :aria-label="`rate missing: 1 ${line.rateMissing} in ${preferences.currency}`"
                @change="setRate(line, $event)"
            /></FieldItem></td
        ></template>
        <template v-else-if="line.likely === undefined"><td class="r tone-unknown" colspan="3">no price yet</td></template>
        <template v-else
          ><td class="r num soft">{{ bare(line.low) }}</td>
          <td class="r num">{{ bare(line.likely) }}</td>
          <td class="r num soft">{{ bare(line.high) }}</td></template
        >
        <td class="soft small">{{ [line.seller, line.origin, line.date].filter(Boolean).join(', ') }}</td>
        <td class="moves">
          <ElButton
            v-for="way in WAYS"
            :key="way.word"
            text
            :disabled="place(line) === (way.by < 0 ? 0 : bill.lines.length - 1)"
            :aria-label="`Buy ${line.label} ${way.word}`"
            @click="move(line, way)"
          >
            {{ way.sign }}
          </ElButton>
        </td>
      </tr>
    </tbody>
    <tfoot>
      <tr>
        <th scope="row">Sum{{ preferences.taxPercent > 0 ? `, with ${preferences.taxPercent} % tax on what is bought` : '' }}</th>
        <td class="r num">{{ bare(bill.total.low) }}</td>
        <td class="r num">{{ bare(bill.total.likely) }}</td>
        <td class="r num">{{ money(bill.total.high) }}</td>
        <td colspan="2" />
      </tr>
      <tr v-if="bill.deposits > 0" class="deposits">
        <th scope="row">Deposits, back when the old parts are returned: not in the sum</th>
        <td />
        <td class="r num">{{ money(bill.deposits) }}</td>
        <td colspan="3" />
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
.rate {
  display: flex;
  gap: 6px;
  align-items: center;
  justify-content: flex-end;
}
.rate .native {
  width: 84px;
}
.moves {
  white-space: nowrap;
}
.moves .el-button {
  min-height: 28px;
  padding: 0 7px;
}
@media (max-width: 760px) {
  tbody td:nth-last-child(2),
  thead th:nth-last-child(2) {
    display: none;
  }
}
@media print {
  .moves {
    display: none;
  }
}
</style>
