import { ref, toValue, type MaybeRefOrGetter } from 'vue'
import { api, dataOf, sendBytes, type Api } from '@/shared/api/client'
import { howPressed } from '@/shared/state/howPressed'
import type { BenchSections } from '@/shared/state/benchPage'
import { useJobPage } from '@/shared/state/useJobPage'
import type { Stamp } from '@/shared/write/useWrites'

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

/** The sheets of a job's machine and every way to take or mend one. */
export function useSheets(
  id: number,
  shown: MaybeRefOrGetter<string>,
  against: MaybeRefOrGetter<string>,
  thread: MaybeRefOrGetter<number>,
) {
  const at = { params: { path: { id } } }
  const desk = useJobPage<Sheets, BenchSections | Taken>({
    id,
    page: 'sheets',
    of: () => [toValue(shown), toValue(against)],
    get: () =>
      dataOf(
        api.GET('/api/jobs/{id}/sheets', {
          params: {
            path: { id },
            query: { sheet: toValue(shown) || undefined, against: toValue(against) || undefined },
          },
        }),
      ),
    thread: () => toValue(thread),
  })
  const { writes } = desk
  /** What is under way, as words; empty when nothing is. */
  const doing = ref('')
  const refusal = ref<Refusal | null>(null)
  /** Runs a write; gives the new sheet's name, an empty text when there is none, null when it was not written. */
  async function run<T>(
    words: string,
    what: string,
    post: (body: T) => Promise<BenchSections | Taken>,
    name: (answer: unknown) => string | null,
  ) {
    if (doing.value) return null
    const how = howPressed()
    doing.value = words
    refusal.value = null
    try {
      const answer = await writes.send(what, () => post(writes.bodyOf<T>(what, {}, how)))
      return answer === null ? null : name(answer)
    } finally {
      doing.value = ''
    }
  }

  function keep(answer: unknown): string | null {
    const taken = answer as Taken
    refusal.value = taken.refusal
    return taken.sheet
  }
  const units = (tapped: Tapped[]) => tapped.map((u) => ({ ...u, mixedWith: null }))

  return {
    ...desk,
    doing,
    refusal,
    /** Sends what got no answer again; the new sheet's name, or an empty text when there is none. */
    retry: async () => {
      const answer = await writes.retry()
      return answer === null ? null : 'sheet' in (answer as object) ? keep(answer) : ''
    },
    dismiss: () => {
      writes.dismiss()
      refusal.value = null
    },
    picture: (file: Blob, way: 'file' | 'camera' | 'paste') =>
      run<Stamp & { thread: number }>(
        'Sending the picture',
        `picture ${way} ${file.size}`,
        ({ key, seenVersion, thread: of }) =>
          sendBytes<Taken>(
            `/api/jobs/${id}/sheets/picture?key=${key}&seenVersion=${seenVersion}&thread=${of}&way=${way}`,
            file,
            (sent) => (doing.value = sent < 1 ? `Sending, ${Math.round(sent * 100)} %` : 'Reading every nozzle'),
          ),
        keep,
      ),
    scan: (device: string) =>
      run<Api<'ScanRequest'>>(
        'The scanner is at it',
        `scan ${device}`,
        (body) => dataOf(api.POST('/api/jobs/{id}/sheets/scan', { ...at, body: { ...body, device } })),
        keep,
      ),
    taps: (tapped: Tapped[]) =>
      run<Api<'TapsRequest'>>(
        'Writing it down',
        `taps ${JSON.stringify(tapped)}`,
        (body) => dataOf(api.POST('/api/jobs/{id}/sheets/taps', { ...at, body: { ...body, units: units(tapped) } })),
        () => '',
      ),
    putRight: (sheet: string, tapped: Tapped[]) =>
      run<Api<'PutRightRequest'>>(
        'Writing it down',
        `right ${sheet} ${JSON.stringify(tapped)}`,
        (body) =>
          dataOf(
            api.POST('/api/jobs/{id}/sheets/put-right', { ...at, body: { ...body, sheet, units: units(tapped) } }),
          ),
        () => sheet,
      ),
  }
}
