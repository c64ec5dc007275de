<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { computed, nextTick, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { tryCalipers } from '#core/commands/begin.ts'
import { formatQuantity } from '#core/quantity/format.ts'
import { QUESTIONS } from '#core/records/start-question.ts'
import type { Part } from '#core/records/part.ts'
import { placeKey } from '#core/records/question.ts'
import { sheetFor, sheetOf } from '#core/records/sheets.ts'
import type { Place } from '#core/figures/figure.ts'
import { counted } from '#core/figures/words.ts'
import { fieldAt, heldAt } from '#core/records/entry.ts'
import { STATIONS, type Ask } from '#core/guide/path.ts'
import { useProjectStore } from '~/stores/project'
import { usePath } from '~/composables/path'
import { useQuestion } from '~/composables/question'
import { useWorkbench } from '~/composables/workbench'

/** The shortest way to one answer: its figures in the order in which one meets them, and the answer beside them. */
const store = useProjectStore()
const route = useRoute()
const router = useRouter()
const { units, axle, setup, isStock, link, chooseAxle, goTo } = useWorkbench()
const { question } = useQuestion()
const { path, first, little, way, answer } = usePath()

const stations = computed(() =>
  STATIONS.map((station) => ({ station, asks: first.value.filter((one) => one.station === station) })).filter((one) => one.asks.length > 0),
)
const open = computed(() => path.value?.needed.filter((one) => one.open).length ?? 0)
const typical = computed(() => path.value?.needed.filter((one) => one.typical).length ?? 0)

// the field in hand, for the drawing
const current = ref<Ask>()
const part = computed<Part | undefined>(() => {
  const at = (current.value ?? path.value?.needed.find((one) => one.open) ?? path.value?.needed[0])?.at
  return at?.kind === 'part' ? store.current.parts.find((one) => one.id === at.partId) : undefined
})
/** How the figure in hand is got, what is usual, and where it is drawn. */
const hint = computed(() => {
  const now = current.value && path.value?.needed.concat(path.value.surer).find((one) => one.key === current.value!.key)
  const ask = now ?? path.value?.needed.find((one) => one.open)
  // once it is entered the drawing of the corner says more
  if (
    !ask ||
    !('field' in ask.at) ||
    (question.value === 'clears' && !ask.open && ask.way === undefined && heldAt(store.current, ask.at) !== undefined)
  )
    return undefined
  if (question.value === 'clears' && ask.way && !ask.open) return undefined
  const field = fieldAt(store.current, ask.at)
  if (!field || (field.type !== 'figure' && field.type !== 'figures')) return undefined
  const show = (value: number, bare = false) =>
    formatQuantity(value, field.dimension, units.value, { bare, decimals: Number.isInteger(value) ? 0 : 2 })
  const kind = part.value?.kind
  const sheet = kind === 'caliper' || kind === 'wheel' ? sheetFor(kind, ask.at.field) : undefined
  const touch = sheet && sheetOf(sheet).dimensions.find((one) => one.field === (ask.at as { field: string }).field)?.touch
  return {
    label: ask.label,
    field: ask.at.field,
    sheet,
    how: touch ?? ask.how ?? '',
    usual: `${show(field.min, true)} to ${show(field.max)}`,
  }
})
/** To where a figure is entered: on this page, if it is asked for here. */
function lead(at: Place) {
  const ask = [...(path.value?.needed ?? []), ...(path.value?.surer ?? [])].find((one) => placeKey(one.at) === placeKey(at))
  const input = ask && inputAt(ask.key)
  if (input) input.focus()
  else goTo(at)
}
const list = ref<HTMLElement>()
const inputAt = (key: string) => list.value?.querySelector<HTMLInputElement>(`[data-ask="${CSS.escape(key)}"] input`)
/** Enter goes on to the next that is still open, else to the next. */
async function next(from: Ask) {
  await nextTick()
  const all = stations.value.flatMap((one) => one.asks)
  const at = all.findIndex((one) => one.key === from.key)
  const following = all.slice(at + 1)
  const to = following.find((one) => one.open && inputAt(one.key)) ?? following.find((one) => inputAt(one.key))
  if (to) inputAt(to.key)?.focus()
}
/** A field that moves within the list as others are answered drops the focus: it gets it back. */
let heldKey: string | undefined
useEventListener(document, 'focusin', ({ target }) => {
  heldKey = list.value?.contains(target as Node) ? (target as HTMLElement).closest<HTMLElement>('[data-ask]')?.dataset.ask : undefined
})
useEventListener(document, 'pointerdown', () => (heldKey = undefined))
watch(
  stations,
  () => {
    if (heldKey !== undefined && document.activeElement === document.body) inputAt(heldKey)?.focus()
  },
  { flush: 'post' },
)
watch(
  () => route.query.focus,
  async (key) => {
    await nextTick()
    if (typeof key === 'string') inputAt(key)?.focus()
  },
)

const others = computed(() => store.current.setups.slice(1))
function other(axleOf: 'front' | 'rear') {
  let id = ''
  store.edit(`Try other ${axleOf} calipers`, (draft) => void (id = tryCalipers(draft, axleOf)))
  if (id) void router.replace({ path: route.path, query: { ...route.query, setup: id } })
}
const percent = (share: number) => formatQuantity(share, 'share', undefined, { decimals: 0 })
const AXLES_SHOWN = [
  { value: 'front', label: 'Front' },
  { value: 'rear', label: 'Rear' },
]
</script>

<template>
  <div v-if="question" class="answer-page">
    <header class="head">
      <h1>{{ QUESTIONS[question] }}</h1>
      <p class="soft small">
        Only the values this answer needs. Type any unit, and leave unknown values empty.
        <NuxtLink :to="link('car')">Show everything</NuxtLink>
      </p>
      <p v-if="question === 'clears'" class="small">
        No outline of the new caliper? With the present one on the car,
        <NuxtLink :to="link('measure', { sheet: 'difference' })" data-test="by-difference">measure the clearance by difference</NuxtLink>.
      </p>
    </header>

    <aside class="said" aria-label="The answer so far">
      <template v-if="answer">
        <p class="verdict" :class="`tone-${answer.verdict}`" role="status" data-test="answer">
          <VerdictMark :verdict="answer.verdict" :size="26" /><strong>{{ answer.sentence }}</strong>
        </p>
        <p v-for="line in answer.beside" :key="line" class="beside num">{{ line }}</p>
        <p v-if="typical > 0" class="small tone-check" data-test="answer-typical">
          {{ counted(typical, 'figure') }} of {{ path?.needed.length }} {{ typical === 1 ? 'is' : 'are' }} typical of a class of cars, not
          this car’s: replace what you know.
        </p>
        <template v-if="answer.matters.length > 0">
          <h2>Largest contributions</h2>
          <ol class="matters" data-test="matters">
            <li v-for="one in answer.matters" :key="one.label">
              <ElButton link type="primary" @click="lead(one.at)">{{ one.label }}</ElButton>
              <span class="soft num">{{ percent(one.share) }} of the uncertainty</span>
            </li>
          </ol>
        </template>
      </template>
      <p v-else class="soft" role="status">Computing …</p>
      <p class="soft small">A trial fit, the makers’ instructions, local rules and a qualified technician come before this result.</p>
      <div v-if="hint" class="hint" data-test="hint">
        <h2>{{ hint.label }}</h2>
        <p class="small">
          {{ hint.how }} <span class="soft">Usual: {{ hint.usual }}.</span>
        </p>
        <SheetFigure v-if="hint.sheet" class="sheet-figure" :sheet="hint.sheet" :current="hint.field" :fields="[hint.field]" />
        <PartFigure v-else-if="part" :part="part" :current="hint.field" />
      </div>
      <CornerPanel v-if="question === 'clears'" class="drawing" />
    </aside>

    <section v-if="way" class="steps" aria-label="The way there">
      <TypicalCar v-if="question !== 'helped'" />
      <ol>
        <li v-for="step in way.steps" :key="step.id" :class="{ done: step.done }">
          <NuxtLink :to="link(step.to, { view: step.view })">{{ step.words }}</NuxtLink>
          <span v-if="step.state" class="soft small">{{ step.done ? '✓ ' : '' }}{{ step.state }}</span>
        </li>
      </ol>
    </section>

    <section v-else-if="path" ref="list" class="asks" aria-label="Values the answer needs">
      <FieldItem v-if="question === 'clears'" label="Axle">
        <ElSegmented :model-value="axle" :options="AXLES_SHOWN" aria-label="Axle" :validate-event="false" @change="chooseAxle($event)" />
      </FieldItem>
      <template v-else>
        <TypicalCar />
        <p v-if="question === 'balanced'" class="brakes small">
          <template v-if="isStock">The current car. </template>
          <template v-else>{{ setup?.name }}, the rest as on the current car. </template>
          <ElButton link type="primary" @click="other('front')">Other front calipers</ElButton>
          <ElButton link type="primary" @click="other('rear')">Other rear calipers</ElButton>
          <template v-if="others.length > 0">
            <NuxtLink :to="{ path: route.path, query: { ...route.query, setup: store.current.setups[0].id } }">current car</NuxtLink>
          </template>
        </p>
      </template>
      <p class="count small" data-test="path-count">
        {{ open === 0 ? 'All values are entered' : `${open} to enter` }}{{ typical > 0 ? `, ${typical} typical` : '' }}.
      </p>
      <div v-for="group in stations" :key="group.station" class="station">
        <h2>{{ group.station }}</h2>
        <AskField v-for="ask in group.asks" :key="ask.key" :ask="ask" @focusin="current = ask" @enter="next(ask)" />
      </div>
      <FoldedPart v-if="little.length > 0" :title="`Typical, and matters little (${little.length})`">
        <AskField v-for="ask in little" :key="ask.key" :ask="ask" @focusin="current = ask" @enter="next(ask)" />
      </FoldedPart>
      <FoldedPart
        v-if="path.surer.length > 0"
        :title="`Makes the result more certain (${path.surer.length})`"
        :open="open === 0 && question === 'clears'"
      >
        <AskField v-for="ask in path.surer" :key="ask.key" :ask="ask" @focusin="current = ask" @enter="next(ask)" />
      </FoldedPart>
    </section>
  </div>
  <NothingYet v-else text="This project has no question.">
    <NuxtLink to="/">Ask one from the list of projects</NuxtLink>
  </NothingYet>
</template>

<style scoped>
.answer-page {
  display: grid;
  grid-template: auto minmax(0, 1fr) / minmax(300px, 420px) minmax(0, 1fr);
  grid-template-areas: 'head head' 'asks said';
  gap: 6px 26px;
  height: 100%;
}
.head {
  grid-area: head;
}
.asks,
.steps {
  grid-area: asks;
  min-height: 0;
  padding-right: 8px;
  overflow: auto;
}
.said {
  display: flex;
  flex-direction: column;
  grid-area: said;
  min-height: 0;
  overflow: auto;
}
.verdict {
  display: flex;
  gap: 10px;
  margin-bottom: 8px;
  font-size: 19px;
  line-height: 1.3;
}
.beside {
  margin-bottom: 4px;
}
.drawing {
  flex: 1;
  min-height: 300px;
}
.station h2 {
  margin: 12px 0 4px;
  border-bottom: 1px solid var(--line);
}
.matters {
  max-width: 520px;
  margin: 2px 0 10px;
  padding-left: 20px;
}
.matters li > span {
  margin-left: 10px;
}
.hint {
  margin: 4px 0 8px;
  padding: 8px 12px;
  background: var(--sheet-2);
}
.sheet-figure {
  max-width: 340px;
}
.brakes {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
  margin: 4px 0;
}
.brakes .el-button {
  margin: 0;
}
.count {
  margin: 8px 0 0;
  font-weight: 600;
}
.steps ol {
  margin: 0;
  padding-left: 22px;
}
.steps li {
  margin-bottom: 12px;
}
.steps li > .small {
  display: block;
}
.steps .done::marker {
  color: var(--fits);
}
@media (max-width: 1000px) {
  .answer-page {
    display: flex;
    flex-direction: column;
    height: auto;
  }
  .asks,
  .steps,
  .said {
    overflow: visible;
  }
  .drawing {
    flex: none;
    height: 300px;
  }
}
</style>
