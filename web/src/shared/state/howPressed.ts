/** How something was told: by a key beside it, by hand (mouse, pen, finger), typed in words, by a scan, by a guide's step. */
export type How = 'key' | 'hand' | 'typed' | 'scan' | 'guide'

let last: How = 'hand'
let given: How | null = null

const textual = 'input:not([type=checkbox], [type=radio], [type=button], [type=submit]), textarea, select'

if (typeof window !== 'undefined') {
  const heard = { capture: true, passive: true }
  window.addEventListener('pointerdown', () => (last = 'hand'), heard)
  window.addEventListener(
    'keydown',
    (event) => (last = (event.target as HTMLElement | null)?.closest?.(textual) ? 'typed' : 'key'),
    heard,
  )
}

/** How what is pressed at this moment is told. */
export const howPressed = (): How => given ?? last

/** Does something that is told in a known way, whatever pressed it. */
export function pressing<T>(how: How, act: () => T): T {
  const before = given
  given = how
  if (how === 'key') last = 'key'
  try {
    return act()
  } finally {
    given = before
  }
}
