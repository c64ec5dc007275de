<script setup lang="ts">
import { computed } from 'vue'
import type { Quote } from '#core/records/quote.ts'
import { formatMoney } from '#core/quantity/format.ts'
import { usePriceDesk } from '~/composables/price-desk'
import { counted } from '#core/figures/words.ts'
import { useProjectStore } from '~/stores/project'
import { useWorkbench } from '~/composables/workbench'

/** Quotes of the sellers for what this setup buys, each to be taken with a press. */
const store = useProjectStore()
const { setup } = useWorkbench()
const { quotes, forSetup, state, trouble, ask, take } = usePriceDesk()
const money = (quote: Quote, minor: number) => formatMoney(minor, quote.currency, { whole: minor % 100 === 0 })
const parts = computed(() => {
  if (forSetup.value !== setup.value?.id) return []
  const ids = [...new Set(quotes.value.map((one) => one.partId))]
  return ids.flatMap((id) => {
    const part = store.current.parts.find((one) => one.id === id)
    return part ? [{ part, quotes: quotes.value.filter((one) => one.partId === id) }] : []
  })
})
const isTaken = (quote: Quote, price: { seller?: string; date?: string; likelyMinor: number } | undefined) =>
  price?.seller === quote.seller && price.date === quote.date && price.likelyMinor === quote.priceMinor
const columns = [
  { id: 'seller', label: 'Seller', least: 170 },
  { id: 'condition', label: 'Condition', text: (one: Quote) => one.condition },
  { id: 'price', label: 'Price', number: true, least: 110 },
  { id: 'when', label: 'When', least: 170 },
  { id: 'take', label: 'Use price', number: true },
]
const kind = { shop: 'shop', yard: 'yard', rebuilder: 'rebuilder' } as const
/** One of each, in stock and new, where there is such a quote; the cheapest else. */
const cheapestNew = computed(() =>
  parts.value.flatMap(
    ({ quotes: of }) => of.find((one) => one.condition === 'new' && one.stock > 0) ?? of.find((one) => one.condition === 'new') ?? [],
  ),
)
</script>

<template>
  <section aria-label="Price desk">
    <h2>Price desk</h2>
    <p class="soft small">Simulated sellers that ship with the application: invented names, stock and prices that change by the day.</p>
    <ElButton :disabled="state === 'asking'" data-test="ask-quotes" @click="ask(setup!.id)">
      {{ state === 'asking' ? 'Asking …' : parts.length > 0 ? 'Ask again' : 'Ask for quotes' }}
    </ElButton>
    <ElButton v-if="cheapestNew.length > 0" data-test="take-new" @click="take(setup!.id, cheapestNew)">
      Use the cheapest new prices
    </ElButton>
    <p v-if="trouble" class="field-error" role="alert">{{ trouble }}</p>
    <p v-else-if="state === 'answered' && parts.length === 0" class="soft">No seller offers these parts, or this setup buys nothing.</p>
    <div v-for="{ part, quotes: offers } in parts" :key="part.id" class="part" :data-quotes="part.id">
      <h3>{{ part.name }}</h3>
      <DataTable :rows="offers" :columns="columns" headless>
        <template #seller="{ row: quote }">
          {{ quote.seller }} <span class="soft small">{{ kind[quote.sellerKind] }}</span>
        </template>
        <template #price="{ row: quote }">
          {{ money(quote, quote.priceMinor) }}<span class="soft small">{{ quote.pieces > 1 ? ` for ${quote.pieces}` : '' }}</span>
          <span v-if="quote.depositMinor" class="soft small block">and {{ money(quote, quote.depositMinor) }} deposit</span>
        </template>
        <template #when="{ row: quote }">
          <span class="num small"
            >{{ quote.stock > 0 ? `${quote.stock} in stock` : 'to order' }}, {{ counted(quote.days, 'day')
            }}<span class="soft block">shipping {{ money(quote, quote.shippingMinor) }}; {{ quote.date }}</span></span
          >
        </template>
        <template #take="{ row: quote }">
          <span v-if="isTaken(quote, part.price)" class="tone-fits small"><VerdictMark verdict="fits" :size="13" /> taken</span>
          <ElButton v-else :aria-label="`Use the price of ${part.name} from ${quote.seller}`" @click="take(setup!.id, [quote])">
            Use price
          </ElButton>
        </template>
      </DataTable>
    </div>
  </section>
</template>

<style scoped>
h3 {
  margin: 10px 0 0;
}
.el-button + .el-button {
  margin-left: 8px;
}
table {
  table-layout: fixed;
}
td {
  vertical-align: middle;
}
td:nth-child(1) {
  width: 32%;
}
td:nth-child(2) {
  width: 16%;
}
td:nth-child(5) {
  width: 84px;
}
@media (max-width: 760px) {
  .part {
    overflow-x: auto;
  }
}
</style>
