import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed } from 'vue'
import { api, dataOf, type Api } from '@/shared/api/client'
import { useWrites } from '@/shared/write/useWrites'

export type Shelf = Api<'ShelfView'>
export type StockItem = Api<'StockItemView'>

/** What is on the shelf, and what is said of it. */
export function useShelf() {
  const queries = useQueryClient()
  const query = useQuery({ queryKey: ['shelf'], queryFn: () => dataOf(api.GET('/api/shelf')) })
  const shop = useQuery({ queryKey: ['shop'], queryFn: () => dataOf(api.GET('/api/shop')) })
  const writes = useWrites<Api<'ShopView'>>({
    about: 'shop',
    stamp: () => ({ seenVersion: shop.data.value?.version ?? 0 }),
    written: (now) => {
      queries.setQueryData(['shop'], now)
      void queries.invalidateQueries({ predicate: (q) => q.queryKey[0] !== 'shop' })
    },
    refetch: () => shop.refetch(),
  })
  return {
    query,
    shelf: computed(() => query.data.value ?? null),
    busy: writes.busy,
    asking: writes.asking,
    problem: writes.problem,
    canRetry: computed(writes.canRetry),
    retry: writes.retry,
    dismiss: writes.dismiss,
    came: writes.write((body: Api<'StockCameRequest'>) => dataOf(api.POST('/api/shelf/came', { body }))),
    went: writes.write((body: Api<'StockWentRequest'>) => dataOf(api.POST('/api/shelf/went', { body }))),
  }
}

export type ShelfDesk = ReturnType<typeof useShelf>
