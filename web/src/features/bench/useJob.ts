import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref, toValue, type MaybeRefOrGetter } from 'vue'
import { v4 as uuid } from 'uuid'
import { api, dataOf, Refused, type Api, type ProblemBody } from '@/shared/api/client'
import { useSession } from '@/shared/state/useSession'

export type Bench = Api<'BenchView'>
export type Step = Api<'StepView'>

/** What a write says beside its key and the version seen. */
type Said<T> = Omit<T, 'key' | 'seenVersion' | 'thread' | 'slot'> & { slot?: number }

/** One thread of a job and every write to it. A write that did not get through keeps its key, so sending it again never doubles it. */
export function useJob(id: number, thread: MaybeRefOrGetter<number> = 0) {
  const queries = useQueryClient()
  const session = useSession()
  const query = useQuery({
    queryKey: ['job', id, () => toValue(thread)],
    queryFn: () => dataOf(api.GET('/api/jobs/{id}', { params: { path: { id }, query: { thread: toValue(thread) } } })),
    placeholderData: (before: Bench | undefined) => before,
  })
  const busy = ref(false)
  const problem = ref<ProblemBody | null>(null)
  const waiting = ref<(() => Promise<Bench>) | null>(null)
  const at = { params: { path: { id } } }

  async function send(call: () => Promise<Bench>): Promise<boolean> {
    if (busy.value) return false
    busy.value = true
    problem.value = null
    waiting.value = null
    try {
      const now = await call()
      queries.setQueryData(['job', id, now.thread], now)
      const others = {
        queryKey: ['job', id],
        predicate: (q: { queryKey: readonly unknown[] }) => q.queryKey[2] !== now.thread,
      }
      void queries.invalidateQueries(others)
      void queries.invalidateQueries({ queryKey: ['board'] })
      void queries.invalidateQueries({ queryKey: ['station', id] })
      return true
    } catch (e) {
      if (!(e instanceof Refused)) throw e
      problem.value = e.body
      if (e.status === 401) session.ended = true
      if (e.status === 0 || e.status === 401 || e.status === 503 || e.body.code === 'token-old') waiting.value = call
      if (e.status === 409) void query.refetch()
      return false
    } finally {
      busy.value = false
    }
  }

  const stamp = () => ({ key: uuid(), seenVersion: query.data.value?.version ?? 0, thread: toValue(thread) })

  function write<T>(post: (body: T) => Promise<Bench>): (said: Said<T>) => Promise<boolean> {
    return (said) => {
      const body = { slot: 0, ...said, ...stamp() } as T
      return send(() => post(body))
    }
  }

  return {
    query,
    job: computed(() => query.data.value ?? null),
    busy,
    problem,
    canRetry: computed(() => waiting.value !== null),
    retry: async () => {
      if (!waiting.value) return
      if (problem.value?.code === 'token-old') await session.load()
      await send(waiting.value)
    },
    dismiss: () => {
      problem.value = null
      waiting.value = null
    },
    answer: write((body: Api<'AnswerRequest'>) => dataOf(api.POST('/api/jobs/{id}/answers', { ...at, body }))),
    mend: write((body: Api<'MendRequest'>) => dataOf(api.POST('/api/jobs/{id}/repairs', { ...at, body }))),
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
