import { QueryClient, VueQueryPlugin } from '@tanstack/vue-query'
import { flushPromises, mount } from '@vue/test-utils'
import { createPinia } from 'pinia'
import { afterEach, describe, expect, it, vi } from 'vitest'
import { defineComponent, h } from 'vue'
import { askAgain } from '@/shared/write/useWrites'
import { useSheets } from './useSheets'

const calls: { url: string; body: Record<string, unknown> | null }[] = []
let answer: () => Response = () => Response.json({ version: 4, sheets: [], shown: null, next: [], devices: [] })

function desk() {
  calls.length = 0
  vi.stubGlobal('fetch', async (request: Request) => {
    calls.push({
      url: request.url,
      body: request.method === 'GET' ? null : ((await request.clone().json()) as Record<string, unknown>),
    })
    return request.method === 'GET'
      ? Response.json({ version: 4, sheets: [], shown: null, next: [], devices: [] })
      : answer()
  })
  let made!: ReturnType<typeof useSheets>
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } })
  mount(defineComponent({ setup: () => ((made = useSheets(7, '', '', 2)), () => h('i')) }), {
    global: { plugins: [createPinia(), [VueQueryPlugin, { queryClient: client }]] },
  })
  return made
}
const problem = (status: number, code: string) => () =>
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
    {
      status,
      headers: { 'Content-Type': 'application/problem+json' },
    },
  )

askAgain.pausesMs = []

describe('useSheets', () => {
  afterEach(() => vi.unstubAllGlobals())

  it('sends what it saw, under a key of its own, and gives the new sheet’s name', async () => {
    const sheets = desk()
    await flushPromises()
    answer = () => Response.json({ sheet: 's9', version: 5, refusal: null })
    expect(await sheets.scan('flatbed')).toBe('s9')
    const sent = calls.find((c) => c.body)!.body!
    expect(sent).toMatchObject({ seenVersion: 4, thread: 2, device: 'flatbed' })
    expect(sent.key).toMatch(/^[0-9a-f-]{36}$/)
    expect(sheets.doing.value).toBe('')
  })

  it('keeps a refusal to show, and no sheet comes of it', async () => {
    const sheets = desk()
    await flushPromises()
    answer = () =>
      Response.json({
        sheet: null,
        version: 4,
        refusal: { reason: 'blurred', title: 'Too blurred', what: 'w', then: 't' },
      })
    expect(await sheets.scan('phone')).toBeNull()
    expect(sheets.refusal.value?.reason).toBe('blurred')
    sheets.dismiss()
    expect(sheets.refusal.value).toBeNull()
  })

  it('sends the same key again when a write got no answer', async () => {
    const sheets = desk()
    await flushPromises()
    answer = problem(503, 'database-unreachable')
    await sheets.taps([{ id: 'K', nozzles: '..' }])
    expect(sheets.canRetry.value).toBe(true)
    answer = () => Response.json({ version: 5 })
    expect(await sheets.retry()).toBe('')
    const keys = calls.filter((c) => c.body).map((c) => c.body!.key)
    expect(keys).toHaveLength(2)
    expect(keys[0]).toBe(keys[1])
  })

  it('does not offer to send a stale write again', async () => {
    const sheets = desk()
    await flushPromises()
    answer = problem(409, 'stale-version')
    expect(await sheets.putRight('s1', [{ id: 'K', nozzles: '..' }])).toBeNull()
    expect(sheets.problem.value?.code).toBe('stale-version')
    expect(sheets.canRetry.value).toBe(false)
  })
})
