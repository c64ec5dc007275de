<script setup lang="ts">
import { computed } from 'vue'
import { termsIn } from '#core/guide/glossary.ts'

/** A sentence whose terms can be asked for their meaning, each where it first stands. */
const props = defineProps<{ text: string }>()
const pieces = computed(() => termsIn(props.text))
</script>

<template>
  <template v-for="(piece, i) in pieces" :key="i"
    ><GlossaryTerm v-if="piece.term" :id="piece.term">{{ piece.text }}</GlossaryTerm
    ><template v-else>{{ piece.text }}</template></template
  >
</template>
