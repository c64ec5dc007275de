<script setup lang="ts">
import { computed, ref } from 'vue'
import { acceptRemedy, dropPiece, setSeen } from '#core/fit/accept.ts'
import type { FitFinding, Remedy } from '#core/fit/finding.ts'
import { LIMITS } from '#core/fit/limits.ts'
import { SEEN_ON_CAR } from '#core/fit/seen.ts'
import { AXLES, type Axle } from '#core/model/project.ts'
import { ORIGIN_WORDS } from '#core/quantity/figure.ts'
import { formatMoney, formatQuantity } from '#core/quantity/format.ts'
import { FINDING_ORDER, worstVerdict } from '#core/report/words.ts'
import { useProjectStore } from '~/stores/project'
import { useWorkbench } from '~/composables/workbench'

/** Every interface of a setup: what is compared, what a mechanic would say, what cures it and for how much. */
const store = useProjectStore()
const { report, setup, units, goTo, link, openFigureId } = useWorkbench()
const open = ref<string>()
const onlyOpen = ref(false)

const WORDS: Record<FitFinding['verdict'], string> = {
  blocked: 'blocked',
  unknown: 'unknown',
  needs: 'needs',
  check: 'see on the car',
  fits: 'fits',
}
/** The wheel's own findings have figures of their own and join the list. */
const wheelFindings = (axle: Axle) =>
  (report.value?.findings ?? [])
    .filter((one) => one.axle === axle)
    .map((one) => ({
      ...one,
      title: {
        'wheel-clearance': 'Wheel over the caliper',
        'stud-engagement': 'Thread with the spacer',
        'register-left': 'Register with the spacer',
        'lock-order': '',
      }[one.rule],
    }))
const groups = computed(() =>
  AXLES.map((axle) => {
    const rows = [
      ...wheelFindings(axle).map((one) => ({
        key: `${axle}.${one.rule}`,
        wheel: one,
        fit: undefined,
        verdict: one.verdict,
        title: one.title,
        sentence: one.sentence,
      })),
      ...(report.value?.fit ?? [])
        .filter((one) => one.axle === axle)
        .map((one) => ({
          key: `${axle}.${one.rule}`,
          wheel: undefined,
          fit: one,
          verdict: one.verdict,
          title: one.title,
          sentence: one.sentence,
        })),
    ]
    rows.sort((a, b) => FINDING_ORDER.indexOf(b.verdict) - FINDING_ORDER.indexOf(a.verdict))
    return { axle, rows, shown: onlyOpen.value ? rows.filter((row) => row.verdict !== 'fits') : rows }
  }),
)
const counts = computed(() => {
  const all = groups.value.flatMap((group) => group.rows)
  return ([...FINDING_ORDER].reverse() as FitFinding['verdict'][])
    .map((verdict) => ({ verdict, count: all.filter((row) => row.verdict === verdict).length }))
    .filter((one) => one.count > 0)
})
const worst = computed(() => worstVerdict(groups.value.flatMap((group) => group.rows.map((row) => row.verdict))))
const ANSWERS: Record<FitFinding['verdict'], string> = {
  blocked: 'Cannot be built like this.',
  unknown: 'Cannot say yet: figures are missing.',
  needs: 'Can be built with what is named below.',
  check: 'Fits on figures; some things must be seen on the car.',
  fits: 'Every interface that is looked at fits.',
}
const unknowns = computed(() => {
  const found = new Map<string, FitFinding['missing'][number]>()
  for (const one of report.value?.fit ?? []) for (const question of one.missing) found.set(question.what, question)
  return [...found.values()]
})

const price = (remedy: Remedy): string => {
  if (remedy.kind === 'shim') return 'no price yet'
  if (remedy.kind === 'piece') return 'priced on the bill'
  const part = store.project!.parts.find((one) => one.id === remedy.partId)
  return part?.owned ? 'have it' : part?.price ? formatMoney(part.price.likelyMinor, part.price.currency, { whole: true }) : 'no price yet'
}
const accept = (finding: FitFinding, remedy: Remedy) =>
  store.edit(`Accept: ${finding.title.toLowerCase()}`, (draft) => acceptRemedy(draft, setup.value!.id, finding, remedy))
const drop = (finding: FitFinding) =>
  store.edit(`Take back: ${finding.title.toLowerCase()}`, (draft) => dropPiece(draft, setup.value!.id, finding))
const see = (finding: FitFinding, event: Event) =>
  store.edit('Seen on the car', (draft) =>
    setSeen(draft, setup.value!.id, finding.axle, finding.rule, (event.target as HTMLInputElement).checked),
  )
const seenHere = (finding: FitFinding) => setup.value?.[finding.axle].seen?.includes(finding.rule) ?? false
const shown = (one: FitFinding['looked'][number]) =>
  one.value === undefined
    ? 'not known'
    : typeof one.value === 'string' || one.dimension === 'words'
      ? String(one.value)
      : formatQuantity(one.value, one.dimension, units.value)
const print = () => window.print()
</script>

<template>
  <div class="check">
    <header>
      <h1 :class="`tone-${worst}`"><VerdictMark :verdict="worst" :size="24" /> {{ ANSWERS[worst] }}</h1>
      <p class="counts num" data-test="fit-counts">
        <span v-for="one in counts" :key="one.verdict" :class="`tone-${one.verdict}`"
          ><VerdictMark :verdict="one.verdict" :size="14" /> {{ one.count }} {{ WORDS[one.verdict] }}</span
        >
      </p>
      <label class="only small"><input v-model="onlyOpen" type="checkbox" /> only what is open</label>
      <button class="btn print" type="button" @click="print">Print for the yard</button>
    </header>

    <section v-if="unknowns.length > 0" class="find-out" data-test="yard-list">
      <h2>To find out</h2>
      <ul>
        <li v-for="one in unknowns" :key="one.what">
          <span class="box" aria-hidden="true" />
          <span
            ><button class="linkish" type="button" @click="goTo(one.at)">{{ one.what }}</button>
            <span v-if="one.how" class="block soft small">{{ one.how }}</span></span
          >
        </li>
      </ul>
    </section>

    <section v-for="group in groups" :key="group.axle">
      <h2>{{ group.axle === 'front' ? 'Front' : 'Rear' }}</h2>
      <p v-if="group.shown.length === 0" class="soft small">Nothing open here.</p>
      <ul class="rows">
        <li v-for="row in group.shown" :key="row.key" :data-rule="row.key">
          <div class="row">
            <span class="mark" :class="`tone-${row.verdict}`"
              ><VerdictMark :verdict="row.verdict" :size="17" /><span class="visually-hidden">{{ WORDS[row.verdict] }}</span></span
            >
            <div class="say">
              <strong>{{ row.title }}</strong>
              <span v-if="row.fit?.safety && row.verdict !== 'fits'" class="safety small">safety</span>
              <p>{{ row.sentence }}</p>
              <p v-if="row.fit && row.fit.ownLimits.length > 0" class="small tone-needs">
                Limit set by this project: {{ row.fit.ownLimits.map((id) => LIMITS[id].label.toLowerCase()).join(', ') }}.
              </p>
            </div>
            <span class="figure num">
              <template v-if="row.fit?.value !== undefined && row.fit.dimension">{{
                formatQuantity(row.fit.value, row.fit.dimension, units)
              }}</template>
              <span v-if="row.fit?.limit" class="block soft small">{{ row.fit.limit }}</span>
            </span>
            <button
              v-if="row.fit"
              class="btn bare more"
              type="button"
              :aria-expanded="open === row.key"
              :aria-label="`What went into: ${row.title}`"
              @click="open = open === row.key ? undefined : row.key"
            >
              {{ open === row.key ? '−' : '+' }}
            </button>
            <button
              v-else
              class="btn bare more"
              type="button"
              :aria-label="`Working of: ${row.title}`"
              @click="openFigureId = row.wheel!.figureId"
            >
              +
            </button>
          </div>
          <div v-if="row.fit && (row.fit.remedies.length > 0 || SEEN_ON_CAR.includes(row.fit.rule))" class="cures">
            <label v-if="SEEN_ON_CAR.includes(row.fit.rule)" class="small">
              <input type="checkbox" :checked="seenHere(row.fit)" @change="see(row.fit!, $event)" /> seen on the car
            </label>
            <p v-if="row.fit.accepted" class="small">
              On the bill. <button class="linkish" type="button" @click="drop(row.fit!)">Take it back</button>
              <NuxtLink :to="link('cost')">Price it</NuxtLink>
            </p>
            <template v-else>
              <div v-for="(remedy, i) in row.fit.remedies" :key="i" class="cure">
                <span
                  >{{ remedy.sentence }} <span class="soft small">{{ price(remedy) }}</span></span
                >
                <button class="btn" type="button" @click="accept(row.fit!, remedy)">Accept</button>
              </div>
            </template>
          </div>
          <p v-if="row.wheel?.remedy" class="cures small">
            {{ row.wheel.remedy.sentence }}
            <NuxtLink :to="link('fit', { axle: group.axle === 'front' ? undefined : 'rear' })">Take it in the drawing</NuxtLink>
          </p>
          <table v-if="row.fit && open === row.key" class="plain inputs">
            <tbody>
              <tr v-for="one in row.fit.looked" :key="one.label">
                <td>
                  <button class="linkish" type="button" @click="goTo(one.at)">{{ one.label }}</button>
                  <span v-if="one.origin" class="soft small">
                    {{ ORIGIN_WORDS[one.origin] }}{{ one.date ? `, ${one.date.slice(0, 10)}` : '' }}</span
                  >
                </td>
                <td class="r num">{{ shown(one) }}</td>
              </tr>
            </tbody>
          </table>
        </li>
      </ul>
    </section>
    <p class="caution">
      No finding here is an approval. Hydraulics, fluid and used parts are not looked at yet. Follow the part makers’ instructions and local
      rules, and have a qualified technician look at the brakes before the car is driven.
    </p>
  </div>
</template>

<style scoped>
.check {
  overflow: auto;
}
header {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 18px;
  align-items: center;
  margin-bottom: 6px;
}
h1 {
  flex: 1 1 100%;
  font-size: 19px;
}
.counts {
  display: flex;
  flex: 1;
  flex-wrap: wrap;
  gap: 4px 16px;
  margin: 0;
}
.only {
  display: flex;
  gap: 6px;
  align-items: center;
}
h2 {
  margin: 12px 0 2px;
  padding-bottom: 2px;
  border-bottom: 1px solid var(--line);
}
.rows,
.find-out ul {
  margin: 0;
  padding: 0;
  list-style: none;
}
.rows > li {
  padding: 6px 0 5px;
  border-bottom: 1px solid var(--hair);
}
.row {
  display: grid;
  grid-template-columns: 24px minmax(0, 1fr) 150px 34px;
  gap: 8px;
  align-items: start;
}
.say p {
  margin: 0;
}
.safety {
  margin-left: 6px;
  padding: 0 5px;
  border: 1px solid currentColor;
  color: var(--blocked);
}
.figure {
  font-size: 15px;
  text-align: right;
}
.block {
  display: block;
}
.more {
  min-height: 28px;
}
.cures {
  margin: 4px 0 2px 32px;
}
.cures label {
  display: flex;
  gap: 6px;
  align-items: center;
}
.cure {
  display: flex;
  gap: 12px;
  align-items: center;
  justify-content: space-between;
  max-width: 720px;
  padding: 2px 0;
}
.inputs {
  max-width: 720px;
  margin: 6px 0 6px 32px;
}
.find-out li {
  display: grid;
  grid-template-columns: 22px minmax(0, 1fr);
  padding: 3px 0;
}
.box {
  width: 14px;
  height: 14px;
  margin-top: 3px;
  border: 1.5px solid var(--ink-soft);
}
@media (max-width: 760px) {
  .row {
    grid-template-columns: 22px minmax(0, 1fr) 34px;
  }
  .figure {
    grid-row: 2;
    grid-column: 2;
    text-align: left;
  }
  .inputs {
    width: calc(100% - 32px);
  }
}
@media print {
  .check {
    overflow: visible;
  }
  .print,
  .only,
  .more,
  .cure .btn {
    display: none;
  }
}
</style>
