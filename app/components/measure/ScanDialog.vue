<script setup lang="ts">
import { computed, onMounted, ref, shallowRef, watch } from 'vue'
import { fromMount, type MountPlace } from '#core/clearance/mount-place.ts'
import { formatQuantity } from '#core/quantity/format.ts'
import type { NamedOutline, WheelProfile } from '#core/records/field.ts'
import type { Part } from '#core/records/part.ts'
import { MOST_PICTURES, picturesIn } from '#core/records/pictures.ts'
import { sideways, type ScanFrame } from '#core/vision/scan/frame.ts'
import { SCAN_UNITS, type ScanUnit, type Vector } from '#core/vision/scan/mesh.ts'
import { MOST_SURE_MM } from '#core/vision/scan/placing.ts'
import type { ScannedLine } from '#core/vision/scan/scan-outline.ts'
import { latestCall } from '~/composables/latest-call'
import { useScan } from '~/composables/scan'
import ScanView from './ScanView.vue'
import { SELECTED, useScanPlacing } from '~/composables/scan-placing'
import { useWorkbench } from '~/composables/workbench'
import { useProjectStore } from '~/stores/project'
import type { OpenedScan } from '~/workers/scan.worker'

/** A mesh is placed; what does not belong to it is set apart; the line that it sweeps is seen before it is imported. */
const props = defineProps<{
  file: File
  kind: 'caliper' | 'wheel'
  before: NamedOutline[] | WheelProfile | undefined
  part: Part | undefined
  mountPlace: MountPlace | undefined
}>()
const emit = defineEmits<{ take: [value: NamedOutline[] | WheelProfile, source: string]; close: [] }>()

const store = useProjectStore()
const { units } = useWorkbench()
const scan = useScan()
const { share } = scan
const shown = ref(true)
const opened = shallowRef<Extract<OpenedScan, { ok: true }>>()
const message = ref('')
const unit = ref<ScanUnit | ''>('')
const unitReady = ref(false)
const perMm = computed(() => (unit.value === '' ? 1 : SCAN_UNITS[unit.value]))
const position = useScanPlacing(scan, { opened, perMm, unitReady, mountPlace: () => props.mountPlace })
const { by, begin, selecting, marks, placing, trouble } = position

const line = shallowRef<ScannedLine>()
const objects = shallowRef<{ name: string; line: ScannedLine }[]>([])
const worstUMm = ref(0)
const frame = shallowRef<ScanFrame>()
const view = ref<InstanceType<typeof ScanView>>()
const mm = (value: number, decimals = 2) => formatQuantity(value, 'length', units.value, { decimals })
const sizeWords = computed(() => {
  if (!opened.value) return ''
  const { size, triangles } = opened.value
  const bare = size.map((one) => Number((one * perMm.value).toPrecision(4)))
  return `${triangles.toLocaleString('en-GB')} triangles, ${bare.join(' x ')}${unit.value === '' ? ', unit unknown' : ' mm'}`
})

onMounted(async () => {
  const found = await scan.open(props.file)
  if (!found) return
  if (!found.ok) return void (message.value = found.message)
  opened.value = found
  unit.value = found.unit ?? ''
})
/** A place that is selected while the mesh is made ready waits for it. */
let ready: Promise<unknown> = Promise.resolve()
const beginUnit = latestCall()
watch(unit, async (now) => {
  const isLatest = beginUnit()
  unitReady.value = false
  line.value = undefined
  begin(by.value)
  if (now === '') return
  const asked = scan.setUnit(now)
  ready = asked
  const problem = await asked
  if (!isLatest()) return
  trouble.value = problem ?? ''
  unitReady.value = problem === undefined
})
async function pick(triangle: number, place: Vector) {
  await ready
  await position.pick(triangle, place)
}

// what was circled: left out, or an object of its own
const lasso = ref(false)
const circled = shallowRef<Uint32Array>()
const objectName = ref('bleed screw')
const OBJECTS = ['bleed screw', 'hose', 'crossover pipe', 'sensor'].map((value) => ({ value, label: value }))
const apart = shallowRef<{ leftOut: Uint32Array[]; objects: Uint32Array[] }>({ leftOut: [], objects: [] })
const pieces = ref({ leftOut: 0, names: [] as readonly string[] })
async function setApart(name?: string) {
  const triangles = circled.value
  if (!triangles) return
  circled.value = undefined
  lasso.value = false
  const found = await scan.piece(triangles, name)
  if (!found.ok) return void (trouble.value = found.message)
  pieces.value = found
  apart.value =
    name === undefined
      ? { ...apart.value, leftOut: [...apart.value.leftOut, triangles] }
      : { ...apart.value, objects: [...apart.value.objects, triangles] }
}
async function takeBack() {
  const found = await scan.piece(undefined)
  if (found.ok) pieces.value = found
  apart.value = { leftOut: [], objects: [] }
}

const beginLine = latestCall()
watch([placing, () => props.kind, pieces], async ([now]) => {
  const isLatest = beginLine()
  line.value = undefined
  objects.value = []
  if (!now) return
  const found = await scan.line(props.kind, now)
  if (!isLatest()) return
  if (!found.ok) return void (trouble.value = found.message)
  trouble.value = ''
  line.value = found.line
  objects.value = found.objects
  worstUMm.value = found.worstUMm
  frame.value = found.frame
})

const isSure = computed(() => worstUMm.value <= MOST_SURE_MM)
const behind = computed(() =>
  props.before === undefined ? [] : Array.isArray(props.before) ? props.before.map((one) => one.points) : [props.before.points],
)
/** A caliper whose outline is stated from its mount takes it from there; only its mounting holes say where that is. */
const caliper = computed(() => (props.part?.kind === 'caliper' ? props.part : undefined))
const datumProblem = computed(() => {
  if (caliper.value?.frame !== 'mount') return ''
  const now = placing.value
  if (now?.by !== 'holes' || now.mount !== 'axial')
    return 'The outline of this caliper is measured from its mount. Place the scan by the mounting holes, or change the datum of the outline.'
  return caliper.value.mountToSlotMm ? '' : 'Enter the distance from mount face to slot centre of this caliper first.'
})
function pointsOf({ points }: ScannedLine): [number, number][] {
  const now = placing.value
  return caliper.value?.frame === 'mount' && now?.by === 'holes' && caliper.value.mountToSlotMm
    ? fromMount(points, now, caliper.value.mountToSlotMm.value)
    : points
}
/** The mesh from the side, to stand behind the line; none where there is no room or no 3D. */
function pictureOf({ points }: ScannedLine) {
  const placed = frame.value
  if (!placed || !opened.value || caliper.value?.frame === 'mount' || picturesIn(store.current) >= MOST_PICTURES) return undefined
  const ends = (of: number[]): [number, number] => [Math.min(...of) - AROUND_MM, Math.max(...of) + AROUND_MM]
  const [z, r] = [ends(points.map((one) => one[0])), ends(points.map((one) => one[1]))]
  const inFile = (one: readonly [number, number]): [number, number] => [one[0] / perMm.value, one[1] / perMm.value]
  const origin = placed.origin.map((one) => one / perMm.value) as [number, number, number]
  const upwards = sideways(placed.outboard, opened.value.centre, origin)
  const jpeg = view.value?.sideView(origin, placed.outboard, upwards, inFile(z), inFile(r), props.kind === 'wheel')
  return jpeg && jpeg.length < MOST_JPEG ? { jpeg, z, r } : undefined
}
const AROUND_MM = 8
const MOST_JPEG = 150_000
function take() {
  const found = line.value
  if (!found || !opened.value || datumProblem.value) return
  const origin = isSure.value ? 'measured' : 'estimated'
  const source = `Scan: ${props.file.name.slice(0, 80)}, ${Math.ceil(props.file.size / 1024)} kB${
    opened.value.sha256 ? `, SHA-256 ${opened.value.sha256.slice(0, 16)}` : ''
  }.`
  const picture = pictureOf(found)
  const behindIt = picture ? { picture } : {}
  if (props.kind === 'wheel') emit('take', { points: found.points, doubts: found.doubts, tags: found.tags, origin, ...behindIt }, source)
  else {
    const scanned = [{ name: 'body', line: found }, ...objects.value].map((one): NamedOutline => ({
      name: one.name,
      points: pointsOf(one.line),
      doubts: one.line.doubts,
      origin,
      ...(one.name === 'body' ? behindIt : {}),
    }))
    const others = Array.isArray(props.before) ? props.before.filter(({ name }) => !scanned.some((one) => one.name === name)) : []
    emit('take', [...scanned, ...others], source)
  }
  close()
}
function close() {
  shown.value = false
  scan.close()
  emit('close')
}
</script>

<template>
  <ElDialog
    v-model="shown"
    :title="`From ${file.name.slice(0, 60)}`"
    width="min(1180px, 96vw)"
    top="4vh"
    append-to-body
    data-test="scan"
    @close="close"
  >
    <p v-if="message" class="field-error" role="alert" data-test="scan-message">{{ message }}</p>
    <p v-else-if="!opened" role="status">
      {{ share < 1 ? `Reading the file: ${Math.round(share * 100)}%` : 'Preparing the mesh …' }}
    </p>
    <div v-else class="choose">
      <div class="asks">
        <p class="small num" data-test="scan-size">{{ sizeWords }}</p>
        <FieldItem label="Unit of the file"
          ><ChoiceSelect
            data-test="scan-unit"
            placeholder="choose …"
            :value="unit"
            :options="(Object.keys(SCAN_UNITS) as ScanUnit[]).map((value) => ({ value, label: value }))"
            label="Unit of the file"
            @change="unit = $event as ScanUnit"
        /></FieldItem>
        <ScanPosition :placing="position" :kind="kind" />
        <FoldedPart title="Set parts of the scan apart" data-test="scan-apart">
          <ElCheckbox v-model="lasso" :validate-event="false" data-test="scan-lasso">draw a loop</ElCheckbox>
          <p class="soft small">
            Turn the model so that nothing else lies behind, then draw a loop around
            {{ kind === 'caliper' ? 'a bleed screw, a hose or what is no part of the caliper' : 'what is no part of the wheel' }}. What was
            under a part left out is unknown.
          </p>
          <template v-if="circled">
            <p class="small num" role="status" data-test="scan-circled">{{ circled.length.toLocaleString('en-GB') }} triangles.</p>
            <div class="picks">
              <ElButton size="small" data-test="scan-leave-out" @click="setApart()">Leave out</ElButton>
              <template v-if="kind === 'caliper'">
                <ChoiceSelect label="Object" :value="objectName" :options="OBJECTS" @change="objectName = $event" />
                <ElButton size="small" data-test="scan-object" @click="setApart(objectName)">Make it an object</ElButton>
              </template>
            </div>
          </template>
          <p v-if="pieces.leftOut > 0 || pieces.names.length > 0" class="small num" data-test="scan-pieces">
            <template v-if="pieces.leftOut > 0">{{ pieces.leftOut.toLocaleString('en-GB') }} triangles left out. </template>
            <template v-if="pieces.names.length > 0">Objects: {{ pieces.names.join(', ') }}. </template>
            <ElButton link type="primary" @click="takeBack">Use the whole scan</ElButton>
          </p>
        </FoldedPart>
      </div>
      <div class="seen">
        <ScanView
          ref="view"
          :corners="opened.corners"
          :marks="marks"
          :label="by === 'numbers' ? '' : SELECTED[selecting]"
          :lasso="lasso"
          :apart="apart"
          @pick="pick"
          @loop="circled = $event"
          @unavailable="begin('numbers')"
        />
        <div class="section">
          <OutlineEditor
            :lines="
              line ? [{ name: kind, points: line.points }, ...objects.map((one) => ({ name: one.name, points: one.line.points }))] : []
            "
            :behind="behind"
            :units="units"
            label="Half section that the mesh sweeps"
          />
        </div>
        <p v-if="trouble" class="field-error" data-test="scan-trouble">{{ trouble }}</p>
        <template v-else-if="line">
          <p class="small num" data-test="scan-line">
            {{ line.points.length }} points. The line is on the safe side of the mesh by up to {{ mm(line.toleranceMm) }}. Standard
            uncertainty up to {{ mm(worstUMm) }}. Grey is what is there now.
          </p>
          <p v-if="line.notScannedMm > 0" class="small tone-needs" data-test="scan-holes">
            The scan has holes over {{ mm(line.notScannedMm, 1) }} of the line. What is there is unknown: scan it again, or measure it.
          </p>
          <p v-if="!isSure" class="small tone-needs">
            An uncertainty of more than {{ mm(MOST_SURE_MM, 1) }} is no measurement. The line is imported as an estimate.
          </p>
        </template>
        <p v-else class="soft small">The section appears here when the mesh is placed.</p>
        <p v-if="line && datumProblem" class="field-error" data-test="scan-datum">{{ datumProblem }}</p>
      </div>
    </div>
    <template #footer>
      <ElButton @click="close">Cancel</ElButton>
      <ElButton type="primary" :disabled="!line || datumProblem !== ''" data-test="scan-take" @click="take">
        {{ before ? 'Replace what is there' : 'Import' }}
      </ElButton>
    </template>
  </ElDialog>
</template>

<style scoped>
.choose {
  display: grid;
  grid-template-columns: 270px minmax(0, 1fr);
  gap: 18px;
}
.asks {
  display: grid;
  gap: 8px;
  align-content: start;
}
.picks {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
.seen {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 8px 14px;
  align-content: start;
}
.seen > p {
  grid-column: 1 / -1;
}
.section {
  height: 380px;
}
@media (max-width: 760px) {
  .choose,
  .seen {
    grid-template-columns: minmax(0, 1fr);
  }
  .section {
    height: 220px;
  }
  /* what is selected is seen first */
  .seen {
    order: -1;
  }
}
</style>
