<script setup lang="ts">
import { computed, ref } from 'vue'
import { CURRENCIES, type Currency } from '#core/records/price.ts'
import { parseMoney } from '#core/quantity/parse.ts'
import { useProjectStore } from '~/stores/project'

/** Currency, tax, exchange rates with how far they may move, and the budget. */
const store = useProjectStore()
const preferences = computed(() => store.current.preferences)
const errors = ref<Record<string, string>>({})
const say = (key: string, words: string) => (errors.value = { ...errors.value, [key]: words })
const plain = (text: string) => text.trim().replace(',', '.')

function setTax(text: string) {
  const problems = store.edit('Change tax', (draft) => void (draft.preferences.taxPercent = Number(plain(text))), { shows: true })
  say('tax', problems[0] ? `Tax ${problems[0].message}.` : '')
}
function setBudget(text: string) {
  const typed = plain(text)
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
const setCurrency = (currency: Currency) =>
  store.edit('Change currency', (draft) => {
    draft.preferences.currency = currency
    draft.preferences.rates = []
  })
/** Currencies that prices use beside the project's own. */
const foreign = computed(() => {
  const used = new Set<Currency>()
  const project = store.current
  for (const part of project.parts) if (part.price) used.add(part.price.currency)
  for (const bundle of project.bundles) if (bundle.price) used.add(bundle.price.currency)
  for (const one of project.setups) for (const line of one.extras) if (line.price) used.add(line.price.currency)
  used.delete(preferences.value.currency)
  return [...used]
})
const rateOf = (currency: Currency) => preferences.value.rates.find((rate) => rate.currency === currency)
function setRate(currency: Currency, key: 'rate' | 'spreadPercent', text: string) {
  const typed = plain(text)
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
    <FieldItem label="Budget, at most"
      ><DraftInput
        class="num"
        :value="preferences.budgetMinor === undefined ? '' : preferences.budgetMinor / 100"
        inputmode="decimal"
        placeholder="none set"
        data-field="budgetMinor"
        :aria-invalid="!!errors.budget"
        aria-label="Budget, at most"
        @change="setBudget"
    /></FieldItem>
    <FieldItem label="Currency of the project"
      ><ChoiceSelect
        data-field="currency"
        :value="preferences.currency"
        :options="CURRENCIES.map((one) => ({ value: one, label: one }))"
        label="Currency of the project"
        @change="setCurrency"
    /></FieldItem>
    <FieldItem label="Tax on every line, %"
      ><DraftInput
        class="num"
        :value="preferences.taxPercent"
        inputmode="decimal"
        data-field="taxPercent"
        :aria-invalid="!!errors.tax"
        aria-label="Tax on every line, %"
        @change="setTax"
    /></FieldItem>
    <template v-for="one in foreign" :key="one">
      <FieldItem :label="`1 ${one} in ${preferences.currency}${rateOf(one)?.date ? `, of ${rateOf(one)!.date}` : ''}`"
        ><DraftInput
          class="num"
          :value="rateOf(one)?.rate ?? ''"
          inputmode="decimal"
          placeholder="not known"
          data-field="rates"
          :aria-invalid="!!errors[one]"
          :aria-label="`1 ${one} in ${preferences.currency}${rateOf(one)?.date ? `, of ${rateOf(one)!.date}` : ''}`"
          @change="setRate(one, 'rate', $event)"
      /></FieldItem>
      <FieldItem v-if="rateOf(one)" :label="`${one} may move either way, %`"
        ><DraftInput
          class="num"
          :value="rateOf(one)?.spreadPercent ?? ''"
          inputmode="decimal"
          placeholder="fixed"
          :aria-label="`${one} may move either way, %`"
          @change="setRate(one, 'spreadPercent', $event)"
      /></FieldItem>
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
