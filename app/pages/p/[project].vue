<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { ElButton, ElMessage } from 'element-plus'
import { h, nextTick, onMounted, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { counted } from '#core/figures/words.ts'
import { fetchTableAhead } from '~/composables/lazy-table'
import { useReports } from '~/composables/reports'
import { useTechnicalReport } from '~/composables/technical-report'
import { useWorkbench } from '~/composables/workbench'
import { DEMO_ID, useShelfStore } from '~/stores/shelf'
import { useProjectStore } from '~/stores/project'

const route = useRoute()
const router = useRouter()
const store = useProjectStore()
const shelf = useShelfStore()
const { troubles, reports } = useReports()
const { step, goTo, openFigureId } = useWorkbench()
const { open: reportOpen } = useTechnicalReport()
/** The drawer comes with the first figure that is opened. */
const drawerWanted = ref(false)
watch(openFigureId, (one) => (drawerWanted.value ||= one !== undefined), { immediate: true })

/** The step is what is read next: focus goes there with it, but not where a field waits for it. */
const sheet = ref<HTMLElement>()
watch(step, async (now, before) => {
  if (!now || !before || route.query.field !== undefined) return
  await nextTick()
  sheet.value?.focus({ preventScroll: true })
})

/** Why the demo could not be put into this browser. */
const notAdded = ref('')

async function open() {
  const id = String(route.params.project)
  const added = id === DEMO_ID ? await shelf.addDemo() : { id }
  notAdded.value = 'message' in added ? added.message : ''
  await store.open(id)
  if (store.state === 'open' && step.value === undefined && !route.path.endsWith('/answer')) await router.replace(`/p/${id}/fit`)
}
onMounted(open)
onMounted(fetchTableAhead)
watch(() => route.params.project, open)
watch(
  () => store.refreshedAt,
  () => ElMessage.info('Another tab changed this project. Its changes were merged with yours; you can undo them.'),
)
watch(
  () => store.stepped,
  (stepped) => {
    if (!stepped) return
    const { back, label, place, at } = stepped
    const said = `${back ? 'Undone' : 'Redone'}: ${label}${place ? ` (${place})` : ''}. `
    const show = at && h(ElButton, { link: true, type: 'primary', onClick: () => goTo(at) }, () => 'Show')
    ElMessage.info({ message: h('span', [said, show]), duration: 5000 })
  },
)
watch(
  () => store.refused,
  (one) => {
    if (!one) return
    const more = one.more > 0 ? ` ${counted(one.more, 'more place')} like it.` : ''
    ElMessage.error({
      message: `Not saved: ${one.label}. ${one.problem.place}: ${one.problem.message}.${more}`,
      duration: 9000,
      showClose: true,
    })
  },
)
useEventListener(document, 'visibilitychange', () => {
  if (document.visibilityState === 'hidden') void store.flush()
})
useEventListener(window, 'pagehide', () => {
  store.rescue()
  void store.flush()
})
useEventListener(window, 'beforeunload', (event) => {
  const cannotSave = store.saveState === 'full' || store.saveState === 'failed' || store.saveState === 'conflict'
  // what is on its way and has no room in the small store would be lost
  if (!store.rescue() || cannotSave) event.preventDefault()
  // runs only where the page stays; one that goes keeps it again
  setTimeout(() => store.stay())
})
</script>

<template>
  <LazyBrokenProject v-if="store.state === 'broken'" :id="String(route.params.project)" />
  <main v-else-if="store.state === 'absent'" class="absent">
    <h1>This project is not in this browser</h1>
    <p v-if="notAdded" role="alert">{{ notAdded }}</p>
    <p v-else>It may be in another browser, or it was removed. Open its file, or go back to the list.</p>
    <ElButton type="primary" @click="router.push('/')">All projects</ElButton>
  </main>
  <div v-else-if="store.state === 'open' && store.project" class="bench">
    <a class="skip" href="#step" @click.prevent="sheet?.focus()">Skip to the step</a>
    <WorkbenchHead class="head" />
    <SetupTabs class="tabs" />
    <StepList class="card" />
    <main id="step" ref="sheet" class="sheet" tabindex="-1">
      <p v-if="store.lostAfter" class="caution no-print" role="status" data-test="lost-after">
        The last change may not have been saved before this page ended. You see the state saved on
        {{ store.lostAfter.slice(0, 19).replace('T', ' at ') }} (UTC).
        <ElButton link type="primary" @click="store.lostAfter = ''">Close</ElButton>
      </p>
      <p v-for="one in troubles" :key="one" class="caution" role="alert">{{ one }}</p>
      <ElSkeleton v-if="reports.length === 0 && troubles.length === 0" :throttle="300" :rows="8" animated />
      <NuxtPage /> <NoApproval class="print-only" />
    </main>
    <KeyFigureBar class="key-figures" />
    <LazyWorkingDrawer v-if="drawerWanted" />
    <ShortcutKeys />
    <FinderDialog />
    <LazyReportDialog v-if="reportOpen" />
    <LazyBenchTour v-if="route.query.tour" />
  </div>
  <p v-else class="absent soft" role="status">Opening the project …</p>
</template>

<style scoped>
.bench {
  display: grid;
  grid-template: 46px 38px minmax(0, 1fr) auto / 176px minmax(0, 1fr);
  grid-template-areas: 'head head' 'card tabs' 'card sheet' 'figures figures';
  height: 100vh;
  height: 100dvh;
}
.skip {
  position: absolute;
  top: -60px;
  left: 8px;
  z-index: 40;
  padding: 8px 14px;
  border: 1px solid var(--ink);
  background: var(--sheet);
}
.skip:focus {
  top: 6px;
}
.head {
  grid-area: head;
}
.tabs {
  grid-area: tabs;
}
.card {
  grid-area: card;
}
.sheet:focus-visible {
  outline: none;
}
.sheet {
  grid-area: sheet;
  min-height: 0;
  padding: 14px 18px;
  overflow: auto;
  background: var(--sheet);
  border: 1px solid var(--line);
  border-width: 1px 0 0 1px;
}
.key-figures {
  grid-area: figures;
}
.absent {
  max-width: 620px;
  margin: 80px auto;
  padding: 0 20px;
}
.absent h1 {
  margin-bottom: 12px;
}
@media (max-width: 760px) {
  .bench {
    grid-template: 46px auto auto minmax(0, 1fr) auto / minmax(0, 1fr);
    grid-template-areas: 'head' 'card' 'tabs' 'sheet' 'figures';
  }
  .sheet {
    padding: 12px;
    border-left: 0;
  }
}
@media print {
  .bench {
    display: block;
    height: auto;
  }
  .card,
  .head,
  .tabs,
  .key-figures {
    display: none;
  }
}
</style>
