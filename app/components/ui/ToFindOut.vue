<script setup lang="ts">
import { questionKey } from '#core/records/question.ts'
import type { Missing } from '#core/figures/figure.ts'
import { useWorkbench } from '~/composables/workbench'

/** What keeps something unknown, each leading to where it is entered, with how to get it. */
defineProps<{ missing: readonly Missing[] }>()
const { goTo } = useWorkbench()
</script>

<template>
  <ul class="find">
    <li v-for="(one, i) in missing" :key="questionKey(one)">
      <ElButton link type="primary" @click="goTo(one.at)">{{ one.what }}</ElButton>
      <span v-if="one.how && one.how !== missing[i - 1]?.how" class="soft small how">{{ one.how }}</span>
    </li>
  </ul>
</template>

<style scoped>
.find {
  margin: 4px 0 14px;
  padding-left: 18px;
}
.how {
  display: block;
}
</style>
