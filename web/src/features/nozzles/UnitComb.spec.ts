import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import UnitComb from './UnitComb.vue'
import type { UnitRead, UnitShape } from './useSheets'

const shape = { id: 'Y', ink: 'yellow', color: '#f5e27a', faint: true, nozzles: 12 } as UnitShape
const unit = (more: Partial<UnitRead>): UnitRead => ({
  id: 'Y',
  nozzles: '....xx.w.d..',
  readAs: null,
  unsure: [7],
  pattern: 'scattered',
  oddsRatio: 0.97,
  odds: [],
  says: 'single gaps',
  tone: 'wait',
  missingCount: 2,
  missingBefore: 3,
  cameBack: [1],
  newlyMissing: [5],
  overlapRatio: 0.5,
  chanceRatio: 0.25,
  ...more,
})

describe('UnitComb', () => {
  it('says in words what it draws', () => {
    const comb = mount(UnitComb, { props: { unit: unit({}), shape, lit: false } })
    expect(comb.find('svg').attributes('aria-label')).toBe('Y, yellow: missing: 5–6')
    expect(comb.text()).toContain('3 → 2')
    expect(comb.text()).toContain('single gaps')
  })

  it('draws a bar for each nozzle that prints, and marks what moved', () => {
    const comb = mount(UnitComb, { props: { unit: unit({}), shape, lit: false } })
    expect(comb.findAll('g').at(0)!.findAll('rect')).toHaveLength(10)
    expect(comb.findAll('circle')).toHaveLength(1)
    expect(comb.findAll('path')).toHaveLength(2)
  })

  it('says nothing of a change when there was none', () => {
    const comb = mount(UnitComb, {
      props: {
        unit: unit({ nozzles: '............', missingCount: 0, missingBefore: 0, cameBack: [], newlyMissing: [] }),
        shape,
        lit: true,
      },
    })
    expect(comb.text()).not.toContain('→')
    expect(comb.find('svg').attributes('aria-label')).toContain('no nozzle missing')
  })

  it('tells when it is pointed at', async () => {
    const comb = mount(UnitComb, { props: { unit: unit({}), shape, lit: false } })
    await comb.trigger('pointerenter')
    await comb.trigger('pointerleave')
    expect(comb.emitted('light')).toEqual([[true], [false]])
  })
})
