import { createSharedComposable } from '@vueuse/core'
import { ref, shallowRef, watch } from 'vue'
import { useProjectStore } from '../stores/project.ts'
import { dropDraft, keepDraft, readDraft } from '../storage/drafts.ts'

type GaugePair = [front: number, rear: number]

/** Pressure pairs that were read and not kept in the log yet: they outlast a look at another page, and a reload. */
export const useGaugePairs = createSharedComposable(() => {
  const store = useProjectStore()
  const pairs = shallowRef<GaugePair[]>([])
  const track = ref('')
  /** The pair that is being typed. */
  const front = ref('')
  const rear = ref('')
  const place = () => (store.project ? `${store.project.id}|gauge pairs` : undefined)

  function take(text: string | undefined): void {
    let kept: unknown
    try {
      kept = JSON.parse(text ?? 'null')
    } catch {
      kept = undefined
    }
    const { pairs: read, track: at, front: a, rear: b } = (kept ?? {}) as Record<string, unknown>
    const isPair = (one: unknown): one is GaugePair => Array.isArray(one) && one.length === 2 && one.every((mpa) => Number.isFinite(mpa))
    pairs.value = Array.isArray(read) ? read.filter(isPair).slice(0, 50) : []
    const words = (value: unknown) => (typeof value === 'string' ? value.slice(0, 120) : '')
    ;[track.value, front.value, rear.value] = [words(at), words(a), words(b)]
  }
  watch(
    () => store.project?.id,
    () => {
      const at = place()
      take(at && readDraft(at))
    },
    { immediate: true },
  )
  watch([pairs, track, front, rear], () => {
    const at = place()
    if (!at) return
    if (pairs.value.length === 0 && !front.value && !rear.value) dropDraft(at)
    else keepDraft(at, JSON.stringify({ pairs: pairs.value, track: track.value, front: front.value, rear: rear.value }), Date.now())
  })
  return { pairs, track, front, rear }
})
