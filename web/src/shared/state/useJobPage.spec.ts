import { QueryClient, VueQueryPlugin } from '@tanstack/vue-query'
import { flushPromises, mount } from '@vue/test-utils'
import { createPinia } from 'pinia'
import { describe, expect, it } from 'vitest'
import { defineComponent, h } from 'vue'
import { useJobPage } from './useJobPage'

/** A page of job 7 whose write is answered with that. */
async function desk(answer: unknown) {
  const client = new QueryClient()
  const asked: string[] = []
  const page = async (name: string) => (asked.push(name), { version: asked.length, thread: 3, name })
  client.setQueryData(['shelf'], { items: [] })
  client.setQueryData(['job', 7, 3], { version: 0 })
  client.setQueryData(['job', 7, 0], { version: 0 })
  let made!: ReturnType<typeof make>
  const make = () => {
    const of = useJobPage<{ version: number; thread: number }>({
      id: 7,
      page: 'ink',
      get: () => page('ink'),
      changes: ['shelf'],
    })
    return {
      ...of,
      tell: of.write((said: object) => (asked.push(JSON.stringify(said)), Promise.resolve(answer as never))),
    }
  }
  mount(defineComponent({ setup: () => ((made = make()), () => h('i')) }), {
    global: { plugins: [createPinia(), [VueQueryPlugin, { queryClient: client }]] },
  })
  await flushPromises()
  return { client, asked, made }
}

const bench = {
  job: { version: 9, thread: 3 },
  machine: {},
  diagnosis: {},
  stripDown: {},
  record: {},
  ink: { feed: [] },
}

describe('a page about a job', () => {
  it('takes the bench that a write answers as it is, and loads itself and what else the write changes', async () => {
    const { client, asked, made } = await desk(bench)
    expect(await made.tell({ said: 1 })).toBe(true)
    expect(asked.map((a) => (a.startsWith('{') ? JSON.parse(a).seenVersion : a))).toEqual(['ink', 1, 'ink'])
    expect(JSON.parse(asked[1]!).thread).toBe(3)
    expect(client.getQueryData<{ version: number }>(['job', 7, 3])?.version).toBe(9)
    const isOld = (key: unknown[]) => client.getQueryState(key)?.isInvalidated
    expect([isOld(['job', 7, 3]), isOld(['job', 7, 0]), isOld(['shelf'])]).toEqual([false, true, true])
  })

  it('has its job loaded again where the answer is no bench', async () => {
    const { client, made } = await desk({ sheet: 'a', version: 2 })
    await made.tell({ said: 1 })
    expect(client.getQueryState(['job', 7, 3])?.isInvalidated).toBe(true)
  })
})
