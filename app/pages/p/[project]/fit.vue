<script setup lang="ts">
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { GAP_POLICIES, type GapPolicy } from '#core/model/project.ts'
import { resolveSetup } from '#core/model/resolve.ts'
import { chooseSpacer } from '#core/model/spacer-choice.ts'
import { VERDICT_SHORT } from '#core/report/words.ts'
import { formatQuantity } from '#core/quantity/format.ts'
import { length } from '#core/model/field.ts'
import { useProjectStore } from '~/stores/project'
import { useWorkbench } from '~/composables/workbench'

const store = useProjectStore()
const route = useRoute()
const { report, setup, axle, units, openFigureId, goTo, chooseAxle, link } = useWorkbench()
const corner = computed(() => report.value?.corners[axle.value])
const finding = computed(() => report.value?.findings.find((one) => one.rule === 'wheel-clearance' && one.axle === axle.value))
const otherAxle = computed(() => (axle.value === 'front' ? 'rear' : 'front'))
const other = computed(() => report.value?.findings.find((one) => one.rule === 'wheel-clearance' && one.axle === otherAxle.value))
const policies = Object.entries(GAP_POLICIES) as [GapPolicy, (typeof GAP_POLICIES)[GapPolicy]][]
const policy = computed(() => store.project!.preferences.gapPolicy)
const spacerField = length('Wheel spacer', 0, 60)
const mm = (value: number | undefined) => formatQuantity(value, 'length', units.value)
const rows = computed(() =>
  corner.value
    ? [
        { id: `${axle.value}.gap` as const, label: 'Least gap, any direction', value: corner.value.gap?.meanMm },
        { id: `${axle.value}.faceGap` as const, label: 'Face gap, along the axle', value: corner.value.gap?.faceGapMm },
        { id: `${axle.value}.barrelGap` as const, label: 'Barrel gap, along the radius', value: corner.value.gap?.barrelGapMm },
      ]
    : [],
)
function setSpacer(value: number) {
  store.edit(`Spacer, ${axle.value}`, (draft) => {
    const target = draft.setups.find((one) => one.id === setup.value?.id)![axle.value]
    delete target.spacer
    delete target.spacerTrialMm
    Object.assign(target, chooseSpacer(draft, value))
  })
}
/** What the other rules of the fit check say, in numbers. */
const REST_WORDS = {
  blocked: 'blocked',
  unknown: 'unknown',
  needs: 'in need of something',
  check: 'to see on the car',
  fits: 'fit',
} as const
const rest = computed(() =>
  (['blocked', 'unknown', 'needs', 'check', 'fits'] as const)
    .map((verdict) => ({ word: REST_WORDS[verdict], count: report.value?.fit.filter((one) => one.verdict === verdict).length ?? 0 }))
    .filter((one) => one.count > 0),
)
const contradicted = computed(() => report.value?.reports[axle.value].filter((one) => one.contradicts !== undefined) ?? [])
const VIEWS = [
  { id: 'wheel', label: 'This wheel' },
  { id: 'check', label: 'Every interface' },
  { id: 'wheels', label: 'All wheels' },
  { id: 'brakes', label: 'All brakes' },
  { id: 'reports', label: 'Reports' },
  { id: 'card', label: 'Template' },
] as const
const view = computed(() => VIEWS.find((one) => one.id === route.query.view)?.id ?? 'wheel')
const WEIGHTS = [
  { mm: 0, label: 'none, or looked at by eye' },
  { mm: 4, label: 'allow 4 mm: flat weights' },
  { mm: 7, label: 'allow 7 mm: two layers' },
] as const
const weightMm = computed(() => store.project!.preferences.weightAllowanceMm)
const setWeights = (event: Event) =>
  store.edit(
    'Allow for balance weights',
    (draft) => void (draft.preferences.weightAllowanceMm = Number((event.target as HTMLSelectElement).value)),
  )
function setFace(name: string) {
  const id = resolveSetup(store.project!, setup.value!)[axle.value].wheel?.id
  store.edit(`Face ${name}`, (draft) => {
    const wheel = draft.parts.find((one) => one.id === id)
    if (wheel?.kind === 'wheel') wheel.faceChosen = name
  })
}
function setPolicy(event: Event) {
  const value = (event.target as HTMLSelectElement).value as GapPolicy
  store.edit('Change gap policy', (draft) => void (draft.preferences.gapPolicy = value))
}
</script>

<template>
  <div v-if="corner && finding" class="page">
    <ViewTabs step="fit" :views="VIEWS" :current="view" label="Views of the fit" />
    <CompareWheels v-if="view === 'wheels' || view === 'brakes'" :key="view" :what="view" class="whole" />
    <FitCheck v-else-if="view === 'check'" class="whole" />
    <FitReports v-else-if="view === 'reports'" class="whole" />
    <CaliperCard v-else-if="view === 'card'" class="whole" />
    <div v-else class="fit">
      <section class="answer">
        <h1 class="visually-hidden">Fit: wheel clearance, {{ axle }}</h1>
        <p class="verdict" :class="`tone-${finding.verdict}`" role="status" data-test="verdict">
          <VerdictMark :verdict="finding.verdict" :size="26" /><strong>{{ corner.sentence }}</strong>
        </p>
        <p v-if="other" class="small">
          <button class="linkish" type="button" @click="chooseAxle(otherAxle)">{{ otherAxle === 'rear' ? 'Rear' : 'Front' }}</button>:
          {{ other.sentence }}
        </p>
        <p v-if="contradicted.length > 0" class="small tone-needs" data-test="contradicted">
          <VerdictMark verdict="needs" :size="13" /> A report contradicts this. {{ contradicted[0]!.contradicts }}
          <NuxtLink :to="link('fit', { view: 'reports' })">Read it</NuxtLink>
        </p>
        <p v-if="rest.length > 0" class="small" data-test="rest">
          Other interfaces, front and rear:
          <NuxtLink :to="link('fit', { view: 'check' })">{{ rest.map((one) => `${one.count} ${one.word}`).join(', ') }}</NuxtLink>
        </p>

        <template v-if="corner.missing.length > 0">
          <h2>To find out</h2>
          <ul class="missing">
            <li v-for="one in corner.missing" :key="one.what">
              <button class="linkish" type="button" @click="goTo(one.at)">{{ one.what }}</button>
              <span v-if="one.how" class="soft small block">{{ one.how }}</span>
            </li>
          </ul>
        </template>
        <template v-if="corner.gap">
          <template v-if="corner.measureNext.length > 0">
            <h2>Measure next</h2>
            <ol class="next" data-test="measure-next">
              <li v-for="(one, i) in corner.measureNext" :key="one.what" :class="{ first: i === 0 }">
                <button class="linkish" type="button" @click="goTo(one.at)">{{ one.sentence }}</button>
                <span class="block small">{{ one.effect }}</span>
              </li>
            </ol>
          </template>
          <p v-if="corner.trial" class="small" :class="corner.trial.agree ? '' : 'tone-needs'">{{ corner.trial.sentence }}</p>
          <p v-if="corner.twoWays && !corner.twoWays.agree" class="small tone-needs">{{ corner.twoWays.sentence }}</p>
          <table class="plain gaps">
            <tbody>
              <tr v-for="row in rows" :key="row.id">
                <th scope="row">
                  <button class="linkish" type="button" @click="openFigureId = row.id">{{ row.label }}</button>
                </th>
                <td class="r num">{{ row.value === undefined ? 'no common place' : mm(row.value) }}</td>
              </tr>
              <tr>
                <th scope="row">In 9 of 10 cases between</th>
                <td class="r num">
                  {{ formatQuantity(corner.gap.p05Mm, 'length', units, { bare: true }) }} and {{ mm(corner.gap.p95Mm) }}
                </td>
              </tr>
            </tbody>
          </table>

          <h2>Spacer</h2>
          <div class="spacer">
            <FigureInput
              :key="axle"
              name="spacer"
              :field="spacerField"
              :label="`Thickness, ${axle}`"
              :figure="{ value: corner.spacerMm ?? 0, origin: 'measured' }"
              :units="units"
              bare
              @change="setSpacer($event?.value ?? 0)"
            />
            <button
              v-if="corner.stockSpacerMm && corner.stockSpacerMm !== corner.spacerMm"
              class="btn main"
              type="button"
              data-test="take-spacer"
              @click="setSpacer(corner.stockSpacerMm)"
            >
              Take {{ mm(corner.stockSpacerMm) }}
            </button>
          </div>
          <p class="small">{{ corner.spacerSentence }}</p>
          <table class="plain effects" data-test="effects">
            <tbody>
              <tr v-for="one in corner.consequences" :key="one.figureId">
                <th scope="row">
                  <button class="linkish" type="button" @click="openFigureId = one.figureId">{{ one.label }}</button>
                </th>
                <td class="r num">
                  <VerdictMark v-if="one.verdict !== 'fits' || one.text.includes('needed')" :verdict="one.verdict" :size="14" />
                  {{ one.text }}
                  <span v-if="one.verdict === 'needs'" class="block small tone-needs">{{ one.sentence }}</span>
                </td>
              </tr>
            </tbody>
          </table>
          <p class="caution">
            A spacer takes thread engagement and hub register, and moves the wheel outboard. Have stud length, centring and local rules
            checked before it goes on.
          </p>
        </template>

        <template v-if="corner.faces.length > 0">
          <h2>Face heights of this wheel</h2>
          <table class="plain effects" data-test="faces">
            <tbody>
              <tr v-for="face in corner.faces" :key="face.name">
                <th scope="row">
                  {{ face.name }}
                  <span class="soft">raised {{ mm(face.raiseMm) }}{{ face.lipMm === undefined ? '' : `, lip ${mm(face.lipMm)}` }}</span>
                </th>
                <td class="r num">
                  {{ VERDICT_SHORT[face.verdict] }}, {{ mm(face.gapMm) }}
                  <span v-if="face.leastThatClears" class="block small tone-fits">the least that clears</span>
                  <span v-if="face.fitted" class="block small soft">fitted</span>
                  <button v-else class="linkish small" type="button" @click="setFace(face.name)">take {{ face.name }}</button>
                </td>
              </tr>
            </tbody>
          </table>
        </template>
        <p v-if="corner.difference" class="small">{{ corner.difference.sentence }} {{ corner.difference.agrees }}</p>

        <label class="small policy"
          >Gap asked for
          <select class="native" :value="policy" @change="setPolicy">
            <option v-for="[id, one] in policies" :key="id" :value="id">{{ one.label }}</option>
          </select>
          <span class="soft">{{ GAP_POLICIES[policy].reason }}</span>
        </label>
        <label class="small policy"
          >Stick-on weights in the barrel
          <select class="native" :value="weightMm" data-field="weightAllowanceMm" @change="setWeights">
            <option v-for="one in WEIGHTS" :key="one.mm" :value="one.mm">{{ one.label }}</option>
          </select>
          <span class="soft">Counts for wheels whose weights nobody measured; measured ones count as they are.</span>
        </label>
        <p class="soft small">A verdict here is no approval: turn the wheel by hand with all parts bolted up before it is driven.</p>
      </section>
      <CornerPanel class="drawing" />
    </div>
  </div>
</template>

<style scoped>
.page {
  display: flex;
  flex-direction: column;
  height: 100%;
}
.whole {
  flex: 1;
  min-height: 0;
}
.next {
  margin: 4px 0 8px;
  padding-left: 20px;
}
.next li {
  margin-bottom: 5px;
  font-size: 13px;
}
.next .first {
  font-size: 14.5px;
  font-weight: 600;
}
.next .block {
  font-weight: 400;
}
.effects th {
  color: var(--ink);
  font-size: 13px;
  font-weight: 400;
}
.effects td {
  font-size: 14px;
}
.fit {
  display: grid;
  flex: 1;
  grid-template-columns: minmax(300px, 372px) minmax(0, 1fr);
  gap: 18px;
  min-height: 0;
}
.answer {
  min-height: 0;
  padding-right: 6px;
  overflow: auto;
}
.verdict {
  display: flex;
  gap: 10px;
  margin-bottom: 8px;
  font-size: 18px;
  line-height: 1.3;
}
h2 {
  margin: 12px 0 4px;
}
.gaps th {
  color: var(--ink);
  font-size: 14px;
  font-weight: 400;
}
.gaps td {
  font-size: 16px;
  white-space: nowrap;
}
.missing {
  margin: 0;
  padding-left: 18px;
}
.block {
  display: block;
}
.spacer {
  display: flex;
  gap: 10px;
  align-items: flex-end;
}
.spacer > div {
  width: 150px;
}
.policy {
  display: block;
  margin: 14px 0 8px;
}
@media (max-width: 1000px) {
  .page {
    height: auto;
  }
  .fit {
    display: flex;
    flex-direction: column;
    gap: 6px;
  }
  /* the verdict, then the drawing, then the rest */
  .answer {
    display: contents;
  }
  .answer > * {
    order: 2;
  }
  .answer > .verdict {
    order: 0;
    margin: 0;
  }
  .drawing {
    order: 1;
    flex: none;
    height: 330px;
  }
}
</style>
