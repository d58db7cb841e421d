import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import BuildUpPanel from './BuildUpPanel.vue'
import type { HeadCare } from './useHeadCare'

const care = (buildUps: object[], open = true) => ({ open, buildUps }) as unknown as HeadCare
const seen = (more: object) => ({
  paper: 'Card 280 g',
  thickness: '2',
  times: 1,
  last: '2026-11-01T00:00:00Z',
  nextFrom: null,
  next: null,
  ...more,
})

describe('build-up under the head', () => {
  it('is foreseen on a stock that did it twice, and expected on one that did it once', () => {
    const twice = seen({ times: 2, next: '2027-01-20T00:00:00Z', nextFrom: '2027-01-05T00:00:00Z' })
    const rows = mount(BuildUpPanel, {
      props: { care: care([twice, seen({ paper: 'plain', thickness: '' })]), busy: false, may: true },
    }).findAll('li')
    expect(rows[0]!.text()).toContain('look before it smudges')
    expect(rows[1]!.text()).toContain('Expect it again')
    expect(rows[1]!.text()).not.toContain('thickness')
  })

  it('sends paper and thickness once, and begins anew', async () => {
    const panel = mount(BuildUpPanel, { props: { care: care([]), busy: false, may: true } })
    const [paper, thickness] = panel.findAll('input')
    expect(panel.find('button').attributes('disabled')).toBeDefined()
    await paper!.setValue('Card 280 g')
    await thickness!.setValue('2')
    await panel.find('form').trigger('submit')
    expect(panel.emitted('tell')).toEqual([['Card 280 g', '2']])
    expect((paper!.element as HTMLInputElement).value).toBe('')
    expect(
      mount(BuildUpPanel, { props: { care: care([], false), busy: false, may: true } })
        .find('form')
        .exists(),
    ).toBe(false)
  })
})
