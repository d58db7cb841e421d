import { onScopeDispose, readonly, ref, watch, type WatchSource } from 'vue'

/** How long a card stands before a press on it counts, ms: what nobody can have read yet is not answered by a quick second press. */
export const youngMs = 400
/** How long it is said that a press came too soon, ms. */
const saidMs = 2500

/** Whether a card has stood long enough to be answered; young again whenever its key changes. */
export function useSettled(key: WatchSource<string>) {
  const settled = ref(false)
  const early = ref(false)
  let timer: ReturnType<typeof setTimeout> | undefined
  let saying: ReturnType<typeof setTimeout> | undefined
  const begin = () => {
    settled.value = false
    clearTimeout(timer)
    timer = setTimeout(() => (settled.value = true), youngMs)
  }
  watch(key, begin, { immediate: true, flush: 'sync' })
  onScopeDispose(() => {
    clearTimeout(timer)
    clearTimeout(saying)
  })
  return {
    /** Whether a press counts now. */
    settled: readonly(settled),
    /** Whether a press came too soon: the card says so. */
    early: readonly(early),
    /** Whether this press counts; one that does not is shown. */
    counts: () => {
      if (settled.value) {
        early.value = false
        return true
      }
      early.value = true
      clearTimeout(saying)
      saying = setTimeout(() => (early.value = false), saidMs)
      return false
    },
  }
}
