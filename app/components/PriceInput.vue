<script setup lang="ts">
import { reactive, ref, useId, watch } from 'vue'
import { CURRENCIES, type Currency, type Price } from '#core/model/project.ts'
import { priceSchema } from '#core/model/schema.ts'
import { schemaProblems } from '#core/model/schema-problems.ts'
import { parseMoney } from '#core/quantity/parse.ts'

/** A price as a range: low, likely, high, and how many pieces it buys. */
const props = defineProps<{ price: Price | undefined; currency: Currency; perPieces?: boolean }>()
const emit = defineEmits<{ change: [price: Price | undefined] }>()
const id = useId()
const error = ref('')
const text = reactive({ low: '', likely: '', high: '', deposit: '' })
const unit = ref<Currency>(props.currency)
const pieces = ref(1)
const KEYS = ['low', 'likely', 'high'] as const

const show = (minor: number) => (minor / 100).toFixed(2).replace(/\.00$/, '')
watch(
  () => props.price,
  (price) => {
    if (!price && error.value) return
    text.low = price ? show(price.lowMinor) : ''
    text.likely = price ? show(price.likelyMinor) : ''
    text.high = price ? show(price.highMinor) : ''
    text.deposit = price?.depositMinor === undefined ? '' : show(price.depositMinor)
    unit.value = price?.currency ?? props.currency
    pieces.value = price?.pieces ?? 1
    error.value = ''
  },
  { immediate: true },
)

function take() {
  if (KEYS.every((key) => text[key].trim() === '')) {
    error.value = ''
    if (props.price) emit('change', undefined)
    return
  }
  const minor: Partial<Record<(typeof KEYS)[number], number>> = {}
  for (const key of KEYS) {
    if (text[key].trim() === '') continue
    const parsed = parseMoney(text[key])
    if (!parsed.ok) {
      error.value = `${key}: ${parsed.message}`
      return
    }
    minor[key] = parsed.minor
  }
  const deposit = text.deposit.trim() === '' ? undefined : parseMoney(text.deposit)
  if (deposit && !deposit.ok) {
    error.value = `deposit: ${deposit.message}`
    return
  }
  const likely = minor.likely ?? minor.low ?? minor.high!
  const price: Price = {
    lowMinor: minor.low ?? likely,
    likelyMinor: likely,
    highMinor: minor.high ?? likely,
    currency: unit.value,
    pieces: Number(pieces.value),
    origin: props.price?.origin ?? 'published',
    date: new Date().toISOString().slice(0, 10),
    ...(props.price?.seller === undefined ? {} : { seller: props.price.seller }),
    ...(deposit ? { depositMinor: deposit.minor } : {}),
  }
  const [problem] = schemaProblems(priceSchema, price)
  error.value = problem ? `Price: ${problem.message}.` : ''
  if (!problem) emit('change', price)
}
</script>

<template>
  <div class="price" data-field="price">
    <div class="row">
      <label v-for="key in KEYS" :key="key"
        ><span>Price, {{ key }}</span
        ><input
          v-model="text[key]"
          class="native num"
          inputmode="decimal"
          :aria-invalid="error !== ''"
          :aria-describedby="`${id}-more`"
          @change="take"
          @keydown.enter.prevent="take"
      /></label>
      <label
        ><span>Currency</span
        ><select v-model="unit" class="native" @change="take">
          <option v-for="one in CURRENCIES" :key="one">{{ one }}</option>
        </select></label
      >
      <label
        ><span>Deposit in it</span
        ><input
          v-model="text.deposit"
          class="native num"
          inputmode="decimal"
          placeholder="none"
          title="Comes back when the old part is returned; shown apart from the sum"
          :aria-describedby="`${id}-more`"
          @change="take"
          @keydown.enter.prevent="take"
      /></label>
      <label v-if="perPieces"
        ><span>for pieces</span><input v-model="pieces" class="native num" type="number" min="1" max="100" @change="take"
      /></label>
    </div>
    <p :id="`${id}-more`" class="field-error">{{ error }}</p>
  </div>
</template>

<style scoped>
.row {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(86px, 1fr));
  gap: 8px;
}
label span {
  display: block;
  font-size: 13px;
  white-space: nowrap;
}
p {
  margin: 2px 0 0;
}
</style>
