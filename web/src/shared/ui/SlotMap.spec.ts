import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import SlotMap from './SlotMap.vue'

const slot = (panel: number, fromFront: number, fromBack: number, bay = '') => ({
  panel,
  ink: `Ink ${panel}`,
  colour: '#123456',
  bay,
  fromFront,
  fromBack,
  cartridge: '',
})

describe('SlotMap', () => {
  it('stands as the person stands, and marks the slot that was told', async () => {
    const map = mount(SlotMap, { props: { slots: [slot(1, 3, 1), slot(2, 1, 3), slot(3, 2, 2)], told: 2 } })
    const order = () => map.findAll('li .font-mono').map((n) => n.text())
    expect(order()).toEqual(['2', '3', '1'])
    expect(map.find('[aria-current]').text()).toContain('told')
    await map.find('button').trigger('click')
    expect(order()).toEqual(['1', '3', '2'])
    expect(map.text()).toContain('as you stand at the back')
  })

  it('keeps bays apart', () => {
    const map = mount(SlotMap, { props: { slots: [slot(1, 1, 1, 'front'), slot(2, 1, 1, 'back')], told: 0 } })
    expect(map.findAll('ol')).toHaveLength(2)
    expect(map.find('[aria-current]').exists()).toBe(false)
  })
})
