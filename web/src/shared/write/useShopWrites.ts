import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { api, dataOf, type Api } from '@/shared/api/client'
import { loadAnew, takeAnswer } from '@/shared/state/loadAnew'
import { useWrites } from './useWrites'

/** Writes about the whole shop: each with the version that was seen; every page is loaded again after one. */
export function useShopWrites() {
  const queries = useQueryClient()
  const shop = useQuery({ queryKey: ['shop'], queryFn: () => dataOf(api.GET('/api/shop')) })
  const writes = useWrites<Api<'ShopView'>>({
    about: 'shop',
    stamp: () => ({ seenVersion: shop.data.value?.version ?? 0 }),
    written: async (now) => {
      takeAnswer(queries, ['shop'], now)
      await loadAnew(queries, { predicate: (q) => q.queryKey[0] !== 'shop' })
    },
    refetch: () => shop.refetch(),
  })
  return {
    write: writes.write,
    handles: writes.face,
  }
}
