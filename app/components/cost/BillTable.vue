<script setup lang="ts">
import { useMediaQuery } from '@vueuse/core'
import { computed, onMounted, ref, shallowRef } from 'vue'
import { formatMoney, formatQuantity } from '#core/quantity/format.ts'
import type { BillGroup, BillLine } from '#core/cost/bill.ts'
import { useProjectStore } from '~/stores/project'
import { moved, putBack, useSortable } from '~/composables/sortable'
import { useWorkbench } from '~/composables/workbench'

/** The bill of the setup, in the order of buying, with what the budget reaches. */
const store = useProjectStore()
const { report, setup, goTo } = useWorkbench()
const preferences = computed(() => store.current.preferences)
const bill = computed(() => report.value!.bill)
/** Cents only where a price has them. */
const whole = (minor: number | undefined) => minor !== undefined && minor % 100 === 0
const money = (minor: number | undefined) => formatMoney(minor, preferences.value.currency, { whole: whole(minor) })
const bare = (minor: number | undefined) => formatMoney(minor, preferences.value.currency, { whole: whole(minor), bare: true })
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
interface Sum {
  kind: 'sum'
  label: string
  low?: number
  likely: number
  /** A sum of one number stands under "likely". */
  high?: number
}
type BillRow = { kind: 'group' | 'line'; line: BillLine } | Sum
/** Lines in the order of buying; a heading wherever another group begins; what it comes to below. */
const rows = computed((): BillRow[] => {
  const { lines, total, deposits } = bill.value
  const tax = preferences.value.taxPercent
  return [
    ...lines.flatMap((line, i): BillRow[] => {
      const begins = lines[i - 1]?.group !== line.group
      return [...(begins ? [{ kind: 'group' as const, line }] : []), { kind: 'line', line }]
    }),
    { kind: 'sum', label: tax > 0 ? `Total, with ${tax}% tax on new purchases` : 'Total', ...total },
    ...(deposits > 0
      ? [{ kind: 'sum' as const, label: 'Deposits, refunded when the old parts are returned (not in the total)', likely: deposits }]
      : []),
  ]
})
const narrow = useMediaQuery('(max-width: 760px)')
const columns = computed(() => [
  { id: 'what', label: 'What', least: narrow.value ? 140 : 220 },
  { id: 'low', label: 'Low', number: true, least: 70 },
  { id: 'likely', label: 'Expected', number: true, least: 70 },
  { id: 'high', label: 'High', number: true, least: narrow.value ? 86 : 110 },
  ...(narrow.value
    ? []
    : [
        { id: 'share', label: 'Share of total', least: 100 },
        { id: 'priced', label: 'Priced', least: 120 },
      ]),
  { id: 'order', label: 'Order of buying', unseen: true, least: 80 },
])
/** The dearest line is as long as a bar gets. */
const dearest = computed(() => Math.max(1, ...bill.value.lines.map((line) => (line.owned ? 0 : (line.likely ?? 0)))))
const shareWords = (minor: number) => formatQuantity(minor / Math.max(1, bill.value.total.likely), 'share', undefined, { decimals: 0 })
/** What has no price says so over its three. */
const wordsOnly = ({ owned, rateMissing, likely }: BillLine) => owned || rateMissing !== undefined || likely === undefined
function span(row: BillRow, column: string): number {
  if (row.kind === 'group') return column === 'what' ? columns.value.length : 0
  if (row.kind === 'line' && wordsOnly(row.line)) return column === 'low' ? 3 : column === 'likely' || column === 'high' ? 0 : 1
  return 1
}
const lookOf = (row: BillRow) => (row.kind === 'line' ? (beyond(row.line) ? 'buy beyond' : 'buy') : row.kind)

// rows are dragged into the order of buying; their arrows do it by key
const host = ref<HTMLElement>()
const body = shallowRef<HTMLElement | null>()
onMounted(() => (body.value = host.value?.querySelector('tbody')))
useSortable(body, {
  draggable: '.buy',
  filter: 'button, input',
  preventOnFilter: false,
  onEnd: (event) => {
    const { from, to } = putBack(event)
    move(bill.value.lines[from]!, to, to < from ? 'earlier' : 'later')
  },
})
const place = ({ id }: BillLine) => bill.value.lines.findIndex((line) => line.id === id)
const WAYS = [
  { by: -1, word: 'earlier', sign: '↑' },
  { by: 1, word: 'later', sign: '↓' },
] as const
/** Buys a line earlier or later. */
function move(line: BillLine, to: number, word: string) {
  const ids = bill.value.lines.map((one) => one.id)
  const from = ids.indexOf(line.id)
  if (to < 0 || to >= ids.length || from === to) return
  store.edit(`Buy ${line.label} ${word}`, (draft) => {
    draft.setups.find((one) => one.id === setup.value?.id)!.buyOrder = moved(ids, from, to)
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
  <div ref="host">
    <DataTable class="bill" :rows="rows" :columns="columns" :span="span" :row-class="lookOf">
      <template #what="{ row }">
        <template v-if="row.kind === 'group'">{{ GROUPS[row.line.group] }}</template>
        <template v-else-if="row.kind === 'line'">
          <Icon name="tabler:grip-vertical" size="14" class="grip" />
          <span :data-line="row.line.id"
            ><ElButton link type="primary" @click="goTo(row.line.at)">{{ row.line.label }}</ElButton></span
          >
          <span v-if="row.line.detail" class="soft small block">{{ row.line.detail }}</span>
          <span v-if="beyond(row.line)" class="tone-needs small block">beyond the budget when bought in this order</span>
        </template>
        <template v-else-if="row.kind === 'sum'">{{ row.label }}</template>
      </template>
      <template #low="{ row }">
        <template v-if="row.kind === 'line'">
          <span v-if="row.line.owned" class="soft">already have it</span>
          <FieldItem
            v-else-if="row.line.rateMissing"
            class="rate tone-unknown"
            :label="`rate missing: 1 ${row.line.rateMissing} in ${preferences.currency}`"
            ><DraftInput
              class="num"
              value=""
              inputmode="decimal"
              :data-field="`rate.${row.line.rateMissing}.${row.line.id}`"
              :aria-label="`rate missing: 1 ${row.line.rateMissing} in ${preferences.currency}`"
              @change="setRate(row.line, $event)"
          /></FieldItem>
          <span v-else-if="row.line.likely === undefined" class="tone-unknown">no price yet</span>
          <span v-else class="soft">{{ bare(row.line.low) }}</span>
        </template>
        <template v-else-if="row.kind === 'sum'">{{ bare(row.low) }}</template>
      </template>
      <template #likely="{ row }">
        <template v-if="row.kind === 'line'">{{ bare(row.line.likely) }}</template>
        <template v-else-if="row.kind === 'sum'">{{ row.high === undefined ? money(row.likely) : bare(row.likely) }}</template>
      </template>
      <template #high="{ row }">
        <span v-if="row.kind === 'line'" class="soft">{{ bare(row.line.high) }}</span>
        <template v-else-if="row.kind === 'sum' && row.high !== undefined">{{ money(row.high) }}</template>
      </template>
      <template #share="{ row }">
        <RangeBar
          v-if="row.kind === 'line' && row.line.likely !== undefined && !row.line.owned && row.line.likely > 0"
          class="share"
          :value="row.line.likely"
          :most="dearest"
          :label="shareWords(row.line.likely)"
        />
      </template>
      <template #priced="{ row }">
        <span v-if="row.kind === 'line'" class="soft small">{{
          [row.line.seller, row.line.origin, row.line.date].filter(Boolean).join(', ')
        }}</span>
      </template>
      <template #order="{ row }">
        <span v-if="row.kind === 'line'" class="moves">
          <ElButton
            v-for="way in WAYS"
            :key="way.word"
            text
            :disabled="place(row.line) === (way.by < 0 ? 0 : bill.lines.length - 1)"
            :aria-label="`Buy ${row.line.label} ${way.word}`"
            @click="move(row.line, place(row.line) + way.by, way.word)"
          >
            {{ way.sign }}
          </ElButton>
        </span>
      </template>
    </DataTable>
  </div>
</template>

<style scoped>
.bill {
  margin-bottom: 22px;
}
.share {
  color: var(--accent);
}
.bill :deep(.group .cell) {
  padding-top: 8px;
  color: var(--ink-soft);
  font-size: 12.5px;
}
.bill :deep(.group td) {
  border-bottom: 0;
}
.bill :deep(.sum td) {
  font-weight: 660;
}
.bill :deep(.buy + .sum td) {
  border-top: 2px solid var(--ink);
}
.bill :deep(.buy) {
  cursor: grab;
}
.grip {
  margin-right: 4px;
  color: var(--accent);
  vertical-align: -2px;
}
.rate {
  display: flex;
  gap: 6px;
  align-items: center;
  justify-content: flex-end;
}
.moves {
  white-space: nowrap;
}
.moves .el-button {
  min-height: 28px;
  margin: 0;
  padding: 0 7px;
}
@media print {
  .moves,
  .grip {
    display: none;
  }
}
</style>
