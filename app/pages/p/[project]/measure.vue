<script setup lang="ts">
import { useMediaQuery } from '@vueuse/core'
import { computed, nextTick, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import type { Polyline } from '#core/clearance/maths/polyline.ts'
import type { NamedOutline, WheelProfile } from '#core/records/field.ts'
import { PART_KINDS } from '#core/records/part-kinds.ts'
import { mountPlace } from '#core/clearance/mount-place.ts'
import { SHEETS, type SheetDimension, type SheetId } from '#core/records/sheets.ts'
import type { InstrumentId } from '#core/quantity/instrument.ts'
import { partSection } from '#core/clearance/part-section.ts'
import { secondWay } from '#core/clearance/two-ways.ts'
import { useProjectStore } from '~/stores/project'
import { useChoosePart } from '~/composables/choose-part'
import { useMeasuring } from '~/composables/measuring'
import { useWorkbench } from '~/composables/workbench'

const store = useProjectStore()
const route = useRoute()
const { axle, units, report, setup, link } = useWorkbench()
const { put } = useChoosePart()
const measuring = useMeasuring()
const { sheet, partKind, part, holder, resolved, figureOf, fieldOf, dimensions, chooseSheet, write, trialPossible, done } = measuring

const wide = useMediaQuery('(min-width: 1001px)')
/** The dimension in hand. */
const current = ref('')
const wanted = ref(1)
const fromRegister = ref(false)
const registerMm = computed(() => store.current.car[axle.value].registerMm?.value)
const addMm = computed(() => (fromRegister.value && registerMm.value !== undefined ? registerMm.value / 2 : undefined))

const shownFields = computed(() => [...dimensions.value.map((one) => one.field), ...(sheet.value.points ? [sheet.value.points.field] : [])])
const RADII = new Set(['tallestRadiusMm', 'faceOuterRadiusMm', 'faceInnerRadiusMm'])
const isMeasured = (one: SheetDimension) => fieldOf(one.field)?.dimension === 'length' && !one.stamped
/** The sheet knows what suits a dimension; another instrument at hand is taken for all. */
const instrumentFor = (suited: InstrumentId): InstrumentId => {
  const { instrument } = store.current.preferences
  return instrument === 'digitalCaliper' ? suited : instrument
}

// going on by Enter
const inputs = ref<Record<string, { focus(): void } | null>>({})
function next(field: string) {
  const at = dimensions.value.findIndex((one) => one.field === field)
  const following = dimensions.value.slice(at + 1).find((one) => inputs.value[one.field])
  if (following) inputs.value[following.field]!.focus()
}
watch(
  () => [sheet.value.id, route.query.field, part.value?.id] as const,
  async ([, field]) => {
    const named = typeof field === 'string' && /^\w+$/.test(field) ? field : undefined
    current.value = named ?? dimensions.value[0]?.field ?? sheet.value.points?.field ?? ''
    if (named === undefined) return
    await nextTick()
    const control = document.querySelector<HTMLElement>(`.measure [data-field="${named}"] input`)
    control?.focus()
    control?.scrollIntoView({ block: 'center' })
  },
  { immediate: true },
)

const sketch = computed(() => {
  const one = part.value
  if (!one || (one.kind !== 'caliper' && one.kind !== 'wheel')) return []
  return partSection(one).map((points, i) => ({ name: String(i), points }))
})
const pointsValue = computed(() =>
  sheet.value.points ? (holder.value?.[sheet.value.points.field] as NamedOutline[] | WheelProfile | undefined) : undefined,
)
const OFFERS: Record<string, readonly string[]> = {
  outlines: ['body', 'bridge bolt'],
  furtherOutlines: ['bleed screw', 'hose', 'crossover pipe', 'sensor', 'bridge bolt'],
  objects: ['ball joint', 'tie-rod end', 'strut', 'hose bracket'],
}
/** What an example's picture shows: what is there, else an invented line. */
const exampleLine = computed((): Polyline => {
  const value = pointsValue.value
  const there = Array.isArray(value) ? value[0]?.points : value?.points
  return (
    there ??
    sketch.value[0]?.points ?? [
      [-92, 118],
      [-84, 133],
      [-66, 139],
      [6, 139],
      [16, 134],
      [30, 118],
      [33, 112],
      [33, 78],
    ]
  )
})
/** The body behind the objects that are being measured. */
const behind = computed(() =>
  part.value?.kind === 'caliper' && sheet.value.id === 'nearWheel' ? partSection({ ...part.value, furtherOutlines: [] }) : [],
)
const twoWays = computed(() =>
  sheet.value.id === 'caliperQuick' && part.value?.kind === 'caliper' ? secondWay(part.value, units.value) : undefined,
)
/** The line is stored with the name and the checksum of its file; the mesh itself stays out of the project. */
function takeScan(value: NamedOutline[] | WheelProfile, source: string) {
  const before = part.value?.note
  write(sheet.value.points!.field, value)
  write('note', [before, source].filter(Boolean).join('\n').slice(0, 4000))
}
const corner = computed(() => report.value?.corners[axle.value])
const fittedHere = computed(() => partKind.value === undefined || resolved.value?.[partKind.value]?.id === part.value?.id)
</script>

<template>
  <div class="measure">
    <nav class="sheets" aria-label="Measuring sheets">
      <h1 class="visually-hidden">Measure</h1>
      <FieldItem class="pick" label="Sheet"
        ><ChoiceSelect
          data-test="sheet"
          :value="sheet.id"
          :options="SHEETS.map((one) => ({ value: one.id, label: one.title }))"
          label="Sheet"
          @change="chooseSheet($event as SheetId)"
      /></FieldItem>
      <ul>
        <li v-for="one in SHEETS" :key="one.id">
          <button type="button" :aria-current="one.id === sheet.id" @click="chooseSheet(one.id)">
            {{ one.title }} <span class="soft small num">{{ done(one.id) }}</span>
          </button>
        </li>
      </ul>
      <NuxtLink class="small" :to="{ path: link('measure').path.replace(/measure$/, 'form'), query: link('measure').query }"
        >Blank form to print</NuxtLink
      >
    </nav>

    <section class="fields" aria-label="Measures">
      <h2>{{ sheet.title }}</h2>
      <SafetyNote v-for="one in sheet.safety" :key="one.hazard" :note="one" class="safety" />
      <p v-for="line in sheet.before" :key="line" class="before small">{{ line }}</p>
      <MeasureSettings v-model:wanted="wanted" v-model:from-register="fromRegister" :measuring="measuring" :register-mm="registerMm" />
      <GaugePanel :units="units" />

      <div class="drawn phone"><SheetFigure :sheet="sheet.id" :current="current" :fields="shownFields" /></div>

      <NothingYet v-if="partKind && !part" :text="`There is none yet: choose “new ${PART_KINDS[partKind].one}” above.`" />
      <p v-else-if="sheet.on === 'trialFit' && !trialPossible" class="soft">
        A trial fit belongs to one set of parts. Select caliper, wheel and spacer in Setup first.
      </p>
      <template v-else>
        <template v-for="one in dimensions" :key="`${part?.id ?? axle}-${one.field}`">
          <ReadingsInput
            v-if="isMeasured(one)"
            :ref="(found: unknown) => (inputs[one.field] = found as { focus(): void } | null)"
            :field="fieldOf(one.field)!"
            :figure="figureOf(one.field)"
            :units="units"
            :name="one.field"
            :letter="one.letter"
            :open="current === one.field"
            :touch="one.touch"
            :instrument="instrumentFor(one.instrument)"
            :wanted="wanted"
            :add-mm="RADII.has(one.field) ? addMm : undefined"
            @change="write(one.field, $event)"
            @next="next(one.field)"
            @focus="current = one.field"
          />
          <div v-else class="stamped" @focusin="current = one.field">
            <span class="letter num" aria-hidden="true">{{ one.letter }}</span>
            <FigureInput
              :name="one.field"
              :field="{ ...fieldOf(one.field)!, help: one.touch }"
              :figure="figureOf(one.field)"
              :units="units"
              @change="write(one.field, $event)"
            />
          </div>
        </template>
        <PictureImport
          v-if="sheet.points"
          :key="`picture-${part?.id ?? axle}-${sheet.points.field}`"
          :profile="sheet.points.field === 'profile'"
          :before="pointsValue"
          :offers="OFFERS[sheet.points.field] ?? []"
          :from-mount="part?.kind === 'caliper' && part.frame === 'mount'"
          :example="exampleLine"
          @take="write(sheet.points!.field, $event)"
        />
        <p v-if="sheet.points" class="touch">{{ sheet.points.touch }}</p>
        <PointsSheet
          v-if="sheet.points"
          :key="`${part?.id ?? axle}-${sheet.points.field}`"
          :value="pointsValue"
          :profile="sheet.points.field === 'profile'"
          :name="sheet.points.field"
          :label="sheet.title"
          :units="units"
          :instrument="instrumentFor(sheet.points.instrument)"
          :add-mm="sheet.on === 'wheel' ? undefined : addMm"
          :offers="OFFERS[sheet.points.field] ?? []"
          :behind="behind"
          :drawing-to="wide ? '#points-drawing' : ''"
          @change="write(sheet.points.field, $event)"
          @focus="current = sheet.points!.field"
        />
        <DxfImport
          v-if="sheet.points"
          :kind="sheet.points.field === 'profile' ? 'profile' : 'outlines'"
          :before="pointsValue"
          @take="write(sheet.points!.field, $event)"
        />
        <ScanImport
          v-if="sheet.points && (sheet.points.field === 'outlines' || sheet.points.field === 'profile')"
          :kind="sheet.points.field === 'profile' ? 'wheel' : 'caliper'"
          :before="pointsValue"
          :part="part"
          :mount-place="resolved && mountPlace(store.current.car[axle], resolved)"
          @take="takeScan"
        />
      </template>
    </section>

    <aside class="drawings" aria-label="Drawing">
      <div class="drawn"><SheetFigure :sheet="sheet.id" :current="current" :fields="shownFields" /></div>
      <div id="points-drawing" />
      <template v-if="!sheet.points && sketch.length > 0">
        <h3>As entered so far</h3>
        <div class="running"><OutlineEditor :lines="sketch" :units="units" label="Outline as entered so far" /></div>
      </template>
      <p v-if="twoWays" class="agree small" :class="twoWays.agree ? 'tone-fits' : 'tone-needs'">
        <VerdictMark :verdict="twoWays.agree ? 'fits' : 'needs'" :size="15" /> {{ twoWays.sentence }}
      </p>
      <p v-if="corner?.trial && sheet.on === 'trialFit'" class="small" :class="corner.trial.agree ? '' : 'tone-needs'">
        {{ corner.trial.sentence }}
      </p>
      <p v-if="corner?.difference && sheet.on === 'byDifference'" class="small" data-test="difference">
        {{ corner.difference.sentence }} {{ corner.difference.agrees }}
      </p>
      <p v-if="part && partKind && !fittedHere" class="small" data-test="offer-fit">
        {{ part.name }} is not in “{{ setup?.name }}”, so its figures decide nothing there.
        <ElButton link type="primary" @click="put({ axle, slot: partKind }, part.id)">Put it in, {{ axle }}</ElButton>
      </p>
      <p v-if="corner && fittedHere" class="verdict" role="status" data-test="measure-verdict">
        <NuxtLink :to="link('fit')">{{ corner.sentence }}</NuxtLink>
      </p>
    </aside>
  </div>
</template>

<style scoped>
.measure {
  display: grid;
  grid-template-columns: 178px minmax(320px, 470px) minmax(0, 1fr);
  gap: 20px;
  height: 100%;
}
.sheets,
.fields,
.drawings {
  /* what is hidden for the eye alone stays within */
  position: relative;
  min-height: 0;
  overflow: auto;
}
.sheets ul {
  margin: 0 0 12px;
  padding: 0;
  list-style: none;
}
.sheets button {
  width: 100%;
  padding: 6px 8px;
  border: 0;
  border-left: 3px solid transparent;
  background: none;
  color: var(--ink);
  font-size: 14px;
  line-height: 1.25;
  text-align: left;
  cursor: pointer;
}
.sheets button:hover {
  background: var(--sheet-2);
}
.sheets button[aria-current='true'] {
  border-left-color: var(--ink);
  background: var(--sheet-2);
  font-weight: 640;
}
.pick {
  display: none;
}
.fields {
  padding-right: 8px;
}
.safety {
  margin: 6px 0;
}
.before {
  margin: 2px 0;
  color: var(--ink-soft);
}
.touch {
  margin: 12px 0 6px;
}
.stamped {
  display: grid;
  grid-template-columns: 26px minmax(0, 1fr);
  gap: 8px;
  padding: 8px 6px;
  border-bottom: 1px solid var(--hair);
}
.letter {
  height: 24px;
  border: 1.5px solid var(--ink-soft);
  border-radius: 50%;
  font-weight: 640;
  line-height: 21px;
  text-align: center;
}
.drawn {
  width: 100%;
  max-width: 620px;
}
.phone {
  display: none;
}
.running {
  height: 230px;
  max-width: 620px;
}
.drawings h3 {
  margin: 10px 0 4px;
}
.agree {
  margin: 8px 0;
}
.verdict {
  margin: 10px 0;
  font-size: 15px;
  font-weight: 600;
}
@media (max-width: 1000px) {
  .measure {
    grid-template-columns: minmax(0, 1fr);
    gap: 8px;
    height: auto;
  }
  .sheets ul {
    display: none;
  }
  .sheets {
    display: flex;
    gap: 12px;
    align-items: flex-end;
    overflow: visible;
  }
  .pick {
    display: block;
    flex: 1;
  }
  .fields,
  .drawings {
    overflow: visible;
    padding: 0;
  }
  /* the figure stays in sight while the thumb types below it */
  .phone {
    position: sticky;
    top: -12px;
    z-index: 2;
    display: block;
    max-width: none;
    margin: 8px 0;
    background: var(--sheet);
  }
  .phone :deep(svg) {
    max-height: 190px;
  }
  .drawings .drawn {
    display: none;
  }
}
</style>
