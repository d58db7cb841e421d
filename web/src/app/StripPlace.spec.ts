import { mount, RouterLinkStub } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import type { BoardJob } from '@/shared/state/useBoard'
import StripPlace from './StripPlace.vue'

const now = Date.parse('2026-03-02T09:00:00Z')
const job: BoardJob = {
  id: 7,
  tag: 412,
  machine: 'Pellow Six Tank',
  customer: 'Kite Loft',
  words: 'w',
  place: 1,
  standing: 'time',
  headline: 'rest between cleans',
  clockEndsAt: '2026-03-02T09:47:00Z',
  promiseAt: null,
  openedAt: '2026-03-01T09:00:00Z',
  version: 3,
}
const show = (more: Partial<BoardJob> | null) =>
  mount(StripPlace, {
    props: { place: 1, job: more === null ? null : { ...job, ...more }, now, here: false },
    global: { stubs: { RouterLink: RouterLinkStub } },
  })

describe('StripPlace', () => {
  it('shows tag, machine, what it does and the clock that matters', () => {
    const text = show({}).text()
    for (const part of ['412', 'Pellow Six Tank', 'rest between cleans', '47:00']) expect(text).toContain(part)
  })

  it('tells its state by shape and word, not by colour alone', () => {
    const words = ['time', 'hands', 'parts', 'customer', 'ready'].map((standing) => {
      const mark = show({ standing, clockEndsAt: null }).find('svg')
      return [mark.attributes('aria-label'), mark.html().replace(/aria-label="[^"]*"/, '')]
    })
    expect(new Set(words.map(([word]) => word)).size).toBe(words.length)
    expect(new Set(words.map(([, shape]) => shape)).size).toBe(words.length)
  })

  it('says whose hands it gets next, and when', async () => {
    const place = show({})
    expect(place.find('[data-testid=next-hands]').exists()).toBe(false)
    await place.setProps({ next: { from: '2026-03-02T09:00:30Z', name: 'Ines Varga' } })
    expect(place.text()).toContain('next hands: Ines now')
    await place.setProps({ next: { from: '2026-03-02T09:20:00Z', name: 'Tom Adeyemi-Rowe' } })
    expect(place.text()).toMatch(/Tom \S*20/)
    await place.setProps({ next: { from: '2026-03-04T12:00:00Z', name: 'Tom Adeyemi-Rowe' } })
    expect(place.text()).toMatch(/Tom Wed$/)
  })

  it('rings when its time is up, until somebody sees to it', () => {
    const place = show({ clockEndsAt: '2026-03-02T08:58:00Z' })
    expect(place.attributes('data-standing')).toBe('rings')
    // Said once: what counts on stands outside of it.
    expect(place.find('[role=alert]').text()).toBe('Pellow Six Tank: rest between cleans is up.')
    expect(place.text()).toContain('+2:00')
    expect(place.text()).toContain('up: rest between cleans')
  })

  it('leads to take-in while it is free', () =>
    expect(show(null).findComponent(RouterLinkStub).props('to')).toBe('/take-in'))
})
