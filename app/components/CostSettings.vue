<script setup lang="ts">
import { computed, ref } from 'vue'
import { CURRENCIES, type Currency } from '#core/model/project.ts'
import { parseMoney } from '#core/quantity/parse.ts'
import { useProjectStore } from '~/stores/project'

/** Currency, tax, exchange rates with how far they may move, and the budget. */
const store = useProjectStore()
const preferences = computed(() => store.project!.preferences)
const errors = ref<Record<string, string>>({})
const say = (key: string, words: string) => (errors.value = { ...errors.value, [key]: words })
const text = (event: Event) => (event.target as HTMLInputElement).value.trim().replace(',', '.')

function setTax(event: Event) {
  const problems = store.edit('Change tax', (draft) => void (draft.preferences.taxPercent = Number(text(event))), { shows: true })
  say('tax', problems[0] ? `Tax ${problems[0].message}.` : '')
}
function setBudget(event: Event) {
  const typed = text(event)
  const parsed = typed === '' ? undefined : parseMoney(typed)
  if (parsed && !parsed.ok) {
    say('budget', parsed.message)
    return
  }
  say('budget', '')
  store.edit('Change budget', (draft) => {
    if (parsed) draft.preferences.budgetMinor = parsed.minor
    else delete draft.preferences.budgetMinor
  })
}
const setCurrency = (event: Event) =>
  store.edit('Change currency', (draft) => {
    draft.preferences.currency = (event.target as HTMLSelectElement).value as Currency
    draft.preferences.rates = []
  })
/** Currencies that prices use beside the project's own. */
const foreign = computed(() => {
  const used = new Set<Currency>()
  const project = store.project!
  for (const part of project.parts) if (part.price) used.add(part.price.currency)
  for (const bundle of project.bundles) if (bundle.price) used.add(bundle.price.currency)
  for (const one of project.setups) for (const line of one.extras) if (line.price) used.add(line.price.currency)
  used.delete(preferences.value.currency)
  return [...used]
})
const rateOf = (currency: Currency) => preferences.value.rates.find((rate) => rate.currency === currency)
function setRate(currency: Currency, key: 'rate' | 'spreadPercent', event: Event) {
  const typed = text(event)
  const problems = store.edit(
    'Change exchange rate',
    (draft) => {
      const others = draft.preferences.rates.filter((rate) => rate.currency !== currency)
      const before = draft.preferences.rates.find((rate) => rate.currency === currency)
      if (key === 'rate') {
        const date = new Date().toISOString().slice(0, 10)
        draft.preferences.rates = typed === '' ? others : [...others, { ...before, currency, rate: Number(typed), date }]
      } else if (before) {
        if (typed === '') delete before.spreadPercent
        else before.spreadPercent = Number(typed)
      }
    },
    { shows: true },
  )
  say(currency, problems[0] ? `${currency}: ${problems[0].message}.` : '')
}
const told = computed(() => Object.values(errors.value).filter(Boolean).join(' '))
</script>

<template>
  <section class="money">
    <label class="small"
      >Budget, at most<DraftInput
        class="native num"
        :value="preferences.budgetMinor === undefined ? '' : preferences.budgetMinor / 100"
        inputmode="decimal"
        placeholder="none set"
        data-field="budgetMinor"
        :aria-invalid="!!errors.budget"
        @change="setBudget"
    /></label>
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
    <template v-for="one in foreign" :key="one">
      <label class="small"
        >1 {{ one }} in {{ preferences.currency }}{{ rateOf(one)?.date ? `, of ${rateOf(one)!.date}` : ''
        }}<DraftInput
          class="native num"
          :value="rateOf(one)?.rate ?? ''"
          inputmode="decimal"
          placeholder="not known"
          data-field="rates"
          :aria-invalid="!!errors[one]"
          @change="setRate(one, 'rate', $event)"
      /></label>
      <label v-if="rateOf(one)" class="small"
        >{{ one }} may move either way, %<DraftInput
          class="native num"
          :value="rateOf(one)?.spreadPercent ?? ''"
          inputmode="decimal"
          placeholder="fixed"
          @change="setRate(one, 'spreadPercent', $event)"
      /></label>
    </template>
    <p v-if="told" class="field-error wide" role="alert">{{ told }}</p>
  </section>
</template>

<style scoped>
.money {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(180px, 1fr));
  gap: 12px;
}
.wide {
  grid-column: 1 / -1;
  margin: 0;
}
</style>
