<script setup lang="ts">
import { useOnline, useTimeoutFn } from '@vueuse/core'
import { ref, watch } from 'vue'
import { useSession } from '@/shared/state/useSession'
import { away } from '@/shared/write/inFlight'

const props = defineProps<{
  /** State of the line to the server: CONNECTING, OPEN or CLOSED. */
  status: 'CONNECTING' | 'OPEN' | 'CLOSED'
}>()
const session = useSession()
const online = useOnline()
const lost = ref(false)
const { start, stop } = useTimeoutFn(() => (lost.value = true), 1500, { immediate: false })
watch(
  () => props.status,
  (status) => {
    if (status === 'OPEN') {
      stop()
      lost.value = false
    } else start()
  },
  { immediate: true },
)
watch(
  [lost, online],
  () => {
    away.value = lost.value || !online.value
  },
  { immediate: true },
)
// Back again: who is signed in is asked anew, since a sign-in may have ended meanwhile.
watch(away, (is) => void (is || session.renew().catch(() => undefined)))
</script>

<template>
  <p
    v-if="lost || !online"
    role="status"
    data-testid="offline"
    class="no-print mb-3 rounded border border-wait bg-wait-tint p-2 text-ink"
  >
    {{ online ? 'No line to the server' : 'This device has no network' }}: what you see may be out of date. Presses are
    kept and sent in order when it is back; it is tried again every second.
  </p>
</template>
