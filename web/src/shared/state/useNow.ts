import { createSharedComposable, useIntervalFn } from '@vueuse/core'
import { computed, ref, readonly } from 'vue'
import { useSession } from './useSession'

const now = ref(Date.now())
const minuteMs = 60_000

// However many ask for the time, it ticks once a second.
const useTick = createSharedComposable(() => {
  const session = useSession()
  const tick = () => (now.value = Date.now() + session.clockOffset)
  useIntervalFn(tick, 1000)
  return tick
})

/** The server's time, ms since 1970, moving every second. */
export function useNow() {
  useTick()()
  return readonly(now)
}

/** The server's time, ms since 1970, moving every minute: for what is large to draw, and shows no seconds. */
export function useMinute() {
  useTick()()
  return computed(() => now.value - (now.value % minuteMs))
}
