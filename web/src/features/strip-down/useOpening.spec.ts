import { QueryClient, VueQueryPlugin } from '@tanstack/vue-query'
import { flushPromises, mount } from '@vue/test-utils'
import { createPinia } from 'pinia'
import { afterEach, describe, expect, it, vi } from 'vitest'
import { defineComponent, h } from 'vue'
import { askAgain } from '@/shared/write/useWrites'
import { useOpening, withWaiting } from './useOpening'

const calls: { url: string; body: Record<string, unknown> }[] = []
let answer: () => Response = () => Response.json({})

function desk() {
  calls.length = 0
  vi.stubGlobal('fetch', async (request: Request) => {
    if (request.method === 'GET') return Response.json({ version: 8, acts: [], tray: [], targets: [] })
    calls.push({ url: request.url, body: (await request.clone().json()) as Record<string, unknown> })
    return answer()
  })
  let made!: ReturnType<typeof useOpening>
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } })
  mount(defineComponent({ setup: () => ((made = useOpening(7, 2)), () => h('i')) }), {
    global: { plugins: [createPinia(), [VueQueryPlugin, { queryClient: client }]] },
  })
  return made
}

const refused = (status: number, code: string) => () =>
  new Response(
    JSON.stringify({
      type: 'about:blank',
      status,
      code,
      title: 't',
      detail: 'd',
      hint: 'h',
      problems: [],
      changes: [],
    }),
    { status, headers: { 'Content-Type': 'application/problem+json' } },
  )

askAgain.pausesMs = []

describe('useOpening', () => {
  afterEach(() => vi.unstubAllGlobals())

  it('ticks a removal with what it saw, under a key of its own', async () => {
    const opening = desk()
    await flushPromises()
    answer = () => Response.json({ version: 9 })
    expect(await opening.off({ removal: 'lid', count: null })).toBe(true)
    expect(await opening.off({ removal: 'guard', count: 3 })).toBe(true)
    expect(calls.map((c) => c.body)).toMatchObject([
      { seenVersion: 8, thread: 2, removal: 'lid', count: null },
      { removal: 'guard', count: 3 },
    ])
    expect(calls[0]!.body.key).not.toBe(calls[1]!.body.key)
  })

  it('shows why something was refused, and offers no second try where none helps', async () => {
    const opening = desk()
    await flushPromises()
    answer = refused(409, 'off-already')
    expect(await opening.off({ removal: 'lid', count: null })).toBe(false)
    expect(opening.problem.value?.code).toBe('off-already')
    expect(opening.canRetry.value).toBe(false)
    opening.dismiss()
    expect(opening.problem.value).toBeNull()
  })

  it('sends the same key again when a tick got no answer', async () => {
    const opening = desk()
    await flushPromises()
    answer = refused(503, 'database-unreachable')
    await opening.tick({ run: 'r', step: 's', outcome: 'done', value: 4.5, words: '' })
    expect(opening.canRetry.value).toBe(true)
    answer = () => Response.json({ version: 9 })
    await opening.retry()
    expect(calls.map((c) => c.body.key)).toEqual([calls[0]!.body.key, calls[0]!.body.key])
    expect(calls[1]!.body).toMatchObject({ run: 'r', step: 's', value: 4.5 })
    expect(opening.problem.value).toBeNull()
  })

  it('takes the same press twice for one, and lets another wait its turn', async () => {
    const opening = desk()
    await flushPromises()
    answer = () => Response.json({ version: 9 })
    const first = opening.back({ item: 'a', count: null })
    const next = opening.back({ item: 'b', count: null })
    expect(await opening.back({ item: 'a', count: null })).toBe(false)
    expect([await first, await next]).toEqual([true, true])
    expect(calls.map((c) => c.body.item)).toEqual(['a', 'b'])
  })
})

describe('what waits for the server', () => {
  const act = (of: object) =>
    ({ key: 'k', kind: 'off', removal: '', item: '', run: '', step: '', done: false, ...of }) as never
  const opening = {
    acts: [
      act({ key: 'lid', removal: 'lid' }),
      act({ key: 'tray', removal: 'tray' }),
      act({ key: 'read', kind: 'do', run: 'r1', step: 'read' }),
    ],
    back: [act({ key: 'back-lid', kind: 'back', item: 'i1', removal: 'lid' })],
  } as never
  const waiting = (at: string, body: object) => ({ url: `/api/jobs/7/${at}`, body: JSON.stringify(body) }) as never
  const done = (o: { acts: { key: string; done: boolean }[]; back: { key: string; done: boolean }[] }) =>
    [...o.acts, ...o.back].filter((a) => a.done).map((a) => a.key)

  it('is done as far as the hand goes: the way goes on after it', () => {
    expect(done(withWaiting(opening, []))).toEqual([])
    expect(done(withWaiting(opening, [waiting('opening/off', { removal: 'lid' })]))).toEqual(['lid'])
    const all = [
      waiting('opening/back', { item: 'i1' }),
      waiting('guides/tick', { run: 'r1', step: 'read', outcome: 'done' }),
      waiting('guides/tick', { run: 'r2', step: 'read' }),
      waiting('notes', { text: 'lid' }),
    ]
    expect(done(withWaiting(opening, all))).toEqual(['read', 'back-lid'])
  })
})
