<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { computed, onBeforeUnmount, ref } from 'vue'
import type { Polyline } from '#core/clearance/maths/polyline.ts'
import type { NamedOutline, WheelProfile } from '#core/records/field.ts'
import { LIMITS } from '#core/records/record-fields.ts'
import { MOST_PICTURES, picturesIn } from '#core/records/pictures.ts'
import type { DrawnScene } from '#core/vision/simulated-camera.ts'
import { useFormats } from '~/composables/formats'
import { usePictureDrop } from '~/composables/picture-drop'
import { usePictureSession } from '~/composables/picture-session'
import { download } from '~/composables/project-files'
import { useWorkbench } from '~/composables/workbench'
import { useProjectStore } from '~/stores/project'

/** An outline from a picture: a sheet to print, a picture of what lies on it, and the line in it. */
const props = defineProps<{
  profile: boolean
  before: NamedOutline[] | WheelProfile | undefined
  /** Names that are offered. */
  offers: readonly string[]
  /** Kept from slot centre and mount radius instead of seat and axis. */
  fromMount?: boolean
  /** What the example is drawn from. */
  example: Polyline
}>()
const emit = defineEmits<{ take: [value: NamedOutline[] | WheelProfile] }>()

const { units } = useWorkbench()
const store = useProjectStore()
const formats = useFormats()
const session = usePictureSession(() => props.profile)
const { picture, stage, state, message, current, handles, strokes, ready, barsSaid, outline, held } = session
const { shown, busy } = picture
const { anchors } = session.tracing
const open = ref(false)
const name = ref('')
const page = ref(1)
const fileName = ref('')
const note = ref('')
let file: File | undefined
const names = computed(() => [...new Set([...(Array.isArray(props.before) ? props.before.map((one) => one.name) : []), ...props.offers])])

async function take(next: File) {
  // another one is wanted: the one that is being read is left
  if (busy.value) picture.close()
  note.value = ''
  file = next
  page.value = 1
  fileName.value = next.name.slice(0, 60)
  name.value ||= names.value[0] ?? 'body'
  await session.open(next)
  if (shown.value) open.value = true
}
async function turn(to: number | undefined) {
  if (!file || !to) return
  page.value = to
  await session.open(file, to)
}
async function exampleOf() {
  note.value = ''
  file = undefined
  fileName.value = 'an example'
  name.value ||= names.value[0] ?? 'body'
  const drawn: DrawnScene[] = [{ points: props.example.map(([z, r]) => [z, r] as const), lineMm: 0.5 }]
  await session.example(drawn)
  if (shown.value) open.value = true
}
async function sheet(paper: 'a4' | 'letter') {
  download(`reference-sheet-${paper}.pdf`, await formats.referenceSheet(paper), 'application/pdf')
}

usePictureDrop().takeWith((dropped) => void (open.value || take(dropped)))
// a picture from the clipboard, wherever no field waits for text
useEventListener(document, 'paste', (event: ClipboardEvent) => {
  const pasted = [...(event.clipboardData?.files ?? [])].find((one) => one.type.startsWith('image/'))
  if (!pasted || open.value) return
  event.preventDefault()
  void take(pasted)
})
// the dialog has its own way back
useEventListener(
  document,
  'keydown',
  (event: KeyboardEvent) => {
    if (!open.value || !(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== 'z') return
    // a field with text not yet taken keeps its own
    if (event.target instanceof HTMLElement && event.target.dataset.dirty === 'true') return
    event.preventDefault()
    event.stopPropagation()
    if (event.shiftKey) session.tracing.redo()
    else session.tracing.undo()
  },
  { capture: true },
)
const shots = ref<HTMLInputElement>()
function shot(event: Event) {
  const input = event.target as HTMLInputElement
  const [one] = input.files ?? []
  input.value = ''
  if (one) void take(one)
}

const keeping = ref(false)
async function keep(more: boolean) {
  const found = outline.value
  if (!found || keeping.value) return
  const called = name.value.trim() || 'outline'
  const rest = Array.isArray(props.before) ? props.before : []
  if (!props.profile && rest.length >= LIMITS.outlines && !rest.some((one) => one.name === called))
    return void (message.value = `A part has at most ${LIMITS.outlines} outlines. Use the name of an existing one.`)
  keeping.value = true
  const { points, doubts, tags } = found
  const room = picturesIn(store.current) < MOST_PICTURES
  // without its picture a line is a line all the same
  const behind = room ? await session.behind(points).catch(() => undefined) : undefined
  note.value = room ? '' : `The project already has ${MOST_PICTURES} pictures, so this one is not saved behind the outline.`
  const taken = {
    points,
    doubts,
    origin: 'measured' as const,
    ...(behind ? { picture: { jpeg: behind.jpeg, z: [...behind.z], r: [...behind.r] } } : {}),
  } as const
  if (props.profile) emit('take', { ...taken, tags } as WheelProfile)
  else {
    const one = { name: called, ...taken } as NamedOutline
    emit('take', rest.some((each) => each.name === called) ? rest.map((each) => (each.name === called ? one : each)) : [...rest, one])
  }
  keeping.value = false
  session.tracing.forget()
  if (!more) open.value = false
  else name.value = names.value.find((each) => each !== name.value) ?? 'another object'
}
const replaces = computed(() =>
  props.profile ? props.before !== undefined : Array.isArray(props.before) && props.before.some((one) => one.name === name.value.trim()),
)
const view = ref<{ scale: number }>()
/** How far a finger may miss by goes by what is seen. */
const tell = () => (session.pxOnScreen.value = 1 / Math.max(view.value?.scale ?? 1, 1e-3))
onBeforeUnmount(() => picture.close())
</script>

<template>
  <div class="picture" data-test="picture-import">
    <p class="title"><b>From a picture</b> <span class="soft small">of a card, a gauge or a drawing; drop or paste it here</span></p>
    <div class="ways">
      <FilePick label="Choose a picture …" accept="image/*,application/pdf,.pdf" name="picture-file" @pick="take" />
      <label class="el-button shot">
        Open camera
        <!-- a native input: ElUpload cannot ask for the camera -->
        <input ref="shots" class="visually-hidden" type="file" accept="image/*" capture="environment" @change="shot" />
      </label>
      <ElDropdown trigger="click" @command="sheet">
        <ElButton data-test="picture-sheet-print">Sheet to print</ElButton>
        <template #dropdown>
          <ElDropdownMenu
            ><ElDropdownItem command="a4">A4, PDF</ElDropdownItem
            ><ElDropdownItem command="letter">Letter, PDF</ElDropdownItem></ElDropdownMenu
          >
        </template>
      </ElDropdown>
      <ElButton text data-test="picture-example" :loading="busy" @click="exampleOf">Try an example</ElButton>
    </div>
    <p class="soft small">
      Print the sheet, lay the card on its two lines and weigh it down. Photograph it from above, with all four rings in the picture.
    </p>
    <p v-if="busy && !open" role="status" class="soft">Reading the picture … <ElButton link @click="picture.close()">Cancel</ElButton></p>
    <p v-if="message && !open" class="field-error" role="alert" data-test="picture-message">{{ message }}</p>
    <ElButton v-if="!open && shown && anchors.length > 0" link type="primary" data-test="picture-go-on" @click="open = true"
      >Go on with the line in {{ fileName }}</ElButton
    >
    <p v-if="note" class="tone-needs small" role="status">{{ note }}</p>
    <ElDialog
      v-model="open"
      :title="`Outline from ${fileName}`"
      class="tracer"
      width="min(1240px, 98vw)"
      top="2vh"
      append-to-body
      :close-on-click-modal="false"
      destroy-on-close
    >
      <div v-if="shown" class="desk">
        <div class="asks">
          <ElSegmented
            v-model="stage"
            :options="[
              { value: 'scale', label: '1 Millimetres' },
              { value: 'trace', label: '2 The line', disabled: !ready },
            ]"
            aria-label="Action"
            block
          />
          <FieldItem v-if="shown.pages && shown.pages > 1 && stage === 'scale'" :label="`Page of ${shown.pages}`"
            ><ElInputNumber :model-value="page" :min="1" :max="shown.pages" size="small" @change="turn"
          /></FieldItem>
          <p v-if="message" class="field-error" role="alert">{{ message }}</p>
          <PictureScale v-if="stage === 'scale'" :session="session" :units="units" :profile="profile" :from-mount="fromMount ?? false" />
          <PictureTrace v-else v-model:name="name" :session="session" :units="units" :profile="profile" :names="names" />
        </div>
        <PictureView
          ref="view"
          :shown="shown.shown"
          :size="shown"
          :handles="handles"
          :strokes="strokes"
          :current="current"
          :piece="picture.piece"
          label="Picture: select a place to add a point"
          @pointerdown="tell"
          @point="session.point"
          @pick="session.pick"
          @hold="(id, px) => (held = { id, px })"
          @move="session.move"
          @nudge="(id, dx, dy) => (tell(), session.nudge(id, dx, dy))"
          @remove="(id) => id.startsWith('place-') && session.tracing.remove(Number(id.slice(6)))"
        />
      </div>
      <template #footer>
        <div class="foot">
          <ElButton @click="open = false">Cancel</ElButton>
          <template v-if="stage === 'scale'">
            <span v-if="state.lies !== 'drawing' && !barsSaid" class="soft small" data-test="picture-bars-first"
              >Measure both printed bars first.</span
            >
            <ElButton type="primary" :disabled="!ready" data-test="picture-next" @click="stage = 'trace'">Trace the line</ElButton>
          </template>
          <template v-else>
            <ElButton v-if="!profile" :disabled="!outline" @click="keep(true)">Add and trace another</ElButton>
            <ElButton type="primary" :disabled="!outline" data-test="picture-take" @click="keep(false)">{{
              replaces ? 'Replace outline' : 'Add outline'
            }}</ElButton>
          </template>
        </div>
      </template>
    </ElDialog>
  </div>
</template>

<style scoped>
.picture {
  margin: 12px 0 4px;
  padding: 8px 10px;
  border: 1px dashed var(--line);
}
.title {
  margin: 0 0 6px;
}
.ways {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
}
.ways :deep(.el-button) {
  margin: 0;
}
.shot {
  position: relative;
}
.shot:focus-within {
  outline: 2px solid var(--focus);
}
p {
  margin: 6px 0 0;
}
.foot {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  justify-content: flex-end;
}
.desk {
  display: grid;
  grid-template-columns: 300px minmax(0, 1fr);
  gap: 14px;
  height: calc(96vh - 150px);
}
.asks {
  display: grid;
  gap: 8px;
  align-content: start;
  padding-right: 6px;
  overflow: auto;
}
@media (max-width: 760px) {
  .desk {
    grid-template-columns: minmax(0, 1fr);
    grid-template-rows: 48vh auto;
    height: auto;
  }
  .desk > :last-child {
    position: sticky;
    z-index: 1;
    top: 0;
    grid-row: 1;
  }
}
</style>
