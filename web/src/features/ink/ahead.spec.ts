import { flushPromises, mount } from '@vue/test-utils'
import { describe, expect, it, vi } from 'vitest'
import { ref } from 'vue'
import AheadPanels from './AheadPanels.vue'
import ResetSession from './ResetSession.vue'
import type { Ink, InkDesk, SlotInk } from './useInk'

const slot = (panel: number, more: object = {}) =>
  ({
    panel,
    ink: `ink ${panel}`,
    front: '',
    isFilled: true,
    tool: 'hand-tool',
    chip: 20.3,
    addMl: 9.5,
    fillMl: 12,
    align: '',
    ...more,
  }) as unknown as SlotInk
const ink = (more: object = {}) =>
  ({
    slots: [slot(1), slot(2), slot(3)],
    visit: { slots: [3, 1] },
    prompt: '',
    currency: 'GBP',
    money: [],
    conversion: null,
    ...more,
  }) as unknown as Ink

async function session(of: Ink, answer: unknown = {}) {
  const asked: { slots: Record<string, unknown>[]; despite: string }[] = []
  const desk = {
    busy: ref(false),
    problem: ref(null),
    dismiss: () => undefined,
    session: vi.fn(async (body) => {
      asked.push(body)
      return answer
    }),
  } as unknown as InkDesk
  const shown = mount(ResetSession, {
    props: { open: false, ink: of, desk },
    global: { stubs: { AppDialog: { template: '<div><slot /></div>' } } },
  })
  await shown.setProps({ open: true })
  const save = async () => {
    await shown.find('form').trigger('submit')
    await flushPromises()
  }
  return { shown, asked, save }
}

describe('a reset session', () => {
  it('goes in the order of the hand, with what was read and what is usual', async () => {
    const { shown, asked, save } = await session(ink({ prompt: 'OK twice' }))
    expect(shown.findAll('legend').map((l) => l.text().charAt(0))).toEqual(['3', '1'])
    expect(shown.text()).toContain('OK twice')
    await save()
    expect(asked[0]!.slots.map((s) => [s.slot, s.before, s.full, s.ml, s.tries, s.reset])).toEqual([
      [3, 21, true, null, 1, true],
      [1, 21, true, null, 1, true],
    ])
    expect(shown.emitted('close')).toHaveLength(1)
  })

  it('tells ml instead of a full fill, and a chip that was left as it is', async () => {
    const { shown, asked, save } = await session(ink({ visit: { slots: [1] } }))
    await shown.find('input[type=checkbox]').setValue(false)
    const fields = shown.findAll('input')
    await fields[2]!.setValue('4,5')
    await shown.find('input[type=number]').setValue('0')
    await save()
    expect(asked[0]!.slots[0]).toMatchObject({ full: false, ml: 4.5, tries: 0, reset: false })
  })

  it('has all slots for a board, no lamp for the replace routine, and no tries where nothing resets', async () => {
    const board = await session(
      ink({ slots: [slot(1, { tool: 'board' }), slot(2, { tool: 'board' })], visit: { slots: [2] } }),
    )
    expect(board.shown.findAll('legend')).toHaveLength(2)
    expect(board.shown.text()).toContain('One press of the board is for all')
    const auto = await session(ink({ slots: [slot(1, { tool: 'auto' })], visit: { slots: [1] } }))
    expect(auto.shown.findAll('select')).toHaveLength(0)
    const none = await session(ink({ slots: [slot(1, { tool: '' })], visit: { slots: [1] } }), null)
    await none.save()
    expect(none.asked[0]!.slots[0]).toMatchObject({ tries: 0, reset: false })
    expect(none.shown.emitted('close')).toBeUndefined()
  })
})

describe('what lies ahead', () => {
  it('puts what is lost first and says until when donors are good', () => {
    const conversion = {
      to: 'Refillable',
      floor: 20,
      cost: 294,
      minutes: 84,
      window: '2026-12-20T00:00:00Z',
      steps: [
        { slot: 3, ink: 'Magenta', donorPct: 12, lost: true, goodUntil: null, says: 'Its chip is lost at 12 %' },
        {
          slot: 4,
          ink: 'Yellow',
          donorPct: 35,
          lost: false,
          goodUntil: '2026-12-20T00:00:00Z',
          says: 'Donor at 35 %.',
        },
      ],
    }
    const shown = mount(AheadPanels, { props: { ink: ink({ conversion }) } })
    expect(shown.findAll('li').map((l) => l.find('.text-stop').exists())).toEqual([true, false])
    expect(shown.text()).toContain('All good donors stay good until')
    expect(shown.find('[data-testid=ink-money]').exists()).toBe(false)
  })

  it('tells what each way costs, and after how many fillings it pays', () => {
    const way = (id: string, more: object) => ({
      id,
      name: id,
      slots: 3,
      usableMl: 10,
      perMl: 0.4,
      perPage: 0.03,
      ink: 1,
      piece: 0,
      hands: 0,
      risk: 0,
      paysAfter: null,
      ...more,
    })
    const money = [way('refillable', { risk: 0.5, paysAfter: 1.2 }), way('maker', { slots: 1 })]
    const rows = mount(AheadPanels, { props: { ink: ink({ money }) } }).findAll('tbody tr')
    expect(rows[0]!.text()).toContain('pays after 2 fillings')
    expect(rows[0]!.text()).toContain('£0.50')
    expect(rows[1]!.text()).toContain('1 slot')
    expect(rows[1]!.text()).toContain('–')
  })
})
