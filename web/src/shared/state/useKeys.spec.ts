import { mount } from '@vue/test-utils'
import { afterEach, describe, expect, it } from 'vitest'
import { defineComponent, h, nextTick, ref, type VNode } from 'vue'
import KeyCap from '@/shared/ui/KeyCap.vue'
import { howPressed } from './howPressed'
import { useKeys, useOver } from './useKeys'

const stroke = (key: string, more: KeyboardEventInit = {}) =>
  window.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, ...more }))

const open: (() => void)[] = []
/** Shows something made up, with keys of its own. */
function show(draw: () => VNode, setup: () => void = () => {}) {
  const shown = mount(
    defineComponent({
      setup() {
        setup()
        return draw
      },
    }),
    { attachTo: document.body },
  )
  open.push(() => shown.unmount())
  return shown
}
const press = (key: string, did: () => void, more: object = {}) =>
  h('button', { onClick: did, ...more }, [h(KeyCap, { of: key }), ' It'])

describe('keys', () => {
  afterEach(() => {
    for (const close of open.splice(0)) close()
  })

  it('press the very thing that their keycap stands in, whatever came first', async () => {
    const order = ref(['a', 'b', 'c'])
    const did: string[] = []
    const shown = show(() =>
      h(
        'ol',
        order.value.map((name, i) =>
          h(
            'li',
            { key: name },
            press(`${i + 1}`, () => did.push(name)),
          ),
        ),
      ),
    )
    order.value = ['c', 'x', 'a', 'y']
    await nextTick()
    for (const digit of ['1', '2', '3', '4']) stroke(digit)
    expect(did).toEqual(['c', 'x', 'a', 'y'])
    expect(shown.findAll('.keycap').map((k) => k.text())).toEqual(['1', '2', '3', '4'])
  })

  it('count once while they are held down, and not at all on what is off', async () => {
    let did = 0
    show(() => press('1', () => did++))
    show(() => press('2', () => did++, { disabled: true }))
    stroke('1')
    for (let i = 0; i < 5; i++) stroke('1', { repeat: true })
    stroke('2')
    expect(did).toBe(1)
  })

  it('are digits on a keyboard whose digits need shift too, and a sign where a sign is meant', () => {
    const did: string[] = []
    show(() => press('1', () => did.push('digit')))
    show(() => press('/', () => did.push('jump')))
    stroke('&', { code: 'Digit1' })
    stroke('1', { code: 'Digit1', shiftKey: true })
    stroke('/', { code: 'Digit7', shiftKey: true })
    stroke('!', { code: 'Digit1', shiftKey: true })
    expect(did).toEqual(['digit', 'digit', 'jump'])
  })

  it('mean nothing to the page beneath from the moment that something opens over it', async () => {
    const opening = ref(false)
    const did: string[] = []
    show(
      () => press('1', () => did.push('card')),
      () => useOver(() => opening.value),
    )
    show(() => press('2', () => (opening.value = true)))
    stroke('2')
    stroke('1')
    expect(did).toEqual([])
    show(() =>
      h(
        'div',
        { role: 'dialog' },
        press('1', () => did.push('dialog')),
      ),
    )
    stroke('1')
    expect(did).toEqual(['dialog'])
  })

  it('are one press of the innermost that has them, and of nothing while somebody types', () => {
    const did: string[] = []
    show(
      () => h('input'),
      () => useKeys(() => [{ key: 'P', does: 'outer', run: () => did.push('outer') }]),
    )
    show(() => press('P', () => did.push('inner')))
    stroke('p')
    document.querySelector('input')!.dispatchEvent(new KeyboardEvent('keydown', { key: 'p', bubbles: true }))
    expect(did).toEqual(['inner'])
  })

  it('say that it was told by key, a hand by hand, and a field that it was typed', async () => {
    const told: string[] = []
    const shown = show(() => h('form', [h('input'), press('1', () => told.push(howPressed()), { type: 'button' })]))
    stroke('1')
    window.dispatchEvent(new Event('pointerdown'))
    await shown.find('button').trigger('click')
    shown.find('input').element.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true }))
    told.push(howPressed())
    expect(told).toEqual(['key', 'hand', 'typed'])
  })
})
