<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { amount } from '#core/records/field.ts'
import { SIGNAL_WORDS } from '#core/records/safety-note.ts'
import type { OrderedStep, TorqueLine } from '#core/work-order/work-order.ts'
import type { Figure } from '#core/quantity/figure.ts'
import { formatQuantity } from '#core/quantity/format.ts'
import { useBuild } from '~/composables/build'
import { smallPicture } from '~/composables/small-picture'
import { useWorkbench } from '~/composables/workbench'

/** One step: its box, parts, tools, checks and notes. The current one stands open; the others open at a press. */
const props = defineProps<{ step: OrderedStep; tickId: string; current: boolean }>()
const opened = ref<boolean>()
const open = computed(() => opened.value ?? props.current)
watch(
  () => props.current,
  () => (opened.value = undefined),
)
const { units } = useWorkbench()
const { notes, tick, note, torque } = useBuild()
const mine = computed(() => notes.value.get(props.tickId))
const done = computed(() => mine.value?.doneOn !== undefined)
const writing = ref(false)
const error = ref('')
const minutes = computed(() => `${props.step.minutes[0]} to ${props.step.minutes[1]} min`)
const field = amount('Torque', 'torque', 0.5, 1000)
const readFrom = ref<Record<string, string>>({})
/** A torque has a source, or it is a guess. */
const sourceOf = (line: TorqueLine) => readFrom.value[line.id] ?? line.torque?.note ?? ''
function take(line: TorqueLine, value: Figure | undefined) {
  const source = sourceOf(line).trim()
  // it was read somewhere: nobody measures what a bolt wants
  torque(line.id, line.label, value && { ...value, origin: line.torque?.origin ?? 'published', ...(source ? { note: source } : {}) })
}
function source(line: TorqueLine, text: string) {
  readFrom.value = { ...readFrom.value, [line.id]: text }
  const { note: _before, ...bare } = line.torque ?? { value: NaN, origin: 'published' as const }
  if (line.torque) torque(line.id, line.label, text.trim() === '' ? bare : { ...bare, note: text.trim() })
}
const says = (text: string | undefined) => {
  const problems = note(props.tickId, { note: text ?? '' })
  error.value = problems[0] ? `${problems[0].place} ${problems[0].message}.` : ''
}
async function photograph(file: File) {
  const small = await smallPicture(file)
  error.value = small.ok ? '' : small.message
  if (!small.ok) return
  const problems = note(props.tickId, { picture: small.picture })
  error.value = problems[0] ? `${problems[0].place} ${problems[0].message}.` : ''
}
</script>

<template>
  <li class="step" :class="{ done, current }" :data-step="step.id">
    <ElCheckbox
      class="box"
      size="large"
      :model-value="done"
      :aria-label="`${step.number}. ${step.title}`"
      :validate-event="false"
      @change="tick(tickId, step.title, $event === true)"
    />
    <div class="body">
      <p class="title">
        <span class="num n">{{ step.number }}</span><button type="button" class="name" :aria-expanded="open" @click="opened = !open">
          {{ step.title }}
        </button>
        <strong v-if="!open && !done && step.caution" class="small" :class="`level ${step.caution.level}`">{{
          SIGNAL_WORDS[step.caution.level]
        }}</strong>
        <span class="soft small num">{{ minutes }}{{ done ? `, done ${mine!.doneOn}` : '' }}</span>
      </p>
      <div class="rest" :class="{ folded: !open }">
        <template v-if="!done">
          <SafetyNote v-if="step.caution" :note="step.caution" />
          <p v-if="step.parts.length > 0">{{ step.parts.join(', ') }}</p>
          <p v-if="step.sides">{{ step.sides }}</p>
          <p v-if="step.look"><span class="soft">Check:</span> <TermText :text="step.look" /></p>
          <p v-if="step.tool" class="small soft">Tools: {{ step.tool }}</p>
          <p v-if="step.keep" class="small soft">Record: {{ step.keep }}</p>
        </template>
        <div v-for="line in step.torques" v-show="!done" :key="line.id" class="torque" :data-torque="line.id">
          <FigureInput
            class="no-print"
            :field="field"
            :figure="line.torque"
            :units="units"
            :name="`torque.${line.id}`"
            :label="`${line.label}, torque`"
            @change="take(line, $event)"
          />
          <FieldItem label="read from" class="no-print from"
            ><DraftInput
              :value="sourceOf(line)"
              maxlength="200"
              placeholder="manual or sheet, page"
              :aria-label="`${line.label}: read from`"
              @change="source(line, $event)"
          /></FieldItem>
          <span class="print-only">{{
            line.torque
              ? `${line.label}: ${formatQuantity(line.torque.value, 'torque', units)}${line.torque.note ? `, ${line.torque.note}` : ''}`
              : `${line.label}: ______ N m, read from ______________`
          }}</span>
          <span v-if="!line.torque" class="small tone-unknown no-print"
            >Not entered: read it from the maker of the part or the car’s manual.</span
          >
          <span v-else-if="!line.torque.note" class="small tone-check no-print">Enter its source.</span>
        </div>
        <p v-if="mine?.note && !writing" class="note">{{ mine.note }}</p>
        <img v-if="mine?.picture" class="picture" :src="mine.picture" :alt="`Picture of step ${step.number}: ${step.title}`" />
        <DraftInput
          v-if="writing"
          as="textarea"
          :value="mine?.note ?? ''"
          maxlength="1000"
          :aria-label="`Note on ${step.title}`"
          @change="says($event)"
        />
        <p v-if="error" class="field-error" role="alert">{{ error }}</p>
        <div class="acts no-print">
          <ElButton link type="primary" @click="writing = !writing">{{
            writing ? 'Close the note' : mine?.note ? 'Change the note' : 'Note'
          }}</ElButton>
          <FilePick label="Picture" accept="image/*" :name="`picture-${step.id}`" @pick="photograph" />
          <ElButton v-if="mine?.picture" link type="primary" @click="note(tickId, { picture: '' })">Delete picture</ElButton>
        </div>
        <slot />
      </div>
    </div>
  </li>
</template>

<style scoped>
.step {
  display: flex;
  gap: 10px;
  padding: 8px 0 10px;
  border-bottom: 1px solid var(--hair);
  break-inside: avoid;
}
.box {
  flex: none;
  width: 32px;
  height: 44px;
  margin: -8px 0 0;
}
.box :deep(.el-checkbox__inner) {
  width: 24px;
  height: 24px;
}
.box :deep(.el-checkbox__inner::after) {
  inset: 3px auto auto 7px;
  width: 6px;
  height: 12px;
}
.body {
  flex: 1;
  min-width: 0;
}
.body > p {
  max-width: 780px;
  margin: 0 0 3px;
}
.n {
  display: inline-block;
  min-width: 26px;
  color: var(--ink-soft);
}
.title .soft {
  margin-left: 8px;
}
/* the number stays beside the name, however long it is */
.name {
  max-width: calc(100% - 36px);
  padding: 4px 0;
  border: 0;
  color: inherit;
  background: none;
  font: inherit;
  font-weight: 640;
  text-align: left;
  cursor: pointer;
}
.name:hover {
  text-decoration: underline;
}
.current .name {
  font-size: 18px;
}
.done .name {
  font-weight: 400;
}
/* what is done makes room for what comes next */
.step.done {
  padding: 0;
  border: 0;
}
.done .box {
  height: 32px;
  margin-top: -2px;
}
.level {
  margin-left: 8px;
  color: var(--needs);
}
.level.danger {
  color: var(--blocked);
}
.level.caution,
.level.notice {
  color: var(--check);
}
.folded {
  display: none;
}
.torque {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: end;
  margin: 4px 0;
}
.torque > .el-form-item {
  width: 220px;
}
.note {
  white-space: pre-wrap;
}
.picture {
  display: block;
  max-width: min(320px, 100%);
  margin: 4px 0;
  border: 1px solid var(--line);
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: center;
}
@media print {
  .step {
    padding: 3px 0;
  }
  .folded {
    display: block;
  }
  .box :deep(.el-checkbox__inner) {
    border: 1.5px solid #000;
  }
}
</style>
