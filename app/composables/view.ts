import { computed, type ComputedRef } from 'vue'
import { useRoute } from 'vue-router'

/** Which view of a step the address names; the first where it names none. */
export function useView<const V extends readonly { id: string }[]>(views: V): ComputedRef<V[number]['id']> {
  const route = useRoute()
  return computed(() => (views.find((one) => one.id === route.query.view) ?? views[0]!).id)
}
