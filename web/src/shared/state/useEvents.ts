import { useQueryClient } from '@tanstack/vue-query'
import { useEventSource } from '@vueuse/core'
import { watch } from 'vue'
import { whenAnswered } from '@/shared/write/inFlight'

interface Heard {
  all?: boolean
  shop?: boolean
  job?: number
  version?: number
}

/** Hears what changes on the server, and loads again what this browser shows of it. Mounted once. */
export function useEvents() {
  const queries = useQueryClient()
  const { data, status } = useEventSource('/api/events', [], { autoReconnect: { delay: 1000 } })

  // A press of our own is loaded by its answer; only what somebody else wrote is loaded again.
  function jobChanged(job: number, version: number) {
    const shown = queries.getQueriesData<{ version: number }>({ queryKey: ['job', job] })
    if (shown.some(([, of]) => of && of.version < version)) void queries.invalidateQueries({ queryKey: ['job', job] })
  }

  watch(data, (text) => {
    if (!text) return
    const heard = JSON.parse(text) as Heard
    if (heard.all) void queries.invalidateQueries()
    else if (heard.shop) whenAnswered('shop', () => void queries.invalidateQueries())
    else if (heard.job !== undefined) {
      const { job, version = 0 } = heard
      void queries.invalidateQueries({ queryKey: ['board'] })
      whenAnswered(job, () => jobChanged(job, version))
    }
  })
  return { status }
}
