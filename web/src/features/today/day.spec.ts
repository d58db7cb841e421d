import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import { RouterLinkStub } from '@vue/test-utils'
import DayLines from './DayLines.vue'
import DaySheet from './DaySheet.vue'
import NowCards from './NowCards.vue'
import WeekLoad from './WeekLoad.vue'
import type { Day } from './useDay'

const at = (hour: number, minute = 0) => new Date(2027, 2, 1, hour, minute).toISOString()
const job = (more: object = {}) => ({
  id: 1,
  tag: 412,
  machine: 'Six Tank',
  customer: 'Ferry Café',
  promiseAt: at(16),
  kept: 0.42,
  keptSays: '4 times in 10',
  early: at(12),
  likely: at(13),
  late: at(15),
  readyAt: null,
  latestAt: null,
  waitsFor: '',
  others: false,
  unknown: false,
  noPlace: '',
  pinned: '',
  version: 3,
  pieces: [
    {
      says: 'clean',
      hand: 1,
      from: at(10),
      to: at(10, 30),
      minutes: 30,
      latest: null,
      waitTo: at(12),
      waitSays: 'rest',
    },
  ],
  ...more,
})
const day = (more: object = {}) =>
  ({
    now: at(9, 30),
    hands: [{ id: 1, name: 'Ines', spans: [{ from: at(9), to: at(17) }] }],
    open: [{ from: at(9), to: at(17) }],
    nows: [],
    jobs: [job()],
    load: [],
    moved: '',
    says: '',
    level: 0.9,
    overrunMin: 0,
    ...more,
  }) as unknown as Day
const now = new Date(2027, 2, 1, 9, 30).getTime()
const left = (e: { attributes: (name: string) => string | undefined }) =>
  Number(/left: ([\d.]+)%/.exec(e.attributes('style') ?? '')?.[1])

describe('the day on paper', () => {
  it('lists what hands do today in order, whoever’s they are, with what is due beside', () => {
    const piece = (says: string, from: string, more: object = {}) => ({
      says,
      hand: 1,
      from,
      to: from,
      minutes: 12,
      ...more,
    })
    const reminder = {
      key: 'k',
      says: 'Send back Board',
      about: 'on the shelf',
      minutes: 10,
      due: '2027-03-01',
      name: 'Tom',
      from: at(10, 15),
    }
    const sheet = mount(DaySheet, {
      props: {
        day: day({
          jobs: [
            job({
              pieces: [
                piece('sheet', at(11), { latest: at(11, 30) }),
                piece('tomorrow', new Date(2027, 2, 2, 9).toISOString()),
              ],
            }),
            job({ id: 2, tag: 415, pieces: [piece('clean', at(10)), piece('no room', at(12), { hand: 0 })] }),
          ],
          reminders: [reminder, { ...reminder, says: 'Not today', name: '', from: null }],
        }),
        now,
      },
    })
    const rows = sheet.findAll('tbody tr').map((r) => r.text())
    expect(rows).toHaveLength(3)
    for (const [i, what] of ['415: clean', 'Send back Board', '412: sheet'].entries()) expect(rows[i]).toContain(what)
    expect(rows[2]).toMatch(/12.*begin by/)
  })
})

describe('the rows of the day', () => {
  it('lay hands and rests where their hours are, and the promise as a flag with its chance', () => {
    const shown = mount(DayLines, { props: { day: day(), now } })
    // From nine to five: eight hours.
    const bar = (text: string) => shown.findAll('li span').find((s) => s.text() === text)!
    expect(left(bar('clean'))).toBeCloseTo(100 / 8, 1)
    expect(left(bar('rest'))).toBeCloseTo((100 * 1.5) / 8, 1)
    expect(left(bar('⚑'))).toBeCloseTo((100 * 7) / 8, 1)
    expect(shown.find('button').text()).toContain('42 %')
    expect(shown.find('button span.text-stop').exists()).toBe(true)
  })

  it('draw hands that go on as one bar, and write in none that is too short for it', () => {
    const two = [
      { says: 'sheet', hand: 1, from: at(10), to: at(10, 20), minutes: 20, latest: null, waitTo: null, waitSays: '' },
      {
        says: 'clean',
        hand: 1,
        from: at(10, 20),
        to: at(10, 40),
        minutes: 20,
        latest: null,
        waitTo: null,
        waitSays: '',
      },
      { says: 'call', hand: 1, from: at(12), to: at(12, 5), minutes: 5, latest: null, waitTo: null, waitSays: '' },
    ]
    const shown = mount(DayLines, { props: { day: day({ jobs: [job({ pieces: two, kept: 1 })] }), now } })
    const bars = shown.findAll('li span.bg-hands')
    expect(bars.map((b) => [b.text(), b.attributes('title')])).toEqual([
      ['sheet, clean', 'sheet, clean'],
      ['', 'call'],
    ])
    // What held in every life that was drawn is still not certain.
    expect(shown.find('button').text()).toContain('>99 %')
  })

  it('say what is not known and what is pinned, and hand a row out to be pinned', async () => {
    const shown = mount(DayLines, {
      props: { day: day({ jobs: [job({ unknown: true, pinned: 'Ines', promiseAt: null, kept: null })] }), now },
    })
    expect(shown.text()).toContain('way not known')
    expect(shown.text()).toContain('pinned: Ines')
    expect(shown.text()).toContain('no promise')
    await shown.find('button').trigger('click')
    expect(shown.emitted('pick')).toHaveLength(1)
  })

  it('say when hands come that are not there today, and which machines have the places until then', () => {
    const pieces = [{ ...job().pieces[0]!, from: '2026-04-01T09:17:00Z', to: '2026-04-01T09:50:00Z', waitTo: null }]
    const later = job({ pieces, readyAt: null, noPlace: 'no place free: 414 open' })
    const shown = mount(DayLines, { props: { day: day({ jobs: [later] }), now } })
    expect(shown.text()).toContain('no place free: 414 open')
    expect(shown.find('[role=img]').text()).toMatch(/^hands .*17/)
    expect(mount(DayLines, { props: { day: day(), now } }).text()).not.toContain('no place')
    const nobody = job({ pieces: [{ ...pieces[0]!, hand: 0 }], readyAt: null })
    expect(mount(DayLines, { props: { day: day({ jobs: [nobody] }), now } }).text()).toContain('no hands for it')
  })

  it('begin with the next open hour when the shop is closed', () => {
    const closed = day({ open: [{ from: at(13), to: at(17) }] })
    expect(
      left(
        mount(DayLines, { props: { day: closed, now } })
          .findAll('li span')
          .find((s) => s.text() === '⚑')!,
      ),
    ).toBe(75)
  })
})

describe('now', () => {
  const step = (says: string) => ({
    job: 1,
    tag: 412,
    machine: 'Six Tank',
    says,
    from: at(10),
    minutes: 0.4,
    because: 'it presses',
  })
  const cards = (n: object) =>
    mount(NowCards, {
      props: { day: day({ nows: [{ person: 1, name: 'Ines', here: true, now: null, then: [], ...n }] }), now },
      global: { stubs: { RouterLink: RouterLinkStub } },
    })

  it('is one thing, with its minutes and its reason, and then two more', () => {
    const text = cards({ now: step('sheet'), then: [step('clean'), step('flush')] }).text()
    expect(text).toContain('412: sheet')
    expect(text).toContain('because it presses')
    // Less than a minute is said as one.
    expect(text).toMatch(/about 1.min/)
    expect(text.indexOf('clean')).toBeLessThan(text.indexOf('flush'))
  })

  it('says when nothing waits, and when nobody is here', () => {
    expect(cards({}).text()).toContain('Nothing waits for these hands')
    expect(cards({ here: false, then: [step('clean')] }).text()).toContain('not here now')
  })
})

describe('work against hours', () => {
  it('fills a bar no further than full', () => {
    const load = [
      { day: '2027-03-01', workHours: 4, openHours: 8 },
      { day: '2027-03-02', workHours: 20, openHours: 8 },
      { day: '2027-03-03', workHours: 1, openHours: 0 },
    ]
    const bars = mount(WeekLoad, { props: { day: day({ load }) } }).findAll('.bg-hands')
    expect(bars.map((b) => b.attributes('style'))).toEqual(['width: 50%;', 'width: 100%;', 'width: 100%;'])
  })
})
