import { useStorage } from '@vueuse/core'
import { nextTick, onScopeDispose, reactive, ref, watch, type Ref } from 'vue'
import { pressing } from './howPressed'

export interface Key {
  key: string
  does: string
  run?: () => void
}

/** Whether single letters are commands; digits and the two signs always are. */
export const letters = useStorage<'on' | 'off'>('side-bench-letters', 'on')

interface Group {
  keys: Key[]
  /** The keycap on the screen; none for a key that stands beside nothing. */
  cap?: () => HTMLElement | null
  /** Its keys as they are now. */
  now: () => Key[]
}
const groups = reactive<Group[]>([])

/** Keys of what is on the screen now, for the overlay; innermost last. */
export const activeKeys = groups

/** How many things are open over the page, or on their way there: keys of the page beneath mean nothing then. */
const over = ref(0)

/** Keys of the page mean nothing from the moment that something is to open over it, also while its code is still being loaded. */
export function useOver(open: () => boolean) {
  let counts = false
  const set = (now: boolean) => {
    if (now !== counts) over.value += now ? 1 : -1
    counts = now
  }
  watch(open, set, { immediate: true, flush: 'sync' })
  onScopeDispose(() => set(false))
}

/** True while typing: single keys then mean themselves. */
function isTyping(event: KeyboardEvent): boolean {
  const at = event.target as HTMLElement | null
  return !!at?.closest?.('input:not([type=checkbox], [type=radio]), textarea, select, [contenteditable]')
}

/** The dialog that is open, the last one where one opened another; null when none is. */
const dialogNow = () => [...document.querySelectorAll<HTMLElement>('[role=dialog],[role=alertdialog]')].at(-1) ?? null

/** The digit of a key whose digit needs shift on this keyboard; empty for any other. */
const digitOf = (event: KeyboardEvent) => (event.shiftKey ? '' : (/^Digit([1-9])$/.exec(event.code)?.[1] ?? ''))

function find(event: KeyboardEvent): Key | undefined {
  const dialog = dialogNow()
  const here = [...groups].reverse().filter((g) => (dialog ? g.cap && dialog.contains(g.cap()) : over.value === 0))
  const named = (key: string) =>
    here.flatMap((g) => g.now()).find((k) => k.key.toLowerCase() === key.toLowerCase() && k.run)
  return named(event.key) ?? (digitOf(event) ? named(digitOf(event)) : undefined)
}

let listening = false
function listen() {
  if (listening) return
  listening = true
  // One for all, so that one stroke is one press: the innermost that has the key.
  window.addEventListener('keydown', (event) => {
    if (event.ctrlKey || event.metaKey || event.altKey || event.repeat || event.isComposing || event.defaultPrevented)
      return
    if (isTyping(event) || (letters.value === 'off' && /^[a-z]$/i.test(event.key))) return
    const hit = find(event)
    if (!hit?.run) return
    event.preventDefault()
    pressing('key', hit.run)
  })
}

function add(group: Group) {
  listen()
  groups.push(group)
  onScopeDispose(() =>
    groups.splice(
      groups.findIndex((g) => g.now === group.now),
      1,
    ),
  )
}

/** Keys that stand beside nothing on the screen, while the calling component is mounted. */
export function useKeys(keys: () => Key[]) {
  const shown: Key[] = reactive([])
  const refresh = () => shown.splice(0, shown.length, ...keys())
  refresh()
  add({ keys: shown, now: keys })
  return { refresh }
}

/** What a keycap can stand in: what a stroke of its key presses. */
const pressable = 'button, a, label, summary, [role=button], [role=checkbox]'

/**
 * Binds a key to the thing that its keycap stands in: a stroke presses that very thing, whatever the order in which things came to be.
 * @param cap The keycap on the screen.
 * @param key Its key.
 * @param does What it does, for the overlay; by default what stands beside it.
 */
export function useKeycap(cap: Ref<HTMLElement | null>, key: () => string, does: () => string) {
  const run = () => {
    const thing = cap.value?.closest<HTMLElement>(pressable)
    if (thing instanceof HTMLLabelElement) thing.control?.focus()
    else thing?.click()
  }
  const beside = () => cap.value?.closest(pressable)?.textContent?.replace(key(), '').trim() ?? ''
  const shown: Key[] = reactive([{ key: key(), does: does() }])
  add({ keys: shown, cap: () => cap.value, now: () => [{ key: key(), does: does(), run }] })
  watch([key, does], () => shown.splice(0, 1, { key: key(), does: does() || beside() }))
  void nextTick(() => shown.splice(0, 1, { key: key(), does: does() || beside() }))
}
