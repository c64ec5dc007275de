import { nextTick, onMounted, watch } from 'vue'
import { useRoute } from 'vue-router'

/** Brings the field that the address names into view and puts the cursor there. */
export function useFieldFocus(): void {
  const route = useRoute()
  async function focus() {
    const field = route.query.field
    if (typeof field !== 'string' || !/^[\w.]+$/.test(field)) return
    await nextTick()
    const holder = document.querySelector(`[data-field="${field}"]`)
    const control = holder?.matches('input, select, textarea') ? holder : holder?.querySelector('input, select, textarea')
    if (!(control instanceof HTMLElement)) return
    control.scrollIntoView({ block: 'center' })
    control.focus()
  }
  onMounted(focus)
  watch(() => [route.query.field, route.query.part], focus)
}
