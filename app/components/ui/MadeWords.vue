<script setup lang="ts">
import { computed } from 'vue'
import { madeWords } from '#core/records/ways.ts'
import type { MadeOf } from '#core/quantity/figure.ts'
import { useWorkbench } from '~/composables/workbench'

/** What a figure was worked out from, after what else is said of it. */
const props = defineProps<{ madeOf: MadeOf }>()
const { units } = useWorkbench()
const words = computed(() => madeWords(props, units.value))
</script>

<template>
  <span v-if="words">, {{ words }}</span>
</template>
