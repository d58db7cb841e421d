import { flushPromises, mount } from '@vue/test-utils'
import { describe, expect, it, vi } from 'vitest'
import { ref } from 'vue'
import BoxDialog from './BoxDialog.vue'
import BoxList from './BoxList.vue'
import HandedInList from './HandedInList.vue'
import type { WasteBox, WasteShop, WasteShopDesk } from './useWaste'

const box = (more: Partial<WasteBox> = {}) =>
  ({
    tag: 'B-1',
    fits: 'six',
    model: 'Six Tank',
    tareG: 97,
    serial: '',
    here: false,
    netG: 12,
    safeG: null,
    stand: 'used',
    dryOn: null,
    washes: 1,
    resets: 2,
    next: 'Wash it and let it dry, or put new pads in.',
    life: [{ at: '2026-11-20T10:00:00Z', says: 'in PS-1', serial: 'PS-1' }],
    ...more,
  }) as WasteBox
const shop = (more: object = {}) =>
  ({
    version: 3,
    rows: [],
    boxes: [],
    models: [{ id: 'six', name: 'Six Tank', tareG: 97 }],
    keys: [],
    pads: [],
    handedIn: [],
    rules: '',
    ...more,
  }) as WasteShop

function desk(done = true) {
  const asked: object[] = []
  const write = (name: string) => vi.fn(async (body: object) => (asked.push({ name, ...body }), done))
  const made = {
    busy: ref(false),
    problem: ref(null),
    dismiss: () => undefined,
    tag: write('tag'),
    tell: write('tell'),
    rules: write('rules'),
  }
  return { asked, desk: made as unknown as WasteShopDesk }
}

async function opened(of: WasteBox | null, done = true) {
  const { asked, desk: writes } = desk(done)
  const shown = mount(BoxDialog, {
    props: { open: false, box: of, shop: shop(), desk: writes },
    global: { stubs: { AppDialog: { template: '<div><slot /></div>' } } },
  })
  await shown.setProps({ open: true })
  const save = async () => {
    await shown.find('form').trigger('submit')
    await flushPromises()
  }
  return { shown, asked, save }
}

describe('boxes in rotation', () => {
  it('say where each is, what is over its dry mass, and what comes next', () => {
    const shown = mount(BoxList, {
      props: {
        boxes: [
          box(),
          box({ tag: 'B-2', stand: 'in', serial: 'PS-2', next: '' }),
          box({ tag: 'B-3', here: true, stand: 'in' }),
          box({ tag: 'B-4', stand: 'drying', dryOn: '2026-11-28T10:00:00Z', safeG: 90 }),
          box({ tag: 'B-5', netG: null, next: 'Weigh it.' }),
        ],
      },
    })
    const rows = shown.findAll('ul.divide-y > li').map((l) => l.text())
    expect(rows[0]).toContain('out, with ink')
    expect(rows[0]).toMatch(/12.g over its 97.g dry/)
    expect(rows[1]).toContain('in PS-2')
    expect(rows[2]).toContain('in here')
    expect(rows[3]).toMatch(/Dry about .*28/)
    expect(rows[3]).toMatch(/used to 90.g/)
    expect(rows[4]).toContain('out, not weighed')
    expect(rows[4]).not.toContain('over its')
  })

  it('are none at first, and it says what two are good for', () => {
    expect(mount(BoxList, { props: { boxes: [] } }).text()).toContain('keep a busy machine running')
  })
})

describe('what is told of a box', () => {
  it('asks for changes of water when washed, and sends no figure where none is asked', async () => {
    const { shown, asked, save } = await opened(box())
    const press = (name: string) =>
      shown
        .findAll('button')
        .find((b) => b.text() === name)!
        .trigger('click')
    await press('Washed')
    expect(shown.text()).toContain('The water was changed so many times')
    await shown.find('input').setValue('9')
    await save()
    await press('New pads')
    await save()
    expect(asked).toEqual([
      { name: 'tell', box: 'B-1', what: 'washed', amount: 9, note: '' },
      { name: 'tell', box: 'B-1', what: 'new-pads', amount: null, note: '' },
    ])
    expect(shown.emitted('close')).toHaveLength(2)
  })

  it('gives a new one a tag, with its own dry mass only where that is told', async () => {
    const { shown, asked, save } = await opened(null, false)
    const [tag, tare, grams] = shown.findAll('input')
    expect(shown.text()).toContain('97 unless told')
    await tag!.setValue('B-7')
    await grams!.setValue('99,5')
    await save()
    expect(asked).toEqual([{ name: 'tag', tag: 'B-7', fits: 'six', tareG: null, grams: 99.5, note: '' }])
    expect((tare!.element as HTMLInputElement).value).toBe('')
    // What was refused stays open, with what was typed.
    expect(shown.emitted('close')).toBeUndefined()
    expect((tag!.element as HTMLInputElement).value).toBe('B-7')
  })
})

describe('what was handed in', () => {
  it('is listed with its table, and the line of the council is the owner’s', async () => {
    const handedIn = [
      { at: '2026-11-20T10:00:00Z', what: 'pads', kg: 1.2, where: 'yard', serial: 'PS-1', person: 'Ines' },
    ]
    const { asked, desk: writes } = desk()
    const owner = mount(HandedInList, {
      props: { shop: shop({ handedIn, rules: 'Lidded.' }), desk: writes, may: true },
    })
    expect(owner.text()).toContain('1.2 kg')
    expect(owner.find('a').attributes('href')).toBe('/api/waste/handed-in.csv')
    expect(owner.find('button').attributes('disabled')).toBeDefined()
    await owner.find('input').setValue('On Fridays.')
    await owner.find('form').trigger('submit')
    expect(asked).toEqual([{ name: 'rules', line: 'On Fridays.' }])
    const other = mount(HandedInList, { props: { shop: shop({ rules: 'Lidded.' }), desk: writes, may: false } })
    expect(other.find('form').exists()).toBe(false)
    expect(other.text()).toContain('Our council: Lidded.')
  })
})
