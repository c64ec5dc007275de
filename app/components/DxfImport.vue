<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import { DXF_UNITS, MAX_DXF_BYTES, type DxfDrawing, type DxfPlacing, type DxfUnit } from '#core/formats/dxf-read.ts'
import { layersFor } from '#core/formats/dxf-choose.ts'
import type { NamedOutline, WheelProfile } from '#core/model/field.ts'
import { ORIGIN_WORDS, ORIGINS, type Origin } from '#core/quantity/figure.ts'
import { useFormats } from '~/composables/formats'
import { useWorkbench } from '~/composables/workbench'

/** A drawing in: which layers, in which unit, where its origin and which way the street is; nothing is taken before it is seen. */
const props = defineProps<{ kind: 'outlines' | 'profile'; before: NamedOutline[] | WheelProfile | undefined }>()
const emit = defineEmits<{ take: [value: NamedOutline[] | WheelProfile] }>()

const { units } = useWorkbench()
const formats = useFormats()
const open = ref(false)
const fileName = ref('')
const message = ref('')
const drawing = shallowRef<DxfDrawing>()
const unit = ref<DxfUnit | ''>('')
const chosen = ref<string[]>([])
const origin = ref({ x: '0', y: '0' })
/** Nobody has said where a drawing comes from: someone's word until then. */
const from = ref<Origin>('reported')
const outboard = ref<DxfPlacing['outboard']>('+x')
const mirrorRadius = ref(false)
const made = shallowRef<NamedOutline[] | WheelProfile>()
const trouble = ref('')

async function read(event: Event) {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  input.value = ''
  if (!file) return
  message.value = ''
  drawing.value = undefined
  fileName.value = file.name.slice(0, 80)
  if (file.size > MAX_DXF_BYTES)
    return void (message.value = `${fileName.value} is larger than ${MAX_DXF_BYTES / 1e6} MB. Export the outline alone.`)
  const found = await formats.readDxf(file)
  if (!found.ok) return void (message.value = found.message)
  drawing.value = found.drawing
  unit.value = found.drawing.unit ?? ''
  chosen.value = layersFor(props.kind, found.drawing.layers).map((layer) => layer.name)
  from.value = 'reported'
  origin.value = { x: '0', y: '0' }
  outboard.value = '+x'
  mirrorRadius.value = false
  open.value = true
}
const number = (text: string) => Number(text.replace(',', '.').trim() || '0')
const placing = computed<DxfPlacing | undefined>(() => {
  const [originX, originY] = [number(origin.value.x), number(origin.value.y)]
  return unit.value === '' || !Number.isFinite(originX) || !Number.isFinite(originY)
    ? undefined
    : { unit: unit.value, originX, originY, outboard: outboard.value, mirrorRadius: mirrorRadius.value }
})
watch([drawing, chosen, placing], async () => {
  made.value = undefined
  trouble.value = ''
  const layers = drawing.value?.layers.filter((layer) => chosen.value.includes(layer.name) && !layer.refused) ?? []
  if (!drawing.value) return
  if (unit.value === '') return void (trouble.value = 'The file does not say its unit: choose it.')
  if (!placing.value) return void (trouble.value = 'The origin must be two numbers.')
  if (layers.length === 0) return void (trouble.value = 'Choose at least one layer.')
  const found = await formats.place(layers, placing.value, props.kind)
  if (found.ok) made.value = found.value
  else trouble.value = found.message
})
const lines = computed(() => {
  const value = made.value
  if (!value) return []
  return Array.isArray(value) ? value : [{ name: 'profile', points: value.points }]
})
const behind = computed(() =>
  props.before === undefined ? [] : Array.isArray(props.before) ? props.before.map((one) => one.points) : [props.before.points],
)
const count = computed(() => lines.value.reduce((sum, line) => sum + line.points.length, 0))
function take() {
  const value = made.value
  if (value) emit('take', Array.isArray(value) ? value.map((one) => ({ ...one, origin: from.value })) : { ...value, origin: from.value })
  open.value = false
}
</script>

<template>
  <div class="dxf">
    <label class="btn"
      >From a DXF drawing …<input
        class="visually-hidden"
        type="file"
        accept=".dxf"
        aria-label="DXF drawing"
        data-test="dxf-file"
        @change="read"
    /></label>
    <p v-if="message" class="field-error" role="alert" data-test="dxf-message">{{ message }}</p>
    <ElDialog v-model="open" :title="`From ${fileName}`" width="min(880px, 96vw)" append-to-body>
      <div v-if="drawing" class="choose">
        <div class="asks">
          <fieldset>
            <legend>Layers</legend>
            <label v-for="layer in drawing.layers" :key="layer.name" class="layer">
              <input v-model="chosen" type="checkbox" :value="layer.name" :disabled="layer.refused !== undefined" />
              <span
                >{{ layer.name }} <span class="soft small">{{ layer.refused ? '' : `${layer.pieces.length} lines` }}</span>
                <span v-if="layer.refused" class="field-error block">{{ layer.refused }}</span></span
              >
            </label>
            <p v-if="drawing.layers.length > chosen.length" class="soft small">
              Chosen by name and by where they lie: the {{ kind === 'profile' ? 'wheel' : 'caliper' }} alone. Look before you take it.
            </p>
            <p v-for="note in drawing.notes" :key="note" class="soft small">{{ note }}</p>
          </fieldset>
          <label
            >The drawing comes from
            <select v-model="from" class="native" data-test="dxf-origin">
              <option v-for="one in ORIGINS" :key="one" :value="one">{{ ORIGIN_WORDS[one] }}</option>
            </select>
          </label>
          <label
            >Unit of the drawing
            <select v-model="unit" class="native">
              <option value="" disabled>choose …</option>
              <option v-for="(_, one) in DXF_UNITS" :key="one" :value="one">
                {{ one }}{{ drawing.unit === one ? ', says the file' : '' }}
              </option>
            </select>
          </label>
          <div class="pair">
            <label>Origin x<input v-model="origin.x" class="native num" /></label>
            <label>Origin y<input v-model="origin.y" class="native num" /></label>
          </div>
          <p class="soft small">
            The place in the drawing that is hub axis and {{ kind === 'profile' ? 'hub pad' : 'wheel seat' }}, in its unit.
          </p>
          <label
            >Street is towards
            <select v-model="outboard" class="native">
              <option value="+x">+x, to the right</option>
              <option value="-x">−x, to the left (mirrored)</option>
              <option value="+y">+y, upwards</option>
              <option value="-y">−y, downwards</option>
            </select>
          </label>
          <label class="layer"><input v-model="mirrorRadius" type="checkbox" /> radius grows the other way</label>
        </div>
        <div class="preview">
          <OutlineEditor :lines="lines" :behind="behind" :units="units" label="Preview of the drawing" />
          <p v-if="trouble" class="field-error" data-test="dxf-trouble">{{ trouble }}</p>
          <p v-else class="small soft num">
            {{ lines.length }} {{ lines.length === 1 ? 'line' : 'lines' }}, {{ count }} points. Grey is what is there now.
            {{ kind === 'profile' ? 'Tags come from the layers’ names, else from the slope: look at them afterwards.' : '' }}
          </p>
        </div>
      </div>
      <template #footer>
        <button class="btn" type="button" @click="open = false">Leave it</button>
        <button class="btn main" type="button" :disabled="!made" data-test="dxf-take" @click="take">
          {{ before ? 'Replace what is there' : 'Take it' }}
        </button>
      </template>
    </ElDialog>
  </div>
</template>

<style scoped>
.dxf {
  margin: 10px 0;
}
.dxf > .btn:focus-within {
  outline: 2px solid var(--focus);
}
.choose {
  display: grid;
  grid-template-columns: 260px minmax(0, 1fr);
  gap: 18px;
}
.asks {
  display: grid;
  gap: 8px;
  align-content: start;
}
fieldset {
  margin: 0;
  padding: 0;
  border: 0;
}
legend {
  font-weight: 640;
}
.layer {
  display: flex;
  gap: 8px;
  align-items: flex-start;
  padding: 2px 0;
}
.block {
  display: block;
}
.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px;
}
.preview > :first-child {
  height: 330px;
}
@media (max-width: 760px) {
  .choose {
    grid-template-columns: minmax(0, 1fr);
  }
  .preview > :first-child {
    height: 220px;
  }
}
</style>
