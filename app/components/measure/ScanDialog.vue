<script setup lang="ts">
import { computed, nextTick, onMounted, ref, shallowRef, watch } from 'vue'
import type { NamedOutline, WheelProfile } from '#core/records/field.ts'
import { formatQuantity } from '#core/quantity/format.ts'
import { parseQuantity } from '#core/quantity/parse.ts'
import type { FittedPlane } from '#core/vision/scan/fit-plane.ts'
import type { RoundFeature } from '#core/vision/scan/placing.ts'
import { awayFrom, MOST_SURE_MM, scaleError } from '#core/vision/scan/placing.ts'
import type { ScannedLine } from '#core/vision/scan/scan-outline.ts'
import { SCAN_UNITS, type ScanUnit, type Vector } from '#core/vision/scan/mesh.ts'
import { latestCall } from '~/composables/latest-call'
import { useScan } from '~/composables/scan'
import { useWorkbench } from '~/composables/workbench'
import type { OpenedScan, ScanPlacing } from '~/workers/scan.worker'

/** A mesh is placed by its mounting face and a bore, or by numbers; the line that it sweeps is seen before it is imported. */
const props = defineProps<{ file: File; kind: 'caliper' | 'wheel'; before: NamedOutline[] | WheelProfile | undefined }>()
const emit = defineEmits<{ take: [value: NamedOutline[] | WheelProfile, source: string]; close: [] }>()

const { units } = useWorkbench()
const scan = useScan()
const shown = ref(true)
const opened = shallowRef<Extract<OpenedScan, { ok: true }>>()
const message = ref('')
const unit = ref<ScanUnit | ''>('')
const unitReady = ref(false)

const by = ref<'features' | 'numbers'>('features')
const selecting = ref<'face' | 'round'>('face')
const plane = shallowRef<FittedPlane>()
const round = shallowRef<RoundFeature>()
const at = ref<{ id: string; at: Vector }[]>([])
const turned = ref(false)
const faceToMount = ref('0')
const known = ref('')
/** Nothing stands in for numbers that nobody entered. */
const numbers = ref({ x: '', y: '', z: '', u: '' })
const axis = ref('')
const trouble = ref('')
const line = shallowRef<ScannedLine>()
const worstUMm = ref(0)

const perMm = computed(() => (unit.value === '' ? 1 : SCAN_UNITS[unit.value]))
const lengthOf = (text: string): number | undefined => {
  const read = parseQuantity(text.trim() === '' ? '0' : text, 'length', units.value)
  return read.ok ? read.value : undefined
}
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
  plane.value = round.value = line.value = undefined
  at.value = []
  selecting.value = 'face'
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
  await nextTick()
  if (!unitReady.value) return
  trouble.value = ''
  const id = selecting.value
  if (id === 'face') {
    const found = await scan.face(triangle)
    if (!found.ok) return void (trouble.value = found.message)
    plane.value = found.plane
    selecting.value = 'round'
  } else if (plane.value) {
    const found = await scan.round(triangle, plane.value.normal)
    if (!found.ok) return void (trouble.value = found.message)
    round.value = found.round
  }
  at.value = [...at.value.filter((one) => one.id !== id), { id, at: place }]
}

/** Most of a caliper and of a wheel lies inboard of the mounting face, so outboard is away from the middle of the mesh. */
const outwards = computed<Vector>(() => {
  const [x = 0, y = 0, z = 0] = opened.value?.centre.map((one) => one * perMm.value) ?? []
  return plane.value ? awayFrom(plane.value, [x, y, z], turned.value) : [0, 0, 1]
})
const scaleOff = computed(() => {
  const diameter = lengthOf(known.value)
  if (!round.value || known.value.trim() === '' || !diameter) return 0
  return scaleError(round.value.circle.radiusMm, diameter)
})
const AXES: Record<string, Vector> = {
  '+x': [1, 0, 0],
  '-x': [-1, 0, 0],
  '+y': [0, 1, 0],
  '-y': [0, -1, 0],
  '+z': [0, 0, 1],
  '-z': [0, 0, -1],
}
const placing = computed<ScanPlacing | undefined>(() => {
  if (!unitReady.value) return undefined
  if (by.value === 'features') {
    const faceToMountMm = lengthOf(faceToMount.value)
    return plane.value && round.value && faceToMountMm !== undefined
      ? { by: 'features', plane: plane.value, round: round.value, outwards: outwards.value, faceToMountMm, scaleOff: scaleOff.value }
      : undefined
  }
  const typed = [numbers.value.x, numbers.value.y, numbers.value.z, numbers.value.u]
  const [x, y, z, u] = typed.map((text) => (text.trim() === '' ? undefined : lengthOf(text)))
  const outboard = AXES[axis.value]
  if (x === undefined || y === undefined || z === undefined || u === undefined || u <= 0 || !outboard) return undefined
  return { by: 'numbers', frame: { origin: [x, y, z], outboard }, uMm: u }
})
const beginLine = latestCall()
watch([placing, () => props.kind], async ([now]) => {
  const isLatest = beginLine()
  line.value = undefined
  if (!now) return
  const found = await scan.line(props.kind, now)
  if (!isLatest()) return
  if (!found.ok) return void (trouble.value = found.message)
  trouble.value = ''
  line.value = found.line
  worstUMm.value = found.worstUMm
})

const isSure = computed(() => worstUMm.value <= MOST_SURE_MM)
const behind = computed(() =>
  props.before === undefined ? [] : Array.isArray(props.before) ? props.before.map((one) => one.points) : [props.before.points],
)
function take() {
  const found = line.value
  if (!found || !opened.value) return
  const { points, doubts, tags } = found
  const origin = isSure.value ? 'measured' : 'estimated'
  const source = `Scan: ${props.file.name.slice(0, 80)}, ${Math.ceil(props.file.size / 1024)} kB${
    opened.value.sha256 ? `, SHA-256 ${opened.value.sha256.slice(0, 16)}` : ''
  }.`
  if (props.kind === 'wheel') emit('take', { points, doubts, tags, origin }, source)
  else {
    const others = Array.isArray(props.before) ? props.before.filter((one) => one.name !== 'body') : []
    emit('take', [{ name: 'body', points, doubts, origin }, ...others], source)
  }
  close()
}
function close() {
  shown.value = false
  scan.close()
  emit('close')
}
const SELECT = { face: 'Select the mounting face.', round: 'Select a bore, a register or a round edge about the axis.' }
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
    <p v-else-if="!opened" role="status">Reading the mesh …</p>
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
        <FieldItem label="Position">
          <ElRadioGroup v-model="by" :validate-event="false">
            <ElRadio value="features">select on the model</ElRadio>
            <ElRadio value="numbers">enter numbers</ElRadio>
          </ElRadioGroup>
        </FieldItem>
        <template v-if="by === 'features'">
          <div class="picks" role="group" aria-label="Next selection">
            <ElButton size="small" :aria-pressed="selecting === 'face'" data-test="scan-face" @click="selecting = 'face'"
              >Mounting face</ElButton
            >
            <ElButton
              size="small"
              :aria-pressed="selecting === 'round'"
              :disabled="!plane"
              data-test="scan-round"
              @click="selecting = 'round'"
              >Bore or edge</ElButton
            >
          </div>
          <p class="small" role="status" data-test="scan-says">
            <template v-if="plane">Face: scatter {{ mm(plane.residualMm) }}. </template>
            <template v-if="round"
              >Round: diameter {{ mm(2 * round.circle.radiusMm) }}, scatter {{ mm(round.circle.residualMm) }}.</template
            >
            <template v-if="!plane || !round || selecting === 'face'">{{ SELECT[selecting] }}</template>
          </p>
          <FieldItem label="From this face outboard to the wheel mounting face"
            ><ElInput
              v-model="faceToMount"
              class="num"
              aria-label="From this face outboard to the wheel mounting face"
              :validate-event="false"
          /></FieldItem>
          <FieldItem label="Known diameter, if there is one"
            ><ElInput
              v-model="known"
              class="num"
              placeholder="checks the scale"
              aria-label="Known diameter, if there is one"
              :validate-event="false"
          /></FieldItem>
          <p v-if="scaleOff > 0" class="small" :class="scaleOff > 0.005 ? 'tone-needs' : ''">
            The scan is {{ formatQuantity(scaleOff, 'share', undefined, { decimals: 2 }) }} off the known diameter.
          </p>
          <ElCheckbox v-model="turned" :validate-event="false">outboard is the other way</ElCheckbox>
        </template>
        <template v-else>
          <div class="three">
            <FieldItem v-for="one in ['x', 'y', 'z'] as const" :key="one" :label="`Centre ${one}`"
              ><ElInput v-model="numbers[one]" class="num" :aria-label="`Centre of the mounting face, ${one}`" :validate-event="false"
            /></FieldItem>
          </div>
          <FieldItem label="Outboard direction"
            ><ChoiceSelect
              placeholder="choose …"
              data-test="scan-axis"
              :value="axis"
              :options="Object.keys(AXES).map((value) => ({ value, label: value }))"
              label="Outboard direction"
              @change="axis = $event"
          /></FieldItem>
          <FieldItem label="Standard uncertainty of the position"
            ><ElInput v-model="numbers.u" class="num" aria-label="Standard uncertainty of the position" :validate-event="false"
          /></FieldItem>
          <p class="soft small">
            Lengths in mm in the directions of the file: the centre of the wheel mounting face, and the way outboard.
          </p>
        </template>
      </div>
      <div class="seen">
        <ScanView
          :corners="opened.corners"
          :marks="at"
          :label="by === 'features' ? SELECT[selecting] : ''"
          @pick="pick"
          @unavailable="by = 'numbers'"
        />
        <div class="section">
          <OutlineEditor
            :lines="line ? [{ name: kind, points: line.points }] : []"
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
      </div>
    </div>
    <template #footer>
      <ElButton @click="close">Cancel</ElButton>
      <ElButton type="primary" :disabled="!line" data-test="scan-take" @click="take">
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
.three {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 8px;
}
.picks {
  display: flex;
  gap: 8px;
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
}
</style>
