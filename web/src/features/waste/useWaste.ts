import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, dataOf, type Api } from '@/shared/api/client'
import { useWrites } from '@/shared/write/useWrites'

export type Waste = Api<'WasteView'>

/** Waste of a job: both truths, the gate, ways on, and the writes of its page. */
export function useWaste(id: number) {
  const queries = useQueryClient()
  const years = ref(3)
  const query = useQuery({
    queryKey: computed(() => ['job', id, 'waste', years.value]),
    queryFn: () => dataOf(api.GET('/api/jobs/{id}/waste', { params: { path: { id }, query: { years: years.value } } })),
    placeholderData: (before) => before,
  })
  const writes = useWrites<unknown>({
    about: id,
    stamp: () => ({ seenVersion: query.data.value?.version ?? 0, thread: query.data.value?.thread ?? 0 }),
    written: () => {
      void queries.invalidateQueries({ queryKey: ['shop'] })
      void queries.invalidateQueries({ queryKey: ['shelf'] })
      return queries.invalidateQueries({ queryKey: ['job', id] })
    },
    refetch: () => query.refetch(),
  })
  const at = { params: { path: { id } } }
  const write = writes.write
  return {
    query,
    years,
    waste: computed(() => query.data.value ?? null),
    busy: writes.busy,
    asking: writes.asking,
    problem: writes.problem,
    canRetry: computed(writes.canRetry),
    retry: writes.retry,
    dismiss: writes.dismiss,
    tell: write((body: Api<'StoreToldRequest'>) => dataOf(api.POST('/api/jobs/{id}/waste/told', { ...at, body }))),
    reset: write((body: Api<'CounterResetRequest'>) =>
      dataOf(api.POST('/api/jobs/{id}/waste/resets', { ...at, body })),
    ),
    service: (count: number | null, to: number) =>
      dataOf(api.POST('/api/jobs/{id}/waste/service', { ...at, body: { count, to } })),
    handIn: write((body: Api<'HandedInRequest'>) =>
      dataOf(api.POST('/api/jobs/{id}/waste/handed-in', { ...at, body })),
    ),
  }
}

export type WasteDesk = ReturnType<typeof useWaste>
