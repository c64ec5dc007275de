import type { GaugeDriver } from './driver.ts'

/** Keys that follow faster than this were not typed by a hand, ms. */
const FASTEST_HAND_MS = 35
const LONGEST = 24

/**
 * A gauge that plugs in as a keyboard: it types its reading and presses Enter. In a field of the sheet that
 * works by itself; this driver catches readings that are typed while no field has the focus, so that none
 * ends up as a shortcut or nowhere.
 *
 * @param now milliseconds, for tests
 */
export function keyboardGauge(target: EventTarget, now: () => number = () => performance.now()): GaugeDriver {
  return {
    id: 'keyboard',
    label: 'gauge that types',
    connect(listener) {
      let typed = ''
      let last = -Infinity
      const listen = (event: Event) => {
        const { key, ctrlKey, metaKey, altKey, target: at } = event as KeyboardEvent
        if (ctrlKey || metaKey || altKey || isField(at)) return
        const fast = now() - last < FASTEST_HAND_MS
        last = now()
        if (key === 'Enter') {
          const value = fast ? numberOf(typed) : undefined
          typed = ''
          if (value === undefined) return
          event.preventDefault()
          listener.reading({ valueMm: value, sent: true })
          return
        }
        if (!/^[-+0-9.,]$/.test(key)) {
          typed = ''
          return
        }
        typed = fast || typed === '' ? typed + key : key
        if (typed.length > LONGEST) typed = ''
        // the second sign of a burst is the gauge's, not a shortcut
        if (typed.length > 1) event.stopImmediatePropagation()
      }
      target.addEventListener('keydown', listen, { capture: true })
      return () => target.removeEventListener('keydown', listen, { capture: true })
    },
  }
}

function isField(at: EventTarget | null): boolean {
  return typeof HTMLElement !== 'undefined' && at instanceof HTMLElement && at.matches('input, textarea, select, [contenteditable]')
}

function numberOf(text: string): number | undefined {
  const value = Number(text.replace(',', '.').replace(/^\+/, ''))
  return text !== '' && Number.isFinite(value) ? value : undefined
}
