<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Draft } from 'immer'
import { amount } from '#core/model/field.ts'
import {
  AXLES,
  AXLE_SLOTS,
  HYDRAULIC_SLOTS,
  type Axle,
  type AxleSlot,
  type HydraulicSlot,
  type Part,
  type Slot,
  type SlotPlace,
} from '#core/model/project.ts'
import { slotOf } from '#core/model/resolve.ts'
import type { Figure } from '#core/quantity/figure.ts'
import { useProjectStore } from '~/stores/project'
import { boughtWhole } from '#core/model/take-bundle.ts'
import { useCandidates } from '~/composables/candidates'
import { useChoosePart } from '~/composables/choose-part'
import { useFieldFocus } from '~/composables/field-focus'
import { useWorkbench } from '~/composables/workbench'

const store = useProjectStore()
const { setup, isStock, units, link } = useWorkbench()
useFieldFocus()
const axleSlots = Object.keys(AXLE_SLOTS) as AxleSlot[]
const hydraulicSlots = Object.keys(HYDRAULIC_SLOTS) as HydraulicSlot[]
const pedalRatio = amount('Pedal ratio of this setup', 'number', 1, 12, { help: 'Only where it differs from the car’s.' })
const barShare = amount('Balance bar, front share', 'share', 0.35, 0.65, { help: '50 % is centred.' })
const twin = computed(() => {
  const id = setup.value?.hydraulics.masterCylinder ?? store.project!.setups[0].hydraulics.masterCylinder
  const part = store.project!.parts.find((one) => one.id === id)
  return part?.kind === 'masterCylinder' && part.construction === 'twin'
})

const nameOf = (slot: Slot, nothing: string): string =>
  slot === null ? nothing : slot === undefined ? 'not known' : (store.project!.parts.find((part) => part.id === slot)?.name ?? 'not known')
const partsFor = (kinds: readonly string[]) => store.project!.parts.filter((part) => kinds.includes(part.kind))
const { of, words } = useCandidates()
/** The best first, as far as that is known already. */
function ranked(axle: Axle, slot: AxleSlot): Part[] {
  const all = partsFor(AXLE_SLOTS[slot].kinds).map((part) => ({ part, rank: of(axle, slot, part.id)?.rank ?? 0 }))
  return all.sort((a, b) => a.rank - b.rank).map((one) => one.part)
}
/** A list of hundreds helps nobody: the best of them, and what is chosen; the shelf beside has all. */
const MOST_OPTIONS = 60
function offered(all: readonly Part[], chosen: Slot): { parts: Part[]; more: number } {
  if (all.length <= MOST_OPTIONS) return { parts: [...all], more: 0 }
  const parts = all.filter((part, i) => i < MOST_OPTIONS || part.id === chosen)
  return { parts, more: all.length - parts.length }
}
const MORE = (more: number) => `${more} more: under “Parts to choose from”`
/** What is wrong with what stands in a slot. */
function worstFitted(axle: Axle, slot: AxleSlot) {
  const id = slotOf(store.project!, setup.value!, axle, slot)
  const found = id ? of(axle, slot, id) : undefined
  return found && found.worst !== 'fits' ? found : undefined
}
/** Select values: '' as it stands or unknown, '-' none, else a part's id. */
const valueOf = (slot: Slot): string => (slot === undefined ? '' : (slot ?? '-'))
const emptyWord = (stock: Slot) => (isStock.value ? 'not known' : `${nameOf(stock, 'none')} (as it stands)`)
const drumIn = (axle: Axle) =>
  store.project!.parts.find((part) => part.id === slotOf(store.project!, setup.value!, axle, 'caliper'))?.kind === 'drum'
const idle = (axle: Axle, slot: AxleSlot) => drumIn(axle) && ['bracket', 'rotor', 'pad'].includes(slot)

const { dragged, takes, put, drop } = useChoosePart()
const valueIn = (event: Event) => (event.target as HTMLSelectElement).value
const wanted = (place: SlotPlace) => dragged.value !== undefined && takes(place, dragged.value)
/** A cell lets a part be dropped only where it goes. */
const over = (place: SlotPlace, event: DragEvent) => {
  if (wanted(place)) event.preventDefault()
}
const side = ref<'drawing' | 'shelf'>('drawing')
/** Kits and donors that were taken whole and whose price counts. */
const whole = computed(() => (setup.value ? boughtWhole(store.project!, setup.value) : []))
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
function writeNote(event: Event) {
  const note = (event.target as HTMLTextAreaElement).value.trim().slice(0, 4000)
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
      <p v-if="isStock" class="soft">What is on the car now. Every other setup starts from this and says only what it changes.</p>
      <p v-else class="soft">Only what is chosen here differs from the car as it stands.</p>
      <p v-if="store.project!.parts.length === 0">
        There are no parts to choose from yet. <NuxtLink :to="link('parts')">Add parts first.</NuxtLink>
      </p>
      <table class="plain">
        <thead>
          <tr>
            <th scope="col"><span class="visually-hidden">Place</span></th>
            <th scope="col">Front</th>
            <th scope="col">Rear</th>
          </tr>
        </thead>
        <tbody>
          <template v-for="slot in axleSlots" :key="slot">
            <ShimRow v-if="slot === 'rotor'" />
            <tr>
              <th scope="row">{{ AXLE_SLOTS[slot].label }}</th>
              <td
                v-for="axle in AXLES"
                :key="axle"
                :class="{ wanted: wanted({ axle, slot }) }"
                :data-slot="`${axle}.${slot}`"
                @dragover="over({ axle, slot }, $event)"
                @drop.prevent="drop({ axle, slot })"
              >
                <span v-if="idle(axle, slot)" class="soft small">none with a drum</span>
                <select
                  v-else
                  class="native"
                  :class="{ changed: !isStock && setup[axle][slot] !== undefined }"
                  :value="valueOf(setup[axle][slot])"
                  :aria-label="`${AXLE_SLOTS[slot].label}, ${axle}`"
                  :data-field="`${axle}.${slot}`"
                  @change="put({ axle, slot }, valueIn($event))"
                >
                  <option value="">{{ emptyWord(store.project!.setups[0][axle][slot]) }}</option>
                  <option v-if="AXLE_SLOTS[slot].nothing" value="-">none</option>
                  <template v-for="list in [offered(ranked(axle, slot), setup[axle][slot])]" :key="list.more">
                    <option v-for="part in list.parts" :key="part.id" :value="part.id">
                      {{ part.name
                      }}{{ words(axle, slot, part.id) && setup[axle][slot] !== part.id ? `: ${words(axle, slot, part.id)}` : '' }}
                    </option>
                    <option v-if="list.more > 0" disabled>{{ MORE(list.more) }}</option>
                  </template>
                </select>
                <span v-if="worstFitted(axle, slot)" class="small" :class="`tone-${worstFitted(axle, slot)!.worst}`"
                  ><VerdictMark :verdict="worstFitted(axle, slot)!.worst" :size="13" /> {{ worstFitted(axle, slot)!.why }}</span
                >
                <span v-if="slot === 'spacer' && setup[axle].spacerTrialMm !== undefined" class="small tone-needs"
                  >trying {{ setup[axle].spacerTrialMm }} mm, no part of that thickness</span
                >
              </td>
            </tr>
          </template>
          <tr v-for="slot in hydraulicSlots" :key="slot">
            <th scope="row">{{ HYDRAULIC_SLOTS[slot].label }}</th>
            <td
              colspan="2"
              :class="{ wanted: wanted({ slot }) }"
              :data-slot="slot"
              @dragover="over({ slot }, $event)"
              @drop.prevent="drop({ slot })"
            >
              <select
                class="native"
                :class="{ changed: !isStock && setup.hydraulics[slot] !== undefined }"
                :value="valueOf(setup.hydraulics[slot])"
                :aria-label="HYDRAULIC_SLOTS[slot].label"
                :data-field="slot"
                @change="put({ slot }, valueIn($event))"
              >
                <option value="">{{ emptyWord(store.project!.setups[0].hydraulics[slot]) }}</option>
                <option v-if="HYDRAULIC_SLOTS[slot].nothing" value="-">none</option>
                <template v-for="list in [offered(partsFor(HYDRAULIC_SLOTS[slot].kinds), setup.hydraulics[slot])]" :key="list.more">
                  <option v-for="part in list.parts" :key="part.id" :value="part.id">
                    {{ part.name
                    }}{{
                      words('hydraulics', slot, part.id) && setup.hydraulics[slot] !== part.id
                        ? `: ${words('hydraulics', slot, part.id)}`
                        : ''
                    }}
                  </option>
                  <option v-if="list.more > 0" disabled>{{ MORE(list.more) }}</option>
                </template>
              </select>
            </td>
          </tr>
        </tbody>
      </table>
      <p v-for="one in whole" :key="one.id" class="small" data-test="bought-whole">
        {{ one.name }} is bought whole{{ one.price ? '' : ', without a price yet' }}.
        <button class="linkish" type="button" @click="singly(one.id)">Price its parts one by one</button>
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
          empty="50 % assumed"
          :units="units"
          @change="setFigure('barFrontShare', $event)"
        />
      </div>
      <label class="small"
        >Note<DraftInput as="textarea" class="native" rows="2" :value="setup.note" maxlength="4000" @change="writeNote"
      /></label>
    </section>
    <div class="side">
      <div class="sides" role="group" aria-label="Beside the setup">
        <button type="button" class="linkish" :aria-pressed="side === 'drawing'" @click="side = 'drawing'">Drawing</button>
        <button type="button" class="linkish" :aria-pressed="side === 'shelf'" data-test="show-shelf" @click="side = 'shelf'">
          Parts to choose from
        </button>
        <NuxtLink :to="link('parts', { view: 'bundles' })">Take a whole kit or donor</NuxtLink>
      </div>
      <CornerPanel v-if="side === 'drawing'" class="drawing" />
      <PartShelf v-else class="drawing" />
    </div>
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
table {
  margin-bottom: 10px;
  table-layout: fixed;
}
th[scope='row'] {
  width: 100px;
}
thead th:first-child {
  width: 100px;
}
table.plain th,
table.plain td {
  padding: 2px 4px;
  border: 0;
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
