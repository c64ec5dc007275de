import { createSharedComposable } from '@vueuse/core'
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { QUESTION_IDS, type QuestionId } from '#core/records/start-question.ts'
import { useProjectStore } from '../stores/project.ts'

/** The question that the address asks, else the one the project was begun with; and whether its short way is looked at. */
export const useQuestion = createSharedComposable(() => {
  const store = useProjectStore()
  const route = useRoute()
  const question = computed<QuestionId | undefined>(() => QUESTION_IDS.find((one) => one === route.query.ask) ?? store.project?.question)
  const onPath = computed(() => route.path.endsWith('/answer'))
  return { question, onPath }
})
