import { QueryClient, VueQueryPlugin } from '@tanstack/vue-query'
import { flushPromises, mount } from '@vue/test-utils'
import { createPinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { defineComponent } from 'vue'
import { askAgain } from '@/shared/write/useWrites'
import { useTakeIn } from './useTakeIn'

const choices = {
  models: [
    { id: 'marram-duo', name: 'Marram Duo', kind: 'carriage', serialPrefix: '', complaints: ['not-recognised'] },
    { id: 'heath-solo', name: 'Heath Solo', kind: 'tanks', serialPrefix: 'H', complaints: [] },
    { id: 'heath-duet', name: 'Heath Duet', kind: 'tanks', serialPrefix: 'HD', complaints: [] },
  ],
  complaints: [
    { id: 'not-recognised', name: 'A cartridge is not recognised', says: '' },
    { id: 'fades-under-load', name: 'Fades under load', says: '' },
  ],
  inks: [],
  papers: [],
}
const machine = {
  id: 3,
  modelId: 'marram-duo',
  machine: 'Marram Duo',
  serial: 'MD-1',
  customer: { id: 9, name: 'Kite Loft', contact: 'loft' },
  openJob: null,
  visits: 2,
  lastInk: 'refilled',
}

/** The form on a made-up server that answers by the end of the address. */
async function form(answers: Record<string, () => Response> = {}) {
  const posted: Record<string, unknown>[] = []
  vi.stubGlobal('fetch', async (request: Request) => {
    const path = new URL(request.url).pathname
    if (request.method === 'POST') posted.push(await request.json())
    return (answers[`${request.method} ${path}`] ?? (() => Response.json(path.endsWith('choices') ? choices : [])))()
  })
  let made!: ReturnType<typeof useTakeIn>
  const host = defineComponent({ setup: () => ((made = useTakeIn()), () => null) })
  mount(host, { global: { plugins: [createPinia(), [VueQueryPlugin, { queryClient: new QueryClient() }]] } })
  await flushPromises()
  return { made, posted }
}

const settle = async () => {
  await vi.advanceTimersByTimeAsync(400)
  await flushPromises()
}

const pauses = askAgain.pausesMs
beforeEach(() => {
  askAgain.pausesMs = []
  localStorage.clear()
  vi.useFakeTimers()
})
afterEach(() => {
  askAgain.pausesMs = pauses
  vi.unstubAllGlobals()
  vi.useRealTimers()
})

describe('useTakeIn', () => {
  it('fills in model and customer of a machine that was here before', async () => {
    const { made } = await form({ 'GET /api/take-in/machine': () => Response.json(machine) })
    made.form.value.serial = 'MD-1'
    await settle()
    expect(made.form.value).toMatchObject({ modelId: 'marram-duo', customerName: 'Kite Loft' })
    expect(made.customerId.value).toBe(9)
  })

  it('offers only complaints that occur on the model', async () => {
    const { made } = await form()
    expect(made.complaints.value).toHaveLength(2)
    made.form.value.modelId = 'marram-duo'
    expect(made.complaints.value.map((c) => c.id)).toEqual(['not-recognised'])
  })

  it('takes a customer of the very same name as the one on record', async () => {
    const { made } = await form({ 'GET /api/take-in/customers': () => Response.json([machine.customer]) })
    made.form.value.customerName = 'kite loft'
    made.typeCustomer()
    await settle()
    expect(made.customerId.value).toBe(9)
  })

  it('does not send a limit that is no number as none', async () => {
    const { made, posted } = await form({ 'POST /api/take-in': () => Response.json({ jobId: 41, tag: 418 }) })
    made.form.value.limit = '60 GBP'
    expect(await made.send()).toBeNull()
    expect(posted).toEqual([])
    expect(made.problem.value?.problems[0]).toMatchObject({ pointer: '/limit', detail: '“60 GBP” is no number.' })
  })

  it('keeps what was typed, and the key, when it is refused; clears both once it is written', async () => {
    let down = true
    const { made, posted } = await form({
      'POST /api/take-in': () =>
        down
          ? Response.json({ code: 'database-unreachable', problems: [] }, { status: 503 })
          : Response.json({ jobId: 41, tag: 418 }),
    })
    made.form.value.words = 'It says there is none.'
    made.form.value.limit = '12,50'
    expect(await made.send()).toBeNull()
    expect(made.form.value.words).toBe('It says there is none.')
    down = false
    expect(await made.send()).toBe(41)
    expect(posted[0]!.key).toBe(posted[1]!.key)
    expect(posted[1]!.limit).toBe(12.5)
    expect(made.form.value.words).toBe('')
  })

  it('proposes the model whose serials begin so, and leaves one that was chosen', async () => {
    const { made } = await form({ 'GET /api/take-in/machine': () => new Response(null, { status: 204 }) })
    made.form.value.serial = 'hd-77'
    await settle()
    expect(made.form.value.modelId).toBe('heath-duet')
    made.form.value.modelId = 'marram-duo'
    made.form.value.serial = 'H-1'
    await settle()
    expect(made.form.value.modelId).toBe('marram-duo')
  })
})
