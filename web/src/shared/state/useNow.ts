import { useIntervalFn } from '@vueuse/core'
import { ref, readonly } from 'vue'
import { useSession } from './useSession'

const now = ref(Date.now())

/** The server's time, ms since 1970, moving every second. */
export function useNow() {
  const session = useSession()
  const tick = () => (now.value = Date.now() + session.clockOffset)
  tick()
  useIntervalFn(tick, 1000)
  return readonly(now)
}
