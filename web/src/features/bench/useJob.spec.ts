import { QueryClient, VueQueryPlugin } from '@tanstack/vue-query'
import { flushPromises, mount } from '@vue/test-utils'
import { createPinia } from 'pinia'
import { afterEach, describe, expect, it, vi } from 'vitest'
import { defineComponent } from 'vue'
import { testSections } from './madeUp.test'
import { askAgain } from '@/shared/write/useWrites'
import { useJob, type JobDesk } from './useJob'

type Sent = { url: string; body: Record<string, unknown> | null }

/** A job desk on a made-up server: each answer is taken from the list in turn. */
async function desk(...answers: (() => Response | Promise<Response>)[]) {
  const sent: Sent[] = []
  vi.stubGlobal('fetch', async (request: Request) => {
    const body = request.method === 'POST' ? await request.json() : null
    sent.push({ url: request.url, body })
    if (request.method === 'GET') return Response.json(testSections())
    return (answers.shift() ?? (() => Response.json(testSections({ version: 6 }))))()
  })
  let made!: JobDesk
  const host = defineComponent({ setup: () => ((made = useJob(7)), () => null) })
  mount(host, {
    global: {
      plugins: [
        createPinia(),
        [VueQueryPlugin, { queryClient: new QueryClient({ defaultOptions: { queries: { retry: false } } }) }],
      ],
    },
  })
  await flushPromises()
  return { made, posts: () => sent.filter((s) => s.body !== null) }
}

const refusal = (status: number, code: string) => () =>
  Response.json(
    { type: 'about:blank', status, code, title: code, detail: '', hint: '', problems: [], changes: ['Tom: answered'] },
    { status },
  )
const answer = { finding: 'draw-test', outcome: 'hard', quantity: 4 }

askAgain.pausesMs = []
afterEach(() => vi.unstubAllGlobals())

describe('useJob', () => {
  it('sends the version that was seen and a key, and shows what comes back', async () => {
    const { made, posts } = await desk()
    expect(await made.answer(answer)).toBe(true)
    expect(posts()[0]!.body).toMatchObject({ ...answer, seenVersion: 5 })
    expect(posts()[0]!.body!.key).toMatch(/^[0-9a-f-]{36}$/)
    expect(made.job.value!.version).toBe(6)
  })

  it('sends a write that got no answer again under the same key', async () => {
    const { made, posts } = await desk(() => Promise.reject(new TypeError('no line')))
    expect(await made.answer(answer)).toBe(false)
    expect(made.problem.value!.code).toBe('server-unreachable')
    expect(made.canRetry.value).toBe(true)
    await made.retry()
    expect(posts().map((p) => p.body!.key)).toEqual([posts()[0]!.body!.key, posts()[0]!.body!.key])
    expect(made.problem.value).toBeNull()
  })

  it('gives each new press a key of its own', async () => {
    const { made, posts } = await desk()
    await made.answer(answer)
    await made.answer(answer)
    expect(posts()[0]!.body!.key).not.toBe(posts()[1]!.body!.key)
    expect(posts()[1]!.body!.seenVersion).toBe(6)
  })

  it('tells a stale answer what changed, and does not offer to force it', async () => {
    const { made } = await desk(refusal(409, 'stale-version'))
    await made.answer(answer)
    expect(made.problem.value!.changes).toEqual(['Tom: answered'])
    expect(made.canRetry.value).toBe(false)
  })

  it('takes one write at a time', async () => {
    let release!: (r: Response) => void
    const { made, posts } = await desk(() => new Promise<Response>((resolve) => (release = resolve)))
    const first = made.answer(answer)
    expect(await made.answer(answer)).toBe(false)
    await flushPromises()
    release(Response.json(testSections({ version: 6 })))
    expect(await first).toBe(true)
    expect(posts()).toHaveLength(1)
  })
})
