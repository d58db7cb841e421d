import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed } from 'vue'
import { api, dataOf, type Api } from '@/shared/api/client'
import { loadAnew } from '@/shared/state/loadAnew'
import { useWrites } from '@/shared/write/useWrites'

export type HeadCare = Api<'HeadCareView'>
export type HeadStep = Api<'HeadStepView'>
export type Way = Api<'WayView'>

/** Head care of a job: what is known of its head, the plan, and the writes of its page. */
export function useHeadCare(id: number) {
  const queries = useQueryClient()
  const query = useQuery({
    queryKey: ['job', id, 'head-care'],
    queryFn: () => dataOf(api.GET('/api/jobs/{id}/head-care', { params: { path: { id } } })),
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
    care: computed(() => query.data.value ?? null),
    busy: writes.busy,
    asking: writes.asking,
    problem: writes.problem,
    canRetry: computed(writes.canRetry),
    retry: writes.retry,
    dismiss: writes.dismiss,
    done: write((body: Api<'MendRequest'>) => dataOf(api.POST('/api/jobs/{id}/repairs', { ...at, body }))),
    tellBuildUp: write((body: Api<'BuildUpRequest'>) =>
      dataOf(api.POST('/api/jobs/{id}/head-care/build-up', { ...at, body })),
    ),
    agree: write((body: Api<'LevelRequest'>) => dataOf(api.POST('/api/jobs/{id}/head-care/level', { ...at, body }))),
  }
}
