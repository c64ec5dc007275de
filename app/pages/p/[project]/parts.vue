<script setup lang="ts">
import { KIND_CHOICES } from '~/composables/choices'
import { useMediaQuery } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { PART_KIND_NAMES, PART_KINDS, type PartKind } from '#core/records/part-kinds.ts'
import type { Axle } from '#core/quantity/axle.ts'
import type { Part } from '#core/records/part.ts'
import { resolveSetup } from '#core/records/resolve.ts'
import { formatMoney } from '#core/quantity/format.ts'
import { newId } from '~/composables/new-id'
import { useProjectStore } from '~/stores/project'
import { useCandidates } from '~/composables/candidates'
import { useFieldFocus } from '~/composables/field-focus'
import { useView } from '~/composables/view'
import { useWorkbench } from '~/composables/workbench'

const store = useProjectStore()
const route = useRoute()
const router = useRouter()
const { link, setup, axle } = useWorkbench()
useFieldFocus()
const search = ref('')
const adding = ref<PartKind | ''>('')

/** Where list and part stand side by side, some part is always open. */
const beside = useMediaQuery('(min-width: 761px)')
/** The part that the address names, else the caliper of the setup that is looked at. */
const chosen = computed<Part | undefined>(() => {
  const named = store.current.parts.find((part) => part.id === route.query.part)
  if (named || !beside.value) return named
  const fitted = setup.value && resolveSetup(store.current, setup.value)[axle.value].caliper
  return store.current.parts.find((part) => part.id === fitted?.id) ?? store.current.parts[0]
})
const groups = computed(() => {
  const words = search.value.trim().toLowerCase()
  const hit = (part: Part) =>
    words === '' ||
    [part.name, part.maker, part.number, part.provenance, PART_KINDS[part.kind].one].some((text) => text?.toLowerCase().includes(words))
  return PART_KIND_NAMES.map((kind) => ({ kind, parts: store.current.parts.filter((part) => part.kind === kind && hit(part)) })).filter(
    (group) => group.parts.length > 0,
  )
})
const choose = (id: string | undefined) =>
  router.replace({ path: route.path, query: { ...link('parts').query, ...(id ? { part: id } : {}) } })

async function add() {
  if (adding.value === '') return
  const kind = adding.value
  const id = newId()
  adding.value = ''
  const number = store.current.parts.filter((part) => part.kind === kind).length + 1
  store.edit(
    `Add ${PART_KINDS[kind].one}`,
    (draft) => void draft.parts.push({ id, kind, name: `New ${PART_KINDS[kind].one} ${number}` } as Part),
  )
  await router.replace({ path: route.path, query: { ...link('parts').query, part: id, field: 'name' } })
}
const VIEWS = [
  { id: 'list', label: 'One by one' },
  { id: 'table', label: 'Table' },
  { id: 'bundles', label: 'Kits and donors' },
] as const
const view = useView(VIEWS)
const { found, working } = useCandidates()
const order = ref<'kind' | Axle>('kind')
/** What bolts to this axle, the best first; parts that go nowhere on an axle are left out. */
const bolting = computed(() => {
  const at = order.value
  if (at === 'kind') return []
  const shown = new Map(groups.value.flatMap((group) => group.parts.map((part) => [part.id, part])))
  return found.value.flatMap((one) => {
    const part = one.axle === at ? shown.get(one.partId) : undefined
    return part ? [{ ...one, part }] : []
  })
})
/** Of a long list the first, and what is open; the rest on demand. */
const MOST_LISTED = 20
/** There is one list of what bolts on. */
const MOST_BOLTING = 60
const whole = ref(new Set<string>())
const listed = <T,>(name: string, all: readonly T[], id: (one: T) => string, most = MOST_LISTED): readonly T[] =>
  all.length <= most || whole.value.has(name) ? all : all.filter((one, i) => i < most || id(one) === chosen.value?.id)
const showAll = (name: string) => (whole.value = new Set([...whole.value, name]))
/** The part that the address names is in sight in its list. */
const list = ref<HTMLElement>()
watch(
  [() => chosen.value?.id, order, list],
  () => list.value?.querySelector('[aria-current="true"]')?.scrollIntoView({ block: 'nearest' }),
  {
    flush: 'post',
  },
)
const costs = (part: Part) =>
  part.owned ? 'have it' : part.price ? formatMoney(part.price.likelyMinor, part.price.currency, { whole: true }) : 'no price'
</script>

<template>
  <div class="page">
    <ViewTabs step="parts" :views="VIEWS" :current="view" label="Views of the parts" />
    <PartsTable v-if="view === 'table'" class="whole" />
    <BundlesPanel v-else-if="view === 'bundles'" class="whole" />
    <div v-else class="parts" :class="{ editing: chosen }">
      <section ref="list" class="list" aria-label="Parts">
        <div class="tools">
          <ElInput v-model="search" type="search" placeholder="Find a part" aria-label="Find a part" :validate-event="false" />
          <ChoiceSelect
            label="Order of the parts"
            data-test="order"
            :value="order"
            :options="[
              { value: 'kind', label: 'by kind' },
              { value: 'front', label: 'what bolts on, front' },
              { value: 'rear', label: 'what bolts on, rear' },
            ]"
            @change="order = $event"
          />
          <ChoiceSelect
            label="Add a part"
            data-test="add-part"
            :value="adding"
            :options="[{ value: '', label: 'Add a part …' }, ...KIND_CHOICES]"
            @change="((adding = $event), add())"
          />
        </div>
        <NothingYet
          v-if="store.current.parts.length === 0"
          text="No parts yet. Add what is on the car first: caliper, rotor, pads, wheel, master cylinder. Then the parts you think of."
        />
        <p v-else-if="groups.length === 0" class="soft">No part matches “{{ search }}”.</p>
        <template v-if="order !== 'kind'">
          <h3>Parts that bolt on to this setup, {{ order }}</h3>
          <WorkingLine v-if="working" what="Evaluating parts that bolt on" />
          <ul data-test="bolts-on">
            <li v-for="one in listed(order, bolting, (item) => item.partId, MOST_BOLTING)" :key="one.partId">
              <button type="button" class="part" :aria-current="one.partId === chosen?.id" :title="one.why" @click="choose(one.partId)">
                <span class="what"><VerdictMark :verdict="one.worst" :size="14" /> {{ one.part.name }}</span>
                <span class="soft small num">{{ costs(one.part) }}</span>
                <span class="soft small from">{{ one.why || 'OK' }}</span>
              </button>
            </li>
          </ul>
          <ElButton
            v-if="listed(order, bolting, (item) => item.partId, MOST_BOLTING).length < bolting.length"
            link
            type="primary"
            class="small"
            @click="showAll(order)"
          >
            Show all {{ bolting.length }}
          </ElButton>
        </template>
        <div v-for="group in order === 'kind' ? groups : []" :key="group.kind" class="group">
          <h3>{{ PART_KINDS[group.kind].many }}</h3>
          <ul>
            <li v-for="part in listed(group.kind, group.parts, (item) => item.id)" :key="part.id">
              <button type="button" class="part" :aria-current="part.id === chosen?.id" @click="choose(part.id)">
                <span class="what">{{ part.name }}</span>
                <span class="soft small num">{{ costs(part) }}</span>
                <span class="soft small from">{{ [part.maker, part.number].filter(Boolean).join(' ') }}</span>
              </button>
            </li>
          </ul>
          <ElButton
            v-if="listed(group.kind, group.parts, (item) => item.id).length < group.parts.length"
            link
            type="primary"
            class="small"
            @click="showAll(group.kind)"
          >
            Show all {{ group.parts.length }} {{ PART_KINDS[group.kind].many }}
          </ElButton>
        </div>
      </section>
      <section class="edit" aria-label="Part">
        <template v-if="chosen">
          <ElButton text class="back" @click="choose(undefined)"><Icon name="tabler:arrow-left" /> All parts</ElButton>
          <PartEditor :key="chosen.id" :part="chosen" @removed="choose(undefined)" @copied="choose" />
        </template>
      </section>
    </div>
  </div>
</template>

<style scoped>
.page {
  display: flex;
  flex-direction: column;
  height: 100%;
}
.whole,
.parts {
  flex: 1;
  min-height: 0;
}
.parts {
  display: grid;
  grid-template-columns: 292px minmax(0, 1fr);
  gap: 22px;
}
.list,
.edit {
  min-height: 0;
  overflow: auto;
}
.list {
  padding-right: 8px;
  border-right: 1px solid var(--hair);
}
.edit {
  padding: 2px 8px 12px 2px;
}
.tools {
  display: grid;
  gap: 6px;
  margin: 2px 2px 10px;
}
h3 {
  margin: 10px 0 2px;
  color: var(--ink-soft);
  font-size: 12.5px;
}
ul {
  margin: 0;
  padding: 0;
  list-style: none;
}
.part {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 0 8px;
  width: 100%;
  padding: 4px 8px;
  border: 0;
  border-left: 3px solid transparent;
  background: none;
  color: var(--ink);
  text-align: left;
  cursor: pointer;
}
.part:hover {
  background: var(--sheet-2);
}
.part[aria-current='true'] {
  border-left-color: var(--ink);
  background: var(--sheet-2);
}
/* of a long library only what is in sight is laid out */
.group {
  content-visibility: auto;
  contain-intrinsic-block-size: auto 600px;
}
.from {
  grid-column: 1 / -1;
}
.from:empty {
  display: none;
}
.back {
  display: none;
}
@media (max-width: 760px) {
  .parts {
    display: block;
  }
  .list {
    border: 0;
    padding: 0;
  }
  .editing .list,
  .parts:not(.editing) .edit {
    display: none;
  }
  .back {
    display: inline-flex;
    margin-bottom: 6px;
  }
}
</style>
