<script setup lang="ts">
import { computed, ref } from 'vue'
import { count } from '#core/records/field.ts'
import type { Price } from '#core/records/price.ts'
import type { Wear, Wearing } from '#core/records/setup.ts'
import type { Range } from '#core/cost/maths/season.ts'
import type { Figure } from '#core/quantity/figure.ts'
import { formatMoney } from '#core/quantity/format.ts'
import { paybackAgainst, type Season } from '#core/cost/season.ts'
import { useProjectStore } from '~/stores/project'
import { useWorkbench } from '~/composables/workbench'

/** What wears, for how many events it lasts, what that makes a season, and when the dearer option has paid for itself. */
const store = useProjectStore()
const { report, reports, setup, units, openFigureId, link } = useWorkbench()
const season = computed(() => report.value!.season)
const currency = computed(() => store.current.preferences.currency)
const money = (minor: number | undefined) => formatMoney(minor, currency.value, { whole: true })
const range = (one: Range) => `${money(one.likely)}, from ${money(one.low)} to ${money(one.high)}`
const lasts = { ...count('Lasts, events', 0.1, 1000), integer: false }
const columns = [
  { id: 'what', label: 'Part', least: 150 },
  { id: 'lasts', label: 'Lasts, events', least: 120 },
  { id: 'renewing', label: 'Renewing costs', least: 150 },
  { id: 'season', label: 'A season', number: true },
]
const pricing = ref<Wearing>()
const error = ref('')

function change(what: Wearing, key: keyof Wear, value: Figure | Price | undefined) {
  store.edit('Edit wear', (draft) => {
    const one = draft.setups.find((candidate) => candidate.id === setup.value!.id)!
    const wear: Partial<Record<Wearing, Wear>> = { ...one.wear }
    const own: Wear = { ...wear[what] }
    if (value === undefined) Reflect.deleteProperty(own, key)
    else Object.assign(own, { [key]: value })
    if (Object.keys(own).length === 0) Reflect.deleteProperty(wear, what)
    else wear[what] = own
    if (Object.keys(wear).length === 0) delete one.wear
    else one.wear = wear
  })
}
function setEvents(text: string) {
  const value = Number(text.replace(',', '.'))
  const problems = store.edit('Events in a season', (draft) => void (draft.preferences.eventsPerSeason = value), { shows: true })
  error.value = problems[0] ? `Events in a season ${problems[0].message}.` : ''
}
/** Against every other setup of which wear is known. */
const paybacks = computed(() =>
  reports.value
    .filter((one) => one.setupId !== report.value!.setupId)
    .flatMap((other) => {
      const found = paybackAgainst(
        { total: report.value!.bill.total, perEvent: season.value.perEvent },
        { total: other.bill.total, perEvent: other.season.perEvent },
      )
      return found ? [{ other, found }] : []
    }),
)
const events = (value: number | undefined) => (value === undefined ? 'never' : value > 999 ? 'more than 999' : String(Math.ceil(value)))
/** "132 EUR (2 × 66.00 EUR)" */
function renewing({ price, packs, renewing: minor }: Season['rows'][number]): string {
  if (!price) return 'no price yet'
  const each = formatMoney(price.likelyMinor, price.currency)
  return minor === undefined ? `${each}, no exchange rate` : packs > 1 ? `${money(minor)} (${packs} × ${each})` : money(minor)
}
</script>

<template>
  <section aria-label="Season">
    <h2>
      A season
      <ElButton v-if="season.perSeason" link type="primary" class="num" @click="openFigureId = 'cost.season'">
        {{ season.missing.length > 0 ? 'at least ' : '' }}{{ range(season.perSeason) }}
      </ElButton>
      <span v-else class="soft">unknown: enter how long parts last</span>
    </h2>
    <FieldItem class="events" label="Events in a season"
      ><DraftInput
        class="num"
        :value="store.current.preferences.eventsPerSeason"
        inputmode="decimal"
        data-field="eventsPerSeason"
        aria-label="Events in a season"
        @change="setEvents"
    /></FieldItem>
    <p v-if="error" class="field-error">{{ error }}</p>
    <DataTable :rows="season.rows" :columns="columns">
      <template #what="{ row }">
        <b :data-wear="row.what">{{ row.label }}</b>
        <span v-if="row.part" class="soft small block">{{ row.part }}</span>
      </template>
      <template #lasts="{ row }">
        <span v-if="row.measured" class="num" :data-test="`measured-${row.what}`"
          >{{ row.lastsEvents!.value }} <NuxtLink class="small" :to="link('prove', { view: 'wear' })">as measured</NuxtLink></span
        >
        <FigureInput
          v-else
          :name="`wear.${row.what}`"
          :field="lasts"
          :label="`Events that ${row.label.toLowerCase()} last`"
          class="unlabelled"
          :figure="row.lastsEvents"
          :units="units"
          bare
          empty="not known"
          @change="change(row.what, 'lastsEvents', $event)"
        />
      </template>
      <template #renewing="{ row }">
        <ElButton
          link
          type="primary"
          class="num"
          :aria-expanded="pricing === row.what"
          @click="pricing = pricing === row.what ? undefined : row.what"
        >
          {{ renewing(row) }}
        </ElButton>
        <PriceInput
          v-if="pricing === row.what"
          :price="setup?.wear?.[row.what]?.price"
          :currency="currency"
          @change="change(row.what, 'price', $event)"
        />
      </template>
      <template #season="{ row }">{{ row.perSeason ? money(row.perSeason.likely) : '—' }}</template>
    </DataTable>
    <ul v-if="paybacks.length > 0" data-test="payback">
      <li v-for="{ other, found } in paybacks" :key="other.setupId">
        <template v-if="found.likely === 0">Against {{ other.setupName }}: neither costs more to buy.</template>
        <template v-else-if="found.likely === undefined"
          >{{ found.dearer === 'one' ? report!.setupName : other.setupName }} costs more to buy than
          {{ found.dearer === 'one' ? other.setupName : report!.setupName }} and saves nothing on wear, so it never pays for itself{{
            found.soonest === undefined ? '' : ` with nominal values, after ${events(found.soonest)} events at the best`
          }}.</template
        >
        <template v-else
          >{{ found.dearer === 'one' ? report!.setupName : other.setupName }} costs more to buy than
          {{ found.dearer === 'one' ? other.setupName : report!.setupName }} and pays for itself after {{ events(found.likely) }} events,
          from {{ events(found.soonest) }} to {{ events(found.latest) }}.</template
        >
      </li>
    </ul>
  </section>
</template>

<style scoped>
h2 {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: baseline;
}
.events {
  display: block;
  width: 130px;
  margin-bottom: 6px;
}
table {
  max-width: 860px;
}
th[scope='row'] {
  font-weight: 400;
  text-align: left;
}
.unlabelled :deep(label) {
  position: absolute;
  width: 1px;
  height: 1px;
  overflow: hidden;
  clip-path: inset(50%);
}
.unlabelled :deep(.pair) {
  width: 130px;
}
ul {
  margin: 8px 0 0;
  padding-left: 18px;
}
</style>
