import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { api, dataOf, type Api } from '@/shared/api/client'
import { useShopWrites } from '@/shared/write/useShopWrites'

export type Shelf = Api<'ShelfView'>
export type StockItem = Api<'StockItemView'>

/** What is on the shelf, and what is said of it. */
export function useShelf() {
  const { write, handles } = useShopWrites()
  const query = useQuery({ queryKey: ['shelf'], queryFn: () => dataOf(api.GET('/api/shelf')) })
  return {
    query,
    shelf: computed(() => query.data.value ?? null),
    ...handles,
    came: write((body: Api<'StockCameRequest'>) => dataOf(api.POST('/api/shelf/came', { body }))),
    went: write((body: Api<'StockWentRequest'>) => dataOf(api.POST('/api/shelf/went', { body }))),
  }
}

export type ShelfDesk = ReturnType<typeof useShelf>
