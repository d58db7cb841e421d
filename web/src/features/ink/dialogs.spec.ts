import { flushPromises, mount } from '@vue/test-utils'
import { describe, expect, it, vi } from 'vitest'
import ChipsDialog from './ChipsDialog.vue'
import SlotDialog, { type SlotAct } from './SlotDialog.vue'
import type { Ink, InkDesk, SlotInk } from './useInk'

const slot = (panel: number, more: Partial<SlotInk> = {}) =>
  ({ panel, ink: `ink ${panel}`, hasCount: true, tool: 'hand-tool', warnings: [], ...more }) as SlotInk
const stubs = {
  AppDialog: { props: ['open', 'title'], template: '<section v-if="open"><h2>{{ title }}</h2><slot /></section>' },
}

/** Writes that are good, and remember what was sent. */
function writes(good = true) {
  const answer = () => vi.fn<(body: unknown) => Promise<object | null>>(() => Promise.resolve(good ? {} : null))
  const of = { chips: answer(), weighed: answer(), filled: answer(), reset: answer() }
  const desk = { ...of, problem: { value: null }, busy: { value: false }, dismiss: () => {} } as unknown as InkDesk
  return { desk, of }
}

describe('ChipsDialog', () => {
  const slots = [slot(1), slot(2, { hasCount: false }), slot(3)]

  async function told(counts: string[], good = true) {
    const { desk, of } = writes(good)
    const dialog = mount(ChipsDialog, { props: { open: true, ink: { slots } as Ink, desk }, global: { stubs } })
    for (const [at, count] of counts.entries()) await dialog.findAll('input')[at]!.setValue(count)
    await dialog.find('form').trigger('submit')
    await flushPromises()
    return { sent: of.chips.mock.calls[0]?.[0], dialog }
  }

  it('asks only for slots that count, and sends only what was read', async () => {
    const { sent, dialog } = await told(['', '44,5'])
    expect(dialog.findAll('input')).toHaveLength(2)
    expect(sent).toEqual({ slots: [{ slot: 3, amount: 44.5, after: null }] })
    expect(dialog.emitted('close')).toHaveLength(1)
  })

  it('stays open with what was typed when it is refused', async () => {
    const { dialog } = await told(['101'], false)
    expect(dialog.emitted('close')).toBeUndefined()
    expect(dialog.findAll('input')[0]!.element.value).toBe('101')
  })
})

describe('SlotDialog', () => {
  async function sent(act: SlotAct, of: SlotInk, typed: string[]) {
    const { desk, of: posts } = writes()
    const dialog = mount(SlotDialog, { props: { act, of, all: [slot(1), slot(2)], desk }, global: { stubs } })
    for (const [at, text] of typed.entries()) await dialog.findAll('input')[at]!.setValue(text)
    await dialog.find('form').trigger('submit')
    await flushPromises()
    const post = { weigh: posts.weighed, fill: posts.filled, reset: posts.reset }[act]
    return { body: post.mock.calls[0]![0] as Record<string, unknown>, dialog }
  }

  it('takes an empty field for a fill to full', async () => {
    expect((await sent('fill', slot(2), [''])).body).toEqual({ slots: [{ slot: 2, amount: null, after: null }] })
    expect((await sent('fill', slot(2), ['3.5'])).body).toEqual({ slots: [{ slot: 2, amount: 3.5, after: null }] })
  })

  it('tells a reset by its tool: one slot, or all of them for a board', async () => {
    const one = await sent('reset', slot(2, { warnings: ['Below the floor.'] }), ['9', '3'])
    expect(one.body).toMatchObject({ tool: 'hand-tool', tries: 3, worked: true, slots: [{ slot: 2, amount: 9 }] })
    expect(one.dialog.text()).toContain('Below the floor.')
    const board = await sent('reset', slot(2, { tool: 'board' }), ['1', 'customer waits'])
    expect(board.body).toMatchObject({ tool: 'board', despite: 'customer waits', slots: [{ slot: 1 }, { slot: 2 }] })
  })

  it('says what it is about in its title', async () => {
    expect((await sent('weigh', slot(2), ['240'])).dialog.find('h2').text()).toBe('Weigh slot 2, ink 2')
    expect((await sent('reset', slot(2, { tool: 'board' }), ['1'])).dialog.find('h2').text()).toBe(
      'Press the reset board',
    )
  })
})
