<script setup lang="ts">
import { computed, nextTick, onMounted, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { tourSeen } from '~/composables/tour'

/** Five places of the bench, once, on the demo; left at any time. */
const route = useRoute()
const router = useRouter()
const open = ref(false)
const current = ref(0)
const STOPS = [
  {
    at: '.sheet .verdict',
    title: 'The answer first',
    text: 'The verdict, with its uncertainty. Below it you see what to measure next.',
  },
  {
    at: '.tabs',
    title: 'Setups are tabs',
    text: 'The current car comes first. Every other setup lists only its changes. Add, rename or drag setups here.',
  },
  {
    at: '.sheet .drawing',
    title: 'The corner to scale',
    text: 'Wheel, caliper and rotor to scale. Drag the round handle to try a spacer.',
  },
  {
    at: '.card',
    title: 'Steps',
    text: 'Ten steps in the order of the work. Each shows what is left to do. Open them in any order.',
  },
  {
    at: '.key-figures',
    title: 'Key figures',
    text: 'Key figures of this setup against the baseline. Select one to see its formula, its inputs and their sources.',
  },
] as const
const stops = computed(() => STOPS.filter((one) => document.querySelector(one.at)))
onMounted(async () => {
  // the sheet comes in over some frames
  for (let i = 0; i < 60 && !document.querySelector(STOPS[0].at); i += 1) await new Promise(requestAnimationFrame)
  await nextTick()
  open.value = true
})
function leave() {
  open.value = false
  tourSeen.value = true
  const { tour: _, ...query } = route.query
  void router.replace({ path: route.path, query })
}
</script>

<template>
  <ElTour v-model="open" v-model:current="current" :mask="{ color: 'rgba(0, 0, 0, .35)' }" @close="leave" @finish="leave">
    <ElTourStep v-for="one in stops" :key="one.at" :target="one.at" :title="one.title" :description="one.text" />
  </ElTour>
</template>
