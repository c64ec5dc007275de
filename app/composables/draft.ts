import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { dropDraft, keepDraft, readDraft } from '../storage/drafts.ts'

/** Parts of an address that tell one field from another of the same name. */
const TELLS = ['part', 'setup', 'axle', 'sheet', 'view'] as const

/**
 * The draft of one field: what is being typed there and not taken yet, kept with the place it is typed at.
 * @param name of the field within its page; undefined: nothing is kept
 */
export function useDraft(name: () => string | undefined) {
  const route = useRoute()
  const place = computed(() => {
    const field = name()
    if (!field) return undefined
    return [route.path, ...TELLS.map((key) => String(route.query[key] ?? '')), field].join('|')
  })
  return {
    read: (): string | undefined => (place.value === undefined ? undefined : readDraft(place.value)),
    keep(text: string): void {
      if (place.value !== undefined) keepDraft(place.value, text, Date.now())
    },
    drop(): void {
      if (place.value !== undefined) dropDraft(place.value)
    },
  }
}
