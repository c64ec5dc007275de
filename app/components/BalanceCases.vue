<script setup lang="ts">
import { computed } from 'vue'
import { CRITERIA } from '#core/balance/limits.ts'
import { BIAS_AIMS, type BiasAim } from '#core/model/project.ts'
import { LOADS } from '#core/report/grip.ts'
import type { LeverOffer } from '#core/report/lever-advice.ts'
import { afterWords } from '#core/report/words.ts'
import { formatQuantity } from '#core/quantity/format.ts'
import { useBalance } from '~/composables/balance'
import { useProjectStore } from '~/stores/project'
import { useWorkbench } from '~/composables/workbench'

/** All cases in one table, the two named criteria, the aim with its reason, and the levers that reach it. */
const store = useProjectStore()
const { units, isStock, link } = useWorkbench()
const { balance, stockBalance, levers, engine, downforce, apply } = useBalance()
const g = (value: number) => formatQuantity(value, 'deceleration')
const aims = Object.entries(BIAS_AIMS) as [BiasAim, (typeof BIAS_AIMS)[BiasAim]][]
const preferences = computed(() => store.project!.preferences)
const aim = computed<BiasAim>(() => preferences.value.biasAim ?? 'load')
const setAim = (event: Event) =>
  store.edit('Change the aim', (draft) => {
    draft.preferences.biasAim = (event.target as HTMLSelectElement).value as BiasAim
    if (draft.preferences.biasAim === 'fixed') draft.preferences.biasAimShare ??= 0.7
  })
function setShare(event: Event) {
  const value = Number((event.target as HTMLInputElement).value.replace(',', '.').replace('%', '')) / 100
  store.edit('Change the aim', (draft) => void (draft.preferences.biasAimShare = value))
}
/** What the whole setup then is, and what the offer makes worse elsewhere. */
const wholeSetup = ({ outcome, brings }: LeverOffer) => afterWords({ verdict: outcome.verdict, open: outcome.open, brings })
const hasExtras = computed(() => store.project!.car.engineDragN !== undefined)
const hasDownforce = computed(() => store.project!.car.downforceFrontN !== undefined || store.project!.car.downforceRearN !== undefined)
</script>

<template>
  <div v-if="balance" class="cases">
    <section>
      <ForceChart v-if="balance.line.length > 0" :balance="balance" :stock="isStock ? undefined : stockBalance" />
    </section>
    <section>
      <h2>All cases</h2>
      <p class="tools small">
        <label v-if="hasExtras"><input v-model="engine" type="checkbox" /> engine engaged</label>
        <label v-if="hasDownforce"><input v-model="downforce" type="checkbox" /> downforce as entered</label>
        <NuxtLink :to="link('car', { field: 'tyreDry' })">tyres and loads</NuxtLink>
      </p>
      <table class="plain" data-test="cases">
        <thead>
          <tr>
            <th scope="col">Load</th>
            <th scope="col">Surface</th>
            <th scope="col">Locks first</th>
            <th scope="col" class="r">Best without lock</th>
            <th scope="col" class="r">of the tyre</th>
            <th scope="col" class="r">Pedal</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="one in balance.cases" :key="`${one.load}.${one.surface}`">
            <td>{{ LOADS[one.load] }}</td>
            <td class="num">{{ one.surface }} {{ one.friction }}<span v-if="one.assumed" class="soft small"> assumed</span></td>
            <td :class="`tone-${one.verdict}`"><VerdictMark :verdict="one.verdict" :size="13" /> {{ one.words }}</td>
            <td class="r num">{{ one.best ? `${g(one.best.decelG)}, then the ${one.best.axle}` : '—' }}</td>
            <td class="r num">{{ one.best ? formatQuantity(one.best.efficiency, 'share', units, { decimals: 0 }) : '—' }}</td>
            <td class="r num">
              {{ one.atLeast && one.pedalForceN !== undefined ? 'at least ' : '' }}{{ formatQuantity(one.pedalForceN, 'force', units) }}
            </td>
          </tr>
        </tbody>
      </table>
      <ul class="criteria small">
        <template v-for="one in balance.criteria" :key="one.load">
          <li v-for="found in one.found ?? []" :key="`${one.load}.${found.id}`">
            <VerdictMark :verdict="found.holds ? 'fits' : 'needs'" :size="12" /> {{ CRITERIA[found.id].name }}, {{ LOADS[one.load] }}:
            {{ found.holds ? 'holds' : `not from ${g(found.firstG!)}` }} <span class="soft">({{ CRITERIA[found.id].source }})</span>
          </li>
        </template>
      </ul>
      <p class="soft small">
        For cars without anti-lock, engine disconnected. They inform; they approve nothing.
        <template v-if="balance.limitWhy">{{ balance.limitWhy }}</template>
      </p>
    </section>
    <section>
      <h2>What would put it right</h2>
      <p class="aim">
        <label class="small"
          >Aim for<select class="native" :value="aim" data-field="biasAim" aria-label="What bias to aim for" @change="setAim">
            <option v-for="[id, one] in aims" :key="id" :value="id">{{ one.label }}</option>
          </select></label
        >
        <label v-if="aim === 'fixed'" class="small"
          >Front share, %<DraftInput class="native num" :value="((preferences.biasAimShare ?? 0.7) * 100).toFixed(1)" @change="setShare"
        /></label>
        <span class="soft small">{{ BIAS_AIMS[aim].reason }}</span>
      </p>
      <p v-if="levers?.met" class="small">This setup is there already: {{ levers.aim }}.</p>
      <p v-else-if="levers?.aim && levers.advice.length === 0" class="small">No single lever alone gives {{ levers.aim }}.</p>
      <p v-else-if="levers?.aim" class="small">Each of these alone gives {{ levers.aim }}:</p>
      <ul v-if="levers" class="levers" data-test="levers">
        <li v-for="one in levers.advice" :key="one.id" :data-lever="one.id">
          <strong class="num">{{ one.sentence }}</strong>
          <span v-if="one.offers.length === 0" class="soft small"> No part of the library does it.</span>
          <span v-for="offer in one.offers" :key="offer.name" class="offer">
            <VerdictMark :verdict="offer.outcome.verdict" :size="13" />
            <span
              ><span class="num">{{ offer.sentence }}</span> <span class="soft small block">{{ wholeSetup(offer) }}</span></span
            >
            <button class="btn" type="button" :aria-label="`New setup with ${offer.name}`" @click="apply(one, offer)">
              New setup with it
            </button>
          </span>
        </li>
      </ul>
      <template v-if="balance.missing.length > 0">
        <h3>To find out</h3>
        <ToFindOut :missing="balance.missing" />
      </template>
      <details class="procedure">
        <summary>Setting an adjustable valve</summary>
        <ol>
          <li>Close it: the rear gets least. A front that locks early is safer than a rear.</li>
          <li>
            Closed private place, dry, straight, from 30 km/h, nobody near; seat belts on. Brake to the first lock and note which wheel.
          </li>
          <li>Open one step, brake twice, note again. Front, front, front: go on.</li>
          <li>At the first stop with a rear wheel locking, or a car that steps out, close two steps. That is the setting.</li>
          <li>The same from 60 km/h, then laden, then wet. The worst of them decides.</li>
          <li>Mark it, lock it, write the pressure down here, and look for leaks.</li>
        </ol>
      </details>
      <p class="caution">
        Local rules may not allow a valve that can be turned on the road. Have a qualified technician look at the brakes before the first
        stop, and start at walking pace.
      </p>
    </section>
  </div>
</template>

<style scoped>
.cases {
  display: grid;
  gap: 20px;
}
.tools {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 18px;
  margin: 0 0 4px;
}
.tools label {
  display: flex;
  gap: 6px;
  align-items: center;
}
table {
  max-width: 900px;
}
.criteria,
.levers {
  margin: 8px 0 0;
  padding: 0;
  list-style: none;
}
.aim {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  align-items: end;
}
.levers li {
  padding: 5px 0;
  border-bottom: 1px solid var(--hair);
}
.offer {
  display: flex;
  gap: 10px;
  align-items: center;
  max-width: 760px;
  margin: 2px 0 2px 18px;
}
.block {
  display: block;
}
.offer .btn {
  min-height: 30px;
  margin-left: auto;
}
@media (max-width: 760px) {
  .cases section {
    overflow-x: auto;
  }
}
</style>
