import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, dataOf, type Api } from '@/shared/api/client'
import { loadAnew, takeAnswer } from '@/shared/state/loadAnew'
import { useJobPage } from '@/shared/state/useJobPage'
import { useWrites } from '@/shared/write/useWrites'

export type Waste = Api<'WasteView'>

/** Waste of a job: both truths, the gate, ways on, and the writes of its page. */
export function useWaste(id: number) {
  const years = ref(3)
  const path = { id }
  const desk = useJobPage({
    id,
    page: 'waste',
    of: () => [years.value],
    get: () => dataOf(api.GET('/api/jobs/{id}/waste', { params: { path, query: { years: years.value } } })),
    changes: ['shop', 'shelf'],
  })
  const at = { params: { path } }
  const { write } = desk
  return {
    ...desk,
    years,
    tell: write((body: Api<'StoreToldRequest'>) => dataOf(api.POST('/api/jobs/{id}/waste/told', { ...at, body }))),
    reset: write((body: Api<'CounterResetRequest'>) =>
      dataOf(api.POST('/api/jobs/{id}/waste/resets', { ...at, body })),
    ),
    service: (count: number | null, to: number) =>
      dataOf(api.POST('/api/jobs/{id}/waste/service', { ...at, body: { count, to } })),
    handIn: write((body: Api<'HandedInRequest'>) =>
      dataOf(api.POST('/api/jobs/{id}/waste/handed-in', { ...at, body })),
    ),
  }
}

/** Waste of the whole shop, and what is said of its boxes. */
export function useWasteShop() {
  const queries = useQueryClient()
  const query = useQuery({ queryKey: ['waste'], queryFn: () => dataOf(api.GET('/api/waste')) })
  const writes = useWrites<Api<'ShopView'>>({
    about: 'shop',
    stamp: () => ({ seenVersion: query.data.value?.version ?? 0 }),
    written: (now) => {
      takeAnswer(queries, ['shop'], now)
      void loadAnew(queries, { predicate: (q) => q.queryKey[0] !== 'shop' })
    },
    refetch: () => query.refetch(),
  })
  const write = writes.write
  return {
    query,
    shop: computed(() => query.data.value ?? null),
    ...writes.face,
    tag: write((body: Api<'BoxCameRequest'>) => dataOf(api.POST('/api/waste/boxes', { body }))),
    tell: write((body: Api<'BoxToldRequest'>) => dataOf(api.POST('/api/waste/boxes/told', { body }))),
    rules: write((body: Api<'LocalRulesRequest'>) => dataOf(api.POST('/api/waste/local-rules', { body }))),
  }
}

export type WasteShop = Api<'WasteShopView'>
export type WasteBox = Api<'BoxView'>
export type WasteShopDesk = ReturnType<typeof useWasteShop>
export type WasteDesk = ReturnType<typeof useWaste>
