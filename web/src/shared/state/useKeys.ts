import { onKeyStroke, useStorage } from '@vueuse/core'
import { onScopeDispose, reactive } from 'vue'

export interface Key {
  key: string
  does: string
  run?: () => void
}

/** Whether single letters are commands; digits and the two signs always are. */
export const letters = useStorage<'on' | 'off'>('side-bench-letters', 'on')

const active = reactive<Key[][]>([])

/** Keys of what is on the screen now, for the overlay; innermost last. */
export const activeKeys = active

/** True while typing or while a dialog is open: single keys then mean themselves. */
function isTyping(event: KeyboardEvent): boolean {
  const at = event.target as HTMLElement | null
  return (
    !!at?.closest?.('input, textarea, select, [contenteditable]') ||
    !!document.querySelector('[role=dialog],[role=alertdialog]')
  )
}

/** Single-key commands while the calling component is mounted. */
export function useKeys(keys: () => Key[]) {
  const shown: Key[] = reactive([])
  active.push(shown)
  const refresh = () => shown.splice(0, shown.length, ...keys())
  refresh()
  onKeyStroke(
    (event) => !event.ctrlKey && !event.metaKey && !event.altKey && !event.repeat,
    (event) => {
      if (isTyping(event) || (letters.value === 'off' && /^[a-z]$/i.test(event.key))) return
      const hit = keys().find((k) => k.key.toLowerCase() === event.key.toLowerCase())
      if (!hit?.run) return
      event.preventDefault()
      hit.run()
    },
  )
  onScopeDispose(() => active.splice(active.indexOf(shown), 1))
  return { refresh }
}
