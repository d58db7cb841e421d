import { useQueryClient } from '@tanstack/vue-query'
import { useEventSource } from '@vueuse/core'
import { watch } from 'vue'
import type { Api } from '@/shared/api/client'

/** Hears what changes on the server, and loads again what this browser shows of it. Mounted once. */
export function useEvents() {
  const queries = useQueryClient()
  const { data, status } = useEventSource('/api/events', [], { autoReconnect: { delay: 1000 } })
  watch(data, (text) => {
    if (!text) return
    const heard = JSON.parse(text) as { all?: boolean; shop?: boolean; job?: number; version?: number }
    void queries.invalidateQueries({ queryKey: ['board'] })
    if (heard.all || heard.shop) void queries.invalidateQueries()
    const shown = queries.getQueriesData<Api<'BenchView'>>({ queryKey: ['job', heard.job] })
    if (shown.some(([, job]) => job && job.version !== heard.version)) {
      void queries.invalidateQueries({ queryKey: ['job', heard.job] })
    }
  })
  return { status }
}
