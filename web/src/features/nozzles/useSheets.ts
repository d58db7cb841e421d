import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref, toValue, type MaybeRefOrGetter } from 'vue'
import { v4 as uuid } from 'uuid'
import { api, dataOf, Refused, sendBytes, type Api, type ProblemBody } from '@/shared/api/client'
import { useSession } from '@/shared/state/useSession'

export type Sheets = Api<'SheetsView'>
export type Sheet = Api<'SheetView'>
export type UnitRead = Api<'UnitView'>
export type UnitShape = Api<'UnitShape'>
export type Refusal = Api<'RefusalView'>
type Taken = Api<'SheetTakenView'>

/** A unit as tapped: a letter a nozzle. */
export interface Tapped {
  id: string
  nozzles: string
}

/** The sheets of a job's machine and every way to take or mend one. A write that got no answer keeps its key. */
export function useSheets(
  id: number,
  shown: MaybeRefOrGetter<string>,
  against: MaybeRefOrGetter<string>,
  thread: MaybeRefOrGetter<number>,
) {
  const queries = useQueryClient()
  const session = useSession()
  const query = useQuery({
    queryKey: ['job', id, 'sheets', () => toValue(shown), () => toValue(against)],
    queryFn: () =>
      dataOf(
        api.GET('/api/jobs/{id}/sheets', {
          params: {
            path: { id },
            query: { sheet: toValue(shown) || undefined, against: toValue(against) || undefined },
          },
        }),
      ),
    placeholderData: (before: Sheets | undefined) => before,
  })
  /** What is under way, as words; empty when nothing is. */
  const doing = ref('')
  const problem = ref<ProblemBody | null>(null)
  const refusal = ref<Refusal | null>(null)
  const waiting = ref<(() => Promise<string | null>) | null>(null)
  const stamp = () => ({ key: uuid(), seenVersion: query.data.value?.version ?? 0, thread: toValue(thread) })

  /** Runs a write; gives the new sheet's name, an empty text when there is none, null when it was not written. */
  async function send(words: string, call: () => Promise<string | null>): Promise<string | null> {
    if (doing.value) return null
    doing.value = words
    problem.value = null
    refusal.value = null
    waiting.value = null
    try {
      const sheet = await call()
      await queries.invalidateQueries({ queryKey: ['job', id] })
      void queries.invalidateQueries({ queryKey: ['board'] })
      return sheet
    } catch (e) {
      if (!(e instanceof Refused)) throw e
      problem.value = e.body
      if (e.status === 401) session.ended = true
      if ([0, 401, 503].includes(e.status) || e.body.code === 'token-old') waiting.value = () => send(words, call)
      if (e.status === 409) void query.refetch()
      return null
    } finally {
      doing.value = ''
    }
  }

  function keep(taken: Taken): string | null {
    refusal.value = taken.refusal
    return taken.sheet
  }

  return {
    query,
    sheets: computed(() => query.data.value ?? null),
    doing,
    problem,
    refusal,
    canRetry: computed(() => waiting.value !== null),
    retry: async () => {
      const again = waiting.value
      if (!again) return null
      if (problem.value?.code === 'token-old') await session.load()
      return again()
    },
    dismiss: () => {
      problem.value = null
      refusal.value = null
    },
    picture: (file: Blob, way: 'file' | 'camera' | 'paste') => {
      const { key, seenVersion, thread: at } = stamp()
      const url = `/api/jobs/${id}/sheets/picture?key=${key}&seenVersion=${seenVersion}&thread=${at}&way=${way}`
      return send('Sending the picture', async () =>
        keep(
          await sendBytes<Taken>(
            url,
            file,
            (sent) => (doing.value = sent < 1 ? `Sending, ${Math.round(sent * 100)} %` : 'Reading every nozzle'),
          ),
        ),
      )
    },
    scan: (device: string) => {
      const body = { ...stamp(), device }
      return send('The scanner is at it', async () =>
        keep(await dataOf(api.POST('/api/jobs/{id}/sheets/scan', { params: { path: { id } }, body }))),
      )
    },
    taps: (units: Tapped[]) => {
      const body = { ...stamp(), units: units.map((u) => ({ ...u, mixedWith: null })) }
      return send('Writing it down', async () => {
        await dataOf(api.POST('/api/jobs/{id}/sheets/taps', { params: { path: { id } }, body }))
        return ''
      })
    },
    putRight: (sheet: string, units: Tapped[]) => {
      const body = { ...stamp(), sheet, units: units.map((u) => ({ ...u, mixedWith: null })) }
      return send('Writing it down', async () => {
        await dataOf(api.POST('/api/jobs/{id}/sheets/put-right', { params: { path: { id } }, body }))
        return sheet
      })
    },
  }
}
