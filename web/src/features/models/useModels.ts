import { useQuery } from '@tanstack/vue-query'
import { computed, type Ref } from 'vue'
import { api, dataOf, type Api } from '@/shared/api/client'
import { useShopWrites } from '@/shared/write/useShopWrites'

export type ModelPageView = Api<'ModelPageView'>

/** Writes about the shop's own models. */
function useModelWrites() {
  const { write, handles } = useShopWrites()
  return {
    ...handles,
    make: write((body: Api<'KindRequest'>) => dataOf(api.POST('/api/models', { body }))),
    ours: write((body: Api<'OursRequest'>) => dataOf(api.POST('/api/models/ours', { body }))),
    figure: write((body: Api<'FigureRequest'>) => dataOf(api.POST('/api/models/figures', { body }))),
    measured: write((body: Api<'MeasuredRequest'>) => dataOf(api.POST('/api/models/measured', { body }))),
    about: write((body: Api<'AboutRequest'>) => dataOf(api.POST('/api/models/about', { body }))),
    part: write((body: Api<'ModelPartRequest'>) => dataOf(api.POST('/api/models/parts', { body }))),
    code: write((body: Api<'CodeRequest'>) => dataOf(api.POST('/api/models/codes', { body }))),
    opening: write((body: Api<'OpeningTaughtRequest'>) => dataOf(api.POST('/api/models/openings', { body }))),
    sheet: write((body: Api<'SheetTaughtRequest'>) => dataOf(api.POST('/api/models/sheets', { body }))),
    bring: write((body: Api<'ImportRequest'>) => dataOf(api.POST('/api/models/import', { body }))),
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
