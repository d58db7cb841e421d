import { QueryClient, VueQueryPlugin } from '@tanstack/vue-query'
import { flushPromises, mount, RouterLinkStub } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import { ref } from 'vue'
import PinDialog from './PinDialog.vue'
import type { Day, DayDesk, DayJob } from './useDay'

const job = (more: object = {}) =>
  ({
    id: 7,
    tag: 412,
    kept: 0.5,
    pinned: '',
    version: 3,
    pieces: [{ says: 'clean', from: '2027-03-01T10:00:00Z' }],
    ...more,
  }) as DayJob
const day = { hands: [{ id: 1, name: 'Ines', spans: [] }] } as unknown as Day

async function opened(of: DayJob, done = true) {
  const asked: unknown[][] = []
  const desk = {
    busy: ref(false),
    problem: ref(null),
    dismiss: () => undefined,
    pin: async (...said: unknown[]) => (asked.push(said), done),
  } as unknown as DayDesk
  const shown = mount(PinDialog, {
    props: { job: of, day, desk },
    global: {
      plugins: [[VueQueryPlugin, { queryClient: new QueryClient({ defaultOptions: { queries: { retry: false } } }) }]],
      stubs: { AppDialog: { template: '<div><slot /></div>' }, RouterLink: RouterLinkStub },
    },
  })
  const press = async (name: string) => {
    await shown
      .findAll('button')
      .find((b) => b.text() === name)!
      .trigger('click')
    await flushPromises()
  }
  return { shown, asked, press }
}

describe('a piece that is pinned', () => {
  it('is given to a person, a time, or both, and not to nobody at no time', async () => {
    const { shown, asked, press } = await opened(job())
    const pin = () => shown.find('button.press-main.flex-1')
    expect(pin().attributes('disabled')).toBeDefined()
    await press('Ines')
    expect(pin().attributes('disabled')).toBeUndefined()
    await shown.find('form').trigger('submit')
    await shown.find('input').setValue('2027-03-01T11:30')
    await shown.find('form').trigger('submit')
    await flushPromises()
    expect(asked.map((a) => [a[1], a[2], a[3]])).toEqual([
      [1, null, false],
      [1, new Date('2027-03-01T11:30').toISOString(), false],
    ])
    expect(shown.emitted('close')).toHaveLength(2)
  })

  it('can be let go only when it is pinned, and stays open when that is refused', async () => {
    const free = await opened(job())
    expect(free.shown.text()).not.toContain('Let it go')
    const { shown, asked, press } = await opened(job({ pinned: 'Ines', pinnedFrom: '2027-03-01T11:30:00Z' }), false)
    expect(shown.text()).toMatch(/Pinned: Ines, at .*30/)
    await press('Let it go')
    expect(asked[0]!.slice(1)).toEqual([0, null, true])
    expect(shown.emitted('close')).toBeUndefined()
  })
})
