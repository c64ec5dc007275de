<script setup lang="ts">
import { computed } from 'vue'
import { GAP_POLICIES, type GapPolicy } from '#core/model/project.ts'
import { chooseSpacer } from '#core/model/spacer-choice.ts'
import { formatQuantity } from '#core/quantity/format.ts'
import { length } from '#core/model/field.ts'
import { useProjectStore } from '~/stores/project'
import { useWorkbench } from '~/composables/workbench'

const store = useProjectStore()
const { report, setup, axle, units, openFigureId, goTo, chooseAxle } = useWorkbench()
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
        { id: `${axle.value}.gap` as const, label: 'Least gap, any direction', value: corner.value.gap?.minGapMm },
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
function setPolicy(event: Event) {
  const value = (event.target as HTMLSelectElement).value as GapPolicy
  store.edit('Change gap policy', (draft) => void (draft.preferences.gapPolicy = value))
}
</script>

<template>
  <div v-if="corner && finding" class="fit">
    <section class="answer">
      <h1 class="visually-hidden">Fit: wheel clearance, {{ axle }}</h1>
      <p class="verdict" :class="`tone-${finding.verdict}`" role="status" data-test="verdict">
        <VerdictMark :verdict="finding.verdict" :size="26" /><strong>{{ corner.sentence }}</strong>
      </p>
      <p v-if="other" class="small">
        <button class="linkish" type="button" @click="chooseAxle(otherAxle)">{{ otherAxle === 'rear' ? 'Rear' : 'Front' }}</button>:
        {{ other.sentence }}
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
      <template v-else-if="corner.gap">
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
              <td class="r num">{{ formatQuantity(corner.gap.p05Mm, 'length', units, { bare: true }) }} and {{ mm(corner.gap.p95Mm) }}</td>
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
        <p class="caution">
          A spacer takes thread engagement and hub register, and moves the wheel outboard. Have stud length, centring and local rules
          checked before it goes on.
        </p>
      </template>

      <label class="small policy"
        >Gap asked for
        <select class="native" :value="policy" @change="setPolicy">
          <option v-for="[id, one] in policies" :key="id" :value="id">{{ one.label }}</option>
        </select>
        <span class="soft">{{ GAP_POLICIES[policy].reason }}</span>
      </label>
      <p class="soft small">A verdict here is no approval: turn the wheel by hand with all parts bolted up before it is driven.</p>
    </section>
    <CornerPanel class="drawing" />
  </div>
</template>

<style scoped>
.fit {
  display: grid;
  grid-template-columns: minmax(300px, 372px) minmax(0, 1fr);
  gap: 18px;
  height: 100%;
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
  .fit {
    display: flex;
    flex-direction: column;
    gap: 6px;
    height: auto;
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
