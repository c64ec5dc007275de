<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Draft } from 'immer'
import { amount } from '#core/records/field.ts'
import { AXLES, type Axle } from '#core/quantity/axle.ts'
import { AXLE_SLOTS, HYDRAULIC_SLOTS, type AxleSlot, type HydraulicSlot } from '#core/records/setup.ts'
import { slotOf } from '#core/records/resolve.ts'
import type { Figure } from '#core/quantity/figure.ts'
import { useProjectStore } from '~/stores/project'
import { boughtWhole } from '#core/commands/take-bundle.ts'
import { useChoosePart } from '~/composables/choose-part'
import { slotValue, useSlotChoices } from '~/composables/slot-choices'
import { useFieldFocus } from '~/composables/field-focus'
import { useWorkbench } from '~/composables/workbench'

const store = useProjectStore()
const { setup, isStock, units, link } = useWorkbench()
useFieldFocus()
const axleSlots = Object.keys(AXLE_SLOTS) as AxleSlot[]
const hydraulicSlots = Object.keys(HYDRAULIC_SLOTS) as HydraulicSlot[]
const pedalRatio = amount('Pedal ratio of this setup', 'number', 1, 12, { help: 'Only where it differs from the car’s.' })
const barShare = amount('Balance bar, front share', 'share', 0.35, 0.65, { help: '50% is centred.' })
const twin = computed(() => {
  const id = setup.value?.hydraulics.masterCylinder ?? store.current.setups[0].hydraulics.masterCylinder
  const part = store.current.parts.find((one) => one.id === id)
  return part?.kind === 'masterCylinder' && part.construction === 'twin'
})

const { choices, of } = useSlotChoices()
/** What is wrong with what stands in a slot. */
function worstFitted(axle: Axle, slot: AxleSlot) {
  const id = slotOf(store.current, setup.value!, axle, slot)
  const found = id ? of(axle, slot, id) : undefined
  return found && found.worst !== 'fits' ? found : undefined
}
const drumIn = (axle: Axle) =>
  store.current.parts.find((part) => part.id === slotOf(store.current, setup.value!, axle, 'caliper'))?.kind === 'drum'
const idle = (axle: Axle, slot: AxleSlot) => drumIn(axle) && ['bracket', 'rotor', 'pad'].includes(slot)

const { made, put } = useChoosePart()
const side = ref<'drawing' | 'shelf'>('drawing')
/** Kits and donors that were taken whole and whose price counts. */
const whole = computed(() => (setup.value ? boughtWhole(store.current, setup.value) : []))
const singly = (id: string) =>
  store.edit('Price its parts one by one', (draft) => {
    const one = draft.setups.find((candidate) => candidate.id === setup.value?.id)!
    one.taken = one.taken?.filter((taken) => taken !== id)
  })
function setFigure(key: 'pedalRatio' | 'barFrontShare', value: Figure | undefined) {
  store.edit('Edit hydraulics', (draft) => {
    const target = draft.setups.find((one) => one.id === setup.value?.id)!.hydraulics as Draft<Record<string, unknown>>
    if (value) target[key] = value
    else Reflect.deleteProperty(target, key)
  })
}
function writeNote(text: string) {
  const note = text.trim().slice(0, 4000)
  store.edit('Note on the setup', (draft) => {
    const one = draft.setups.find((candidate) => candidate.id === setup.value?.id)!
    if (note) one.note = note
    else delete one.note
  })
}
</script>

<template>
  <div v-if="setup" class="setup">
    <section class="slots">
      <h1>{{ setup.name }}</h1>
      <p v-if="isStock" class="soft">The parts on the car now. Every other setup starts from these and lists only its changes.</p>
      <p v-else class="soft">Only the parts chosen here differ from the current car.</p>
      <NothingYet v-if="store.current.parts.length === 0" text="There are no parts to choose from yet.">
        <NuxtLink :to="link('parts')">Add parts first</NuxtLink>
      </NothingYet>
      <div class="places">
        <span class="head">Front</span><span class="head">Rear</span>
        <template v-for="slot in axleSlots" :key="slot">
          <ShimRow v-if="slot === 'rotor'" />
          <span class="place">{{ AXLE_SLOTS[slot].label }}</span>
          <SlotCell v-for="axle in AXLES" :key="axle" :place="{ axle, slot }">
            <span v-if="idle(axle, slot)" class="soft small">none with a drum</span>
            <ChoiceSelect
              v-else
              :value="slotValue(setup[axle][slot])"
              :options="choices({ axle, slot })"
              :changed="!isStock && setup[axle][slot] !== undefined"
              :label="`${AXLE_SLOTS[slot].label}, ${axle}`"
              :data-field="`${axle}.${slot}`"
              @change="put({ axle, slot }, $event)"
            />
            <span v-if="worstFitted(axle, slot)" class="small" :class="`tone-${worstFitted(axle, slot)!.worst}`"
              ><VerdictMark :verdict="worstFitted(axle, slot)!.worst" :size="13" /> {{ worstFitted(axle, slot)!.why }}</span
            >
            <span v-if="slot === 'spacer' && setup[axle].spacerTrialMm !== undefined" class="small tone-needs"
              >trying {{ setup[axle].spacerTrialMm }} mm, no part of that thickness</span
            >
          </SlotCell>
        </template>
        <template v-for="slot in hydraulicSlots" :key="slot">
          <span class="place">{{ HYDRAULIC_SLOTS[slot].label }}</span>
          <SlotCell class="both" :place="{ slot }">
            <ChoiceSelect
              :value="slotValue(setup.hydraulics[slot])"
              :options="choices({ slot })"
              :changed="!isStock && setup.hydraulics[slot] !== undefined"
              :label="HYDRAULIC_SLOTS[slot].label"
              :data-field="slot"
              @change="put({ slot }, $event)"
            />
          </SlotCell>
        </template>
      </div>
      <p v-for="one in whole" :key="one.id" class="small" data-test="bought-whole">
        {{ one.name }} is bought whole{{ one.price ? '' : ', without a price yet' }}.
        <ElButton link type="primary" @click="singly(one.id)">Price its parts one by one</ElButton>
      </p>
      <div class="figures">
        <FigureInput
          v-if="!isStock"
          name="pedalRatio"
          :field="pedalRatio"
          :figure="setup.hydraulics.pedalRatio"
          empty="as on the car"
          :units="units"
          @change="setFigure('pedalRatio', $event)"
        />
        <FigureInput
          v-if="twin"
          name="barFrontShare"
          :field="barShare"
          :figure="setup.hydraulics.barFrontShare"
          empty="50% assumed"
          :units="units"
          @change="setFigure('barFrontShare', $event)"
        />
      </div>
      <FieldItem label="Note"
        ><DraftInput as="textarea" rows="2" :value="setup.note" maxlength="4000" aria-label="Note" @change="writeNote"
      /></FieldItem>
    </section>
    <div class="side">
      <div class="sides" role="group" aria-label="Beside the setup">
        <ElButton link type="primary" :aria-pressed="side === 'drawing'" @click="side = 'drawing'">Drawing</ElButton>
        <ElButton link type="primary" :aria-pressed="side === 'shelf'" data-test="show-shelf" @click="side = 'shelf'">
          Parts to choose from
        </ElButton>
        <NuxtLink :to="link('parts', { view: 'bundles' })">Add a whole kit or donor</NuxtLink>
      </div>
      <CornerPanel v-if="side === 'drawing'" class="drawing" />
      <PartShelf v-else class="drawing" />
    </div>
    <LazyPartDrawer v-if="made" />
  </div>
</template>

<style scoped>
.setup {
  display: grid;
  grid-template-columns: minmax(420px, 1fr) minmax(0, 1fr);
  gap: 20px;
  height: 100%;
}
.slots {
  min-height: 0;
  padding: 0 4px 8px 2px;
  overflow: auto;
}
h1 {
  margin-bottom: 2px;
  overflow-wrap: anywhere;
}
.places {
  display: grid;
  grid-template-columns: 100px minmax(0, 1fr) minmax(0, 1fr);
  align-items: start;
  margin-bottom: 10px;
}
.head,
.places :deep(.place) {
  padding: 2px 4px;
  color: var(--ink-soft);
  font-size: 12.5px;
  font-weight: 560;
}
.places :deep(.place) {
  padding-top: 9px;
}
.head:first-child {
  grid-column: 2;
}
.both {
  grid-column: 2 / -1;
}
.side {
  display: flex;
  flex-direction: column;
  min-height: 0;
}
.sides {
  display: flex;
  flex: none;
  flex-wrap: wrap;
  gap: 2px 16px;
  margin-bottom: 6px;
  font-size: 13px;
}
.sides [aria-pressed='true'] {
  color: var(--ink);
  font-weight: 640;
  text-decoration: none;
}
.drawing {
  flex: 1;
  min-height: 0;
}
.wanted {
  outline: 2px dashed var(--accent);
  outline-offset: -2px;
}
.changed {
  border-color: var(--ink) !important;
  font-weight: 620;
}
.figures {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
}
@media (max-width: 1000px) {
  .setup {
    grid-template-columns: 1fr;
    height: auto;
  }
  .slots {
    overflow: visible;
  }
  .drawing {
    height: 320px;
  }
}
</style>
