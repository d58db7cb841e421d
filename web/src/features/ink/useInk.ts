import { api, dataOf, sendBytes, type Api } from '@/shared/api/client'
import { useJobPage } from '@/shared/state/useJobPage'

export type Ink = Api<'InkView'>
export type SlotInk = Api<'SlotInkView'>

/** How much of each channel a page takes, by its picture. */
export const coverOf = (job: number, file: Blob) =>
  sendBytes<Api<'CoverView'>[]>(`/api/jobs/${job}/ink/cover`, file, () => undefined)

/** Ink and chips of a job: what is in its slots, what is due, and the writes of its page. */
export function useInk(id: number) {
  const at = { params: { path: { id } } }
  const desk = useJobPage({ id, page: 'ink', get: () => dataOf(api.GET('/api/jobs/{id}/ink', at)) })
  const { write } = desk
  return {
    ...desk,
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
