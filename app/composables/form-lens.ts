import { createSharedComposable, useLocalStorage } from '@vueuse/core'
import { computed, ref } from 'vue'
import { QUESTIONS, type QuestionId } from '#core/records/start-question.ts'
import { needsOf } from '#core/guide/path.ts'
import { useProjectStore } from '../stores/project.ts'
import { useUncertainty } from './uncertainty.ts'
import { useWorkbench } from './workbench.ts'

/** Questions whose answers are figures: for these a form knows what is needed. */
const FIGURED: readonly QuestionId[] = ['clears', 'balanced', 'lasts']

/** How forms are read: by their headings, or by what they are to an answer; and what of them is searched for. */
export const useFormLens = createSharedComposable(() => {
  const store = useProjectStore()
  const { report, axle } = useWorkbench()
  const { last: doubt } = useUncertainty()
  const search = ref('')
  /** All groups of fields open at once; kept, for who fills in a whole part works so all day. */
  const all = useLocalStorage('forms.all', false)
  const chosen = ref<QuestionId | '' | undefined>()
  const asked = computed(() => (store.project?.question && FIGURED.includes(store.project.question) ? store.project.question : ''))
  /** The answer that forms are folded by; empty: by their headings. */
  const by = computed<QuestionId | ''>({ get: () => chosen.value ?? asked.value, set: (value) => (chosen.value = value) })
  const needs = computed(() =>
    store.project && report.value && by.value !== '' ? needsOf(store.project, report.value, by.value, axle.value, doubt.value) : undefined,
  )
  const choices = [{ value: '' as const, label: 'all, by heading' }, ...FIGURED.map((value) => ({ value, label: QUESTIONS[value] }))]
  return { search, all, by, needs, choices }
})
