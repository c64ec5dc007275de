import { createSharedComposable } from '@vueuse/core'
import { computed } from 'vue'
import { buildReport } from '#core/work-order/build-report.ts'
import { buildOf } from '#core/work-order/work-order.ts'
import { noteStep, noteTorque } from '#core/commands/build-log.ts'
import type { BuildNote } from '#core/records/build-log.ts'
import type { Figure } from '#core/quantity/figure.ts'
import { useProjectStore } from '../stores/project.ts'
import { useWorkbench } from './workbench.ts'

export const today = (): string => new Date().toISOString().slice(0, 10)

/** The build of the setup that is looked at: its order, and what is ticked, noted and read. */
export const useBuild = createSharedComposable(() => {
  const store = useProjectStore()
  const { report, setup } = useWorkbench()
  // a report of the project before would speak of parts that are gone
  const build = computed(() => {
    const project = store.project
    return project && report.value && project.setups.some((one) => one.id === report.value!.setupId)
      ? buildReport(project, report.value)
      : undefined
  })
  const log = computed(() => (store.project && setup.value ? buildOf(store.project, setup.value.id) : undefined))
  const notes = computed(() => new Map(log.value?.notes.map((one) => [one.id, one])))
  const id = () => setup.value!.id
  const tick = (stepId: string, title: string, done: boolean) =>
    store.edit(`${done ? 'Tick' : 'Untick'} ${title}`.slice(0, 80), (draft) =>
      noteStep(draft, id(), stepId, { doneOn: done ? today() : undefined }),
    )
  const note = (stepId: string, change: Partial<Pick<BuildNote, 'note' | 'picture'>>) =>
    store.edit('Note a step', (draft) => noteStep(draft, id(), stepId, change), { shows: true })
  const torque = (boltsId: string, label: string, value: Figure | undefined) =>
    store.edit(`Torque of ${label}`.slice(0, 80), (draft) => noteTorque(draft, id(), boltsId, value))
  return { build, log, notes, tick, note, torque }
})
