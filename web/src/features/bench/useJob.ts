import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, toValue, type MaybeRefOrGetter } from 'vue'
import { api, dataOf, type Api } from '@/shared/api/client'
import { benchOf, takeBench, type Bench, type BenchSections } from '@/shared/state/benchPage'
import { useWrites } from '@/shared/write/useWrites'

export type { Bench, Step } from '@/shared/state/benchPage'

/** One thread of a job and every write to it. */
export function useJob(id: number, thread: MaybeRefOrGetter<number> = 0) {
  const queries = useQueryClient()
  const query = useQuery({
    queryKey: ['job', id, () => toValue(thread)],
    queryFn: async () =>
      benchOf(
        await dataOf(api.GET('/api/jobs/{id}', { params: { path: { id }, query: { thread: toValue(thread) } } })),
      ),
    placeholderData: (before: Bench | undefined) => before,
  })
  const at = { params: { path: { id } } }
  const writes = useWrites<BenchSections>({
    about: id,
    stamp: () => ({ seenVersion: query.data.value?.version ?? 0, thread: toValue(thread) }),
    written: (answer) => void takeBench(queries, id, answer),
    refetch: () => query.refetch(),
  })
  const write = writes.write
  const answer = write(
    (body: Api<'AnswerRequest'>) => dataOf(api.POST('/api/jobs/{id}/answers', { ...at, body })),
    true,
  )

  return {
    query,
    job: computed(() => query.data.value ?? null),
    ...writes.face,
    answer: (
      said: Omit<Api<'AnswerRequest'>, 'key' | 'seenVersion' | 'thread' | 'howTold' | 'slot' | 'before'> & {
        slot?: number
        before?: boolean
      },
    ) => answer({ slot: 0, before: false, ...said }),
    mend: write((body: Api<'MendRequest'>) => dataOf(api.POST('/api/jobs/{id}/repairs', { ...at, body })), true),
    takeBack: write((body: Api<'CorrectRequest'>) => dataOf(api.POST('/api/jobs/{id}/corrections', { ...at, body }))),
    override: write((body: Api<'OverrideRequest'>) => dataOf(api.POST('/api/jobs/{id}/overrides', { ...at, body }))),
    putOnTray: write((body: Api<'TrayPutRequest'>) => dataOf(api.POST('/api/jobs/{id}/tray', { ...at, body }))),
    clearTray: write((body: Api<'TrayClearRequest'>) =>
      dataOf(api.POST('/api/jobs/{id}/tray/cleared', { ...at, body })),
    ),
    startClock: write((body: Api<'ClockStartRequest'>) => dataOf(api.POST('/api/jobs/{id}/clocks', { ...at, body }))),
    stopClock: write((body: Api<'ClockStopRequest'>) =>
      dataOf(api.POST('/api/jobs/{id}/clocks/stopped', { ...at, body })),
    ),
    wait: write((body: Api<'WaitRequest'>) => dataOf(api.POST('/api/jobs/{id}/waits', { ...at, body }))),
    note: write((body: Api<'NoteRequest'>) => dataOf(api.POST('/api/jobs/{id}/notes', { ...at, body }))),
    consent: write((body: Api<'ConsentRequest'>) => dataOf(api.POST('/api/jobs/{id}/consents', { ...at, body }))),
    place: write((body: Api<'PlaceRequest'>) => dataOf(api.POST('/api/jobs/{id}/place', { ...at, body }))),
    close: write((body: Api<'CloseRequest'>) => dataOf(api.POST('/api/jobs/{id}/closing', { ...at, body }))),
    openThread: write((body: Api<'ThreadRequest'>) => dataOf(api.POST('/api/jobs/{id}/threads', { ...at, body }))),
    school: write((body: Api<'JobSchoolRequest'>) => dataOf(api.POST('/api/jobs/{id}/schools', { ...at, body }))),
    handOver: write((body: Api<'HandOverRequest'>) => dataOf(api.POST('/api/jobs/{id}/hand-over', { ...at, body }))),
  }
}

export type JobDesk = ReturnType<typeof useJob>
