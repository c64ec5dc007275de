import { createSharedComposable } from '@vueuse/core'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { carAxleFields, carFields } from '#core/records/car-fields.ts'
import type { FieldTable } from '#core/records/field.ts'
import { PART_KINDS } from '#core/records/part-kinds.ts'
import { AXLES } from '#core/quantity/axle.ts'
import { QUESTION_IDS, QUESTIONS } from '#core/records/start-question.ts'
import { formatMoney, formatQuantity } from '#core/quantity/format.ts'
import { boundWord } from '#core/figures/words.ts'
import { useProjectStore } from '../stores/project.ts'
import type { Findable } from './finding.ts'
import { useProjectFiles } from './project-files.ts'
import { useShortcutList } from './shortcuts.ts'
import { useTechnicalReport } from './technical-report.ts'
import { STEPS, useWorkbench } from './workbench.ts'

/** Everything of the open project by name: questions, steps, setups, parts, figures of the report and of the car, and what can be done. */
export const useFinder = createSharedComposable(() => {
  const store = useProjectStore()
  const router = useRouter()
  const { report, units, go, goTo, link, chooseSetup, openFigureId } = useWorkbench()
  const { exportOpen } = useProjectFiles()
  const { open: openReport } = useTechnicalReport()
  const { open: openKeys } = useShortcutList()
  const open = ref(false)

  const steps = (): Findable[] => STEPS.map(({ id, label }) => ({ id: `step.${id}`, label, kind: 'step', run: () => void go(id) }))
  const setups = (): Findable[] =>
    store.current.setups.map(({ id, name }) => ({ id: `setup.${id}`, label: name, kind: 'setup', run: () => void chooseSetup(id) }))
  const figures = (): Findable[] =>
    Object.values(report.value?.figures ?? {}).map((figure) => ({
      id: `figure.${figure.id}`,
      label: figure.label,
      kind:
        figure.value === undefined
          ? 'not known'
          : figure.dimension === 'money'
            ? `${boundWord(figure)}${formatMoney(figure.value, store.current.preferences.currency)}`
            : `${boundWord(figure)}${formatQuantity(figure.value, figure.dimension, units.value)}`,
      run: () => (openFigureId.value = figure.id),
    }))
  const parts = (): Findable[] =>
    store.current.parts.map(({ id, name, kind }) => ({
      id: `part.${id}`,
      label: name,
      kind: PART_KINDS[kind].one,
      run: () => void go('parts', { part: id }),
    }))
  const carFigures = (): Findable[] => {
    const of = (table: FieldTable, axle?: 'front' | 'rear') =>
      Object.entries(table).map(([field, { label }]) => ({
        id: `car.${axle ?? ''}.${field}`,
        label: axle ? `${label}, ${axle}` : label,
        kind: 'figure of the car',
        run: () => goTo({ kind: 'car', ...(axle ? { axle } : {}), field }),
      }))
    return [...of(carFields), ...AXLES.flatMap((axle) => of(carAxleFields, axle))]
  }
  const actions = (): Findable[] => [
    ...(store.undoLabel ? [{ id: 'undo', label: `Undo: ${store.undoLabel}`, kind: 'action', run: () => store.undo() }] : []),
    ...(store.redoLabel ? [{ id: 'redo', label: `Redo: ${store.redoLabel}`, kind: 'action', run: () => store.redo() }] : []),
    { id: 'export', label: 'Export the project', kind: 'action', run: exportOpen },
    { id: 'report', label: 'Make a technical report', kind: 'action', run: () => (openReport.value = true) },
    { id: 'picture', label: 'Outline from a picture', kind: 'action', run: () => void go('measure', { sheet: 'caliperOutline' }) },
    { id: 'form', label: 'Blank form to print', kind: 'action', run: () => void router.push(`/p/${store.current.id}/form`) },
    // any project can be asked, whatever it was begun with
    ...QUESTION_IDS.map((ask): Findable => ({
      id: `ask.${ask}`,
      label: QUESTIONS[ask],
      kind: 'question',
      run: () => void router.push({ path: `/p/${store.current.id}/answer`, query: { ...link('car').query, ask } }),
    })),
    { id: 'how', label: 'How it decides', kind: 'action', run: () => void router.push('/how') },
    { id: 'tour', label: 'Tour of the bench', kind: 'action', run: () => void go('fit', { tour: '1' }) },
    { id: 'keys', label: 'Keyboard shortcuts', kind: 'action', run: () => (openKeys.value = true) },
    { id: 'projects', label: 'All projects', kind: 'action', run: () => void router.push('/') },
  ]
  const all = computed<Findable[]>(() =>
    open.value && store.project ? [...steps(), ...setups(), ...figures(), ...parts(), ...carFigures(), ...actions()] : [],
  )
  return { open, all }
})
