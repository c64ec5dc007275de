import { createSharedComposable } from '@vueuse/core'
import { ref, shallowRef } from 'vue'
import { takeQuote, type Quote } from '#core/records/quote.ts'
import { quotesWanted } from '#core/cost/quotes-wanted.ts'
import { useProjectStore } from '../stores/project.ts'

const PATIENCE_MS = 6000

/** The price desk: asks for quotes for a setup and takes them into the cost. Everything else works without it. */
export const usePriceDesk = createSharedComposable(() => {
  const store = useProjectStore()
  const quotes = shallowRef<Quote[]>([])
  /** The setup they were asked for. */
  const forSetup = ref('')
  const state = ref<'idle' | 'asking' | 'answered' | 'failed'>('idle')
  const trouble = ref('')

  async function ask(setupId: string): Promise<void> {
    const project = store.project
    if (!project) return
    const wanted = quotesWanted(project, setupId)
    state.value = 'asking'
    trouble.value = ''
    try {
      const response = await fetch('/api/supply/quotes', {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ wanted, currency: project.preferences.currency, date: new Date().toISOString().slice(0, 10) }),
        signal: AbortSignal.timeout(PATIENCE_MS),
      })
      if (!response.ok) throw new Error(((await response.json()) as { message?: string }).message ?? `it answered ${response.status}`)
      quotes.value = ((await response.json()) as { quotes: Quote[] }).quotes
      forSetup.value = setupId
      state.value = 'answered'
    } catch (error) {
      state.value = 'failed'
      trouble.value = `The price desk gives no quotes (${error instanceof Error ? error.message : String(error)}). You can type prices instead.`
    }
  }
  const take = (setupId: string, taken: readonly Quote[]) =>
    store.edit(taken.length === 1 ? `Use the quote of ${taken[0]!.seller}` : `Use ${taken.length} quotes`, (draft) => {
      for (const quote of taken) takeQuote(draft, setupId, quote)
    })
  return { quotes, forSetup, state, trouble, ask, take }
})
