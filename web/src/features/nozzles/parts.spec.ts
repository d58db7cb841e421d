import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import ReadingCard from './ReadingCard.vue'
import SheetTrend from './SheetTrend.vue'
import SheetWays from './SheetWays.vue'
import TapGrid from './TapGrid.vue'
import type { Sheet, UnitShape } from './useSheets'

const stubs = { RouterLink: { props: ['to'], template: '<a :data-to="JSON.stringify(to)"><slot /></a>' } }
const shape = (id: string, nozzles = 12) =>
  ({ id, ink: id, color: '#222222', faint: false, nozzles, slot: 1, columns: 4 }) as UnitShape

describe('TapGrid', () => {
  const grid = (nozzles = '............') =>
    mount(TapGrid, {
      props: {
        units: [shape('K'), shape('C')],
        tapped: [
          { id: 'K', nozzles },
          { id: 'C', nozzles: '............' },
        ],
        unsure: { C: [3] },
        busy: false,
      },
    })

  it('sets a dash missing at a tap, and takes it back at the next', async () => {
    const taps = grid()
    await taps.find('[data-of="0"][data-nozzle="5"]').trigger('pointerdown')
    expect((taps.emitted('change')![0]![0] as { nozzles: string }[])[0]!.nozzles).toBe('.....x......')
    const again = grid('.....x......')
    await again.find('[data-of="0"][data-nozzle="5"]').trigger('pointerdown')
    expect((again.emitted('change')![0]![0] as { nozzles: string }[])[0]!.nozzles).toBe('............')
  })

  it('is one tab stop a channel, and arrows move within it', async () => {
    const taps = grid()
    const stops = () => taps.findAll('[data-nozzle][tabindex="0"]').map((c) => c.attributes('data-nozzle'))
    expect(stops()).toEqual(['0', '0'])
    await taps.find('[data-of="1"][data-nozzle="0"]').trigger('keydown', { key: 'ArrowRight' })
    expect(stops()).toEqual(['0', '1'])
    await taps.find('[data-of="1"][data-nozzle="1"]').trigger('keydown', { key: 'End' })
    expect(stops()).toEqual(['0', '11'])
    await taps.find('[data-of="1"][data-nozzle="11"]').trigger('keydown', { key: 'ArrowRight' })
    expect(stops()).toEqual(['0', '11'])
  })

  it('paints with the state that was chosen', async () => {
    const taps = grid()
    await taps
      .findAll('button')
      .find((b) => b.text() === 'weak')!
      .trigger('click')
    await taps.find('[data-of="1"][data-nozzle="0"]').trigger('keydown', { key: 'Enter' })
    expect((taps.emitted('change')![0]![0] as { nozzles: string }[])[1]!.nozzles).toBe('w...........')
  })

  it('sets a whole channel with one press, and counts what is missing', async () => {
    const taps = grid('xx..........')
    expect(taps.text()).toContain('2 missing')
    await taps
      .findAll('button')
      .filter((b) => b.text() === 'none prints')[1]!
      .trigger('click')
    expect((taps.emitted('change')![0]![0] as { nozzles: string }[])[1]!.nozzles).toBe('xxxxxxxxxxxx')
  })

  it('says every dash to a screen reader, and points at the unsure ones', () => {
    const taps = grid('x...........')
    expect(taps.find('[data-of="0"][data-nozzle="0"]').attributes('aria-label')).toBe('K 1: missing')
    expect(taps.find('[data-of="1"][data-nozzle="3"] span').classes()).toContain('outline-hands')
    expect(taps.find('[data-of="1"][data-nozzle="4"] span').classes()).not.toContain('outline-hands')
  })

  it('does not write twice while it writes', () => {
    const taps = mount(TapGrid, {
      props: { units: [shape('K')], tapped: [{ id: 'K', nozzles: '............' }], busy: true },
    })
    expect(
      taps
        .findAll('button')
        .find((b) => b.text() === 'Put it on record')!
        .attributes('disabled'),
    ).toBeDefined()
  })
})

describe('SheetWays', () => {
  const ways = (doing = '', first = true) =>
    mount(SheetWays, { props: { doing, devices: ['flatbed', 'phone'], first } })

  it('offers every way in, and hides them while one is under way', () => {
    expect(ways().text()).toContain('Scan on the flatbed')
    expect(ways().findAll('input[type=file]')).toHaveLength(2)
    const busy = ways('Reading every nozzle')
    expect(busy.find('[role=status]').text()).toContain('Reading every nozzle …')
    expect(busy.findAll('button')).toHaveLength(0)
  })

  it('takes a dropped file and a pasted one', async () => {
    const taking = ways()
    const file = new File(['x'], 'sheet.png', { type: 'image/png' })
    await taking.find('section').trigger('drop', { dataTransfer: { files: [file] } })
    const paste = new Event('paste') as Event & { clipboardData: unknown }
    paste.clipboardData = { files: [file] }
    document.dispatchEvent(paste)
    expect(taking.emitted('picture')!.map((p) => p[1])).toEqual(['file', 'paste'])
    taking.unmount()
  })

  it('speaks up only while there is no sheet', () => {
    expect(ways('', true).text()).toContain('No nozzle sheet yet')
    expect(ways('', false).text()).not.toContain('No nozzle sheet yet')
  })
})

describe('SheetTrend', () => {
  const sheets = [
    {
      id: 'a',
      job: 1,
      at: '2026-03-01T10:00:00Z',
      way: 'flatbed',
      cleansBefore: 0,
      missingCount: 14,
      missing: [0, 14],
      madeUp: true,
    },
    {
      id: 'b',
      job: 1,
      at: '2026-03-01T11:00:00Z',
      way: 'flatbed',
      cleansBefore: 1,
      missingCount: 3,
      missing: [0, 3],
      madeUp: true,
    },
  ]

  it('draws a line a channel and goes to a sheet', async () => {
    const trend = mount(SheetTrend, { props: { sheets, units: [shape('K'), shape('C')], shown: 'b', lit: 'C' } })
    const lines = trend.findAll('polyline')
    expect(lines).toHaveLength(2)
    expect(lines[0]!.attributes('points')).toBe('0,36 100,36')
    expect(lines[1]!.attributes('points')!.startsWith('0,4 ')).toBe(true)
    expect(Number(lines[1]!.attributes('stroke-width'))).toBeGreaterThan(Number(lines[0]!.attributes('stroke-width')))
    await trend.find('button').trigger('click')
    expect(trend.emitted('show')).toEqual([['a']])
    expect(trend.find('[aria-current]').text()).toContain('2')
  })
})

describe('ReadingCard', () => {
  const sheet = (more: Partial<Sheet>) =>
    ({
      title: 'Two different faults.',
      says: ['K: a clog.', 'Y: short of ink.'],
      unsureCount: 0,
      units: [],
      ...more,
    }) as unknown as Sheet
  const next = [
    { thread: 0, complaint: 'Missing nozzles', ink: '', does: 'Soak the head' },
    { thread: 2, complaint: 'Blank', ink: 'Yellow', does: 'Draw test' },
  ]
  const card = (more: Partial<Sheet>, may = true) =>
    mount(ReadingCard, { props: { sheet: sheet(more), next, job: 7, may }, global: { stubs } })

  it('says the reading, and what each thread wants next', () => {
    const shown = card({})
    expect(shown.text()).toContain('Y: short of ink.')
    const links = shown.findAll('a')
    expect(links.map((l) => l.text())).toEqual(['Soak the head, missing nozzles', 'Draw test, yellow'])
    expect(links[1]!.attributes('data-to')).toContain('"thread":"2"')
  })

  it('asks about unsure nozzles, one or many', () => {
    expect(card({ unsureCount: 1 }).text()).toContain('One nozzle is unsure')
    expect(card({ unsureCount: 4 }).text()).toContain('4 nozzles are unsure')
    expect(card({}).text()).not.toContain('unsure')
  })

  it('names what else a doubtful channel may be', () => {
    const units = [
      {
        id: 'C',
        oddsRatio: 0.6,
        odds: [
          { pattern: 'run', oddsRatio: 0.6 },
          { pattern: 'scattered', oddsRatio: 0.4 },
        ],
      },
    ] as Sheet['units']
    expect(card({ units }).text()).toContain('C may be run 60 %, scattered 40 %')
  })

  it('lets only those correct who work at the bench', () => {
    expect(card({}).text()).toContain('Tap to correct')
    expect(card({}, false).text()).not.toContain('Tap to correct')
  })
})
