import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import FastenerRow from './FastenerRow.vue'
import SidePlan from './SidePlan.vue'
import WayList from './WayList.vue'
import type { Act, Fasteners, Part } from './useOpening'

const group = (said: Partial<Fasteners>): Fasteners =>
  ({
    removal: 'guard:ends',
    name: 'ends',
    kind: 'screw',
    lengthMm: 12,
    collared: false,
    count: 4,
    outCount: 0,
    lostCount: 0,
    inCount: 4,
    onTrayCount: 0,
    emptyCount: 0,
    view: 'top',
    at: [],
    ...said,
  }) as Fasteners
const pieces = (g: Fasteners) =>
  mount(FastenerRow, { props: { group: g } })
    .findAll('[data-piece]')
    .map((p) => p.attributes('data-piece'))
const part = (said: Partial<Part>): Part =>
  ({
    id: 'guard',
    name: 'Line guard',
    view: 'top',
    x: 20,
    y: 30,
    width: 60,
    height: 8,
    ink: '',
    isOff: false,
    layer: 0,
    fasteners: [],
    catches: [],
    ...said,
  }) as Part
const act = (n: number, done: boolean): Act =>
  ({
    key: `a${n}`,
    number: `${n}`,
    section: 'Way in',
    title: `Step ${n}`,
    detail: '',
    text: '',
    done,
    who: '',
    outcome: '',
    value: null,
  }) as Act

describe('FastenerRow', () => {
  it('draws every piece where it is: in the machine, on the tray, or missing', () => {
    expect(pieces(group({ onTrayCount: 2, lostCount: 1 }))).toEqual(['out', 'out', 'lost', 'in'])
    expect(pieces(group({}))).toEqual(['in', 'in', 'in', 'in'])
    // What is only loosened never lies on the tray.
    expect(pieces(group({ onTrayCount: 3, emptyCount: 1 }))).toEqual(['out', 'out', 'out', 'lost'])
    expect(pieces(group({ count: 2, onTrayCount: 2, loosenOnly: true }))).toEqual(['loose', 'loose'])
  })

  it('says it in words too, and gives a collared one its collar', () => {
    const row = mount(FastenerRow, {
      props: { group: group({ count: 2, onTrayCount: 1, lostCount: 1, collared: true }) },
    })
    expect(row.attributes('aria-label')).toBe('1 of 2 on the tray, 1 missing')
    expect(row.findAll('rect[width="16"]')).toHaveLength(2)
  })
})

describe('SidePlan', () => {
  it('numbers the places of a group and turns with the person', async () => {
    const guard = part({
      fasteners: [
        group({
          at: [
            { x: 22, y: 33 },
            { x: 78, y: 33 },
          ],
        }),
      ],
    })
    const plan = mount(SidePlan, { props: { parts: [guard], view: 'top', lit: 'guard', group: 'guard:ends' } })
    const at = () => plan.findAll('svg g[transform]').map((g) => g.attributes('transform'))
    const before = at()
    expect(plan.findAll('svg g[transform] text').map((t) => t.text())).toEqual(['1', '2'])
    await plan.find('button').trigger('click')
    expect(at()).not.toEqual(before)
    expect(plan.find('figure p').text()).toContain('standing at the back')
  })

  it('lets parts be pressed, each with a button of its own', async () => {
    const plan = mount(SidePlan, { props: { parts: [part({})], view: 'top', pressable: true } })
    await plan.find('ul button').trigger('click')
    await plan.find('[data-part]').trigger('click')
    expect(plan.emitted('press')).toEqual([['guard'], ['guard']])
  })

  it('peels off in layers, each part with its number', async () => {
    const parts = [
      part({}),
      part({ id: 'lid', name: 'Lid', width: 90, height: 60 }),
      part({ id: 'rail', name: 'Rail', layer: 4, isOff: true }),
    ]
    const plan = mount(SidePlan, { props: { parts, view: 'top', pressable: true } })
    const drawn = () => plan.findAll('[data-part]').map((p) => p.attributes('data-part'))
    expect(plan.findAll('ul button').map((b) => b.text())).toEqual(['1 Line guard', '2 Lid', '3 Rail, off'])
    expect(drawn()).toEqual(['lid', 'guard'])
    await plan.find('[data-layer="2"]').trigger('click')
    expect(drawn()).toEqual(['rail'])
    expect(plan.find('svg g g text').text()).toBe('3')
    // A press on a name shows where it is.
    await plan.findAll('ul button')[0]!.trigger('click')
    expect(drawn()).toEqual(['lid', 'guard'])
    // The way to one part shows the layer that it lies in.
    const lit = mount(SidePlan, { props: { parts, view: 'top', lit: 'rail' } })
    expect(lit.findAll('[data-part]').map((p) => p.attributes('data-part'))).toEqual(['rail'])
  })
})

describe('WayList', () => {
  it('folds away what was done long ago, and shows it again', async () => {
    const list = mount(WayList, {
      props: {
        acts: [1, 2, 3, 4, 5, 6, 7].map((n) => act(n, n < 7)),
        shown: 'a7',
      },
    })
    expect(list.findAll('[data-act]').map((a) => a.attributes('data-act'))).toEqual(['a5', 'a6', 'a7'])
    await list.find('button').trigger('click')
    expect(list.findAll('[data-act]')).toHaveLength(7)
  })
})
