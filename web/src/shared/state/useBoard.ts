import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { api, dataOf, type Api } from '@/shared/api/client'

export type BoardJob = Api<'BoardJob'>

/** All machines that are here. */
export function useBoard() {
  const query = useQuery({ queryKey: ['board'], queryFn: () => dataOf(api.GET('/api/board')) })
  const places = computed(() => {
    const view = query.data.value
    return Array.from({ length: view?.places ?? 0 }, (_, i) => ({
      place: i + 1,
      job: view?.jobs.find((j) => j.place === i + 1) ?? null,
    }))
  })
  return { ...query, places }
}

/** Whether a clock of this job has run out and nobody has seen to it. */
export function rings(job: BoardJob, now: number): boolean {
  return (
    job.clockEndsAt !== null &&
    new Date(job.clockEndsAt).getTime() <= now &&
    (job.standing === 'time' || job.standing === 'hands')
  )
}

/** What the job needs now: a run-out clock calls for hands. */
export function standingNow(job: BoardJob, now: number): string {
  return rings(job, now) ? 'rings' : job.standing
}
