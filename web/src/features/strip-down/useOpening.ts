import { computed, toValue, type MaybeRefOrGetter } from 'vue'
import { api, dataOf, sendBytes, type Api } from '@/shared/api/client'
import { useJobPage } from '@/shared/state/useJobPage'
import type { BenchSections } from '@/shared/state/benchPage'
import type { KeptWrite } from '@/shared/write/keptWrites'
import { useOutbox } from '@/shared/write/outbox'
import type { Stamp } from '@/shared/write/useWrites'

export type Opening = Api<'OpeningView'>
export type Act = Api<'ActView'>
export type Drawing = Api<'DrawingView'>
export type TrayCard = Api<'TrayCardView'>
export type Part = Api<'MachinePartView'>
export type Fasteners = Api<'FastenersView'>
export type Run = Api<'RunView'>

/** What waits for the server is done as far as the hand goes: the way and the guide go on from there. */
export function withWaiting(opening: Opening, waiting: readonly KeptWrite[]): Opening {
  if (waiting.length === 0) return opening
  const said = waiting
    .filter((w) => typeof w.body === 'string')
    .map((w) => ({
      at: w.url.split('/').slice(4).join('/'),
      of: JSON.parse(w.body as string) as { removal?: string; item?: string; run?: string; step?: string },
    }))
  const isDone = (a: Act) =>
    said.some(
      (w) =>
        (w.at === 'opening/off' && a.kind === 'off' && w.of.removal === a.removal) ||
        (w.at === 'opening/back' && a.kind === 'back' && w.of.item === a.item) ||
        (w.at === 'guides/tick' && a.step !== '' && w.of.run === a.run && w.of.step === a.step),
    )
  const mark = (a: Act): Act => (!a.done && isDone(a) ? { ...a, done: true, outcome: 'waiting', who: 'waiting' } : a)
  return { ...opening, acts: opening.acts.map(mark), back: opening.back.map(mark) }
}

/** How far a job's machine is open, and every write to it. */
export function useOpening(id: number, thread: MaybeRefOrGetter<number>) {
  const outbox = useOutbox()
  const path = { id }
  const desk = useJobPage({
    id,
    page: 'opening',
    of: () => [toValue(thread)],
    get: () => dataOf(api.GET('/api/jobs/{id}/opening', { params: { path, query: { thread: toValue(thread) } } })),
    thread: () => toValue(thread),
  })
  const at = { params: { path } }
  const { write, writes } = desk

  return {
    ...desk,
    opening: computed(() => (desk.page.value ? withWaiting(desk.page.value, outbox.of(id)) : null)),
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
    changeTold: write((body: Api<'ChangeToldRequest'>) =>
      dataOf(api.POST('/api/jobs/{id}/changes/told', { ...at, body })),
    ),
    changeUndone: write((body: Api<'ChangeUndoneRequest'>) =>
      dataOf(api.POST('/api/jobs/{id}/changes/undone', { ...at, body })),
    ),
    photo: async (file: Blob, of: string, label: string) => {
      const what = `photo ${of} ${file.size}`
      const stamp = () => writes.bodyOf<Stamp>(what, {})
      const sent = await writes.send(
        what,
        () => {
          const { key, seenVersion, howTold } = stamp()
          const said = new URLSearchParams({
            ...{ key, seenVersion: String(seenVersion), of, label: label.slice(0, 120) },
            ...(howTold ? { howTold } : {}),
          })
          return sendBytes<BenchSections>(`/api/jobs/${id}/opening/photo?${said}`, file, () => {})
        },
        stamp,
      )
      return writes.wasKept(what) || sent !== null
    },
  }
}

export type OpeningDesk = ReturnType<typeof useOpening>
