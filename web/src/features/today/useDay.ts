import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, dataOf, type Api } from '@/shared/api/client'
import { loadAnew } from '@/shared/state/loadAnew'
import { useShopWrites } from '@/shared/write/useShopWrites'
import { useWrites } from '@/shared/write/useWrites'

export type Day = Api<'DayView'>
export type DayJob = Api<'DayJobView'>
export type DayNow = Api<'DayNowView'>

const minute = 60_000

/** Says of a reminder that it was seen to. */
export function useReminders() {
  const { write, handles } = useShopWrites()
  return {
    ...handles,
    done: write((body: Api<'ReminderDoneRequest'>) => dataOf(api.POST('/api/day/reminders', { body }))),
  }
}

/** Where what a reminder is about is looked at. */
export const reminderPage = (key: string) => (key.startsWith('return') ? '/shelf' : '/waste')

/** The plan as it stands, looked at again whenever something is told and every minute. */
const useDayQuery = () =>
  useQuery({
    queryKey: ['board', 'day'],
    queryFn: () => dataOf(api.GET('/api/day')),
    placeholderData: (before) => before,
    refetchInterval: minute,
  })

/** The hands that each machine gets next. */
export interface NextHands {
  from: string
  name: string
}

/** By job: whose hands it gets next, and when; none where the plan has no room. */
export function useNextHands() {
  const query = useDayQuery()
  return computed(() => {
    const day = query.data.value
    const next = new Map<number, NextHands>()
    for (const job of day?.jobs ?? []) {
      const piece = job.pieces[0]
      const hand = day!.hands.find((h) => h.id === piece?.hand)
      if (piece && hand) next.set(job.id, { from: piece.from, name: hand.name })
    }
    return next
  })
}

/** The plan of the day, with what may be said of it. */
export function useDay() {
  const queries = useQueryClient()
  const query = useDayQuery()
  const pinned = ref<DayJob | null>(null)
  const writes = useWrites<unknown>({
    about: 'shop',
    stamp: () => ({ seenVersion: pinned.value?.version ?? 0, thread: 0 }),
    written: () => loadAnew(queries, { queryKey: ['board'] }),
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
    ...writes.face,
    /** Gives the next piece of a job to a person, sets it to a time, or lets it go. */
    pin: (job: DayJob, of: number, from: string | null, free: boolean) => {
      pinned.value = job
      if (!writers.has(job.id)) writers.set(job.id, writerOf(job.id))
      return writers.get(job.id)!({ of, from, free })
    },
  }
}

export type DayDesk = ReturnType<typeof useDay>
