<script setup lang="ts">
import { useRouter } from 'vue-router'
import { download } from '~/composables/project-files'
import { withoutStorage } from '~/storage/box'
import { restoreCopy } from '~/storage/projects'
import { useProjectStore } from '~/stores/project'

const props = defineProps<{ id: string }>()
const store = useProjectStore()
const router = useRouter()

async function again() {
  await store.close()
  await store.open(props.id)
}
async function restore() {
  if (await restoreCopy(props.id)) await again()
}
function goWithout() {
  withoutStorage()
  void router.push('/')
}
</script>

<template>
  <main class="broken">
    <h1>{{ store.held ? 'The project cannot be opened now' : 'This project cannot be read' }}</h1>
    <p v-if="!store.held">The project stored in this browser is damaged. Nothing was overwritten.</p>
    <ul>
      <li v-for="(problem, index) in store.problems" :key="index">
        <strong>{{ problem.place }}</strong> {{ problem.message }}
      </li>
    </ul>
    <p class="ways">
      <ElButton v-if="store.hasCopy" type="primary" @click="restore">Go back to the save before</ElButton>
      <ElButton v-if="store.raw" @click="download('broken-project.json', store.raw)"> Save what is stored as a file </ElButton>
      <template v-if="store.held">
        <ElButton type="primary" data-test="try-again" @click="again">Try again</ElButton>
        <ElButton data-test="without-storage" @click="goWithout">Work without storage</ElButton>
      </template>
      <ElButton v-else @click="router.push('/')">All projects</ElButton>
    </p>
  </main>
</template>

<style scoped>
.broken {
  max-width: 720px;
  margin: 60px auto;
  padding: 0 20px;
}
.broken h1 {
  margin-bottom: 12px;
}
.ways {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
</style>
