<script setup lang="ts">
import { onMounted, ref } from 'vue'
import { useRouter } from 'vue-router'
import { QUESTION_NAMES, QUESTIONS, type QuestionId } from '#core/records/start-question.ts'
import { useProjectFiles } from '~/composables/project-files'
import { inMemory, withoutStorage } from '~/storage/box'
import { tourSeen } from '~/composables/tour'
import { useShelfStore } from '~/stores/shelf'
import { useProjectStore } from '~/stores/project'

const shelf = useShelfStore()
const store = useProjectStore()
const router = useRouter()
const { openFile } = useProjectFiles()
const name = ref('')
const trouble = ref('')

onMounted(async () => {
  await store.close()
  await shelf.refresh()
})

async function makeBlank() {
  const wanted = name.value.trim()
  if (wanted === '') {
    trouble.value = 'Enter a name for the project, such as the car.'
    return
  }
  const added = await shelf.addBlank(wanted.slice(0, 120))
  if ('message' in added) trouble.value = added.message
  else await router.push(`/p/${added.id}/car`)
}
async function ask(question: QuestionId) {
  const added = await shelf.addQuestion(question)
  if ('message' in added) trouble.value = added.message
  else await router.push({ path: `/p/${added.id}/answer`, query: { ask: question, setup: added.setupId } })
}
async function openDemo() {
  const added = await shelf.addDemo()
  if ('message' in added) trouble.value = added.message
  else await router.push(`/p/${added.id}/fit?setup=estate-fronts${tourSeen.value ? '' : '&tour=1'}`)
}
function goWithout() {
  withoutStorage()
  void shelf.refresh()
}
const day = (iso: string) => iso.slice(0, 16).replace('T', ' ')
</script>

<template>
  <main class="bench">
    <header>
      <h1>Valiant Caliper</h1>
      <p class="lead">Find out whether a brake upgrade fits your car, stops well and is worth its price. Every result shows its working.</p>
      <p class="demo">
        <ElButton type="primary" @click="openDemo">Open the demo</ElButton>
        <span class="soft">A hill-climb club's shared hatchback with three upgrades. All data is invented.</span>
      </p>
    </header>

    <p v-if="inMemory" class="tone-check in-memory" role="status" data-test="in-memory">
      This browser stores no data for this page. Export your project before you close the page, or allow site data.
    </p>

    <p v-if="shelf.trouble" class="field-error in-memory" role="alert" data-test="storage-held">
      Your projects cannot be listed: {{ shelf.trouble }}. Nothing was changed. Close other tabs of this page, then try again.
      <ElButton @click="shelf.refresh()">Try again</ElButton>
      <ElButton @click="goWithout">Work without storage</ElButton>
    </p>

    <section class="questions" aria-labelledby="ask-title">
      <h2 id="ask-title">What do you want to know?</h2>
      <ul>
        <li v-for="(words, id) in QUESTIONS" :key="id">
          <button type="button" class="question" :data-test="`ask-${id}`" @click="ask(id)">
            <strong>{{ QUESTION_NAMES[id] }}</strong>
            <span>{{ words }}</span>
          </button>
        </li>
      </ul>
    </section>

    <section class="ways" aria-label="Start">
      <form class="way" @submit.prevent="makeBlank">
        <h2>New project</h2>
        <label for="new-name">Name of the project</label>
        <div class="row">
          <ElInput
            id="new-name"
            v-model="name"
            maxlength="120"
            autocomplete="off"
            :aria-invalid="trouble !== ''"
            aria-describedby="new-trouble"
            :validate-event="false"
          />
          <ElButton type="primary" native-type="submit">Create project</ElButton>
        </div>
        <p id="new-trouble" class="field-error">{{ trouble }}</p>
      </form>
      <div class="way">
        <h2>Open a file</h2>
        <p>Choose an exported project, or drop it on this page.</p>
        <FilePick label="Choose a file" accept=".json,application/json,.pdf,application/pdf" name="project-file" @pick="openFile" />
      </div>
    </section>

    <section aria-labelledby="shelf-title">
      <h2 id="shelf-title">Projects in this browser</h2>
      <NothingYet
        v-if="shelf.loaded && shelf.entries.length === 0"
        :text="`No projects yet.${inMemory ? '' : ' Projects are saved in this browser automatically. Export a file as a backup.'}`"
      />
      <ul v-else class="shelf">
        <li v-for="entry in shelf.entries" :key="entry.id">
          <NuxtLink :to="`/p/${entry.id}/fit`" class="open">
            <strong>{{ entry.name }}</strong>
            <span v-if="entry.broken" class="tone-blocked">cannot be read; open it to see why</span>
            <span v-else class="soft"
              >{{ entry.car === entry.name ? '' : `${entry.car}, ` }}{{ entry.setups === 1 ? 'one setup' : `${entry.setups} setups` }}</span
            >
          </NuxtLink>
          <span class="soft num small">{{ entry.savedAt && day(entry.savedAt) }}</span>
          <ElPopconfirm
            :title="`Remove ${entry.name} from this browser? Export it first if you may want it again.`"
            width="260"
            confirm-button-text="Remove"
            cancel-button-text="Cancel"
            :hide-icon="true"
            @confirm="shelf.remove(entry.id)"
          >
            <template #reference><ElButton text :aria-label="`Remove ${entry.name}`">Remove</ElButton></template>
          </ElPopconfirm>
        </li>
      </ul>
    </section>

    <footer class="soft small"><NoApproval /><NuxtLink to="/how">How it decides</NuxtLink></footer>
  </main>
</template>

<style scoped>
.in-memory {
  margin-bottom: 20px;
}
.bench {
  max-width: 1060px;
  margin: 0 auto;
  padding: 40px 24px;
}
header {
  margin-bottom: 28px;
  border-bottom: 2px solid var(--ink);
}
h1 {
  font-size: 30px;
  font-stretch: 112%;
}
.lead {
  max-width: 62ch;
  margin: 8px 0 14px;
  font-size: 16px;
}
.ways {
  display: grid;
  grid-template-columns: 1.4fr 1fr;
  gap: 32px;
  margin-bottom: 36px;
}
.way h2 {
  margin-bottom: 8px;
}
.row {
  display: flex;
  gap: 8px;
  margin-top: 4px;
}
.questions {
  margin-bottom: 34px;
}
.questions ul {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 8px 12px;
  margin: 8px 0 6px;
  padding: 0;
  list-style: none;
}
.question {
  display: grid;
  gap: 2px;
  align-content: start;
  width: 100%;
  height: 100%;
  min-height: 66px;
  padding: 10px 14px;
  border: 1px solid var(--line);
  border-left: 3px solid var(--accent);
  background: var(--sheet);
  color: inherit;
  font: inherit;
  line-height: 1.3;
  text-align: left;
  cursor: pointer;
}
.question strong {
  font-size: 16px;
}
.question:hover {
  background: var(--sheet-2);
}
.demo {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
  align-items: center;
  margin-bottom: 16px;
}
.shelf {
  margin: 8px 0 36px;
  padding: 0;
  list-style: none;
  border-top: 1px solid var(--line);
}
.shelf li {
  display: flex;
  align-items: center;
  gap: 16px;
  border-bottom: 1px solid var(--hair);
}
.open {
  flex: 1;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  padding: 11px 0;
  color: inherit;
  text-decoration: none;
  overflow-wrap: anywhere;
}
.open:hover strong {
  text-decoration: underline;
}
@media (max-width: 760px) {
  .bench {
    padding: 20px 16px;
  }
  .ways,
  .questions ul {
    grid-template-columns: 1fr;
  }
  .ways {
    gap: 24px;
  }
}
</style>
