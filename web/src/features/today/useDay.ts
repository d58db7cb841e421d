import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, dataOf, type Api } from '@/shared/api/client'
import { useWrites } from '@/shared/write/useWrites'

export type Day = Api<'DayView'>
export type DayJob = Api<'DayJobView'>
export type DayNow = Api<'DayNowView'>

const minute = 60_000

/** The plan of the day, made anew whenever something is told and every minute. */
export function useDay() {
  const queries = useQueryClient()
  const query = useQuery({
    queryKey: ['board', 'day'],
    queryFn: () => dataOf(api.GET('/api/day')),
    placeholderData: (before) => before,
    refetchInterval: minute,
  })
  const pinned = ref<DayJob | null>(null)
  const writes = useWrites<unknown>({
    about: 'shop',
    stamp: () => ({ seenVersion: pinned.value?.version ?? 0, thread: 0 }),
    written: () => queries.invalidateQueries({ queryKey: ['board'] }),
    refetch: () => query.refetch(),
  })
  // One for each job: what was said of one is never sent to another.
  const writers = new Map<number, ReturnType<typeof writerOf>>()
  const writerOf = (id: number) =>
    writes.write((body: Api<'PinRequest'>) =>
      dataOf(api.POST('/api/jobs/{id}/pin', { params: { path: { id } }, body })),
    )
  return {
    query,
    day: computed(() => query.data.value ?? null),
    busy: writes.busy,
    asking: writes.asking,
    problem: writes.problem,
    canRetry: computed(writes.canRetry),
    retry: writes.retry,
    dismiss: writes.dismiss,
    /** Gives the next piece of a job to a person, sets it to a time, or lets it go. */
    pin: (job: DayJob, of: number, from: string | null, free: boolean) => {
      pinned.value = job
      if (!writers.has(job.id)) writers.set(job.id, writerOf(job.id))
      return writers.get(job.id)!({ of, from, free })
    },
  }
}

export type DayDesk = ReturnType<typeof useDay>
