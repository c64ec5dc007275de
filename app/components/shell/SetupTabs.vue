<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue'
import { projectRecord } from '#core/records/project.ts'
import { mostOf } from '#core/records/record.ts'
import { newId } from '~/composables/new-id'
import { useProjectStore } from '~/stores/project'
import { putBack, useSortable } from '~/composables/sortable'
import { useWorkbench } from '~/composables/workbench'

const store = useProjectStore()
const { setup, chooseSetup, isStock, reports } = useWorkbench()
const renaming = ref<string>()
const strip = ref<HTMLElement>()
const tabs = ref<HTMLElement>()
useSortable(tabs, {
  draggable: '.tab',
  // the car as it stands stays where it is, and first
  filter: '[data-first]',
  preventOnFilter: false,
  direction: 'horizontal',
  onMove: ({ related }) => !related.hasAttribute('data-first'),
  onEnd: (event) => {
    const { from, to } = putBack(event)
    move(store.current.setups[from]!.id, to)
  },
})

/** How many more setups a project takes; said before there is none. */
const SAY_AT = 5
const MOST_SETUPS = mostOf(projectRecord, 'setups')
const room = computed(() => MOST_SETUPS - (store.project?.setups.length ?? 0))
const roomWords = computed(() =>
  room.value === 0
    ? `A project has at most ${MOST_SETUPS} setups: remove one first, or go on in a copy of the project.`
    : room.value <= SAY_AT
      ? `${room.value} more ${room.value === 1 ? 'fits' : 'fit'}: a project has at most ${MOST_SETUPS} setups.`
      : '',
)
const verdictOf = (id: string) => reports.value.find((one) => one.setupId === id)?.verdict

// where there are more tabs than room, the chosen one is in sight
watch(
  () => setup.value?.id,
  async (id) => {
    await nextTick()
    const tab = strip.value?.querySelector<HTMLElement>(`[data-id="${id}"]`)
    const room = tab?.parentElement
    if (!tab || !room) return
    // by hand: a tab that is scrolled into view becomes where the Tab key goes on from
    const [from, to] = [tab.offsetLeft - room.offsetLeft, tab.offsetLeft - room.offsetLeft + tab.offsetWidth]
    if (from < room.scrollLeft) room.scrollLeft = from
    else if (to > room.scrollLeft + room.clientWidth) room.scrollLeft = to - room.clientWidth
  },
  { immediate: true },
)

/** A duplicate of the car as it stands is a setup in which nothing is changed yet. */
async function duplicate() {
  const project = store.project
  const from = setup.value
  if (!project || !from) return
  const id = newId()
  store.edit('Add setup', (draft) => {
    const at = draft.setups.findIndex((one) => one.id === from.id)
    const copy = isStock.value
      ? { id, name: `Option ${draft.setups.length}`, front: {}, rear: {}, hydraulics: {}, extras: [] }
      : { ...structuredClone(JSON.parse(JSON.stringify(from))), id, name: `${from.name} (copy)`.slice(0, 120) }
    draft.setups.splice(at + 1, 0, copy)
  })
  await chooseSetup(id)
  await rename(id)
}
async function rename(id: string) {
  renaming.value = id
  await nextTick()
  strip.value?.querySelector<HTMLInputElement>('input')?.select()
}
function takeName(id: string, text: string) {
  const name = text.trim().slice(0, 120)
  if (name) store.edit('Rename setup', (draft) => void (draft.setups.find((one) => one.id === id)!.name = name))
}
async function remove() {
  const id = setup.value?.id
  if (!id || isStock.value) return
  const at = store.current.setups.findIndex((one) => one.id === id)
  const next = store.current.setups[at - 1]!.id
  await chooseSetup(next)
  store.edit('Remove setup', (draft) => void draft.setups.splice(at, 1))
}
/** Puts a setup in another's place; the car as it stands stays first. */
function move(id: string, to: number) {
  store.edit('Order setups', (draft) => {
    const at = draft.setups.findIndex((one) => one.id === id)
    const target = Math.min(Math.max(to, 1), draft.setups.length - 1)
    if (at < 1 || at === target) return
    const [one] = draft.setups.splice(at, 1)
    draft.setups.splice(target, 0, one!)
  })
}
function arrow(event: KeyboardEvent, index: number) {
  const by = event.key === 'ArrowRight' ? 1 : event.key === 'ArrowLeft' ? -1 : 0
  if (by === 0) return
  event.preventDefault()
  const setups = store.current.setups
  if (event.altKey) move(setups[index]!.id, index + by)
  else {
    const next = setups[(index + by + setups.length) % setups.length]!
    void chooseSetup(next.id)
    void nextTick(() => strip.value?.querySelector<HTMLElement>(`[data-id="${next.id}"]`)?.focus())
  }
}
</script>

<template>
  <div ref="strip" class="strip">
    <div ref="tabs" class="tabs" role="tablist" aria-label="Setups">
      <template v-for="(one, index) in store.project?.setups" :key="one.id">
        <DraftInput
          v-if="renaming === one.id"
          class="rename"
          :value="one.name"
          aria-label="Name of the setup"
          maxlength="120"
          @change="takeName(one.id, $event)"
          @blur="renaming = undefined"
          @keydown.enter="($event.target as HTMLElement).blur()"
          @keydown.esc="renaming = undefined"
        />
        <button
          v-else
          class="tab"
          type="button"
          role="tab"
          :data-id="one.id"
          :aria-selected="one.id === setup?.id"
          :tabindex="one.id === setup?.id ? 0 : -1"
          :data-first="index === 0 ? '' : undefined"
          :title="one.note ?? one.name"
          @click="chooseSetup(one.id)"
          @dblclick="rename(one.id)"
          @keydown="arrow($event, index)"
        >
          <VerdictMark v-if="verdictOf(one.id)" :verdict="verdictOf(one.id)!" :size="14" />
          <span class="text">{{ one.name }}</span>
        </button>
      </template>
    </div>
    <ElButton
      text
      :title="roomWords || (isStock ? 'New setup' : `Duplicate ${setup?.name}`)"
      :disabled="room === 0"
      :aria-label="isStock ? 'New setup' : 'Duplicate this setup'"
      data-test="duplicate"
      @click="duplicate"
    >
      <Icon :name="isStock ? 'tabler:plus' : 'tabler:copy'" size="17" />
    </ElButton>
    <span v-if="roomWords" class="room small soft" role="status" data-test="setup-room" :title="roomWords">{{
      room === 0 ? 'limit reached' : `${room} more`
    }}</span>
    <template v-if="!isStock">
      <ElButton text title="Rename (double-click the tab)" aria-label="Rename this setup" @click="setup && rename(setup.id)">
        <Icon name="tabler:pencil" size="17" />
      </ElButton>
      <ElButton text title="Remove this setup (undo brings it back)" aria-label="Remove this setup" @click="remove">
        <Icon name="tabler:trash" size="17" />
      </ElButton>
    </template>
  </div>
</template>

<style scoped>
.room {
  align-self: center;
  white-space: nowrap;
}
.strip {
  display: flex;
  align-items: flex-end;
  min-width: 0;
  padding: 0 8px 0 0;
}
.tabs {
  display: flex;
  align-items: flex-end;
  gap: 3px;
  min-width: 0;
  padding: 4px 4px 0;
  overflow-x: auto;
  scrollbar-width: none;
}
.tab {
  display: flex;
  align-items: center;
  gap: 6px;
  height: 33px;
  max-width: 250px;
  padding: 0 14px 0 10px;
  border: 1px solid var(--line);
  border-bottom: 0;
  border-radius: 7px 12px 0 0;
  background: var(--paper);
  color: var(--ink);
  cursor: pointer;
}
.tab .text {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.tab[aria-selected='true'] {
  position: relative;
  z-index: 1;
  margin-bottom: -1px;
  height: 35px;
  background: var(--sheet);
  font-weight: 640;
}
.rename {
  width: 190px;
  margin-bottom: 2px;
}
@media (max-width: 760px) {
  .tab {
    flex: none;
  }
}
</style>
