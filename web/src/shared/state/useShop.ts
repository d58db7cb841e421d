import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { ref } from 'vue'
import { v4 as uuid } from 'uuid'
import { api, dataOf, Refused, type Api, type ProblemBody } from '@/shared/api/client'

type Shop = Api<'ShopView'>

/** What holds for the whole shop, and every write to it. */
export function useShop() {
  const queries = useQueryClient()
  const query = useQuery({ queryKey: ['shop'], queryFn: () => dataOf(api.GET('/api/shop')) })
  const busy = ref(false)
  const problem = ref<ProblemBody | null>(null)

  async function send(call: (stamp: { key: string; seenVersion: number }) => Promise<Shop>): Promise<boolean> {
    if (busy.value) return false
    busy.value = true
    problem.value = null
    try {
      const now = await call({ key: uuid(), seenVersion: query.data.value?.version ?? 0 })
      queries.setQueryData(['shop'], now)
      void queries.invalidateQueries({ predicate: (q) => q.queryKey[0] !== 'shop' })
      return true
    } catch (e) {
      if (!(e instanceof Refused)) throw e
      problem.value = e.body
      void query.refetch()
      return false
    } finally {
      busy.value = false
    }
  }

  return {
    query,
    busy,
    problem,
    dismiss: () => (problem.value = null),
    school: (school: string, option: string) =>
      send((stamp) => dataOf(api.POST('/api/shop/schools', { body: { ...stamp, school, option } }))),
    part: (part: string, here: boolean) =>
      send((stamp) => dataOf(api.POST('/api/shop/parts', { body: { ...stamp, part, here } }))),
    edit: (edit: Omit<Api<'EditRequest'>, 'key' | 'seenVersion'>) =>
      send((stamp) => dataOf(api.POST('/api/shop/edits', { body: { ...stamp, ...edit } }))),
    takeBack: (entry: number, reason: string) =>
      send((stamp) => dataOf(api.POST('/api/shop/corrections', { body: { ...stamp, entry, reason } }))),
    readPacks: () => send(() => dataOf(api.POST('/api/shop/packs'))),
  }
}
