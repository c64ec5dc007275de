<script setup lang="ts">
import { useMediaQuery, whenever } from '@vueuse/core'
import { computed, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import type { Bundle } from '#core/records/bundle.ts'
import { takeBundle, takeCompany } from '#core/commands/take-bundle.ts'
import { formatMoney } from '#core/quantity/format.ts'
import type { Brought, BundleOffer } from '#core/decide/bundle-offers.ts'
import { FINDING_SHORT } from '#core/figures/words.ts'
import { newId } from '~/composables/new-id'
import { useProjectStore } from '~/stores/project'
import { useLatestOf } from '~/composables/latest-of'
import { useReports } from '~/composables/reports'
import { useWorkbench } from '~/composables/workbench'

/** Kits and donors: what each would bring to the setup if it were taken whole, the best first. */
const store = useProjectStore()
const route = useRoute()
const router = useRouter()
const { setup, isStock, link } = useWorkbench()
const { worker } = useReports()
const { found: offers, working } = useLatestOf<BundleOffer[]>('what kits and donors would bring', [], (project, setupId) =>
  worker().bundles(project, setupId),
)
const rows = computed(() => {
  const rank = new Map(offers.value.map((one, index) => [one.bundleId, { one, index }]))
  return store.current.bundles
    .map((bundle) => ({ bundle, offer: rank.get(bundle.id)?.one, rank: rank.get(bundle.id)?.index ?? Infinity }))
    .sort((a, b) => a.rank - b.rank)
})
const beside = useMediaQuery('(min-width: 901px)')
/** What bolted on best when the list came: it stays open though an edit moves it down. */
const best = ref<string>()
whenever(
  () => offers.value.length > 0,
  () => (best.value = rows.value[0]?.bundle.id),
  { once: true },
)
const chosen = computed(() => {
  const id = route.query.bundle ?? (beside.value ? best.value : undefined)
  return store.current.bundles.find((one) => one.id === id)
})
const choose = (id: string | undefined) =>
  router.replace({ path: route.path, query: { ...link('parts').query, view: 'bundles', ...(id ? { bundle: id } : {}) } })

const counts = (one: Brought) =>
  [
    one.blocked && `${one.blocked} blocked`,
    one.unknowns && `${one.unknowns} unknown`,
    one.needs && `${one.needs} ${one.needs === 1 ? 'need' : 'needs'}`,
  ]
    .filter(Boolean)
    .join(', ')
const money = (minor: number) => formatMoney(minor, store.current.preferences.currency, { whole: true, signed: true })

function add(kind: Bundle['kind']) {
  const id = newId()
  store.edit(kind === 'kit' ? 'Add a kit' : 'Add a donor', (draft) => {
    draft.bundles.push({ id, kind, name: kind === 'kit' ? 'New kit' : 'New donor', axle: 'front', parts: [] })
  })
  void choose(id)
}
/** Into the setup that is looked at, with its company or without; from the car as it stands a new setup is made. */
async function take(bundle: Bundle, company: BundleOffer['company'] = {}) {
  const id = isStock.value ? newId() : setup.value!.id
  store.edit(`Add ${bundle.name}`, (draft) => {
    const from = isStock.value
      ? { id, name: bundle.name.slice(0, 120), front: {}, rear: {}, hydraulics: {}, extras: [] }
      : draft.setups.find((one) => one.id === id)!
    const whole = takeBundle(JSON.parse(JSON.stringify(from)), bundle, store.current.parts)
    const taken = takeCompany(whole, bundle.axle, company)
    if (isStock.value) draft.setups.push(taken)
    else draft.setups[draft.setups.findIndex((one) => one.id === id)] = taken
  })
  await router.push({ path: link('fit').path, query: { setup: id, ...(bundle.axle === 'rear' ? { axle: 'rear' } : {}), view: 'check' } })
}
</script>

<template>
  <div class="bundles" :class="{ editing: chosen }">
    <section class="list" aria-label="Kits and donors">
      <p class="soft small">
        Each kit or donor, applied whole to {{ setup?.name }}; best fit first. Library parts that suit it better than the present ones are
        named.
      </p>
      <WorkingLine v-if="working" what="Evaluating kits and donors" />
      <ul data-test="bundles">
        <li v-for="{ bundle, offer } in rows" :key="bundle.id" :class="{ here: bundle.id === chosen?.id }">
          <button type="button" class="pick" :aria-current="bundle.id === chosen?.id" @click="choose(bundle.id)">
            <VerdictMark v-if="offer" :verdict="offer.worst" :size="16" />
            <span class="what"
              ><strong>{{ bundle.name }}</strong>
              <span class="soft small of">
                {{
                  [bundle.kind, bundle.years, bundle.trims, bundle.parts.length === 1 ? '1 part' : `${bundle.parts.length} parts`]
                    .filter(Boolean)
                    .join(', ')
                }}</span
              >
              <span v-if="offer" class="block small" :class="`tone-${offer.worst}`"
                >{{ FINDING_SHORT[offer.worst] }}<template v-if="offer.alone"> with {{ offer.companyWords }}</template
                >{{ counts(offer) ? `: ${counts(offer)}` : '' }}. <span class="soft">{{ offer.why }}</span></span
              >
              <span v-if="offer?.alone" class="block small soft" data-test="alone"
                >Alone: {{ FINDING_SHORT[offer.alone.worst] }}{{ counts(offer.alone) ? ` (${counts(offer.alone)})` : '' }},
                {{ money(offer.alone.extraMinor) }}. {{ offer.alone.why }}</span
              ></span
            >
          </button>
          <span class="num price">
            <template v-if="offer && !offer.there"
              >{{ money(offer.extraMinor)
              }}<span v-if="offer.unpriced > 0" class="block soft small">and {{ offer.unpriced }} without a price</span></template
            >
          </span>
          <span v-if="offer?.there" class="soft small there">in this setup</span>
          <span v-else-if="offer?.alone" class="two">
            <ElButton :aria-label="`Add ${bundle.name} with ${offer.companyWords}`" @click="take(bundle, offer.company)">
              Add with these
            </ElButton>
            <ElButton text :aria-label="`Add ${bundle.name} alone`" @click="take(bundle)"> Add alone </ElButton>
          </span>
          <ElButton v-else :disabled="bundle.parts.length === 0" :aria-label="`Add ${bundle.name}`" @click="take(bundle)">
            Add whole kit
          </ElButton>
        </li>
      </ul>
      <NothingYet
        v-if="rows.length === 0"
        text="No kits or donors yet. A donor is a vehicle with its usable parts. A kit is a set of parts with one price."
      />
      <ElButton @click="add('donor')"><Icon name="tabler:plus" size="16" /> Add a donor</ElButton>
      <ElButton @click="add('kit')"><Icon name="tabler:plus" size="16" /> Add a kit</ElButton>
    </section>
    <section class="edit" aria-label="Kit or donor">
      <template v-if="chosen">
        <ElButton text class="back" @click="choose(undefined)"> <Icon name="tabler:arrow-left" /> All kits and donors </ElButton>
        <BundleEditor :key="chosen.id" :bundle="chosen" @removed="choose(undefined)" />
      </template>
      <p v-else class="soft none">Select a kit or donor to see and edit its parts.</p>
    </section>
  </div>
</template>

<style scoped>
.bundles {
  display: grid;
  grid-template-columns: minmax(0, 1.5fr) minmax(300px, 1fr);
  gap: 22px;
  min-height: 0;
  height: 100%;
}
.list,
.edit {
  min-height: 0;
  overflow: auto;
}
ul {
  margin: 0 0 10px;
  padding: 0;
  list-style: none;
}
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 90px 126px;
  gap: 10px;
  align-items: center;
  border-bottom: 1px solid var(--hair);
}
.here {
  background: var(--sheet-2);
}
.pick {
  display: flex;
  gap: 8px;
  align-items: flex-start;
  padding: 6px 4px;
  border: 0;
  background: none;
  color: var(--ink);
  text-align: left;
  cursor: pointer;
}
.of {
  margin-left: 8px;
}
.price {
  text-align: right;
}
li > .el-button,
li > .there {
  justify-self: end;
}
.two {
  display: grid;
  justify-items: stretch;
}
.two .el-button + .el-button {
  margin-left: 0;
}
.list > .el-button {
  margin-right: 8px;
}
.back {
  display: none;
}
.none {
  margin-top: 60px;
  text-align: center;
}
@media (max-width: 900px) {
  .bundles {
    display: block;
    height: auto;
  }
  .editing .list,
  .bundles:not(.editing) .edit {
    display: none;
  }
  .back {
    display: inline-flex;
  }
  li {
    grid-template-columns: minmax(0, 1fr) auto;
  }
  .pick {
    grid-column: 1 / -1;
  }
  .price {
    text-align: left;
  }
}
</style>
