import { flushPromises, mount } from '@vue/test-utils'
import { describe, expect, it, vi } from 'vitest'
import { ref } from 'vue'
import GateCard from './GateCard.vue'
import ResetDialog from './ResetDialog.vue'
import StoreDialog from './StoreDialog.vue'
import TwoTruths from './TwoTruths.vue'
import WasteForecast from './WasteForecast.vue'
import WaysOn from './WaysOn.vue'
import type { Waste, WasteDesk } from './useWaste'

const waste = (more: Partial<Waste> = {}) =>
  ({
    open: true,
    counter: 100,
    counterAt: '2026-11-20T10:00:00Z',
    counterRead: true,
    resetWanted: true,
    known: true,
    tareG: 57,
    safeG: 186,
    mostG: 218,
    massG: { best: 118, low: 110, high: 126 },
    gate: [
      { id: 'read', met: true, says: 'Counter read: 100 %' },
      { id: 'room', met: false, says: 'The store seen to' },
    ],
    gateOpen: false,
    needs: ['renew it', 'wash and dry it'],
    ways: [],
    course: [],
    moments: [],
    bottle: null,
    takesBottle: true,
    partialTo: 75,
    keys: [{ item: 9, name: 'Counter key', for: 'Folio', left: 2 }],
    currency: 'GBP',
    says: 'The counter is further than the store.',
    counterFull: null,
    storeFull: { early: '2027-01-01T00:00:00Z', median: '2027-03-01T00:00:00Z', late: null },
    cyclesLeft: null,
    first: 'store',
    pointsPerDay: 0.4,
    warnPct: 90,
    hasBox: false,
    boxes: [],
    pads: [],
    bySchool: null,
    dueOn: null,
    due: '',
    rules: '',
    ...more,
  }) as unknown as Waste

/** A desk whose writes are kept, and what was asked of it. */
function desk(answer: unknown = {}) {
  const asked: Record<string, unknown>[] = []
  const write = (name: string) =>
    vi.fn(async (body: object) => {
      asked.push({ name, ...body })
      return answer
    })
  const made = {
    busy: ref(false),
    problem: ref(null),
    dismiss: () => undefined,
    tell: write('tell'),
    reset: write('reset'),
    handIn: write('handIn'),
    service: vi.fn(async (count: number) => ({ before: count, after: count === 100 ? 0 : count, madeUp: true })),
  }
  return { asked, desk: made as unknown as WasteDesk }
}

/** Mounts a dialog, opened after it stands, with its body where it can be found. */
async function opened(dialog: typeof ResetDialog | typeof StoreDialog, of: Waste, answer?: unknown) {
  const { asked, desk: writes } = desk(answer)
  const shown = mount(dialog as typeof ResetDialog, {
    props: { open: false, waste: of, desk: writes },
    global: { stubs: { AppDialog: { template: '<div><slot /></div>' } } },
  })
  await shown.setProps({ open: true })
  const press = (name: string) =>
    shown
      .findAll('button')
      .find((b) => b.text() === name)!
      .trigger('click')
  const save = async () => {
    await shown.find('form').trigger('submit')
    await flushPromises()
  }
  return { shown, asked, press, save }
}

describe('the gate of a reset', () => {
  it('says how much is missing, and by what it would be met', () => {
    const card = mount(GateCard, { props: { waste: waste(), may: true } })
    expect(card.find('h2').text()).toBe('One thing missing')
    expect(card.text()).toContain('Met by: renew it, or wash and dry it.')
    expect(card.findAll('[data-met=true]')).toHaveLength(1)
    expect(card.text()).toContain('Reset all the same')
  })

  it('is open, or has nothing to reset, and says that', () => {
    const open = waste({ gateOpen: true, gate: [{ id: 'read', met: true, says: 'read' }] as Waste['gate'] })
    expect(
      mount(GateCard, { props: { waste: open, may: true } })
        .find('h2')
        .text(),
    ).toBe('It may be reset')
    const none = mount(GateCard, { props: { waste: waste({ resetWanted: false }), may: true } })
    expect(none.find('h2').text()).toBe('Nothing to reset now')
    expect(none.text()).toContain('Before the next reset')
  })

  it('lets a counter look on, and a closed job alone', async () => {
    const card = mount(GateCard, { props: { waste: waste(), may: false } })
    expect(card.findAll('button').every((b) => b.attributes('disabled') !== undefined)).toBe(true)
    expect(mount(GateCard, { props: { waste: waste({ open: false }), may: true } }).findAll('button')).toHaveLength(0)
    const free = mount(GateCard, { props: { waste: waste(), may: true } })
    await free.findAll('button')[0]!.trigger('click')
    await free.findAll('button')[1]!.trigger('click')
    expect(Object.keys(free.emitted())).toEqual(expect.arrayContaining(['tell', 'reset']))
  })
})

describe('two truths', () => {
  it('tells the mass over its dry one, with its band', () => {
    const shown = mount(TwoTruths, { props: { waste: waste() } })
    expect(shown.text()).toContain('100%')
    expect(shown.text()).toContain('61 g')
    expect(shown.text().replace(/\s+/g, ' ')).toContain('53 to 69')
  })

  it('says what is not known, and a count that was set and not read back', () => {
    const shown = mount(TwoTruths, { props: { waste: waste({ known: false, counter: null, counterAt: null }) } })
    expect(shown.text()).toContain('not read')
    expect(shown.text()).toContain('not known')
    const set = mount(TwoTruths, { props: { waste: waste({ counter: 0, counterRead: false }) } })
    expect(set.text()).toContain('set so and not read back')
  })

  it('draws a count past its limit no higher than the limit', () => {
    const shown = mount(TwoTruths, { props: { waste: waste({ counter: 120 }) } })
    const bar = shown.findAll('rect')[2]!
    expect([Number(bar.attributes('y')), Number(bar.attributes('height'))]).toEqual([0, 220])
  })
})

describe('the forecast', () => {
  const course = [0, 100, 200].map((days) => ({
    days,
    best: 118 + days / 4,
    low: 110 + days / 5,
    high: 126 + days / 3,
  }))

  it('lets the counter rise to its limit and begin again', () => {
    const shown = mount(WasteForecast, { props: { waste: waste({ course, counter: 60, pointsPerDay: 0.8 }) } })
    const points = shown.findAll('polyline')[0]!.attributes('points')!.split(' ')
    // 40 points at 0.8 a day: at day 50 it is full, and again 125 days later.
    expect(points.map((p) => Math.round(Number(p.split(',')[0]) / 3.2))).toEqual([0, 50, 50, 175, 175, 200])
    expect(points.map((p) => p.split(',')[1])[1]).toBe(points.map((p) => p.split(',')[1])[3])
  })

  it('says dates that are later than are told, and what would tell a use', () => {
    const bare = mount(WasteForecast, { props: { waste: waste() } })
    expect(bare.text()).toContain('Two readings of the counter')
    expect(bare.text()).toContain('later than ten years')
    expect(bare.text()).toContain('to later')
    const blind = mount(WasteForecast, { props: { waste: waste({ pointsPerDay: null, storeFull: null }) } })
    expect(blind.text()).toContain('not known yet')
    expect(blind.text()).not.toContain('ten years')
    expect(bare.findAll('dd')[1]!.classes()).toContain('font-bold')
  })
})

describe('ways to go on', () => {
  const way = (id: string, more: object = {}) =>
    ({
      id,
      name: id,
      today: 20,
      handsMin: 12,
      waitHours: 0,
      lastsDays: 300,
      perYear: 9,
      spared: 0,
      cheaperUntilDays: null,
      cheaperUntilRuns: null,
      why: '',
      open: true,
      ...more,
    }) as Waste['ways'][number]

  it('marks the first that can be, and none that cannot', async () => {
    const ways = [
      way('renew', { spared: 0.5, waitHours: 26 }),
      way('bottle', { open: false, why: 'Not on this model.' }),
    ]
    const shown = mount(WaysOn, { props: { waste: waste({ ways }), years: 3 } })
    expect(shown.findAll('tbody tr').map((r) => r.classes().includes('bg-go-tint'))).toEqual([true, false])
    expect(shown.text()).toContain('spares 0.5 a year')
    expect(shown.findAll('tbody tr')[1]!.text()).toContain('–')
    await shown.findAll('button')[2]!.trigger('click')
    expect(shown.emitted('years')).toEqual([[5]])
    const blind = mount(WaysOn, { props: { waste: waste({ ways, pointsPerDay: null }), years: 3 } })
    expect(blind.findAll('.bg-go-tint')).toHaveLength(0)
    expect(blind.text()).toContain('none is advised')
    const cheap = [way('renew-reset'), way('renew', { cheaperUntilDays: 45, cheaperUntilRuns: 0.4 })]
    const bySchool = { school: 'Pads full', option: 'Renew', why: 'The surest.', way: 'renew' }
    const even = mount(WaysOn, { props: { waste: waste({ ways: cheap, bySchool }), years: 3 } })
    expect(even.text()).toContain('cheaper for the first 45')
    expect(even.text()).toContain('0.4 runs of the counter')
    // What renews either way agrees with the school; what does not is said.
    expect(even.find('[data-testid=by-school]').text()).not.toContain('The numbers say')
    const bottled = { ...bySchool, way: 'bottle' }
    const other = mount(WaysOn, { props: { waste: waste({ ways, bySchool: bottled }), years: 3 } })
    expect(other.find('[data-testid=by-school]').text()).toContain('The numbers say')
    const held = mount(WaysOn, { props: { waste: waste({ ways: [way('x', { open: false })] }), years: 3 } })
    expect(held.findAll('tbody tr')[0]!.classes()).not.toContain('bg-go-tint')
  })
})

describe('what is told of a store', () => {
  it('asks for the figure of what was done, and sends no other', async () => {
    const { shown, asked, press, save } = await opened(StoreDialog, waste())
    expect(shown.findAll('button').map((b) => b.text())).not.toContain('Bottle emptied')
    await shown.find('input').setValue('118,5')
    await save()
    await press('Renewed')
    expect(shown.text()).toContain('not down the drain')
    await shown.findAll('input')[0]!.setValue('B-2')
    await save()
    expect(asked).toEqual([
      { name: 'tell', what: 'weighed', amount: 118.5, box: '', note: '', outG: null, item: null },
      { name: 'tell', what: 'renewed', amount: null, box: 'B-2', note: '', outG: null, item: null },
    ])
    expect(shown.emitted('close')).toHaveLength(2)
  })

  it('puts in a dry box before a wet one, and asks what came out weighs', async () => {
    const box = (tag: string, stand: string) => ({ tag, stand }) as Waste['boxes'][number]
    const none = await opened(StoreDialog, waste({ boxes: [box('B-1', 'in')] }))
    expect(none.shown.findAll('button').map((b) => b.text())).not.toContain('Another box in')
    const of = waste({ boxes: [box('B-1', 'in'), box('B-2', 'drying'), box('B-3', 'dry')], rules: 'To the yard.' })
    const { shown, asked, press, save } = await opened(StoreDialog, of)
    await press('Another box in')
    expect(shown.text()).toContain('To the yard.')
    expect(shown.text()).toContain('leave it empty')
    expect(
      shown
        .find('select')
        .findAll('option')
        .map((o) => o.text()),
    ).toEqual(['B-2, drying', 'B-3, dry'])
    await shown.findAll('input')[1]!.setValue('180')
    await save()
    expect(asked).toEqual([{ name: 'tell', what: 'box-in', amount: null, box: 'B-3', note: '', outG: 180, item: null }])
  })

  it('takes pads off the shelf with a renewal alone', async () => {
    const pads = [{ item: 4, name: 'Pad set', for: 'Folio', left: 2 }]
    const { shown, asked, press, save } = await opened(StoreDialog, waste({ pads }))
    expect(shown.find('select').exists()).toBe(false)
    await press('Renewed')
    await shown.find('select').setValue(4)
    await save()
    await press('Weighed')
    await save()
    expect(asked.map((a) => a.item)).toEqual([4, null])
  })

  it('offers a bottle only where one can be, and stays open when refused', async () => {
    const none = await opened(StoreDialog, waste({ takesBottle: false }), null)
    expect(none.shown.findAll('button').map((b) => b.text())).not.toContain('Bottle fitted')
    await none.save()
    expect(none.shown.emitted('close')).toBeUndefined()
    const fitted = await opened(StoreDialog, waste({ bottle: { holdsMl: 500 } as Waste['bottle'] }))
    expect(fitted.shown.findAll('button').map((b) => b.text())).toContain('Bottle looked at')
  })
})

describe('a service program', () => {
  it('fills in what it read, and says when nothing was stored', async () => {
    const { shown, press } = await opened(ResetDialog, waste())
    await press('Service routine')
    await shown.find('[data-testid=ask-service]').trigger('click')
    await flushPromises()
    const figures = () => shown.findAll('input.font-mono').map((f) => (f.element as HTMLInputElement).value)
    expect(figures()).toEqual(['100', '0'])
    expect(shown.find('[role=status]').text()).toContain('Read back.')
    await shown.findAll('input.font-mono')[0]!.setValue('98')
    await shown.find('[data-testid=ask-service]').trigger('click')
    await flushPromises()
    expect(figures()).toEqual(['98', '98'])
    expect(shown.find('[role=status]').text()).toContain('not stored')
    expect(shown.find('[role=status]').text()).toContain('made up')
  })
})

describe('a reset', () => {
  it('begins with the count as it was read, and asks why where the gate holds', async () => {
    const { shown, asked, save } = await opened(ResetDialog, waste())
    expect(shown.text()).toContain('Missing: The store seen to.')
    const [before, after, why] = shown.findAll('input')
    expect((before!.element as HTMLInputElement).value).toBe('100')
    await after!.setValue('0')
    await why!.setValue('one job more')
    await shown.find('input[type=checkbox]').setValue(true)
    await save()
    expect(asked[0]).toEqual({
      name: 'reset',
      way: 'full',
      before: 100,
      after: 0,
      keyItem: null,
      despite: 'one job more',
      told: true,
      system: '',
    })
  })

  it('spends a key only when a key is the way', async () => {
    const open = waste({ gate: [{ id: 'read', met: true, says: '' }] as Waste['gate'], gateOpen: true })
    const { shown, asked, press, save } = await opened(ResetDialog, open)
    await press('By a key')
    await shown.find('select').setValue(9)
    await save()
    await press('Partial, once only')
    expect(shown.text()).toContain('A machine has it once')
    await save()
    expect(asked.map((a) => [a.way, a.keyItem, a.after])).toEqual([
      ['key', 9, null],
      ['partial', null, null],
    ])
    const bare = await opened(ResetDialog, waste({ partialTo: null, keys: [] }))
    expect(bare.shown.text()).not.toContain('Partial, once only')
    expect(bare.shown.text()).not.toContain('By a key')
  })
})
