<script setup lang="ts">
import { SAFETY } from '#core/records/safety-note.ts'
import { computed, ref } from 'vue'
import { parseQuantity } from '#core/quantity/parse.ts'
import { LOADS_DRIVEN, SURFACES, type LoadDriven, type LockUpObservation, type SurfaceDriven } from '#core/records/logbook.ts'
import { lockUpReport, type Explains } from '#core/evidence/lock-up-observations.ts'
import { counted } from '#core/figures/words.ts'
import { today } from '~/composables/build'
import { newId } from '~/composables/new-id'
import { useProjectStore } from '~/stores/project'
import { useWorkbench } from '~/composables/workbench'

/** Which wheels locked first, held against the order that the model says. */
const store = useProjectStore()
const { setup } = useWorkbench()
const found = computed(() => [...lockUpReport(store.current)].sort((a, b) => b.sighting.date.localeCompare(a.sighting.date)))
const differ = computed(() => found.value.filter((one) => one.verdict === 'differs').length)
const says = computed(() =>
  found.value.length === 0
    ? 'No lock-up observations yet'
    : differ.value === 0
      ? 'Observations agree with the model'
      : `${counted(differ.value, 'observation does', 'observations do')} not agree with the model`,
)
const axle = ref<LockUpObservation['axle']>('front')
const surface = ref<SurfaceDriven>('dry')
const load = ref<LoadDriven>('driver')
const at = ref('')
const track = ref('')
const error = ref('')
function keep() {
  const read = parseQuantity(at.value, 'deceleration')
  if (!read.ok) {
    error.value = `Deceleration: ${read.message}`
    return
  }
  const one: LockUpObservation = {
    id: newId(),
    date: today(),
    setupId: setup.value!.id,
    surface: surface.value,
    load: load.value,
    axle: axle.value,
    atG: read.value,
    ...(track.value.trim() ? { track: track.value.trim().slice(0, 120) } : {}),
  }
  const problems = store.edit('Enter a sighting', (draft) => void draft.lockSightings.push(one), { shows: true })
  error.value = problems[0] ? `${problems[0].place}: ${problems[0].message}.` : ''
  if (problems.length === 0) at.value = ''
}
const forget = (id: string) =>
  store.edit('Remove a sighting', (draft) => void (draft.lockSightings = draft.lockSightings.filter((one) => one.id !== id)))
/** Only when someone asks for it, and undone like everything. */
const take = ({ field, value }: Explains) =>
  store.edit(
    'Use the value that explains it',
    (draft) => void (draft.car[field] = { value, origin: 'estimated', date: today(), note: 'Explains a lock-up observation' }),
  )
</script>

<template>
  <div class="locks">
    <h1 data-test="locks-say">{{ says }}</h1>
    <form class="entry no-print" @submit.prevent="keep">
      <FieldItem label="Locked first"
        ><ChoiceSelect
          label="Locked first"
          :value="axle"
          :options="[
            { value: 'front', label: 'front wheels' },
            { value: 'rear', label: 'rear wheels' },
            { value: 'none', label: 'none did' },
          ]"
          @change="axle = $event as typeof axle"
      /></FieldItem>
      <FieldItem label="At, g" help="Deceleration at lock-up, from a logger or from distance and speed."
        ><ElInput v-model="at" class="num" inputmode="decimal" aria-label="At, g" :validate-event="false"
      /></FieldItem>
      <DrivenOn v-model:surface="surface" v-model:load="load" />
      <FieldItem label="Track or road"
        ><ElInput v-model="track" maxlength="120" aria-label="Track or road" :validate-event="false"
      /></FieldItem>
      <ElButton type="primary" native-type="submit" :disabled="at.trim() === ''">Add to “{{ setup?.name }}”</ElButton>
    </form>
    <p v-if="error" class="field-error" role="alert">{{ error }}</p>
    <SafetyNote :note="SAFETY.rearLock" />
    <ul class="log" data-test="locks">
      <li v-for="one in found" :key="one.sighting.id">
        <VerdictMark :verdict="one.mark" :size="16" />
        <div>
          <SafetyNote
            v-if="one.advice"
            :note="{ level: 'danger', hazard: 'The rear wheels lock first, and the car can spin.', action: one.advice }"
            data-test="lock-advice"
          />
          <p>{{ one.sentence }}</p>
          <p class="soft small">
            {{ one.sighting.date }}, {{ one.setupName }}, {{ SURFACES[one.sighting.surface] }}, {{ LOADS_DRIVEN[one.sighting.load]
            }}{{ one.sighting.track ? `, ${one.sighting.track}` : '' }}
          </p>
          <p v-for="by in one.explains" :key="by.field">
            {{ by.words }} <ElButton link type="primary" class="no-print" @click="take(by)">Use as estimate</ElButton>
          </p>
        </div>
        <ElButton text class="no-print" :aria-label="`Remove the sighting of ${one.sighting.date}`" @click="forget(one.sighting.id)">
          <Icon name="tabler:trash" size="16" />
        </ElButton>
      </li>
    </ul>
  </div>
</template>

<style scoped>
.locks {
  display: grid;
  gap: 8px;
  max-width: 860px;
}
.log li {
  align-items: start;
}
.log li > div {
  flex: 1;
}
.log p {
  margin: 0 0 2px;
}
</style>
