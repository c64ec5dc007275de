import type { GaugeDriver } from './driver.ts'

/** Keys that follow faster than this were not typed by a hand, ms. */
const FASTEST_HAND_MS = 35
const LONGEST = 24

/**
 * A gauge that plugs in as a keyboard: it types its reading and presses Enter. In a field of the sheet that
 * works by itself; this driver catches readings that are typed while no field has the focus, so that none
 * ends up as a shortcut or nowhere.
 *
 * Speed is taken from when the keys were pressed, not from when the page came to them: a page that is busy
 * gets a quick burst late, and must not take its first digit for a shortcut.
 */
export function keyboardGauge(target: EventTarget): GaugeDriver {
  return {
    id: 'keyboard',
    label: 'gauge that types',
    connect(listener) {
      let typed = ''
      let last = -Infinity
      /** The first sign of what may be a burst: held back until that is known. */
      let held: ReturnType<typeof setTimeout> | undefined
      const given = new WeakSet<Event>()
      const hold = (key: string, at: EventTarget) => {
        const give = () => {
          const again = Object.assign(new Event('keydown', { bubbles: true, cancelable: true }), { key })
          given.add(again)
          at.dispatchEvent(again)
        }
        // once more round the queue: keys that were pressed meanwhile and wait behind a busy page come first
        held = setTimeout(() => (held = setTimeout(give)), FASTEST_HAND_MS)
      }
      const listen = (event: Event) => {
        const { key, ctrlKey, metaKey, altKey, target: at } = event as KeyboardEvent
        if (given.has(event) || ctrlKey || metaKey || altKey || isField(at)) return
        const fast = event.timeStamp - last < FASTEST_HAND_MS
        last = event.timeStamp
        if (key === 'Enter') {
          const value = fast ? numberOf(typed) : undefined
          typed = ''
          if (value === undefined) return
          event.preventDefault()
          listener.reading({ value, sent: true })
          return
        }
        if (!/^[-+0-9.,]$/.test(key)) {
          typed = ''
          return
        }
        typed = fast ? typed + key : key
        if (typed.length > LONGEST) typed = ''
        event.stopImmediatePropagation()
        if (fast) clearTimeout(held)
        else hold(key, at ?? target)
      }
      target.addEventListener('keydown', listen, { capture: true })
      return () => {
        clearTimeout(held)
        target.removeEventListener('keydown', listen, { capture: true })
      }
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
