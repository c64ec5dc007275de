import { createSharedComposable } from '@vueuse/core'
import { ref } from 'vue'

/** The keys that work everywhere, and whether their list is open. */
export const SHORTCUTS = [
  { keys: '1 … 9, 0', does: 'open a step' },
  { keys: 'Ctrl + K', does: 'find a step, setup, part, figure or action by name' },
  { keys: 'Ctrl + Z', does: 'undo' },
  { keys: 'Shift + Ctrl + Z', does: 'redo' },
  { keys: 'Ctrl + S', does: 'export the project to a file' },
  { keys: '[ and ]', does: 'setup before, setup after' },
  { keys: 'F', does: 'front or rear corner' },
  { keys: 'Arrow keys on the spacer', does: 'half a millimetre; with Shift a tenth' },
  { keys: 'Enter in a field', does: 'save the value' },
  { keys: 'Esc', does: 'close what is open' },
  { keys: '?', does: 'this list' },
] as const

export const useShortcutList = createSharedComposable(() => ({ open: ref(false) }))
