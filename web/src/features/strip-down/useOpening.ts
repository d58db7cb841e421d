import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref, toValue, type MaybeRefOrGetter } from 'vue'
import { v4 as uuid } from 'uuid'
import { api, dataOf, Refused, sendBytes, type Api, type ProblemBody } from '@/shared/api/client'
import { useSession } from '@/shared/state/useSession'

export type Opening = Api<'OpeningView'>
export type Act = Api<'ActView'>
export type TrayCard = Api<'TrayCardView'>
export type Part = Api<'MachinePartView'>
export type Fasteners = Api<'FastenersView'>
export type Run = Api<'RunView'>
type Said<T> = Omit<T, 'key' | 'seenVersion' | 'thread'>

/** How far a job's machine is open, and every write to it. A write that got no answer keeps its key. */
export function useOpening(id: number, thread: MaybeRefOrGetter<number>) {
  const queries = useQueryClient()
  const session = useSession()
  const query = useQuery({
    queryKey: ['job', id, 'opening', () => toValue(thread)],
    queryFn: () =>
      dataOf(api.GET('/api/jobs/{id}/opening', { params: { path: { id }, query: { thread: toValue(thread) } } })),
    placeholderData: (before: Opening | undefined) => before,
  })
  const busy = ref(false)
  const problem = ref<ProblemBody | null>(null)
  const waiting = ref<(() => Promise<unknown>) | null>(null)
  const at = { params: { path: { id } } }
  const stamp = () => ({ key: uuid(), seenVersion: query.data.value?.version ?? 0, thread: toValue(thread) })

  let inHand: { what: string; done: Promise<boolean> } | null = null
  let kinds = 0

  /** One write after the other. The same press again while it is in hand is one press; another waits its turn. */
  async function send(what: string, call: () => Promise<unknown>): Promise<boolean> {
    while (inHand) {
      if (inHand.what === what) return false
      await inHand.done
    }
    const done = attempt(call)
    inHand = { what, done }
    try {
      return await done
    } finally {
      inHand = null
    }
  }

  async function attempt(call: () => Promise<unknown>): Promise<boolean> {
    busy.value = true
    problem.value = null
    waiting.value = null
    try {
      await call()
      await queries.invalidateQueries({ queryKey: ['job', id] })
      void queries.invalidateQueries({ queryKey: ['board'] })
      return true
    } catch (e) {
      if (!(e instanceof Refused)) throw e
      problem.value = e.body
      if (e.status === 401) session.ended = true
      if ([0, 401, 503].includes(e.status) || e.body.code === 'token-old') waiting.value = call
      if (e.status === 409) void query.refetch()
      return false
    } finally {
      busy.value = false
    }
  }

  function write<T>(post: (body: T) => Promise<unknown>): (said: Said<T>) => Promise<boolean> {
    const kind = ++kinds
    return (said) => {
      // Stamped when its turn comes, and then for good: sent again it is the same write.
      let body: T | null = null
      return send(`${kind} ${JSON.stringify(said)}`, () => post((body ??= { ...said, ...stamp() } as T)))
    }
  }

  return {
    query,
    opening: computed(() => query.data.value ?? null),
    busy,
    problem,
    canRetry: computed(() => waiting.value !== null),
    retry: async () => {
      const again = waiting.value
      if (!again) return
      if (problem.value?.code === 'token-old') await session.load()
      await send('again', again)
    },
    dismiss: () => (problem.value = null),
    aim: write((body: Api<'AimRequest'>) => dataOf(api.POST('/api/jobs/{id}/opening/aim', { ...at, body }))),
    off: write((body: Api<'TakeOffRequest'>) => dataOf(api.POST('/api/jobs/{id}/opening/off', { ...at, body }))),
    wouldNot: write((body: Api<'WouldNotRequest'>) =>
      dataOf(api.POST('/api/jobs/{id}/opening/would-not', { ...at, body })),
    ),
    back: write((body: Api<'PutBackRequest'>) => dataOf(api.POST('/api/jobs/{id}/opening/back', { ...at, body }))),
    lost: write((body: Api<'LostRequest'>) => dataOf(api.POST('/api/jobs/{id}/opening/lost', { ...at, body }))),
    replaced: write((body: Api<'ReplacedRequest'>) =>
      dataOf(api.POST('/api/jobs/{id}/opening/replaced', { ...at, body })),
    ),
    staysOff: write((body: Api<'StaysOffRequest'>) =>
      dataOf(api.POST('/api/jobs/{id}/opening/stays-off', { ...at, body })),
    ),
    renewed: write((body: Api<'RenewedRequest'>) =>
      dataOf(api.POST('/api/jobs/{id}/opening/renewed', { ...at, body })),
    ),
    put: write((body: Api<'TrayPutRequest'>) => dataOf(api.POST('/api/jobs/{id}/tray', { ...at, body }))),
    consent: write((body: Api<'ConsentRequest'>) => dataOf(api.POST('/api/jobs/{id}/consents', { ...at, body }))),
    begin: write((body: Api<'GuideBeginRequest'>) => dataOf(api.POST('/api/jobs/{id}/guides/begin', { ...at, body }))),
    tick: write((body: Api<'GuideTickRequest'>) => dataOf(api.POST('/api/jobs/{id}/guides/tick', { ...at, body }))),
    takeOver: write((body: Api<'GuideTakeOverRequest'>) =>
      dataOf(api.POST('/api/jobs/{id}/guides/take-over', { ...at, body })),
    ),
    end: write((body: Api<'GuideEndRequest'>) => dataOf(api.POST('/api/jobs/{id}/guides/end', { ...at, body }))),
    photo: (file: Blob, of: string, label: string) => {
      const { key, seenVersion } = stamp()
      const what = new URLSearchParams({ key, seenVersion: String(seenVersion), of, label: label.slice(0, 120) })
      return send(`photo ${of}`, () => sendBytes(`/api/jobs/${id}/opening/photo?${what}`, file, () => {}))
    },
  }
}

export type OpeningDesk = ReturnType<typeof useOpening>
