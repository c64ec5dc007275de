<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { LazyTable } from '~/composables/lazy-table'
import { useFinder } from '~/composables/finder'
import { useProjectFiles } from '~/composables/project-files'
import { SHORTCUTS, useShortcutList } from '~/composables/shortcuts'
import { STEPS, useWorkbench } from '~/composables/workbench'
import { useProjectStore } from '~/stores/project'

const store = useProjectStore()
const { open } = useShortcutList()
const { open: openFinder } = useFinder()
const { exportOpen } = useProjectFiles()
const { go, setup, chooseSetup, axle, chooseAxle, openFigureId } = useWorkbench()

const typing = (target: EventTarget | null) =>
  target instanceof HTMLElement && target.closest('input, textarea, select, [contenteditable="true"]') !== null

/** What is pressed in a dialog is the dialog's own: a step or an undo behind it would take away what is being done there. */
const inDialog = (target: EventTarget | null) => target instanceof Element && target.closest('.el-dialog') !== null

function turn(by: number) {
  const setups = store.project?.setups ?? []
  const at = setups.findIndex((one) => one.id === setup.value?.id)
  const next = setups[at + by]
  if (next) void chooseSetup(next.id)
}

useEventListener(window, 'keydown', (event: KeyboardEvent) => {
  const command = event.ctrlKey || event.metaKey
  const key = event.key.toLowerCase()
  if (inDialog(event.target) && !(command && key === 's')) return
  if (command && key === 'k') {
    event.preventDefault()
    openFinder.value = true
  } else if (command && key === 's') {
    event.preventDefault()
    exportOpen()
  } else if (command && key === 'z') {
    // a field with text not yet taken keeps its own undo
    if (typing(event.target) && event.target instanceof HTMLElement && event.target.dataset.dirty === 'true') return
    event.preventDefault()
    if (event.shiftKey) store.redo()
    else store.undo()
  } else if (command && key === 'y') {
    event.preventDefault()
    store.redo()
  } else if (!command && !event.altKey && !typing(event.target)) {
    if (event.key === '?') open.value = true
    else if (event.key === 'Escape') openFigureId.value = undefined
    else if (event.key === '[') turn(-1)
    else if (event.key === ']') turn(1)
    else if (key === 'f') void chooseAxle(axle.value === 'front' ? 'rear' : 'front')
    else if (/^\d$/.test(event.key)) {
      const step = STEPS.find((one) => one.number === (event.key === '0' ? 10 : Number(event.key)))
      if (step) void go(step.id)
    }
  }
})
type Shortcut = (typeof SHORTCUTS)[number]
const columns = [
  { id: 'keys', label: 'Keys', least: 170, text: (row: Shortcut) => row.keys },
  { id: 'does', label: 'Effect', least: 220, text: (row: Shortcut) => row.does },
]
</script>

<template>
  <ElDialog v-model="open" title="Keys and terms" width="min(480px, 94vw)">
    <LazyTable :rows="SHORTCUTS" :columns="columns" />
    <p><NuxtLink to="/glossary" @click="open = false">Open glossary</NuxtLink></p>
  </ElDialog>
</template>
