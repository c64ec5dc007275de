<script setup lang="ts">
import { computed, ref, shallowRef, toRaw } from 'vue'
import { enoughOf, CRITERIA, SEARCH_CRITERIA, type SearchCriterionId } from '#core/decide/criteria.ts'
import { useMediaQuery } from '@vueuse/core'
import { groupResults, type ResultGroup } from '#core/decide/result-groups.ts'
import { changesIn } from '#core/decide/apply-result.ts'
import type { FullEvaluation } from '#core/decide/full-evaluation.ts'
import type { SearchResult } from '#core/decide/search.ts'
import { formatMoney, formatQuantity, inSentence } from '#core/quantity/format.ts'
import { parseMoney } from '#core/quantity/parse.ts'
import { useSearch } from '~/composables/search'
import { useProjectStore } from '~/stores/project'
import { useWorkbench } from '~/composables/workbench'

const DEMO_ID = 'larkrise-club-hatch'
/** What is the best that can be built from this library: what must hold, what is weighed, what nothing beats, and why not. */
const store = useProjectStore()
const { units } = useWorkbench()
const { ask, state, progress, result, isOld, tookMs, error, why, asking, looks, run, cancel, askWhy, take } = useSearch()
const currency = computed(() => store.current.preferences.currency)
const money = (minor: number | undefined) => (minor === undefined ? 'no price' : formatMoney(minor, currency.value, { whole: true }))

const VARY = [
  { key: 'front', label: 'front brakes' },
  { key: 'rear', label: 'rear brakes' },
  { key: 'wheel', label: 'wheels' },
  { key: 'hydraulics', label: 'master cylinder, bar and valve' },
  { key: 'booster', label: 'booster' },
] as const
const ONLY = [
  { key: 'onHand', label: 'what is there already' },
  { key: 'wholeKits', label: 'whole kits and donors, beside loose parts' },
] as const
const MUSTS = [
  { key: 'known', label: 'nothing left unknown' },
  { key: 'noPieces', label: 'no adapters or shims' },
  { key: 'clears', label: 'the wheel clears (95% confidence)' },
  { key: 'frontFirst', label: 'front wheels first up to 0.80 g' },
  { key: 'pedal', label: 'the usual pedal' },
  { key: 'parkingBrake', label: 'parking brake works' },
] as const
/** What is ticked, and where it stands in the query. */
const FIRST_GROUPS = [
  { id: 'search-vary', label: 'Changes allowed', keys: VARY, of: () => ask.value.vary },
  { id: 'search-musts', label: 'Requirements', keys: MUSTS, of: () => ask.value.musts },
] as const
const ONLY_GROUP = { id: 'search-only', label: 'Parts to use', keys: ONLY, of: () => ask.value } as const
const setFirst = (id: SearchCriterionId) => (ask.value.by = [id, ...ask.value.by.filter((one) => one !== id)])
const chosen = (of: object, keys: readonly { key: string }[]) =>
  keys.map(({ key }) => key).filter((key) => (of as Record<string, unknown>)[key] === true)
const set = (of: object, keys: readonly { key: string }[], on: readonly (string | number | boolean)[]) =>
  Object.assign(of, Object.fromEntries(keys.map(({ key }) => [key, on.includes(key)])))
const budget = ref(ask.value.musts.budgetMinor === undefined ? '' : String(ask.value.musts.budgetMinor / 100))
const budgetError = ref('')
function setBudget(text: string) {
  budget.value = text
  budgetError.value = ''
  if (text.trim() === '') {
    delete ask.value.musts.budgetMinor
    return
  }
  const read = parseMoney(text)
  if (read.ok) ask.value.musts.budgetMinor = read.minor
  else budgetError.value = read.message
}
/** A larger library to try it on: invented, and one undo away. */
const isDemo = computed(() => store.current.id === DEMO_ID)
const hasCatalogue = computed(() => store.current.parts.some((part) => part.id === 'cat-0'))
async function addCatalogue() {
  const { catalogue } = await import('#core/demo/catalogue.ts')
  store.edit('Add a catalogue', (draft) => void draft.parts.push(...catalogue(400)))
}
const SUPERSCRIPT = '⁰¹²³⁴⁵⁶⁷⁸⁹'
/** Counts as one reads them; the very large by their powers of ten. */
function big(count: number): string {
  if (count < 1e6) return count.toLocaleString('en').replaceAll(',', '\u202f')
  const power = Math.floor(Math.log10(count))
  return `${(count / 10 ** power).toFixed(1)} × 10${[...String(power)].map((digit) => SUPERSCRIPT[Number(digit)]).join('')}`
}
/** The price of a part or a kit as it is quoted, or another in its place. */
function priceOf(id: string, minor?: number): string {
  const price = [...store.current.parts, ...store.current.bundles].find((one) => one.id === id)?.price
  return price ? formatMoney(minor ?? price.likelyMinor, price.currency) : 'no price'
}
const changes = (find: SearchResult) => changesIn(store.current, find, units.value)
/** Kits and donors that are bought whole in a find. */
const wholes = ({ kits }: Pick<SearchResult, 'kits'>) =>
  kits.map((id) => store.current.bundles.find((bundle) => bundle.id === id)?.name ?? 'a kit that is gone')
/** What is known of a find in full, once it was looked at; a table hands its rows out as proxies. */
const lookOf = (find: SearchResult): FullEvaluation | undefined => looks.value[result.value?.finds.indexOf(toRaw(find)) ?? -1]
/** Until something goes; what lasts stands by the room it has left, what is not known last. */
const carriesS = (look: FullEvaluation | undefined) =>
  look?.heat.leftC === undefined ? -Infinity : (look.heat.goesAtS ?? 1e6 + look.heat.leftC)
/** Results that differ in no criterion are one group; as many groups are listed first. */
const FIRST_SHOWN = 12
const groups = computed(() => (result.value ? groupResults(result.value.ask, result.value.finds, enoughOf(store.current)) : []))
const showAll = ref(false)
const listed = computed(() => (showAll.value ? groups.value : groups.value.slice(0, FIRST_SHOWN)))
/** The result whose variants are listed; a table hands its rows out as proxies. */
const opened = shallowRef<SearchResult>()
const isOpen = ({ lead }: ResultGroup) => opened.value === toRaw(lead)
const toggle = (group: ResultGroup) => (opened.value = isOpen(group) ? undefined : toRaw(group.lead))
const variantsWords = ({ others, differIn }: ResultGroup) =>
  `${others.length} ${others.length === 1 ? 'variant' : 'variants'} with other ${differIn.map((one) => `${one}s`.replace(/ss$/, 's')).join(', ')}`
const narrow = useMediaQuery('(max-width: 760px)')
/** On a phone a result is a card: its figures stand under its changes. */
const cardWords = ({ lead }: ResultGroup) =>
  [
    money(lead.values.cost),
    lookOf(lead) ? `carries ${lookOf(lead)!.heat.value}` : undefined,
    `clearance ${formatQuantity(lookOf(lead)?.gapMm ?? lead.values.gap, 'length', units.value)}`,
    `${formatQuantity(lead.frontShare, 'share', units.value)} front`,
    `pedal ${formatQuantity(lead.pedalN, 'force', units.value)}`,
  ]
    .filter(Boolean)
    .join('; ')
/** More clearance than this is no reason to choose a result. */
const enoughGapMm = computed(() => enoughOf(store.current).gap ?? Infinity)
const byLead = (of: (one: SearchResult) => number) => ({ by: ({ lead }: ResultGroup) => of(lead) })
const columns = computed(() =>
  narrow.value
    ? [
        { id: 'what', label: 'Changes', least: 190 },
        { id: 'take', label: 'Add as setup', unseen: true, least: 118 },
      ]
    : [
        { id: 'what', label: 'Changes', least: 260 },
        { id: 'cost', label: 'Cost', number: true, ...byLead((one) => one.values.cost ?? Infinity) },
        { id: 'heat', label: 'One stop', number: true, ...byLead((one) => one.values.heat ?? Infinity) },
        { id: 'carries', label: 'Carries', number: true, least: 120, ...byLead((one) => -carriesS(lookOf(one))) },
        { id: 'gap', label: 'Clearance', number: true, ...byLead((one) => -(one.values.gap ?? -Infinity)) },
        { id: 'bias', label: 'Front share', number: true, ...byLead((one) => one.values.bias ?? Infinity) },
        { id: 'pedal', label: 'Pedal', number: true, ...byLead((one) => one.pedalN ?? Infinity) },
        { id: 'take', label: 'Add as setup', unseen: true, least: 118 },
      ],
)
const nearColumns = computed(() => [
  { id: 'what', label: 'Changes', least: 260 },
  { id: 'fails', label: 'Fails by', least: 150 },
  { id: 'cost', label: 'Cost', number: true },
  { id: 'take', label: 'Add as setup', unseen: true, least: 118 },
])
const says = computed(() => {
  if (!result.value) return ''
  const { finds, more, counts } = result.value
  if (finds.length === 0)
    return `No combination in the library meets every requirement. ${result.value.near.length > 0 ? 'Near misses are listed below.' : ''}`
  const many = finds.length + more
  return `${many} of ${big(counts.combinations)} ${many === 1 ? 'combinations is' : 'combinations are'} beaten by no other.`
})
/** What is bought with every result. */
const consumables = computed(() => {
  const { labels, minor, unpriced } = result.value!.consumables
  if (labels.length === 0) return 'Fluid and sealing washers are not included: no setup lists them.'
  const open = unpriced > 0 ? ` ${unpriced} of these have no price yet.` : ''
  return `Each cost includes ${money(minor)} for consumables: ${labels.join('; ')}.${open}`
})
const kinds = new Set(['caliper', 'drum', 'rotor', 'pad', 'bracket', 'hose', 'wheel', 'spacer', 'masterCylinder', 'valve'])
const askable = computed(() =>
  store.current.parts.filter((part) => kinds.has(part.kind)).map((part) => ({ value: part.id, label: part.name })),
)
</script>

<template>
  <div class="search">
    <section class="ask">
      <FieldItem v-for="group in FIRST_GROUPS" :key="group.id" :label="group.label" :for="group.id"
        ><ElCheckboxGroup
          :id="group.id"
          :model-value="chosen(group.of(), group.keys)"
          :validate-event="false"
          @update:model-value="set(group.of(), group.keys, $event)"
        >
          <ElCheckbox v-for="one in group.keys" :key="one.key" :value="one.key" :validate-event="false">{{ one.label }}</ElCheckbox>
        </ElCheckboxGroup></FieldItem
      >
      <div class="row">
        <FieldItem :label="`Budget, ${currency}`" :error="budgetError"
          ><ElInput
            :model-value="budget"
            class="num budget"
            placeholder="none"
            aria-label="Budget of the search"
            :validate-event="false"
            @update:model-value="setBudget"
        /></FieldItem>
        <FieldItem label="Top priority"
          ><ChoiceSelect
            class="from"
            label="Top priority"
            :value="ask.by[0]!"
            :options="SEARCH_CRITERIA.map((id) => ({ value: id, label: CRITERIA[id].label }))"
            @change="setFirst($event as SearchCriterionId)"
        /></FieldItem>
      </div>
      <FoldedPart title="More options">
        <FieldItem label="Start from setup"
          ><ChoiceSelect
            class="from"
            label="Start from setup"
            :value="ask.setupId"
            :options="store.current.setups.map((one) => ({ value: one.id, label: one.name }))"
            @change="ask.setupId = $event"
        /></FieldItem>
        <FieldItem :label="ONLY_GROUP.label" :for="ONLY_GROUP.id"
          ><ElCheckboxGroup
            :id="ONLY_GROUP.id"
            :model-value="chosen(ONLY_GROUP.of(), ONLY_GROUP.keys)"
            :validate-event="false"
            @update:model-value="set(ONLY_GROUP.of(), ONLY_GROUP.keys, $event)"
          >
            <ElCheckbox v-for="one in ONLY_GROUP.keys" :key="one.key" :value="one.key" :validate-event="false">{{ one.label }}</ElCheckbox>
          </ElCheckboxGroup></FieldItem
        >
        <FieldItem label="Criteria" for="search-by"
          ><ElCheckboxGroup id="search-by" v-model="ask.by" :min="1" :validate-event="false">
            <ElCheckbox v-for="id in SEARCH_CRITERIA" :key="id" :value="id satisfies SearchCriterionId" :validate-event="false">{{
              CRITERIA[id].label
            }}</ElCheckbox>
          </ElCheckboxGroup></FieldItem
        >
      </FoldedPart>
      <div class="row go">
        <ElButton v-if="state !== 'going'" type="primary" data-test="search-go" @click="run">Search the library</ElButton>
        <ElButton v-else data-test="search-cancel" @click="cancel">Cancel</ElButton>
        <ElProgress
          v-if="state === 'going'"
          class="bar"
          :percentage="Math.round((progress?.done ?? 0) * 100)"
          aria-label="How far the search is"
        />
        <span v-if="state === 'going' && progress?.best" class="small soft"
          >best so far: {{ money(progress.best.values.cost) }}, {{ changes(progress.best).join('; ') || 'current car' }}</span
        >
        <ElButton v-if="isDemo && !hasCatalogue && state !== 'going'" data-test="add-catalogue" @click="addCatalogue"
          >Add an invented catalogue of 400 parts</ElButton
        >
        <span v-if="state === 'cancelled'" class="small">Cancelled; nothing was changed.</span>
      </div>
      <p v-if="error" class="field-error" role="alert">{{ error }}</p>
    </section>
    <template v-if="result">
      <p v-if="isOld" class="tone-check small">The project has changed since. Search again.</p>
      <h1 role="status" data-test="search-says">{{ says }}</h1>
      <p class="soft small num" data-test="search-counts">
        {{ big(result.counts.axles.front) }} front and {{ big(result.counts.axles.rear) }} rear brakes make
        {{ big(result.counts.together) }} combinations; {{ big(result.counts.looked) }} were evaluated in full, in
        {{ (tookMs / 1000).toFixed(1) }} s. Costs use expected prices, or a whole kit where cheaper. {{ consumables }}
      </p>
      <DataTable v-if="result.finds.length > 0" :rows="listed" :columns="columns" class="finds" data-test="finds">
        <template #what="{ row }"
          ><span class="what"
            ><VerdictMark :verdict="lookOf(row.lead)?.verdict ?? row.lead.verdict" :size="14" /><span
              ><template v-if="Object.keys(row.lead.parts).length === 0">current car</template
              ><span v-for="one in changes(row.lead)" :key="one" class="change">{{ one }}</span
              ><span v-if="row.lead.kits.length > 0" class="change soft small">bought whole: {{ wholes(row.lead).join(' and ') }}</span
              ><span v-if="row.reason" class="change small"
                ><b>{{ row.reason }}</b></span
              ><span v-if="narrow" class="change small num">{{ cardWords(row) }}</span
              ><span v-if="row.others.length > 0" class="change small"
                ><ElButton link type="primary" :aria-expanded="isOpen(row)" @click="toggle(row)">{{ variantsWords(row) }}</ElButton></span
              ><template v-if="isOpen(row)"
                ><span v-for="(other, i) in row.others" :key="i" class="change small"
                  >{{ money(other.values.cost) }}: {{ changes(other).join('; ') }}
                  <ElButton link type="primary" :aria-label="`Add ${changes(other).join(', ')}`" :disabled="isOld" @click="take(other)"
                    >Add as setup</ElButton
                  ></span
                ></template
              ></span
            ></span
          ></template
        >
        <template #cost="{ row }">{{ money(row.lead.values.cost) }}</template>
        <template #heat="{ row }">{{
          formatQuantity(row.lead.values.heat, 'temperatureRise', units, { signed: true, decimals: 0 })
        }}</template>
        <template #carries="{ row }"
          ><span v-if="lookOf(row.lead)" :class="`tone-${lookOf(row.lead)!.heat.verdict}`" :title="lookOf(row.lead)!.heat.sentence">{{
            lookOf(row.lead)!.heat.value
          }}</span
          ><span v-else class="soft">…</span></template
        >
        <template #gap="{ row }"
          >{{ formatQuantity(lookOf(row.lead)?.gapMm ?? row.lead.values.gap, 'length', units)
          }}<span v-if="(lookOf(row.lead)?.gapMm ?? row.lead.values.gap ?? 0) >= enoughGapMm" class="block small soft"
            >enough</span
          ></template
        >
        <template #bias="{ row }">{{ formatQuantity(row.lead.frontShare, 'share', units) }}</template>
        <template #pedal="{ row }">{{ formatQuantity(row.lead.pedalN, 'force', units) }}</template>
        <template #take="{ row }"
          ><ElButton
            v-if="Object.keys(row.lead.parts).length > 0"
            :aria-label="`Add ${changes(row.lead).join(', ')}`"
            :disabled="isOld"
            @click="take(row.lead)"
            >Add as setup</ElButton
          ></template
        >
      </DataTable>
      <p v-if="groups.length > listed.length" class="small">
        <ElButton link type="primary" data-test="all-results" @click="showAll = true">Show all {{ groups.length }} results</ElButton>
      </p>
      <p v-if="result.finds.length > 0" class="soft small" data-test="looked">
        {{
          looks.length < result.finds.length
            ? `Evaluated in full: ${looks.length} of ${result.finds.length}. Other clearances and verdicts are estimates.`
            : `Clearance, verdict and the heat margin in ${looks[0]!.heat.duty} are computed in full.`
        }}
      </p>
      <p v-if="result.more > 0" class="small">{{ result.more }} more results. Add requirements to see them.</p>
      <section v-if="result.near.length > 0" data-test="near">
        <h2>Nearly: one thing fails by little</h2>
        <DataTable :rows="result.near" :columns="nearColumns" class="finds">
          <template #what="{ row }"
            ><span v-for="one in changes(row)" :key="one" class="change">{{ one }}</span
            ><span v-if="row.kits.length > 0" class="change soft small">bought whole: {{ wholes(row).join(' and ') }}</span></template
          >
          <template #fails="{ row }">{{ row.fails }}</template>
          <template #cost="{ row }">{{ money(row.values.cost) }}</template>
          <template #take="{ row }"
            ><ElButton :aria-label="`Add ${changes(row).join(', ')}`" :disabled="isOld" @click="take(row)">Add as setup</ElButton></template
          >
        </DataTable>
      </section>
      <section class="why">
        <h2>Why not</h2>
        <div class="row">
          <FieldItem label="This part"
            ><ChoiceSelect
              label="This part"
              :value="asking"
              :options="askable"
              placeholder="choose a part"
              data-test="why-part"
              @change="askWhy"
          /></FieldItem>
        </div>
        <WorkingLine v-if="asking && !why && !error" what="It is being tried with everything" />
        <div v-if="why" data-test="why-says">
          <p>
            <strong>{{ why.sentence }}</strong>
            <template v-if="why.winsAtMinor !== undefined && why.best">
              Now {{ priceOf(why.winsInKit ?? why.partId) }}, it would be at
              {{ priceOf(why.winsInKit ?? why.partId, why.winsAtMinor) }}.</template
            >
            <template v-else-if="why.best"> The cheapest with it: {{ money(why.best.values.cost) }}.</template>
          </p>
          <ul>
            <li v-for="one in why.fails" :key="one.title + one.sentence">
              <b>{{ one.title }}.</b> {{ one.sentence }}<template v-if="one.cures.length > 0"> Fix: {{ one.cures.join(' or ') }}.</template>
            </li>
          </ul>
        </div>
      </section>
      <FoldedPart :title="`Combinations ruled out, by check: ${result.dropped.length}`">
        <ul class="small num" data-test="dropped">
          <li v-for="one in result.dropped" :key="one.rule">{{ big(one.count) }} by {{ inSentence(one.title) }}</li>
        </ul>
        <p class="soft small">Each combination is counted once, at the check that ruled it out.</p>
      </FoldedPart>
    </template>
    <NothingYet v-else-if="state !== 'going'" text="No search yet. A search changes nothing; add a result to make it a setup." />
  </div>
</template>

<style scoped>
.search {
  max-width: 1000px;
}
.ask {
  display: grid;
  gap: 6px;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  align-items: end;
}
.go {
  align-items: center;
  margin: 4px 0 8px;
}
.bar {
  flex: 0 1 220px;
}
.from {
  width: 220px;
}
.budget {
  width: 120px;
}
h1 {
  margin: 8px 0 4px;
  font-size: 18px;
}
.what {
  display: flex;
  gap: 6px;
  align-items: baseline;
}
.change {
  display: block;
}
.why .row .el-form-item {
  width: 320px;
}
ul {
  margin: 0;
  padding-left: 18px;
}
</style>
