import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, type Ref } from 'vue'
import { api, dataOf, type Api } from '@/shared/api/client'
import { useWrites } from '@/shared/write/useWrites'

export type ModelPageView = Api<'ModelPageView'>

/** Writes about the shop's own models; every page of models is loaded again after one. */
function useModelWrites() {
  const queries = useQueryClient()
  const shop = useQuery({ queryKey: ['shop'], queryFn: () => dataOf(api.GET('/api/shop')) })
  const writes = useWrites<Api<'ShopView'>>({
    about: 'shop',
    stamp: () => ({ seenVersion: shop.data.value?.version ?? 0 }),
    written: async (now) => {
      queries.setQueryData(['shop'], now)
      await queries.invalidateQueries({ predicate: (q) => q.queryKey[0] !== 'shop' })
    },
    refetch: () => shop.refetch(),
  })
  return {
    busy: writes.busy,
    asking: writes.asking,
    problem: writes.problem,
    canRetry: computed(writes.canRetry),
    retry: writes.retry,
    dismiss: writes.dismiss,
    make: writes.write((body: Api<'KindRequest'>) => dataOf(api.POST('/api/models', { body }))),
    figure: writes.write((body: Api<'FigureRequest'>) => dataOf(api.POST('/api/models/figures', { body }))),
    about: writes.write((body: Api<'AboutRequest'>) => dataOf(api.POST('/api/models/about', { body }))),
    code: writes.write((body: Api<'CodeRequest'>) => dataOf(api.POST('/api/models/codes', { body }))),
    opening: writes.write((body: Api<'OpeningTaughtRequest'>) => dataOf(api.POST('/api/models/openings', { body }))),
    sheet: writes.write((body: Api<'SheetTaughtRequest'>) => dataOf(api.POST('/api/models/sheets', { body }))),
    bring: writes.write((body: Api<'ImportRequest'>) => dataOf(api.POST('/api/models/import', { body }))),
  }
}

/** All models. */
export function useModels() {
  const query = useQuery({ queryKey: ['models'], queryFn: () => dataOf(api.GET('/api/models')) })
  return { query, ...useModelWrites() }
}

/** One model. */
export function useModel(id: Ref<string>) {
  const query = useQuery({
    queryKey: ['models', id],
    queryFn: () => dataOf(api.GET('/api/models/{model}', { params: { path: { model: id.value } } })),
  })
  return { query, model: computed(() => query.data.value ?? null), ...useModelWrites() }
}

export type ModelDesk = ReturnType<typeof useModel>
