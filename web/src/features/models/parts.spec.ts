import { QueryClient, VueQueryPlugin } from '@tanstack/vue-query'
import { flushPromises, mount } from '@vue/test-utils'
import { createPinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import PartForm from './PartForm.vue'
import { bare, lines, oneMore, type PartRule } from './partRule'
import { useModels } from './useModels'

const cartridges: PartRule = {
  title: 'What can be fitted',
  type: 'array',
  items: {
    type: 'object',
    required: ['id', 'name', 'fillMl'],
    properties: {
      id: { title: 'Short name', type: 'string' },
      name: { title: 'Name', type: 'string' },
      chip: { title: 'Its chip', enum: ['none', 'one-time'], says: { none: 'without one' } },
      fillMl: { title: 'A full fill, ml', type: 'number' },
      slots: { title: 'Slots it fits', type: 'array', items: { type: 'integer' } },
      numbers: {
        title: 'Numbers',
        type: 'object',
        additionalProperties: { type: 'array', items: { type: 'string' } },
      },
    },
  },
}
const maker = { id: 'maker', name: 'Maker’s', chip: 'none', fillMl: 9.6, slots: [1, 2], numbers: { North: ['A', 'B'] } }
const groups: PartRule = {
  type: 'object',
  required: ['groups'],
  properties: {
    groups: { title: 'Together', type: 'array', items: { type: 'array', items: { type: 'integer' } } },
    soak: {
      title: 'Soak',
      type: 'object',
      required: ['from'],
      properties: { from: { title: 'From', type: 'number' } },
    },
  },
}

describe('a part in words', () => {
  it('tells each thing by its name, with titles and words of its answers, and nothing of what is not told', () => {
    expect(lines(cartridges, [maker, { ...maker, slots: undefined, numbers: undefined }])).toEqual([
      'Maker’s: Its chip: without one, A full fill, ml: 9.6, Slots it fits: 1, 2, Numbers: North: A, B',
      'Maker’s: Its chip: without one, A full fill, ml: 9.6',
    ])
    expect(lines(groups, { groups: [[1, 2], [3]] })).toEqual(['Together: 1, 2; 3'])
    expect(lines({ type: 'boolean' }, false)).toEqual(['no'])
    expect(lines(cartridges, undefined)).toEqual([])
  })

  it('begins with what must be told alone, and one more is like the last without its names', () => {
    expect(bare(cartridges.items!)).toEqual({ id: '', name: '', fillMl: '' })
    expect(bare(groups)).toEqual({ groups: [] })
    expect(oneMore(cartridges.items!, [maker])).toEqual({ ...maker, id: '', name: '' })
    expect(oneMore({ type: 'array', items: { type: 'integer' } }, [[1]])).toEqual([])
  })
})

describe('a part that is changed', () => {
  let posted: [string, Record<string, unknown>][] = []
  let answer: () => Response
  beforeEach(() => {
    localStorage.clear()
    posted = []
    answer = () => Response.json({ differences: ['/maker/fillMl: 9.6 now, 9.4 then'] })
    vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] })
    vi.stubGlobal('fetch', async (request: Request) => {
      const path = new URL(request.url).pathname
      if (request.method !== 'POST') return Response.json({ version: 3 })
      posted.push([path, await request.json()])
      return path.endsWith('/look') ? answer() : Response.json({ version: 4 })
    })
  })
  afterEach(() => {
    vi.useRealTimers()
    vi.unstubAllGlobals()
  })
  const settle = async () => {
    await vi.advanceTimersByTimeAsync(500)
    await flushPromises()
  }

  async function show(value: unknown = [maker], rule = cartridges) {
    const part = { name: 'cartridges', title: 'What can be fitted', value, schema: rule }
    const host = {
      components: { PartForm },
      setup: () => ({ desk: useModels(), part, model: { id: 'heath-solo', modelVersion: 4 } }),
      template: '<PartForm :part="part" :model="model" :desk="desk" may-teach />',
    }
    const shown = mount(host, {
      global: { plugins: [createPinia(), [VueQueryPlugin, { queryClient: new QueryClient() }]] },
      attachTo: document.body,
    })
    await flushPromises()
    const press = async (says: string) => {
      await shown
        .findAll('button')
        .find((b) => b.text().startsWith(says))!
        .trigger('click')
      await flushPromises()
    }
    const field = (label: string) => {
      const id = shown
        .findAll('label')
        .find((l) => l.text().startsWith(label))!
        .attributes('for')
      return shown.find(`[id="${id}"]`)
    }
    await press('Change')
    return { shown, press, field }
  }

  it('is tried while it is typed: numbers as numbers, lists by commas, what is emptied is left out', async () => {
    const { shown, field, press } = await show()
    await field('A full fill, ml').setValue('9,4')
    await field('Slots it fits').setValue('1, 3')
    await field('Its chip').setValue('')
    await settle()
    expect(posted).toHaveLength(1)
    const said = { model: 'heath-solo', part: 'cartridges' }
    const kept = { ...maker, fillMl: 9.4, slots: [1, 3] } as Record<string, unknown>
    delete kept.chip
    expect(posted[0]).toMatchObject(['/api/models/parts/look', { ...said, value: [kept] }])
    expect((posted[0]![1].value as object[])[0]).toEqual(kept)
    expect(shown.text()).toContain('9.6 now, 9.4 then')
    await press('One more')
    await press('Take away Maker’s')
    await shown.find('form').trigger('submit')
    await flushPromises()
    expect(posted.at(-1)).toMatchObject(['/api/models/parts', { ...said, value: [{ ...kept, id: '', name: '' }] }])
    expect(shown.find('form').exists()).toBe(false)
    expect(shown.text()).not.toContain('begun')
  })

  it('shows what does not fit beside its field, and what is no number goes as it was typed', async () => {
    const problem = {
      code: 'own-part-bad',
      title: 'This cannot stand here',
      detail: 'No number.',
      hint: '',
      pointer: '',
    }
    answer = () =>
      Response.json(
        { ...problem, status: 422, changes: [], problems: [{ ...problem, pointer: '/value/0/fillMl' }] },
        { status: 422 },
      )
    const { shown, field } = await show()
    await field('A full fill, ml').setValue('nine')
    await settle()
    expect((posted[0]![1].value as { fillMl: unknown }[])[0]!.fillMl).toBe('nine')
    expect(field('A full fill, ml').attributes('aria-invalid')).toBe('true')
    expect(shown.text()).toContain('No number.')
  })

  it('is there again when it was begun and not kept, and says so when the model moved on meanwhile', async () => {
    const first = await show()
    await first.field('Name').setValue('Maker’s own')
    first.shown.unmount()
    const kept = JSON.parse(localStorage.getItem('side-bench-part-heath-solo-cartridges')!)
    localStorage.setItem('side-bench-part-heath-solo-cartridges', JSON.stringify({ ...kept, version: 2 }))
    const { shown, field, press } = await show()
    expect((field('Name').element as HTMLInputElement).value).toBe('Maker’s own')
    expect(shown.text()).toContain('Begun when the model stood at version 2; it stands at 4 now')
    await press('Leave it as it was')
    await press('Change')
    expect((field('Name').element as HTMLInputElement).value).toBe('Maker’s')
  })

  it('tells a group that need not be there only when asked to, and names an entry before it is filled in', async () => {
    const { press, field, shown } = await show({ groups: [[1, 2]] }, groups)
    expect(shown.text()).not.toContain('From')
    await press('Tell it of Soak')
    await field('From').setValue('60')
    await settle()
    expect(posted.at(-1)![1].value).toEqual({ groups: [[1, 2]], soak: { from: 60 } })
    await press('Not told of Soak')
    await field('number 1').setValue('1')
    await settle()
    expect(posted.at(-1)![1].value).toEqual({ groups: [[1]] })
  })
})
