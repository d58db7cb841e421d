import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed } from 'vue'
import { api, dataOf, sendBytes, type Api } from '@/shared/api/client'
import { loadAnew } from '@/shared/state/loadAnew'
import { useWrites } from '@/shared/write/useWrites'

export type Ink = Api<'InkView'>
export type SlotInk = Api<'SlotInkView'>

/** How much of each channel a page takes, by its picture. */
export const coverOf = (job: number, file: Blob) =>
  sendBytes<Api<'CoverView'>[]>(`/api/jobs/${job}/ink/cover`, file, () => undefined)

/** Ink and chips of a job: what is in its slots, what is due, and the writes of its page. */
export function useInk(id: number) {
  const queries = useQueryClient()
  const query = useQuery({
    queryKey: ['job', id, 'ink'],
    queryFn: () => dataOf(api.GET('/api/jobs/{id}/ink', { params: { path: { id } } })),
  })
  const writes = useWrites<unknown>({
    about: id,
    stamp: () => ({ seenVersion: query.data.value?.version ?? 0, thread: query.data.value?.thread ?? 0 }),
    written: () => loadAnew(queries, { queryKey: ['job', id] }),
    refetch: () => query.refetch(),
  })
  const at = { params: { path: { id } } }
  const write = writes.write
  return {
    query,
    ink: computed(() => query.data.value ?? null),
    busy: writes.busy,
    asking: writes.asking,
    problem: writes.problem,
    canRetry: computed(writes.canRetry),
    retry: writes.retry,
    dismiss: writes.dismiss,
    chips: write((body: Api<'ChipsRequest'>) => dataOf(api.POST('/api/jobs/{id}/ink/chips', { ...at, body }))),
    weighed: write((body: Api<'WeighedRequest'>) => dataOf(api.POST('/api/jobs/{id}/ink/weighed', { ...at, body }))),
    filled: write((body: Api<'FilledRequest'>) => dataOf(api.POST('/api/jobs/{id}/ink/filled', { ...at, body }))),
    reset: write((body: Api<'ResetRequest'>) => dataOf(api.POST('/api/jobs/{id}/ink/resets', { ...at, body }))),
    fitted: write((body: Api<'FittedRequest'>) => dataOf(api.POST('/api/jobs/{id}/ink/fitted', { ...at, body }))),
    session: write((body: Api<'ResetSessionRequest'>) =>
      dataOf(api.POST('/api/jobs/{id}/ink/session', { ...at, body })),
    ),
    plugsOut: write((body: Api<'TrayPutRequest'>) => dataOf(api.POST('/api/jobs/{id}/tray', { ...at, body }))),
    plugsBack: write((body: Api<'TrayClearRequest'>) =>
      dataOf(api.POST('/api/jobs/{id}/tray/cleared', { ...at, body })),
    ),
    scale: (slot: number) =>
      dataOf(api.GET('/api/jobs/{id}/ink/slots/{slot}/scale', { params: { path: { id, slot } } })),
    visit: write((body: Api<'InkVisitRequest'>) => dataOf(api.POST('/api/jobs/{id}/ink/visit', { ...at, body }))),
  }
}

export type InkDesk = ReturnType<typeof useInk>
