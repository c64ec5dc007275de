<script setup lang="ts">
import { reactive, ref, useId, watch } from 'vue'
import { CURRENCIES, type Currency, type Price } from '#core/records/price.ts'
import { priceRecord } from '#core/records/price.ts'
import { recordSchema } from '#core/records/record-schema.ts'
import { schemaProblems } from '#core/records/schema-problems.ts'
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
const LABELS = { low: 'Price, low', likely: 'Price, expected', high: 'Price, high' } as const
const currencies = CURRENCIES.map((one) => ({ value: one, label: one }))
function setUnit(currency: Currency) {
  unit.value = currency
  take()
}

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
  const [problem] = schemaProblems(recordSchema(priceRecord), price)
  error.value = problem ? `Price: ${problem.message}.` : ''
  if (!problem) emit('change', price)
}
</script>

<template>
  <div class="price" data-field="price">
    <div class="row">
      <FieldItem v-for="key in KEYS" :key="key" :label="LABELS[key]">
        <ElInput
          v-model="text[key]"
          class="num"
          inputmode="decimal"
          :aria-invalid="error !== ''"
          :aria-describedby="`${id}-more`"
          :validate-event="false"
          @change="take"
          @keydown.enter.prevent="take"
        />
      </FieldItem>
      <FieldItem label="Currency">
        <ChoiceSelect :value="unit" :options="currencies" label="Currency" @change="setUnit" />
      </FieldItem>
      <FieldItem label="Deposit included" help="Refunded when the old part is returned. Shown separately from the total.">
        <ElInput
          v-model="text.deposit"
          class="num"
          inputmode="decimal"
          placeholder="none"
          aria-label="Deposit included"
          :aria-describedby="`${id}-more`"
          :validate-event="false"
          @change="take"
          @keydown.enter.prevent="take"
        />
      </FieldItem>
      <FieldItem v-if="perPieces" label="for pieces">
        <ElInputNumber v-model="pieces" class="num" :min="1" :max="100" controls-position="right" :validate-event="false" @change="take" />
      </FieldItem>
    </div>
    <p :id="`${id}-more`" class="field-error">{{ error }}</p>
  </div>
</template>

<style scoped>
.row {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(80px, 1fr));
  gap: 8px;
  align-items: end;
}
.row :deep(.el-input-number) {
  width: 100%;
}
p {
  margin: 2px 0 0;
}
</style>
