import { QueryClient, VueQueryPlugin, useQuery } from '@tanstack/vue-query'
import { flushPromises, mount } from '@vue/test-utils'
import { describe, expect, it, vi } from 'vitest'
import { defineComponent, h } from 'vue'
import { loadAnew, takeAnswer } from './loadAnew'

const key = ['job', 7, 'opening']

/** A page that loads a job's version; each load is answered by hand. */
function page() {
  const loads: ((version: number) => void)[] = []
  const queries = new QueryClient({ defaultOptions: { queries: { retry: false } } })
  let query!: ReturnType<typeof useQuery<number>>
  const load = () => new Promise<number>((answer) => loads.push(answer))
  const shown = defineComponent({ setup: () => ((query = useQuery({ queryKey: key, queryFn: load })), () => h('i')) })
  mount(shown, { global: { plugins: [[VueQueryPlugin, { queryClient: queries }]] } })
  const answer = async (n: number, version: number) => {
    await vi.waitFor(() => expect(loads.length).toBeGreaterThan(n))
    loads[n]!(version)
    await flushPromises()
  }
  return { queries, loads, answer, version: () => query.data.value }
}

describe('loadAnew', () => {
  it('loads once more what was being loaded for the first time when something was written', async () => {
    const { queries, answer, version } = page()
    const done = loadAnew(queries, { queryKey: ['job', 7] })
    await answer(0, 1)
    await answer(1, 2)
    await done
    expect(version()).toBe(2)
  })

  it('leaves alone what the change is not about', async () => {
    const { queries, loads, answer, version } = page()
    const done = loadAnew(queries, { queryKey: ['job', 8] })
    await answer(0, 1)
    await done
    expect([version(), loads.length]).toEqual([1, 1])
  })

  it('keeps the answer of a write when an older load comes after it', async () => {
    const { queries, answer, version } = page()
    await answer(0, 1)
    const old = queries.invalidateQueries({ queryKey: key })
    await vi.waitFor(() => expect(queries.isFetching()).toBe(1))
    takeAnswer(queries, key, 3)
    await answer(1, 2)
    await old
    expect(version()).toBe(3)
  })
})
