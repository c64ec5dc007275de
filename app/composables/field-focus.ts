import { nextTick, onMounted, watch } from 'vue'
import { useRoute } from 'vue-router'

/** Fields come in over some frames. */
const PATIENCE_FRAMES = 30
async function fieldNamed(name: string): Promise<Element | null> {
  await nextTick()
  for (let i = 0; i < PATIENCE_FRAMES; i += 1) {
    const found = document.querySelector(`[data-field="${name}"]`)
    if (found) return found
    await new Promise(requestAnimationFrame)
  }
  return null
}

/** Brings the field that the address names into view and puts the cursor there. */
export function useFieldFocus(): void {
  const route = useRoute()
  async function focus() {
    const field = route.query.field
    if (typeof field !== 'string' || !/^[\w.]+$/.test(field)) return
    const holder = await fieldNamed(field)
    const control = holder?.matches('input, select, textarea') ? holder : holder?.querySelector('input, select, textarea')
    if (!(control instanceof HTMLElement)) return
    control.scrollIntoView({ block: 'center' })
    control.focus()
  }
  onMounted(focus)
  watch(() => [route.query.field, route.query.part], focus)
}
