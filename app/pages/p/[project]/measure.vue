<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue'
import { useMediaQuery } from '@vueuse/core'
import type { Draft } from 'immer'
import { useRoute, useRouter } from 'vue-router'
import { carAxleFields } from '#core/model/car-fields.ts'
import { length, type FigureField, type NamedOutline, type WheelProfile } from '#core/model/field.ts'
import { fieldsOf, PART_KINDS, type PartKind } from '#core/model/part-kinds.ts'
import type { Part, PartOf } from '#core/model/project.ts'
import { resolveSetup, spacerInUseMm } from '#core/model/resolve.ts'
import { sheetOf, SHEETS, type SheetDimension, type SheetId } from '#core/model/sheets.ts'
import { INSTRUMENT_IDS, INSTRUMENTS, type InstrumentId } from '#core/quantity/instrument.ts'
import type { Figure } from '#core/quantity/figure.ts'
import { formatQuantity } from '#core/quantity/format.ts'
import { partSection } from '#core/report/part-section.ts'
import { secondWay } from '#core/report/two-ways.ts'
import { useProjectStore } from '~/stores/project'
import { newId } from '~/stores/shelf'
import { useWorkbench } from '~/composables/workbench'

const store = useProjectStore()
const route = useRoute()
const router = useRouter()
const { setup, axle, units, report, link, chooseAxle } = useWorkbench()

/** The sheet that the address names, else the one by which the fitted caliper was taken. */
const sheet = computed(() => {
  const named = SHEETS.find((one) => one.id === route.query.sheet)
  const fitted = setup.value && resolveSetup(store.project!, setup.value)[axle.value].caliper
  return named ?? sheetOf(fitted?.kind === 'caliper' && fitted.outlineFrom === 'points' ? 'caliperOutline' : 'caliperQuick')
})
const wide = useMediaQuery('(min-width: 1001px)')
const current = ref('')
const wanted = ref(1)
const fromRegister = ref(false)

const partKind = computed<PartKind | undefined>(() => {
  const { on } = sheet.value
  return on === 'caliper' || on === 'wheel' || on === 'rotor' ? on : undefined
})
const resolved = computed(() => (setup.value ? resolveSetup(store.project!, setup.value)[axle.value] : undefined))
const candidates = computed(() => store.project!.parts.filter((part) => part.kind === partKind.value))
/** The part that the address names, else the one that is fitted, else the first there is. */
const part = computed<Part | undefined>(() => {
  const fitted = partKind.value && resolved.value?.[partKind.value as 'caliper' | 'wheel' | 'rotor']
  return (
    candidates.value.find((one) => one.id === route.query.part) ??
    candidates.value.find((one) => one.id === fitted?.id) ??
    candidates.value[0]
  )
})

const query = (more: Record<string, string | undefined>) => ({
  ...link('measure').query,
  sheet: sheet.value.id,
  ...(part.value && partKind.value ? { part: part.value.id } : {}),
  ...more,
})
const choose = (id: SheetId) =>
  router.replace({
    path: route.path,
    query: { ...link('measure').query, sheet: id, ...(sheetOf(id).on === partKind.value && part.value ? { part: part.value.id } : {}) },
  })
async function choosePart(event: Event) {
  const { value } = event.target as HTMLSelectElement
  if (value !== '+') return await router.replace({ path: route.path, query: query({ part: value }) })
  const kind = partKind.value!
  const id = newId()
  const number = candidates.value.length + 1
  store.edit(
    `Add ${PART_KINDS[kind].one}`,
    (draft) => void draft.parts.push({ id, kind, name: `New ${PART_KINDS[kind].one} ${number}` } as Part),
  )
  await router.replace({ path: route.path, query: query({ part: id }) })
}

// what the sheet's figures belong to, and where they are written
const DIFFERENCE_FIELDS: Record<string, FigureField> = {
  gapNowMm: length('Gap now', -20, 100),
  radiusMm: length('At radius', 20, 330),
  protrusionNowMm: length('Present caliper beyond the seat', -150, 200),
  protrusionNewMm: length('New caliper beyond the seat', -150, 200),
  gapMm: length('Least gap seen', -20, 100),
}
const holder = computed<Record<string, unknown> | undefined>(() => {
  switch (sheet.value.on) {
    case 'byDifference':
      return { ...setup.value?.[axle.value].byDifference }
    case 'trialFit':
      return { ...setup.value?.[axle.value].trialFit }
    case 'carAxle':
      return store.project!.car[axle.value] as Record<string, unknown>
    default:
      return part.value as unknown as Record<string, unknown> | undefined
  }
})
const figureOf = (field: string) => holder.value?.[field] as Figure | undefined
const fieldOf = (field: string): FigureField | undefined => {
  const table = sheet.value.on === 'carAxle' ? carAxleFields : partKind.value ? fieldsOf(partKind.value) : DIFFERENCE_FIELDS
  const found = (table as Record<string, { type: string }>)[field]
  return found?.type === 'figure' ? (found as FigureField) : undefined
}
/** A sliding caliper is taken with rotor and pad on, a fixed one with the hat alone. */
const dimensions = computed(() =>
  sheet.value.dimensions.filter((one) => {
    const field = fieldOf(one.field)
    const construction = (part.value as PartOf<'caliper'> | undefined)?.construction
    if (one.field === 'takenWithHatMm' && construction === 'sliding') return false
    return field !== undefined && (!field.when || holder.value?.[field.when.field] === field.when.is || field.when.field === 'outlineFrom')
  }),
)
const shownFields = computed(() => [...dimensions.value.map((one) => one.field), ...(sheet.value.points ? [sheet.value.points.field] : [])])
const isLength = (field: FigureField) => field.dimension === 'length'
const STAMPED = new Set(['diameterIn', 'widthIn', 'offsetMm'])
const RADII = new Set(['tallestRadiusMm', 'faceOuterRadiusMm', 'faceInnerRadiusMm'])
const registerMm = computed(() => store.project!.car[axle.value].registerMm?.value)
const addMm = computed(() => (fromRegister.value && registerMm.value !== undefined ? registerMm.value / 2 : undefined))

function write(field: string, value: unknown) {
  const label = `Measure: ${fieldOf(field)?.label.toLowerCase() ?? 'points'}`
  const { on, id } = sheet.value
  store.edit(label, (draft) => {
    if (on === 'byDifference' || on === 'trialFit') {
      const target = draft.setups.find((one) => one.id === setup.value?.id)![axle.value]
      if (on === 'byDifference') put((target.byDifference ??= {}) as Draft<Record<string, unknown>>, field, value)
      else if (value === undefined) delete target.trialFit
      else target.trialFit = trialWith(value as Figure)
      if (target.byDifference && Object.keys(target.byDifference).length === 0) delete target.byDifference
      return
    }
    if (on === 'carAxle') {
      const target = draft.car[axle.value] as Draft<Record<string, unknown>>
      put(target, field, value)
      const hat = resolved.value?.rotor?.hatThicknessMm
      if (field === 'objects' && value !== undefined && target.objectsTakenWithHatMm === undefined && hat)
        target.objectsTakenWithHatMm = { ...hat }
      return
    }
    const target = draft.parts.find((one) => one.id === part.value?.id) as Draft<Record<string, unknown>> | undefined
    if (!target) return
    put(target, field, value)
    if (id === 'caliperQuick' && value !== undefined && field !== 'rotorEdgeToTallestMm') target.outlineFrom ??= 'quick'
    if (field === 'outlines' && value !== undefined) target.outlineFrom = 'points'
    // a figure of one's own outranks an uncertainty that was entered for the whole outline
    if (value !== undefined && (field === 'faceMm' || field === 'outlines')) Reflect.deleteProperty(target, 'uAxialMm')
    if (value !== undefined && (field === 'tallestRadiusMm' || field === 'outlines')) Reflect.deleteProperty(target, 'uRadialMm')
    if (value !== undefined && field === 'profile') {
      Reflect.deleteProperty(target, 'uBarrelRadialMm')
      Reflect.deleteProperty(target, 'uFaceAxialMm')
    }
  })
}
function put(target: Draft<Record<string, unknown>>, key: string, value: unknown) {
  if (value === undefined) Reflect.deleteProperty(target, key)
  else target[key] = value
}
/** A trial fit speaks of the very parts that are fitted now. */
function trialWith(gapMm: Figure) {
  const now = resolved.value!
  return {
    gapMm,
    caliper: now.caliper!.id,
    wheel: now.wheel!.id,
    spacerMm: spacerInUseMm(now)!,
    ...(now.rotor ? { rotor: now.rotor.id } : {}),
    ...(now.pad ? { pad: now.pad.id } : {}),
  }
}
const trialPossible = computed(() => {
  const now = resolved.value
  return Boolean(now?.caliper && now.wheel && spacerInUseMm(now) !== undefined)
})
const setChoice = (field: string, event: Event) => write(field, (event.target as HTMLSelectElement).value || undefined)
const setInstrumentAtHand = (event: Event) =>
  store.edit(
    'Instrument at hand',
    (draft) => void (draft.preferences.instrument = (event.target as HTMLSelectElement).value as InstrumentId),
  )
const instrumentOf = (one: SheetDimension): InstrumentId =>
  store.project!.preferences.instrument === 'digitalCaliper' ? one.instrument : store.project!.preferences.instrument

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
    const first = dimensions.value[0]?.field ?? sheet.value.points?.field ?? ''
    current.value = typeof field === 'string' && /^\w+$/.test(field) ? field : first
    if (typeof field !== 'string' || !/^\w+$/.test(field)) return
    await nextTick()
    const control = document.querySelector<HTMLElement>(`.measure [data-field="${field}"] input`)
    control?.focus()
    control?.scrollIntoView({ block: 'center' })
  },
  { immediate: true },
)

const settingsWords = computed(() =>
  [
    part.value?.name ?? axle.value,
    `${wanted.value} ${wanted.value === 1 ? 'reading' : 'readings'} of each`,
    INSTRUMENTS[store.project!.preferences.instrument].label,
  ].join(', '),
)
const sentence = (text: string) => text[0]!.toUpperCase() + text.slice(1)
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
/** The body behind the objects that are being measured. */
const behind = computed(() => {
  if (part.value?.kind !== 'caliper' || sheet.value.id !== 'nearWheel') return []
  return partSection({ ...part.value, furtherOutlines: [] } as PartOf<'caliper'>)
})
const twoWays = computed(() =>
  sheet.value.id === 'caliperQuick' && part.value?.kind === 'caliper' ? secondWay(part.value, units.value) : undefined,
)
const corner = computed(() => report.value?.corners[axle.value])
const fittedHere = computed(() => partKind.value === undefined || resolved.value?.[partKind.value as 'caliper']?.id === part.value?.id)
const done = (id: SheetId): string => {
  const one = sheetOf(id)
  const target: Record<string, unknown> | undefined =
    one.on === 'byDifference' || one.on === 'trialFit'
      ? (setup.value?.[axle.value][one.on] as Record<string, unknown> | undefined)
      : one.on === 'carAxle'
        ? (store.project!.car[axle.value] as Record<string, unknown>)
        : (resolved.value?.[one.on] as unknown as Record<string, unknown> | undefined)
  const all = [...one.dimensions.map((dimension) => dimension.field), ...(one.points ? [one.points.field] : [])]
  const known = all.filter((field) => target?.[field] !== undefined).length
  return known === 0 ? '' : `${known} of ${all.length}`
}
</script>

<template>
  <div class="measure">
    <nav class="sheets" aria-label="Measuring sheets">
      <h1 class="visually-hidden">Measure</h1>
      <label class="pick small"
        >Sheet
        <select class="native" :value="sheet.id" data-test="sheet" @change="choose(($event.target as HTMLSelectElement).value as SheetId)">
          <option v-for="one in SHEETS" :key="one.id" :value="one.id">{{ one.title }}</option>
        </select>
      </label>
      <ul>
        <li v-for="one in SHEETS" :key="one.id">
          <button type="button" :aria-current="one.id === sheet.id" @click="choose(one.id)">
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
      <p v-for="line in sheet.before" :key="line" class="before small">{{ line }}</p>
      <details class="settings" :open="wide">
        <summary class="small">{{ settingsWords }}</summary>
        <div class="setting">
          <label v-if="partKind" class="small"
            >{{ sentence(PART_KINDS[partKind].one) }}
            <select class="native" :value="part?.id ?? ''" data-test="measured-part" @change="choosePart">
              <option v-for="one in candidates" :key="one.id" :value="one.id">{{ one.name }}</option>
              <option value="+">new {{ PART_KINDS[partKind].one }} …</option>
            </select>
          </label>
          <label v-else class="small"
            >Axle
            <select class="native" :value="axle" @change="chooseAxle(($event.target as HTMLSelectElement).value as 'front' | 'rear')">
              <option value="front">front</option>
              <option value="rear">rear</option>
            </select>
          </label>
          <label class="small"
            >Readings of each
            <select v-model.number="wanted" class="native">
              <option v-for="n in [1, 2, 3, 5]" :key="n" :value="n">{{ n }}</option>
            </select>
          </label>
          <label class="small"
            >Instrument at hand
            <select class="native" :value="store.project!.preferences.instrument" data-field="instrument" @change="setInstrumentAtHand">
              <option v-for="one in INSTRUMENT_IDS" :key="one" :value="one">{{ INSTRUMENTS[one].label }}</option>
            </select>
          </label>
        </div>
        <div v-if="part?.kind === 'caliper' && sheet.on === 'caliper'" class="setting">
          <label class="small"
            >Construction
            <select class="native" :value="part.construction ?? ''" data-field="construction" @change="setChoice('construction', $event)">
              <option value="">not known</option>
              <option value="fixed">fixed, pistons on both sides</option>
              <option value="sliding">sliding, pistons on one side</option>
            </select>
          </label>
          <label class="small"
            >Taken from
            <select class="native" :value="part.frame ?? ''" data-field="frame" @change="setChoice('frame', $event)">
              <option value="">not known</option>
              <option value="seat">hub centre and wheel seat</option>
              <option value="mount">slot centre and mount</option>
            </select>
          </label>
          <label v-if="sheet.id !== 'nearWheel' && part.outlines" class="small"
            >Outline in use
            <select
              class="native"
              :value="part.outlineFrom ?? 'points'"
              data-field="outlineFrom"
              @change="setChoice('outlineFrom', $event)"
            >
              <option value="quick">five figures</option>
              <option value="points">full outline</option>
            </select>
          </label>
          <label v-if="sheet.id === 'caliperQuick'" class="small"
            >Corner
            <select class="native" :value="part.corner ?? ''" data-field="corner" @change="setChoice('corner', $event)">
              <option value="">not looked at: square</option>
              <option value="square">square</option>
              <option value="chamfer">chamfered</option>
              <option value="round">rounded</option>
            </select>
          </label>
        </div>
        <div v-if="part?.kind === 'wheel' && sheet.id === 'wheelMarkings'" class="setting">
          <label class="small"
            >Barrel
            <select class="native" :value="part.barrel ?? ''" @change="setChoice('barrel', $event)">
              <option value="">not known: plain</option>
              <option value="plain">plain</option>
              <option value="oneStep">one step</option>
              <option value="twoSteps">two steps</option>
            </select>
          </label>
          <label class="small"
            >Spokes, from the street
            <select class="native" :value="part.face ?? ''" @change="setChoice('face', $event)">
              <option value="">not known</option>
              <option value="flat">flat</option>
              <option value="concave">concave</option>
              <option value="convex">convex</option>
            </select>
          </label>
        </div>
        <label
          v-if="registerMm !== undefined && (sheet.id === 'caliperQuick' || (sheet.points && sheet.on !== 'wheel'))"
          class="check small"
        >
          <input v-model="fromRegister" type="checkbox" /> radii are read from the edge of the hub register: add
          {{ formatQuantity(registerMm / 2, 'length', units) }}
        </label>
      </details>
      <GaugePanel :units="units" />

      <div class="drawn phone"><SheetFigure :sheet="sheet.id" :current="current" :fields="shownFields" /></div>

      <p v-if="partKind && !part" class="soft">There is none yet: choose “new {{ PART_KINDS[partKind].one }}” above.</p>
      <p v-else-if="sheet.on === 'trialFit' && !trialPossible" class="soft">
        A trial fit speaks of one set of parts: choose caliper, wheel and spacer in the step Setup first.
      </p>
      <template v-else>
        <template v-for="one in dimensions" :key="`${part?.id ?? axle}-${one.field}`">
          <ReadingsInput
            v-if="isLength(fieldOf(one.field)!) && !STAMPED.has(one.field)"
            :ref="(found: unknown) => (inputs[one.field] = found as { focus(): void } | null)"
            :field="fieldOf(one.field)!"
            :figure="figureOf(one.field)"
            :units="units"
            :name="one.field"
            :letter="one.letter"
            :touch="one.touch"
            :instrument="instrumentOf(one)"
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
        <p v-if="sheet.points" class="touch">{{ sheet.points.touch }}</p>
        <PointsSheet
          v-if="sheet.points"
          :key="`${part?.id ?? axle}-${sheet.points.field}`"
          :value="pointsValue"
          :profile="sheet.points.field === 'profile'"
          :name="sheet.points.field"
          :label="sheet.title"
          :units="units"
          :instrument="instrumentOf({ field: '', letter: '', touch: '', instrument: sheet.points.instrument })"
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
.before {
  margin: 2px 0;
  color: var(--ink-soft);
}
.settings > summary {
  display: none;
}
.setting {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 10px;
  margin: 8px 0;
}
.setting label {
  flex: 1 1 120px;
}
.setting label:first-child {
  flex-grow: 2;
}
.touch {
  margin: 12px 0 6px;
}
.check {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 32px;
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
  .settings > summary {
    display: list-item;
    padding: 8px 2px;
    cursor: pointer;
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
