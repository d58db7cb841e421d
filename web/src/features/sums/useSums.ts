import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { computed, ref, toValue, watch, type MaybeRefOrGetter } from 'vue'
import { api, dataOf, type Api } from '@/shared/api/client'
import { asked, begun, type Typed } from './asked'

export type Sum = Api<'SumView'>
/** What a sum answers: its figures, or what is wrong with the asking. */
export interface SumAnswer {
  status: 'ok' | 'refused'
  result?: Record<string, unknown>
  problems?: { code: string; pointer: string; say: string }[]
}

/** How long typing rests before the sum is asked, ms. */
const pauseMs = 150

/** The sums, and the one that is shown with what was typed. */
export function useSums(name: MaybeRefOrGetter<string>) {
  const list = useQuery({ queryKey: ['sums'], queryFn: () => dataOf(api.GET('/api/sums')), staleTime: Infinity })
  const sum = computed(() => list.data.value?.find((s) => s.name === toValue(name)) ?? list.data.value?.[0] ?? null)
  const typed = ref<Typed>({})
  watch(
    () => sum.value?.name,
    () => {
      if (sum.value) typed.value = begun(sum.value.fields, new Date())
    },
    { immediate: true },
  )
  const asking = computed(() =>
    sum.value ? { name: sum.value.name, body: asked(sum.value.fields, typed.value) } : null,
  )
  const rested = refDebounced(asking, pauseMs)
  const answer = useQuery({
    queryKey: ['sum', rested],
    enabled: () => rested.value !== null,
    placeholderData: keepPreviousData,
    queryFn: async () => {
      const { name: of, body } = rested.value!
      const { data, error, response } = await api.POST('/api/sums/{name}', { params: { path: { name: of } }, body })
      if (response.status !== 200 && response.status !== 422) throw new Error(`the server answered ${response.status}`)
      return (data ?? error) as unknown as SumAnswer & { sum: string }
    },
  })
  return { list, sum, typed, answer }
}
