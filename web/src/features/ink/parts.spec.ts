import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import SlotCard from './SlotCard.vue'
import SlotPair from './SlotPair.vue'
import VisitCard from './VisitCard.vue'
import type { Ink, SlotInk } from './useInk'

const slot = (more: Partial<SlotInk> = {}): SlotInk => ({
  panel: 3,
  ink: 'Magenta',
  colour: '#b82370',
  front: 'third from the left, left bay, seen from the front',
  back: 'third from the left, left bay, seen from the back',
  type: 'refillable',
  typeName: 'Refillable, reset board',
  told: true,
  since: null,
  known: true,
  hasCount: true,
  canWeigh: true,
  isFilled: true,
  tool: 'board',
  align: '',
  fillMl: 170,
  reserveMl: 12,
  inkMl: { best: 60, low: 50, high: 70 },
  chip: 40,
  dryAt: { best: 20, low: 12, high: 27 },
  addMl: 110,
  airSince: null,
  urgency: 'now',
  way: 'fill-for-board',
  dueAt: 45,
  says: 'Fill 110 ml now, with all others.',
  why: 'One press claims ink in every slot.',
  warnings: [],
  from: 'From 1 fitting, 1 chip reading',
  mlPerDay: null,
  dryOn: null,
  dryEarliest: null,
  dryLatest: null,
  doubts: [],
  types: [],
  ...more,
})

const visit = {
  slots: [6, 3],
  fills: [
    { slot: 6, ink: 'Light magenta', ml: 160.2, what: 'to full, then prime' },
    { slot: 3, ink: 'Magenta', ml: 11.42, what: 'to full' },
  ],
  steps: ['Open the ink door.', 'Fill.'],
  minutes: 12,
  inkMl: 171.6,
  cost: 18.9,
  purgeMl: 8.1,
  purgeCounterPct: 0.73,
  savedMl: 8.1,
  savedCounterPct: 0.73,
  held: '',
  plugs: 0,
}

const ink = (more: Partial<Ink> = {}): Ink => ({
  job: 7,
  tag: 415,
  version: 3,
  thread: 0,
  model: 'Tolling Broadside 44',
  fitted: 'Refillable, reset board',
  open: true,
  pressesLeft: 23,
  presses: 24,
  boardWeeks: null,
  slots: [slot(), slot({ panel: 6, ink: 'Light magenta' }), slot({ panel: 1, urgency: 'fine' })],
  map: [],
  visit,
  currency: 'GBP',
  prompt: '',
  wasteAt: '',
  next: null,
  conversion: null,
  money: [],
  wasteChip: false,
  plugsOut: 0,
  plugItems: [],
  ...more,
})

describe('SlotPair', () => {
  const pair = (more: Partial<SlotInk> = {}) => mount(SlotPair, { props: { of: slot(more), chosen: false } })

  it('says the slot in words: both truths with the band, and what is due', () => {
    expect(pair().attributes('aria-label')).toBe('Slot 3, Magenta: due now, chip 40 %, 60.0 ml in it, 50.0 to 70.0')
    expect(pair().text()).toContain('dry at chip 20 %')
    expect(pair().text()).toContain('add 110')
  })

  it('draws chip and ink by their own measures, and the dry line on the chip', () => {
    const drawn = pair()
    const [hatched, full] = drawn.findAll('rect[y]').filter((r) => r.attributes('y') !== '2')
    expect(Number(hatched!.attributes('height'))).toBeCloseTo(132 * 0.4)
    expect(Number(full!.attributes('height'))).toBeCloseTo((132 * 60) / 170)
    expect(Number(drawn.find('line.stroke-stop').attributes('y1'))).toBeCloseTo(2 + 132 * 0.8)
  })

  it('says what is not known, and draws no line where the ink outlasts the chip', () => {
    const bare = pair({ chip: null, inkMl: null, dryAt: null, addMl: null, urgency: 'unknown' })
    expect(bare.attributes('aria-label')).toBe('Slot 3, Magenta: not known, chip not read')
    expect(bare.text()).toContain('Refillable, reset board')
    const outlasts = pair({ dryAt: { best: -8, low: -12, high: -4 } })
    expect(outlasts.find('line.stroke-stop').exists()).toBe(false)
    expect(outlasts.text()).toContain('ink outlasts chip')
  })

  it('shows a bag without a chip by its ink alone', () => {
    const tank = pair({ hasCount: false, chip: null, dryAt: null })
    expect(tank.attributes('aria-label')).not.toContain('chip')
    expect(tank.findAll('text')).toHaveLength(1)
  })
})

describe('VisitCard', () => {
  const card = (more: Partial<Ink> = {}, may = true) =>
    mount(VisitCard, { props: { ink: ink(more), busy: false, may } })

  it('lists what goes in where, in the order of work, and what together saves', () => {
    const shown = card()
    expect(shown.find('h2').text()).toBe('Slots 6, 3, in one visit')
    expect(shown.find('[aria-label="What goes in"]').text()).toMatch(/6.*160.*3.*11\.4/s)
    expect(shown.text()).toContain('One at a time would cost')
  })

  it('says all where all are in it, and nothing of savings where one is', () => {
    const all = card({ visit: { ...visit, slots: [6, 3, 1] } })
    expect(all.find('h2').text()).toBe('All 3 slots, in one visit')
    expect(card({ visit: { ...visit, savedMl: 0 } }).text()).not.toContain('One at a time')
  })

  it('cannot be pressed while it is held, while the job is closed, or by those who only look on', () => {
    const state = (c: ReturnType<typeof card>) => c.find('[data-testid="visit-done"]').attributes('disabled')
    expect(state(card())).toBeUndefined()
    expect(state(card({ visit: { ...visit, held: 'No press left.' } }))).toBe('')
    expect(state(card({ open: false }))).toBe('')
    expect(state(card({}, false))).toBe('')
  })

  it('asks for the chips where nothing is known, and says so where nothing is due', () => {
    const blind = card({ visit: null, slots: [slot({ urgency: 'unknown', chip: null }), slot({ urgency: 'fine' })] })
    expect(blind.find('h2').text()).toBe('Read the chips first')
    expect(blind.text()).toContain('1 of 2 slots')
    const counted = card({ visit: null, slots: [slot({ urgency: 'unknown' })] })
    expect(counted.find('h2').text()).toBe('Weigh what is not known')
    expect(counted.find('button').exists()).toBe(false)
    expect(
      card({ visit: null, slots: [slot({ urgency: 'fine' })] })
        .find('h2')
        .text(),
    ).toBe('Nothing is due')
  })
})

describe('plugs and bottles of a visit', () => {
  const card = (more: Partial<Ink>, bottles?: Record<string, { name: string; ml: number }>) =>
    mount(VisitCard, { props: { ink: ink(more), busy: false, may: true, bottles } })
  const button = (c: ReturnType<typeof card>, says: string) => c.findAll('button').find((b) => b.text().includes(says))

  it('lays plugs on the tray, counted, and takes them off with the work', async () => {
    const before = card({ visit: { ...visit, plugs: 2 } })
    await button(before, '2 plugs out')!.trigger('click')
    expect(before.emitted('plugs')).toEqual([[2]])
    const out = card({ visit: { ...visit, plugs: 2 }, plugsOut: 2 })
    expect(button(out, 'plugs out')).toBeUndefined()
    expect(out.find('[data-testid="visit-done"]').text()).toContain('2 plugs back, done so')
    expect(button(card({ visit }), 'out')).toBeUndefined()
  })

  it('names the bottle, and says when it does not hold enough', () => {
    const fills = [{ slot: 3, ink: 'Cyan', ml: 20, what: 'to full' }]
    const bottles = { Cyan: { name: 'Cyan refill', ml: 12 } }
    const short = card({ visit: { ...visit, fills } }, bottles).find('[data-testid=poured]')
    expect(short.text().replace(/\s+/g, ' ')).toContain('Cyan refill, only 12 ml left')
    const enough = card({ visit: { ...visit, fills } }, { Cyan: { name: 'Cyan refill', ml: 400 } })
    expect(enough.find('[data-testid=poured]').text()).not.toContain('only')
    expect(
      card({ visit: { ...visit, fills } })
        .find('[data-testid=poured]')
        .exists(),
    ).toBe(false)
  })
})

describe('SlotCard', () => {
  const card = (more: Partial<SlotInk> = {}, open = true) =>
    mount(SlotCard, {
      props: { ink: ink({ open }), of: slot(more), may: true },
      global: { stubs: { SlotMap: true, SlotLife: true } },
    })
  const presses = (c: ReturnType<typeof card>) => c.findAll('button').map((b) => b.text().replace(/\s+/g, ' '))

  it('offers only what can be done with what is fitted', () => {
    const types = [{ id: 'maker', name: 'Maker’s', number: 'TB-443', key: '', price: 96 }]
    expect(presses(card({ types }))).toEqual(['W Weigh', 'F Fill', 'R Reset', 'X Fitted'])
    expect(presses(card({ canWeigh: false, tool: '' }))).toEqual(['F Fill'])
    expect(presses(card({ isFilled: false, tool: '', types }))).toEqual(['W Weigh', 'X Fitted'])
    expect(presses(card({ types }, false))).toEqual([])
  })

  it('gives every figure with its band, and what it comes from', () => {
    const text = card({
      mlPerDay: { best: 2, low: 1.5, high: 2.5 },
      dryOn: '2026-12-20T09:00:00Z',
      dryEarliest: '2026-12-12T09:00:00Z',
      dryLatest: '2027-01-02T09:00:00Z',
    }).text()
    for (const said of ['(50 to 70)', '(12 to 27)', '(1.5 to 2.5)', '2026', '2027', 'From 1 fitting, 1 chip reading'])
      expect(text).toContain(said)
  })

  it('puts warnings and doubts before the hand, and says when it dried', () => {
    const told = card({
      airSince: '2026-11-20T09:00:00Z',
      warnings: ['This machine stops in mid-page.'],
      doubts: ['The chip rose without a reset.'],
      told: false,
    }).text()
    for (const said of ['air is likely', 'mid-page', 'rose without', 'taken from the take-in'])
      expect(told).toContain(said)
  })
})
