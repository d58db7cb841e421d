import { onScopeDispose, readonly, ref, watch, type WatchSource } from 'vue'

/** How long a card stands before a press on it counts, ms: what nobody can have read yet is not answered by a quick second press. */
export const youngMs = 400

/** Whether a card has stood long enough to be answered; young again whenever its key changes. */
export function useSettled(key: WatchSource<string>) {
  const settled = ref(false)
  let timer: ReturnType<typeof setTimeout> | undefined
  const begin = () => {
    settled.value = false
    clearTimeout(timer)
    timer = setTimeout(() => (settled.value = true), youngMs)
  }
  watch(key, begin, { immediate: true })
  onScopeDispose(() => clearTimeout(timer))
  return readonly(settled)
}
