import { useQueryClient } from '@tanstack/vue-query'
import { useEventSource } from '@vueuse/core'
import { watch } from 'vue'
import { isFirstLoad, loadAnew } from '@/shared/state/loadAnew'
import { whenAnswered } from '@/shared/write/inFlight'

interface Heard {
  all?: boolean
  shop?: string
  list?: string
  job?: number
  version?: number
}

/** What this browser shows of each part of the shop; of a part that is not named here, all of it. */
const shownOf: Record<string, string[]> = {
  hours: ['hours', 'board', 'promise', 'shop', 'calendar'],
  day: ['board'],
  people: ['people', 'accounts', 'sign-ins', 'board', 'hours'],
  shelf: ['shelf', 'shop', 'job', 'board', 'station', 'why', 'guide', 'promise'],
  waste: ['waste', 'job', 'board', 'hand-over', 'guide'],
}

/** Hears what changes on the server, and loads again what this browser shows of it. Mounted once. */
export function useEvents() {
  const queries = useQueryClient()
  const { data, status } = useEventSource('/api/events', [], { autoReconnect: { delay: 1000 } })

  // A press of our own is loaded by its answer; only what somebody else wrote is loaded again.
  function jobChanged(job: number, version: number) {
    const shown = queries.getQueryCache().findAll({ queryKey: ['job', job] })
    const isOld = (of: { version: number } | undefined) => !!of && of.version < version
    if (shown.some((q) => isFirstLoad(q) || isOld(q.state.data as { version: number } | undefined)))
      void loadAnew(queries, { queryKey: ['job', job] })
  }

  // A line about the shop is no news of what it is not about: open pages keep what they show.
  function shopChanged(part: string) {
    const shown = shownOf[part]
    void loadAnew(queries, shown ? { predicate: (query) => shown.includes(`${query.queryKey[0]}`) } : {})
  }

  watch(data, (text) => {
    if (!text) return
    const heard = JSON.parse(text) as Heard
    if (heard.all) void loadAnew(queries)
    else if (heard.shop) whenAnswered('shop', () => shopChanged(heard.shop!))
    else if (heard.list) void loadAnew(queries, { queryKey: [heard.list] })
    else if (heard.job !== undefined) {
      const { job, version = 0 } = heard
      void loadAnew(queries, { queryKey: ['board'] })
      whenAnswered(job, () => jobChanged(job, version))
    }
  })
  return { status }
}
