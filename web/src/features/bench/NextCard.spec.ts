import { mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { nextTick } from 'vue'
import { youngMs } from '@/shared/state/useSettled'
import NextCard from './NextCard.vue'
import { testBench, testStep } from './madeUp.test'

const young = (props: Partial<InstanceType<typeof NextCard>['$props']> = {}) =>
  mount(NextCard, {
    props: { job: testBench(), chosen: null, busy: false, mayBench: true, ...props },
    attachTo: document.body,
  })

const show = (props: Partial<InstanceType<typeof NextCard>['$props']> = {}) => {
  const card = young(props)
  vi.advanceTimersByTime(youngMs)
  return card
}

/** What an answer says, and what stood on the card when it was pressed. */
const said = (outcome: string, more: object = {}) => ({
  ...{ outcome, quantity: null, coveragePct: null, before: false },
  shown: {
    step: testStep().name,
    answer: testStep().outcomes.find((o) => o.id === outcome)?.label ?? testStep().outcomes[0]!.label,
    version: testBench().version,
  },
  ...more,
})

const press = async (key: string) => {
  window.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }))
  await nextTick()
}

describe('NextCard', () => {
  beforeEach(() => {
    setActivePinia(createPinia())
    vi.useFakeTimers()
  })
  afterEach(() => vi.useRealTimers())

  it('takes no press that comes before the card can be read, and a digit for every answer', async () => {
    const outcomes = Array.from({ length: 8 }, (_, i) => ({ ...testStep().outcomes[0]!, id: `o${i}` }))
    const card = young({ chosen: testStep({ id: 'panel-code', outcomes }) })
    await press('1')
    expect(card.emitted('answer')).toBeUndefined()
    vi.advanceTimersByTime(youngMs)
    await press('8')
    expect(card.emitted('answer')).toEqual([[said('o7')]])
    // Another card is young again.
    await card.setProps({ chosen: testStep({ id: 'another', outcomes }) })
    await press('1')
    expect(card.emitted('answer')).toHaveLength(1)
    card.unmount()
  })

  it('writes, on every later card too, the answer that stands beside the digit', async () => {
    const answers = (...ids: string[]) => ids.map((id) => ({ ...testStep().outcomes[0]!, id, label: `It shows ${id}` }))
    const cards = [
      ['none', 'few', 'all'],
      ['all', 'odd', 'none', 'even'],
      ['few', 'none'],
      ['even', 'none', 'few', 'odd', 'all'],
    ]
    const card = show({ chosen: testStep({ id: 'card-0', outcomes: answers(...cards[0]!) }) })
    for (const [at, ids] of cards.entries()) {
      await card.setProps({ chosen: testStep({ id: `card-${at}`, outcomes: answers(...ids) }) })
      for (let digit = 1; digit <= ids.length; digit++) {
        vi.advanceTimersByTime(youngMs)
        const row = card
          .findAll('li')
          .find((r) => r.find('.keycap').exists() && r.find('.keycap').text() === `${digit}`)
        await press(`${digit}`)
        const { outcome, shown } = (card.emitted('answer')!.at(-1) as [ReturnType<typeof said>])[0]
        expect(row?.text()).toContain(`It shows ${outcome}`)
        expect(shown.answer).toBe(`It shows ${outcome}`)
      }
    }
    card.unmount()
  })

  it('says of a press that comes too soon, by hand or by key, that it was not taken', async () => {
    const card = young()
    await card.find('[data-outcome=free]').trigger('click')
    expect(card.emitted('answer')).toBeUndefined()
    expect(card.find('[data-testid=too-soon]').text()).toContain('not taken')
    vi.advanceTimersByTime(youngMs)
    await card.find('[data-outcome=free]').trigger('click')
    expect(card.emitted('answer')).toHaveLength(1)
    expect(card.find('[data-testid=too-soon]').text()).toBe('')
    card.unmount()
  })

  it('answers by press and by digit', async () => {
    const card = show()
    await card.find('[data-outcome=free]').trigger('click')
    await press('2')
    expect(card.emitted('answer')).toEqual([[said('free')], [said('hard')]])
    card.unmount()
  })

  it('sends the number that stands beside the answer, with either decimal mark', async () => {
    const card = show()
    await card.find('input').setValue('4,5')
    await card.find('[data-outcome=hard]').trigger('click')
    expect(card.emitted('answer')).toEqual([[said('hard', { quantity: 4.5 })]])
    card.unmount()
  })

  it('does not take what is no number', async () => {
    const card = show()
    await card.find('input').setValue('four')
    expect(card.find('[data-outcome=hard]').attributes('disabled')).toBeDefined()
    expect(card.find('input').attributes('aria-invalid')).toBe('true')
    card.unmount()
  })

  it('shows cautions before the answers', () => {
    const text = show().text()
    expect(text.indexOf('Gloves on.')).toBeLessThan(text.indexOf('Flows freely'))
  })

  it.each([
    ['while a write is on its way', { busy: true }],
    ['for the counter', { mayBench: false }],
    [
      'while a gate holds the step',
      {
        chosen: testStep({
          held: {
            stepId: 'x',
            stepName: 'x',
            gate: 'open-no-power',
            reason: 'The machine is open.',
            lift: 'Shut it.',
            overridable: false,
            spends: '',
          },
        }),
      },
    ],
  ])('takes no answer %s', async (_, props) => {
    const card = show(props)
    await press('1')
    expect(card.emitted('answer')).toBeUndefined()
    expect(card.find('[data-outcome=free]').attributes('disabled')).toBeDefined()
    card.unmount()
  })

  it('takes what was seen before this visit, though a gate holds the look', async () => {
    const held = {
      stepId: 'x',
      stepName: 'x',
      gate: 'warranty-opening',
      reason: '',
      lift: '',
      overridable: false,
      spends: '',
    }
    const card = show({ chosen: testStep({ held }) })
    await card.find('[data-testid=seen-before]').trigger('click')
    await press('1')
    expect(card.emitted('answer')).toEqual([[said('free', { before: true })]])
    card.unmount()
  })

  it('offers what else was close under letters', async () => {
    const card = show()
    await press('a')
    expect((card.emitted('choose')![0]![0] as { id: string }).id).toBe('line-look')
    card.unmount()
  })

  it('marks a repair as done with its lot', async () => {
    const card = show({
      chosen: testStep({ id: 'renew-damper', kind: 'repair', part: 'damper', outcomes: [], steps: ['Lift it out.'] }),
    })
    expect(card.text()).toContain('Lift it out.')
    await card.find('input').setValue('L4411')
    await card.find('[data-testid=done]').trigger('click')
    const shown = { step: testStep().name, answer: '', version: testBench().version }
    expect(card.emitted('mend')).toEqual([[{ lot: 'L4411', became: '', returnBy: null, shown }]])
    card.unmount()
  })

  it('closes when it is proved', async () => {
    const job = testBench({
      advice: { kind: 'close', step: null, because: 'Proved.', expectedCost: 0, others: [], word: null },
    })
    const card = show({ job })
    await press('1')
    expect(card.emitted('close')).toEqual([['verified']])
    card.unmount()
  })

  it('says that time works while a clock runs, and lets a person answer all the same', () => {
    const soon = new Date(Date.now() + 90_000).toISOString()
    const clock = { id: 'c', kind: 'rest', label: 'rest between cleans', startedAt: soon, endsAt: soon, latestAt: null }
    const card = show({ job: testBench({ clocks: [clock] }) })
    expect(card.find('[data-testid=wait-note]').text()).toContain('rest between cleans, 1:')
    expect(card.find('[data-outcome=free]').attributes('disabled')).toBeUndefined()
    card.unmount()
  })
})
