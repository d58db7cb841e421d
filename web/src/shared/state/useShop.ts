import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { api, dataOf, type Api } from '@/shared/api/client'
import { loadAnew, takeAnswer } from '@/shared/state/loadAnew'
import { useWrites } from '@/shared/write/useWrites'

type Shop = Api<'ShopView'>

/** What holds for the whole shop, and every write to it. */
export function useShop() {
  const queries = useQueryClient()
  const query = useQuery({ queryKey: ['shop'], queryFn: () => dataOf(api.GET('/api/shop')) })
  const writes = useWrites<Shop>({
    about: 'shop',
    stamp: () => ({ seenVersion: query.data.value?.version ?? 0 }),
    written: (now) => {
      takeAnswer(queries, ['shop'], now)
      void loadAnew(queries, { predicate: (q) => q.queryKey[0] !== 'shop' })
    },
    refetch: () => query.refetch(),
  })
  const school = writes.write((body: Api<'SchoolRequest'>) => dataOf(api.POST('/api/shop/schools', { body })))
  const part = writes.write((body: Api<'ShelfRequest'>) => dataOf(api.POST('/api/shop/parts', { body })))
  const takeBack = writes.write((body: Api<'ShopCorrectRequest'>) =>
    dataOf(api.POST('/api/shop/corrections', { body })),
  )

  return {
    query,
    ...writes.face,
    school: (id: string, option: string) => school({ school: id, option }),
    part: (id: string, here: boolean) => part({ part: id, here }),
    edit: writes.write((body: Api<'EditRequest'>) => dataOf(api.POST('/api/shop/edits', { body }))),
    takeBack: (entry: number, reason: string) => takeBack({ entry, reason }),
    readPacks: async () => (await writes.send('packs', () => dataOf(api.POST('/api/shop/packs')))) !== null,
  }
}
