import { flushPromises, mount } from '@vue/test-utils'
import { describe, expect, it, vi } from 'vitest'
import { ref } from 'vue'
import CameDialog from './CameDialog.vue'
import LotsPanel from './LotsPanel.vue'
import WentDialog from './WentDialog.vue'
import type { Shelf, ShelfDesk, StockItem } from './useShelf'

const shelf = (lots: object[] = []) =>
  ({
    kinds: [
      { id: 'ink', name: 'Bottled ink', unit: 'ml', for: 'Ink and its kind' },
      { id: 'key', name: 'Reset key', unit: 'uses', for: 'Model it is for' },
    ],
    items: [],
    returns: [],
    lots,
  }) as unknown as Shelf

function desk(answer: unknown = {}) {
  const asked: object[] = []
  const write = () =>
    vi.fn(async (body: object) => {
      asked.push(body)
      return answer
    })
  return {
    asked,
    writes: {
      busy: ref(false),
      problem: ref(null),
      dismiss: () => undefined,
      came: write(),
      went: write(),
    } as unknown as ShelfDesk,
  }
}

const stubs = { AppDialog: { template: '<div><slot /></div>' } }
const lot = (more: object) => ({
  lot: 'L1',
  seller: '',
  what: 'Maker’s',
  fitted: 3,
  failed: 0,
  rate: 0,
  low: 0,
  high: 0.6,
  verdict: 'open',
  ...more,
})

describe('lots', () => {
  it('says what is known, and that little is', () => {
    const shown = mount(LotsPanel, {
      props: {
        shelf: shelf([lot({ verdict: 'bad', failed: 10, fitted: 30, low: 0.19, high: 0.5, rate: 0.33 }), lot({})]),
      },
    })
    const rows = shown.findAll('li')
    expect(rows[0]!.text()).toContain('fit no more of it')
    expect(rows[0]!.text().replace(/\s+/g, ' ')).toContain('10 of 30 failed: between')
    expect(rows[1]!.text()).toContain('Too few to say')
    const [bar, mark] = rows[0]!.findAll('.absolute')
    expect(bar!.attributes('style')).toContain('left: 19%')
    expect(mark!.attributes('style')).toContain('left: 33%')
    expect(mount(LotsPanel, { props: { shelf: shelf() } }).text()).toContain('No cartridge was fitted')
  })
})

describe('what came', () => {
  it('asks in the unit of its kind, and sends numbers', async () => {
    const { asked, writes } = desk()
    const shown = mount(CameDialog, { props: { open: false, shelf: shelf(), desk: writes }, global: { stubs } })
    await shown.setProps({ open: true })
    expect(shown.text()).toContain('How much, ml')
    await shown.find('select').setValue('key')
    expect(shown.text()).toContain('How much, uses')
    expect(shown.text()).toContain('Model it is for')
    const [name, of, amount, price, , , back] = shown.findAll('input')
    await name!.setValue('Counter key')
    await of!.setValue('Folio 3')
    await amount!.setValue('3')
    await price!.setValue('8,5')
    await back!.setValue('2026-12-04')
    await shown.find('form').trigger('submit')
    await flushPromises()
    expect(asked).toEqual([
      {
        kind: 'key',
        name: 'Counter key',
        for: 'Folio 3',
        amount: 3,
        price: 8.5,
        seller: '',
        lot: '',
        returnBy: '2026-12-04',
      },
    ])
    expect(shown.emitted('close')).toHaveLength(1)
    // Opened again it begins anew.
    await shown.setProps({ open: false })
    await shown.setProps({ open: true })
    expect((shown.findAll('input')[0]!.element as HTMLInputElement).value).toBe('')
  })
})

describe('what goes', () => {
  const item = { id: 7, name: 'Counter key', for: 'Folio 3', left: 2, unit: 'uses' } as StockItem

  it('goes one at a time, with the machine only when it is used', async () => {
    const { asked, writes } = desk()
    const shown = mount(WentDialog, { props: { item: null as StockItem | null, desk: writes }, global: { stubs } })
    await shown.setProps({ item })
    expect((shown.find('input').element as HTMLInputElement).value).toBe('1')
    expect(shown.text()).toContain('On which machine')
    await shown
      .findAll('button')
      .find((b) => b.text() === 'Sent back')!
      .trigger('click')
    expect(shown.text()).not.toContain('On which machine')
    await shown.find('form').trigger('submit')
    await flushPromises()
    expect(asked).toEqual([{ item: 7, amount: 1, where: 'returned', on: '', why: '' }])
    expect(shown.emitted('close')).toHaveLength(1)
  })

  it('asks how much of a bottle, and stays open when it is refused', async () => {
    const { asked, writes } = desk(null)
    const shown = mount(WentDialog, { props: { item: null as StockItem | null, desk: writes }, global: { stubs } })
    await shown.setProps({ item: { ...item, unit: 'ml', left: 480 } })
    expect((shown.find('input').element as HTMLInputElement).value).toBe('')
    await shown.find('form').trigger('submit')
    await flushPromises()
    expect(asked).toEqual([{ item: 7, amount: null, where: 'used', on: '', why: '' }])
    expect(shown.emitted('close')).toBeUndefined()
  })
})
