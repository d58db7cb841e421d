import { api, dataOf, type Api } from '@/shared/api/client'
import { useJobPage } from '@/shared/state/useJobPage'

export type HeadCare = Api<'HeadCareView'>
export type HeadStep = Api<'HeadStepView'>
export type Way = Api<'WayView'>

/** Head care of a job: what is known of its head, the plan, and the writes of its page. */
export function useHeadCare(id: number) {
  const at = { params: { path: { id } } }
  const desk = useJobPage({ id, page: 'head-care', get: () => dataOf(api.GET('/api/jobs/{id}/head-care', at)) })
  const { write } = desk
  return {
    ...desk,
    done: write((body: Api<'MendRequest'>) => dataOf(api.POST('/api/jobs/{id}/repairs', { ...at, body }))),
    tellBuildUp: write((body: Api<'BuildUpRequest'>) =>
      dataOf(api.POST('/api/jobs/{id}/head-care/build-up', { ...at, body })),
    ),
    agree: write((body: Api<'LevelRequest'>) => dataOf(api.POST('/api/jobs/{id}/head-care/level', { ...at, body }))),
  }
}
