<script setup lang="ts">
import { computed } from 'vue'
import { useProjectFiles } from '~/composables/project-files'

const { refused } = useProjectFiles()
const open = computed({
  get: () => refused.value !== undefined,
  set: (value) => {
    if (!value) refused.value = undefined
  },
})
</script>

<template>
  <ElDialog v-model="open" title="This file was not opened" width="min(640px, 94vw)">
    <template v-if="refused">
      <p>
        <strong>{{ refused.name }}</strong> — nothing was changed.
        {{ refused.problems.length === 1 ? 'One thing is' : `${refused.problems.length} things are` }} wrong:
      </p>
      <ul class="list" data-test="problems">
        <li v-for="(problem, index) in refused.problems" :key="index">
          <strong>{{ problem.place }}</strong> {{ problem.message }}
          <code v-if="problem.path" class="soft small">{{ problem.path }}</code>
        </li>
      </ul>
      <p class="soft">Correct these places in the file, or export the project again. Then open it once more.</p>
    </template>
    <template #footer><ElButton @click="open = false">Close</ElButton></template>
  </ElDialog>
</template>

<style scoped>
.list {
  max-height: 46vh;
  margin: 0 0 12px;
  padding-left: 20px;
  overflow: auto;
  overflow-wrap: anywhere;
}
.list code {
  display: block;
}
</style>
