<script setup lang="ts">
import { computed, ref } from 'vue'
import { CURRENCIES, type Currency, type Price } from '#core/model/project.ts'
import { formatMoney } from '#core/quantity/format.ts'
import { newId } from '~/stores/shelf'
import { useProjectStore } from '~/stores/project'
import { useWorkbench } from '~/composables/workbench'

const store = useProjectStore()
const { report, setup, isStock, openFigureId, goTo } = useWorkbench()
const preferences = computed(() => store.project!.preferences)
const bill = computed(() => report.value?.bill)
const money = (minor: number | undefined) => formatMoney(minor, preferences.value.currency)
const bare = (minor: number | undefined) => money(minor).replace(/\u00a0.*$/, '')
const errors = ref<Record<string, string>>({})

function editExtra(id: string, key: 'label' | 'quantity' | 'price' | 'owned', value: string | number | boolean | Price | undefined) {
  const problems = store.edit('Edit extra cost', (draft) => {
    const line = draft.setups.find((one) => one.id === setup.value?.id)!.extras.find((one) => one.id === id)
    if (!line) return
    if (value === undefined) Reflect.deleteProperty(line, key)
    else Object.assign(line, { [key]: value })
  })
  errors.value = { ...errors.value, [id]: problems[0] ? `${problems[0].place}: ${problems[0].message}.` : '' }
}
const addExtra = () =>
  store.edit(
    'Add extra cost',
    (draft) => void draft.setups.find((one) => one.id === setup.value?.id)!.extras.push({ id: newId(), label: 'New cost', quantity: 1 }),
  )
const removeExtra = (id: string) =>
  store.edit('Remove extra cost', (draft) => {
    const one = draft.setups.find((candidate) => candidate.id === setup.value?.id)!
    one.extras = one.extras.filter((line) => line.id !== id)
  })

function setTax(event: Event) {
  const input = event.target as HTMLInputElement
  const value = Number(input.value.replace(',', '.'))
  const problems = store.edit('Change tax', (draft) => void (draft.preferences.taxPercent = value))
  errors.value = { ...errors.value, tax: problems[0] ? `Tax ${problems[0].message}.` : '' }
}
const setCurrency = (event: Event) =>
  store.edit('Change currency', (draft) => {
    draft.preferences.currency = (event.target as HTMLSelectElement).value as Currency
    draft.preferences.rates = []
  })
/** Currencies that prices use beside the project's own. */
const foreign = computed(() => {
  const used = new Set<Currency>()
  for (const part of store.project!.parts) if (part.price) used.add(part.price.currency)
  for (const one of store.project!.setups) for (const line of one.extras) if (line.price) used.add(line.price.currency)
  used.delete(preferences.value.currency)
  return [...used]
})
const rateOf = (currency: Currency) => preferences.value.rates.find((rate) => rate.currency === currency)
function setRate(currency: Currency, event: Event) {
  const text = (event.target as HTMLInputElement).value.trim().replace(',', '.')
  const problems = store.edit('Change exchange rate', (draft) => {
    const others = draft.preferences.rates.filter((rate) => rate.currency !== currency)
    draft.preferences.rates =
      text === '' ? others : [...others, { currency, rate: Number(text), date: new Date().toISOString().slice(0, 10) }]
  })
  errors.value = { ...errors.value, [currency]: problems[0] ? `${currency}: ${problems[0].message}.` : '' }
}
</script>

<template>
  <div v-if="bill && setup" class="cost">
    <h1>
      <span class="num">{{ report!.figures['cost.total'].atLeast ? 'At least ' : '' }}{{ money(bill.total.likely) }}</span>
      <span v-if="bill.lines.length > 0" class="soft range num"
        >from {{ bare(bill.total.low) }} to {{ money(bill.total.high) }}; in 8 of 10 cases {{ bare(bill.total.p10) }} to
        {{ money(bill.total.p90) }}. Budget {{ money(bill.total.expected) }}.
        <button class="linkish" type="button" @click="openFigureId = 'cost.total'">Show the working</button></span
      >
    </h1>
    <p v-if="isStock && bill.lines.length === 0" class="soft">
      Nothing is bought for the car as it stands. Choose or make another setup to see what it costs.
    </p>
    <p v-if="bill.unpriced > 0" class="tone-unknown">
      <VerdictMark verdict="unknown" />
      {{ bill.unpriced === 1 ? 'One line has no price yet' : `${bill.unpriced} lines have no price yet` }}: the total is at least this.
    </p>

    <table v-if="bill.lines.length > 0" class="plain bill">
      <thead>
        <tr>
          <th scope="col">What</th>
          <th scope="col" class="r">Low</th>
          <th scope="col" class="r">Likely</th>
          <th scope="col" class="r">High</th>
          <th scope="col">Priced</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="line in bill.lines" :key="line.id">
          <td>
            <button class="linkish" type="button" @click="goTo(line.at)">{{ line.label }}</button>
            <span class="soft small block">{{ line.detail }}</span>
          </td>
          <template v-if="line.owned"><td class="r soft" colspan="3">already have it</td></template>
          <template v-else-if="line.likely === undefined"><td class="r tone-unknown" colspan="3">no price yet</td></template>
          <template v-else
            ><td class="r num soft">{{ bare(line.low) }}</td>
            <td class="r num">{{ bare(line.likely) }}</td>
            <td class="r num soft">{{ bare(line.high) }}</td></template
          >
          <td class="soft small">{{ [line.origin, line.date].filter(Boolean).join(', ') }}</td>
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
      </tfoot>
    </table>

    <section>
      <h2>Extra costs of this setup</h2>
      <p class="soft small">Fluid, small parts, labour, carriage, inspection.</p>
      <div v-for="line in setup.extras" :key="line.id" class="extra">
        <label class="small"
          >What<DraftInput
            class="native"
            :value="line.label"
            maxlength="120"
            @change="editExtra(line.id, 'label', ($event.target as HTMLInputElement).value.trim())"
        /></label>
        <label class="small"
          >Quantity<DraftInput
            class="native num"
            :value="line.quantity"
            inputmode="decimal"
            @change="editExtra(line.id, 'quantity', Number(($event.target as HTMLInputElement).value.replace(',', '.')))"
        /></label>
        <PriceInput :price="line.price" :currency="preferences.currency" @change="editExtra(line.id, 'price', $event)" />
        <button class="btn bare" type="button" :aria-label="`Remove ${line.label}`" @click="removeExtra(line.id)">
          <Icon name="tabler:trash" size="17" />
        </button>
        <p v-if="errors[line.id]" class="field-error wide">{{ errors[line.id] }}</p>
      </div>
      <button class="btn" type="button" @click="addExtra"><Icon name="tabler:plus" size="16" /> Add a cost</button>
    </section>

    <section class="money">
      <label class="small"
        >Currency of the project<select class="native" :value="preferences.currency" data-field="currency" @change="setCurrency">
          <option v-for="one in CURRENCIES" :key="one">{{ one }}</option>
        </select></label
      >
      <label class="small"
        >Tax on every line, %<DraftInput
          class="native num"
          :value="preferences.taxPercent"
          inputmode="decimal"
          data-field="taxPercent"
          :aria-invalid="!!errors.tax"
          @change="setTax"
      /></label>
      <label v-for="one in foreign" :key="one" class="small"
        >1 {{ one }} in {{ preferences.currency
        }}<DraftInput
          class="native num"
          :value="rateOf(one)?.rate ?? ''"
          inputmode="decimal"
          placeholder="not known"
          data-field="rates"
          :aria-invalid="!!errors[one]"
          @change="setRate(one, $event)"
      /></label>
      <p class="field-error wide">{{ [errors.tax, ...foreign.map((one) => errors[one])].filter(Boolean).join(' ') }}</p>
    </section>
  </div>
</template>

<style scoped>
.cost {
  max-width: 980px;
}
h1 {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  align-items: baseline;
  margin-bottom: 10px;
  font-size: 26px;
}
.range {
  font-size: 14px;
  font-weight: 400;
}
.bill {
  margin-bottom: 22px;
}
.bill tfoot th,
.bill tfoot td {
  border-top: 2px solid var(--ink);
  color: var(--ink);
  font-size: 14px;
  font-weight: 660;
}
.block {
  display: block;
}
section {
  margin-bottom: 22px;
}
.extra {
  display: grid;
  grid-template-columns: minmax(140px, 1.2fr) 76px minmax(300px, 2fr) 36px;
  gap: 10px;
  align-items: start;
  margin-bottom: 6px;
  padding-bottom: 4px;
  border-bottom: 1px solid var(--hair);
}
.extra > .btn {
  margin-top: 20px;
}
.wide {
  grid-column: 1 / -1;
  margin: 0;
}
.money {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(180px, 1fr));
  gap: 12px;
}
@media (max-width: 760px) {
  .extra {
    grid-template-columns: 1fr 76px 36px;
  }
  .extra > .price {
    grid-row: 2;
    grid-column: 1 / -1;
  }
  .bill td:last-child,
  .bill th:last-child {
    display: none;
  }
}
</style>
