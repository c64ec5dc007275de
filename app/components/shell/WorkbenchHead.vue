<script setup lang="ts">
import { useColorMode } from '@vueuse/core'
import { ElMessage } from 'element-plus'
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import { useFinder } from '~/composables/finder'
import { useProjectFiles } from '~/composables/project-files'
import { useTechnicalReport } from '~/composables/technical-report'
import { useShortcutList } from '~/composables/shortcuts'
import { storageTrouble } from '~/stores/shelf'
import { inMemory } from '~/storage/box'
import { newId } from '~/composables/new-id'
import { useProjectStore } from '~/stores/project'
import { useWorkbench } from '~/composables/workbench'

const store = useProjectStore()
const router = useRouter()
const { exportOpen } = useProjectFiles()
const { open: openShortcuts } = useShortcutList()
const { open: openFinder } = useFinder()
const { open: reportOpen } = useTechnicalReport()
const { units } = useWorkbench()
const mode = useColorMode({ emitAuto: true, storageKey: 'valiant-caliper-theme' })

const isDark = computed(() => mode.state.value === 'dark')
const saveWords = computed(() => {
  switch (store.saveState) {
    case 'saved':
      return inMemory.value ? 'Not stored: export before you close the page' : 'Saved here'
    case 'unsaved':
    case 'saving':
      return 'Saving …'
    case 'conflict':
      return 'Not saved'
    default:
      return 'Not saved'
  }
})
const trouble = computed(() =>
  store.saveState === 'full' || store.saveState === 'failed' ? storageTrouble(store.saveState, store.saveMessage) : '',
)

function rename(text: string, put: (text: string) => void) {
  const name = text.trim()
  if (name === '') put(store.current.name)
  else store.edit('Rename project', (draft) => void (draft.name = name.slice(0, 120)))
}
const MOST_NAMED = 3
const conflictWords = computed(() => {
  const named = store.conflicts.slice(0, MOST_NAMED).map((one) => one.place)
  const more = store.conflicts.length - named.length
  return `${named.join('; ')}${more > 0 ? `; and ${more} more` : ''}.`
})
async function keepMine() {
  const id = await store.keepAsCopy(newId())
  if (id) await router.replace(`/p/${id}/fit`)
  else ElMessage.error('It could not be saved as a new project, because this browser does not save now. Export it to a file.')
}
const UNIT_SETS = [
  { value: 'mm', label: 'mm, N, bar', units: { length: 'mm', force: 'N', pressure: 'bar', torque: 'N m', mass: 'kg', temperature: '°C' } },
  { value: 'mpa', label: 'mm, N, MPa', units: { length: 'mm', force: 'N', pressure: 'MPa', torque: 'N m', mass: 'kg', temperature: '°C' } },
  {
    value: 'in',
    label: 'in, lbf, psi',
    units: { length: 'in', force: 'lbf', pressure: 'psi', torque: 'lbf ft', mass: 'lb', temperature: '°F' },
  },
] as const
const unitSet = computed({
  get: () =>
    UNIT_SETS.find((set) => Object.entries(set.units).every(([key, value]) => units.value[key as keyof typeof units.value] === value))
      ?.value ?? 'own',
  set: (value) => {
    const set = UNIT_SETS.find((one) => one.value === value)
    if (set) store.edit('Change units', (draft) => void Object.assign(draft.preferences.units, set.units))
  },
})
type UnitSet = (typeof UNIT_SETS)[number]['value'] | 'own'
const unitSets = computed((): { value: UnitSet; label: string }[] => [
  ...UNIT_SETS.map(({ value, label }) => ({ value, label })),
  ...(unitSet.value === 'own' ? [{ value: 'own' as const, label: 'own mixture' }] : []),
])
</script>

<template>
  <header class="bar">
    <NuxtLink to="/" class="home" aria-label="All projects" title="All projects">
      <svg width="24" height="24" viewBox="0 0 32 32" aria-hidden="true">
        <path d="M5 25V12h11l6 5v8" fill="none" stroke="currentColor" stroke-width="2.6" />
        <path d="M5 7h15l7 7v11" fill="none" stroke="var(--accent)" stroke-width="2.6" />
      </svg>
    </NuxtLink>
    <DraftInput :value="store.project?.name" class="name" aria-label="Name of the project" maxlength="120" @change="rename" />
    <span class="saved small" :class="{ 'tone-blocked': saveWords === 'Not saved' }" role="status">{{ saveWords }}</span>
    <span class="push" />
    <ElButton text aria-label="Find by name" title="Find a step, part, figure or action by name (Ctrl+K)" @click="openFinder = true">
      <Icon name="tabler:search" size="18" />
    </ElButton>
    <ElButton
      text
      :disabled="!store.undoLabel"
      :title="store.undoLabel ? `Undo: ${store.undoLabel}` : 'Nothing to undo'"
      aria-label="Undo"
      @click="store.undo()"
    >
      <Icon name="tabler:arrow-back-up" size="19" />
    </ElButton>
    <ElButton
      text
      :disabled="!store.redoLabel"
      :title="store.redoLabel ? `Redo: ${store.redoLabel}` : 'Nothing to redo'"
      aria-label="Redo"
      @click="store.redo()"
    >
      <Icon name="tabler:arrow-forward-up" size="19" />
    </ElButton>
    <label class="visually-hidden" for="unit-set">Units</label>
    <ChoiceSelect id="unit-set" class="units" title="Units" :value="unitSet" :options="unitSets" @change="unitSet = $event" />
    <ElButton title="Export the project to a file (Ctrl+S)" @click="exportOpen">
      <Icon name="tabler:download" size="18" /><span class="wide">Export</span>
    </ElButton>
    <ElButton class="wide-only" title="Make a technical report of a setup" data-test="open-report" @click="reportOpen = true">
      <Icon name="tabler:file-description" size="18" /><span class="wide">Report</span>
    </ElButton>
    <ElButton
      text
      :title="isDark ? 'Light theme' : 'Dark theme'"
      :aria-label="isDark ? 'Light theme' : 'Dark theme'"
      @click="mode = isDark ? 'light' : 'dark'"
    >
      <Icon v-if="isDark" name="tabler:sun" size="19" /><Icon v-else name="tabler:moon" size="19" />
    </ElButton>
    <ElButton text class="wide-only" aria-label="Keyboard shortcuts" title="Keyboard shortcuts (?)" @click="openShortcuts = true">
      <Icon name="tabler:keyboard" size="19" />
    </ElButton>
    <div v-if="store.saveState === 'conflict'" class="notice" role="alert">
      <strong
        >{{ store.conflicts.length === 1 ? 'One place was' : `${store.conflicts.length} places were` }} changed here and in another tab at
        the same time.</strong
      >
      <span data-test="conflicts">{{ conflictWords }}</span> All else is put together. Nothing is lost yet; there:
      <ElButton @click="store.chooseBoth('mine')">Use this tab’s changes</ElButton>
      <ElButton @click="store.chooseBoth('theirs')">Use the other tab’s changes</ElButton>
      <ElButton @click="keepMine">Save mine as a new project</ElButton>
    </div>
    <div v-else-if="trouble" class="notice" role="alert">
      {{ trouble }} <ElButton @click="exportOpen">Export</ElButton>
      <ElButton @click="store.flush()">Try again</ElButton>
    </div>
  </header>
</template>

<style scoped>
.bar {
  position: relative;
  display: flex;
  align-items: center;
  gap: 6px;
  padding: 0 12px;
}
.home {
  display: grid;
  place-items: center;
  width: 34px;
  height: 34px;
  color: var(--ink);
}
.name {
  width: min(300px, 34vw);
  min-width: 60px;
}
.name :deep(.el-input__wrapper) {
  background: none;
  font-size: 16px;
  font-weight: 640;
}
.name :deep(.el-input__inner) {
  color: var(--ink);
  text-overflow: ellipsis;
}
.name:not(:hover, :focus-within) :deep(.el-input__wrapper) {
  box-shadow: none;
}
.saved {
  color: var(--ink-soft);
  white-space: nowrap;
}
.push {
  flex: 1;
}
.units {
  flex: none;
  width: 128px;
}
.notice {
  position: absolute;
  top: 100%;
  right: 0;
  left: 0;
  z-index: 30;
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  padding: 8px 16px;
  border: 1px solid var(--blocked);
  background: var(--sheet);
}
@media (max-width: 760px) {
  .saved,
  .wide,
  .wide-only {
    display: none;
  }
  .units {
    width: 84px;
  }
  .bar {
    gap: 2px;
    padding: 0 6px;
  }
}
</style>
