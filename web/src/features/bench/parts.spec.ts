import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { ref } from 'vue'
import type { ProblemBody } from '@/shared/api/client'
import ClocksPanel from './ClocksPanel.vue'
import EvidencePanel from './EvidencePanel.vue'
import JobSchools from './JobSchools.vue'
import RecordList from './RecordList.vue'
import SpentPanel from './SpentPanel.vue'
import StationVial from './StationVial.vue'
import ThreadTabs from './ThreadTabs.vue'
import TrayPanel from './TrayPanel.vue'
import { testBench, testStation } from './madeUp.test'

const kept = { busy: false, mayBench: true }
const item = { id: 't1', label: 'folded towel', change: 'inside', count: 1, undo: 'Draw it out.', noPower: true }

beforeEach(() => {
  setActivePinia(createPinia())
  vi.useFakeTimers({ now: new Date('2026-03-02T09:00:00Z') })
})
afterEach(() => vi.useRealTimers())

describe('StationVial', () => {
  const show = (station: ReturnType<typeof testStation>) => mount(StationVial, { props: { station, x: 0, y: 0 } })

  it.each([
    [testStation('vent', 0.41, true), 'leading', 'vent: suspicion 41 %, leading'],
    [testStation('head', 0.004, false, true), 'cleared', 'head: cleared'],
    [{ ...testStation('pads', 0), causes: 0 }, 'open', 'pads: nothing in the book'],
  ])('says its state in words as well as in colour', (station, state, label) => {
    const vial = show(station)
    expect(vial.attributes()).toMatchObject({ 'data-state': state, 'aria-label': label })
  })

  it('opens by click and by key', async () => {
    const vial = show(testStation('vent', 0.4))
    await vial.trigger('click')
    await vial.trigger('keydown', { key: 'Enter' })
    expect(vial.emitted('press')).toHaveLength(2)
  })
})

describe('TrayPanel', () => {
  const problem = ref<ProblemBody | null>(null)
  const desk = {
    putOnTray: vi.fn(async () => !problem.value),
    clearTray: vi.fn(async () => true),
    busy: ref(false),
    asking: ref(false),
    problem,
    dismiss: () => (problem.value = null),
  }

  it('says when nothing is off, open or inside', () =>
    expect(mount(TrayPanel, { props: { job: testBench(), desk, mayBench: true } }).text()).toContain(
      'Clear: nothing is off',
    ))

  it('keeps what was typed until it is written, and says why it was not', async () => {
    const tray = mount(TrayPanel, {
      props: { job: testBench(), desk, mayBench: true },
      global: { stubs: { AppDialog: { props: ['open'], template: '<div v-if="open"><slot /></div>' } } },
    })
    await tray.find('[aria-label="Add to the tray"]').trigger('click')
    await tray.find('input').setValue('cover screws')
    problem.value = {
      type: 'about:blank',
      code: 'stale',
      title: 'Somebody wrote first',
      detail: '',
      hint: '',
      status: 409,
      problems: [],
      changes: [],
    }
    await tray.find('form').trigger('submit')
    await flushPromises()
    expect(tray.find('input').element.value).toBe('cover screws')
    expect(tray.find('form').text()).toContain('Somebody wrote first')
    problem.value = null
    await tray.find('form').trigger('submit')
    await flushPromises()
    expect(desk.putOnTray).toHaveBeenLastCalledWith({ label: 'cover screws', change: 'off', count: 1 })
    expect(tray.find('form').exists()).toBe(false)
  })

  it('clears one thing, or all at once', async () => {
    const tray = mount(TrayPanel, {
      props: { job: testBench({ tray: [item, { ...item, id: 't2', label: 'lid' }] }), desk, mayBench: true },
    })
    const buttons = tray.findAll('button')
    await buttons.find((b) => b.text().startsWith('back'))!.trigger('click')
    await buttons.find((b) => b.text() === 'All back')!.trigger('click')
    expect(desk.clearTray.mock.calls).toEqual([[{ items: ['t1'] }], [{ items: ['t1', 't2'] }]])
  })

  it('gives the counter nothing to press', () =>
    expect(
      mount(TrayPanel, { props: { job: testBench({ tray: [item] }), desk, mayBench: false } }).findAll('button'),
    ).toHaveLength(0))
})

describe('ClocksPanel', () => {
  const clock = {
    id: 'c',
    kind: 'soak',
    label: 'soak on the cap',
    startedAt: '2026-03-02T08:30:00Z',
    endsAt: '2026-03-02T09:00:05Z',
    latestAt: null as string | null,
  }

  it('counts down, then rings, by the server’s time', async () => {
    const clocks = mount(ClocksPanel, { props: { job: testBench({ clocks: [clock] }), ...kept } })
    expect(clocks.find('[data-clock]').text()).toContain('0:05')
    expect(clocks.find('[data-rings]').exists()).toBe(false)
    await vi.advanceTimersByTimeAsync(6000)
    expect(clocks.find('[data-rings]').text()).toContain('is up')
  })

  it('warns when a soak is past its longest', () => {
    const past = { ...clock, endsAt: '2026-03-02T08:40:00Z', latestAt: '2026-03-02T08:59:00Z' }
    expect(mount(ClocksPanel, { props: { job: testBench({ clocks: [past] }), ...kept } }).text()).toContain(
      'past its longest',
    )
  })
})

describe('EvidencePanel', () => {
  const fact = {
    kind: 'finding',
    source: 'nozzle-sheet',
    says: 'Nozzle sheet complete',
    why: 'A clog takes neighbours.',
    entry: 12,
    weight: -1.5,
    moves: [{ station: 'vent', beforeRatio: 0.3, afterRatio: 0.45 }],
  }

  it('says what each fact moved, and takes an answer back', async () => {
    const panel = mount(EvidencePanel, { props: { job: testBench({ evidence: [fact] }), ...kept } })
    expect(panel.text()).toContain('vent 30 % → 45 %')
    expect(panel.find('svg').attributes('aria-label')).toBe('clears')
    await panel.find('button').trigger('click')
    expect(panel.emitted('takeBack')).toEqual([[12]])
  })

  it('has nothing to take back from context or on a closed job', () => {
    const context = { ...fact, kind: 'context', entry: null }
    expect(
      mount(EvidencePanel, { props: { job: testBench({ evidence: [context] }), ...kept } })
        .find('button')
        .exists(),
    ).toBe(false)
    expect(
      mount(EvidencePanel, { props: { job: testBench({ evidence: [fact], threadOpen: false }), ...kept } })
        .find('button')
        .exists(),
    ).toBe(false)
  })
})

describe('SpentPanel', () => {
  it.each([
    [20, 'Limit without asking'],
    [5, 'Past the limit of'],
  ])('holds what was spent against a limit of %i', (limit, says) => {
    const job = testBench({ spent: { minutes: 12, parts: 0, inkMl: 0, labour: 8.4, currency: 'GBP', limit } })
    expect(mount(SpentPanel, { props: { job } }).text()).toContain(says)
  })
})

describe('RecordList', () => {
  it('strikes through what was taken back, and keeps it', () => {
    const entry = {
      id: 4,
      kind: 'answered',
      says: 'Draw test: hard',
      at: '2026-03-02T08:00:00Z',
      person: 'Ines Varga',
      corrects: null,
      takenBack: true,
      how: 'key',
    }
    const line = mount(RecordList, { props: { entries: [entry] } }).find('[data-taken-back]')
    expect(line.text()).toContain('Draw test: hard')
    expect(line.text()).toContain('taken back')
    expect(line.text()).toContain('Ines Varga, by key')
  })
})

describe('ThreadTabs', () => {
  const threads = [
    { id: 0, complaint: 'Fades under load', slot: 0, ink: '', words: '', how: '' },
    { id: 1, complaint: 'A cartridge is not recognised', slot: 4, ink: 'Yellow', words: '', how: 'handed-back' },
  ]
  it('is not there for a single symptom', () => {
    expect(
      mount(ThreadTabs, { props: { job: testBench() } })
        .find('nav')
        .exists(),
    ).toBe(false)
  })
  it('says each thread with its place and its ending, and which is shown', async () => {
    const tabs = mount(ThreadTabs, { props: { job: testBench({ threads, thread: 1 }) } })
    expect(tabs.find('[data-thread="1"]').text()).toContain('yellow · handed back')
    expect(tabs.find('[data-thread="1"]').attributes('aria-current')).toBe('true')
    await tabs.find('[data-thread="0"]').trigger('click')
    expect(tabs.emitted('show')).toEqual([[0]])
  })
})

describe('StationVial by state', () => {
  it.each([
    [{ leading: true }, 'leading', 'suspicion 60 %, leading'],
    [{ cleared: true }, 'cleared', 'cleared'],
    [{ confirmed: true }, 'confirmed', 'confirmed'],
  ])('shows %o as its own state', (more, state, says) => {
    const vial = mount(StationVial, { props: { station: { ...testStation('vent', 0.6), ...more }, x: 0, y: 0 } })
    expect(vial.attributes('data-state')).toBe(state)
    expect(vial.attributes('aria-label')).toContain(says)
  })
})

describe('JobSchools', () => {
  it('offers the practices, and tells which one is chosen for this job', async () => {
    const options = [
      { id: 'cleans-first', name: 'Cleans first', why: 'no cover off', default: true },
      { id: 'flush-early', name: 'Flush early', why: 'saves ink', default: false },
    ]
    const schools = [{ id: 'clog', name: 'Clogged nozzles', chosen: 'cleans-first', own: false, options }]
    const panel = mount(JobSchools, { props: { job: testBench({ schools }), disabled: false } })
    expect(panel.text()).toContain('as the shop does')
    await panel.find('input[value="flush-early"]').setValue(true)
    expect(panel.emitted('choose')).toEqual([['clog', 'flush-early']])
  })
})
