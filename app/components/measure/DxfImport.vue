<script setup lang="ts">
import { ORIGIN_CHOICES } from '~/composables/choices'
import { computed, ref, shallowRef, watch } from 'vue'
import { DXF_UNITS, MAX_DXF_BYTES, type DxfDrawing, type DxfPlacing, type DxfUnit } from '#core/formats/dxf-read.ts'
import { layersFor } from '#core/formats/dxf-choose.ts'
import type { NamedOutline, WheelProfile } from '#core/records/field.ts'
import type { Origin } from '#core/quantity/figure.ts'
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

async function read(file: File) {
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
const dxfUnits = computed(() =>
  (Object.keys(DXF_UNITS) as DxfUnit[]).map((value) => ({
    value,
    label: drawing.value?.unit === value ? `${value}, from the file` : value,
  })),
)
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
  if (unit.value === '') return void (trouble.value = 'The file does not state its unit. Select it.')
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
    <FilePick label="From a DXF drawing …" accept=".dxf" name="dxf-file" @pick="read" />
    <p v-if="message" class="field-error" role="alert" data-test="dxf-message">{{ message }}</p>
    <ElDialog v-model="open" :title="`From ${fileName}`" width="min(880px, 96vw)" append-to-body>
      <div v-if="drawing" class="choose">
        <div class="asks">
          <fieldset>
            <legend>Layers</legend>
            <ElCheckboxGroup v-model="chosen" class="layers" :validate-event="false">
              <ElCheckbox v-for="layer in drawing.layers" :key="layer.name" :value="layer.name" :disabled="layer.refused !== undefined">
                {{ layer.name }} <span class="soft small">{{ layer.refused ? '' : `${layer.pieces.length} lines` }}</span>
                <span v-if="layer.refused" class="field-error block">{{ layer.refused }}</span>
              </ElCheckbox>
            </ElCheckboxGroup>
            <p v-if="drawing.layers.length > chosen.length" class="soft small">
              These layers were selected by name and position, for the {{ kind === 'profile' ? 'wheel' : 'caliper' }} alone. Check them
              before you import.
            </p>
            <p v-for="note in drawing.notes" :key="note" class="soft small">{{ note }}</p>
          </fieldset>
          <FieldItem label="The drawing comes from"
            ><ChoiceSelect
              data-test="dxf-origin"
              :value="from"
              :options="ORIGIN_CHOICES"
              label="The drawing comes from"
              @change="from = $event"
          /></FieldItem>
          <FieldItem label="Unit of the drawing"
            ><ChoiceSelect placeholder="choose …" :value="unit" :options="dxfUnits" label="Unit of the drawing" @change="unit = $event"
          /></FieldItem>
          <div class="pair">
            <FieldItem label="Origin x"><ElInput v-model="origin.x" class="num" aria-label="Origin x" :validate-event="false" /></FieldItem>
            <FieldItem label="Origin y"><ElInput v-model="origin.y" class="num" aria-label="Origin y" :validate-event="false" /></FieldItem>
          </div>
          <p class="soft small">
            Position of hub axis and {{ kind === 'profile' ? 'mounting face' : 'mounting face of the wheel' }}, in the drawing, in its unit.
          </p>
          <FieldItem label="Outboard direction"
            ><ChoiceSelect
              :value="outboard"
              :options="[
                { value: '+x', label: '+x, to the right' },
                { value: '-x', label: '−x, to the left (mirrored)' },
                { value: '+y', label: '+y, upwards' },
                { value: '-y', label: '−y, downwards' },
              ]"
              label="Outboard direction"
              @change="outboard = $event"
          /></FieldItem>
          <ElCheckbox v-model="mirrorRadius" class="layer" :validate-event="false">radius grows the other way</ElCheckbox>
        </div>
        <div class="preview">
          <OutlineEditor :lines="lines" :behind="behind" :units="units" label="Preview of the drawing" />
          <p v-if="trouble" class="field-error" data-test="dxf-trouble">{{ trouble }}</p>
          <p v-else class="small soft num">
            {{ lines.length }} {{ lines.length === 1 ? 'line' : 'lines' }}, {{ count }} points. Grey is what is there now.
            {{ kind === 'profile' ? 'Tags come from the layer names, or from the slope. Check them afterwards.' : '' }}
          </p>
        </div>
      </div>
      <template #footer>
        <ElButton @click="open = false">Cancel</ElButton>
        <ElButton type="primary" :disabled="!made" data-test="dxf-take" @click="take">
          {{ before ? 'Replace what is there' : 'Import' }}
        </ElButton>
      </template>
    </ElDialog>
  </div>
</template>

<style scoped>
.dxf {
  margin: 10px 0;
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
.layers {
  display: grid;
  font-size: 14px;
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
