import { QueryClient, VueQueryPlugin } from '@tanstack/vue-query'
import { flushPromises, mount, type VueWrapper } from '@vue/test-utils'
import { createPinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { Component } from 'vue'
import { createMemoryHistory, createRouter } from 'vue-router'
import FigureRow from './FigureRow.vue'
import ImportPart from './ImportPart.vue'
import KindForm from './KindForm.vue'
import MeasuredPart from './MeasuredPart.vue'
import ModelPage from './ModelPage.vue'
import { useModels } from './useModels'

const figure = {
  pointer: 'operations/clean-light/mlPerChannel',
  name: 'Light clean: ink of a channel',
  unit: 'ml',
  group: 'Operations',
  value: 0.2904,
  low: 0.215,
  high: 0.392,
  isDefault: true,
  seen: 0,
  most: 500,
}
const view = {
  version: 3,
  models: [
    { id: 'marram-duo', name: 'Marram Duo', kind: 'x', isOwn: false, version: 9, defaults: 0, serialPrefix: '' },
  ],
  asked: [
    {
      axis: 'delivery',
      asks: 'Where does its ink come from?',
      options: [
        { id: 'carriage', name: 'cartridges on the carriage', follows: {} },
        { id: 'tank', name: 'tanks filled from bottles', follows: { cartridge: 'none', chips: 'count' } },
      ],
    },
    {
      axis: 'cartridge',
      asks: 'What is in a cartridge?',
      options: [{ id: 'none', name: 'no cartridge: tanks', follows: {} }],
    },
    {
      axis: 'chips',
      asks: 'What counts its ink?',
      options: [{ id: 'count', name: 'a count without chips', follows: {} }],
    },
  ],
  inks: ['black', 'cyan'],
  own: [],
  leftOut: [],
}
const model = {
  version: 3,
  id: 'heath-solo',
  name: 'Heath Solo',
  kind: '2 tanks, piezo',
  isOwn: true,
  modelVersion: 4,
  packVersion: null as number | null,
  like: 'Pellow Six Tank',
  serialPrefix: 'HS',
  wasteAt: '',
  cautions: ['Carry it level.'],
  slots: [{ panel: 1, ink: 'black', inkKind: 'dye', cartridge: '', bay: '', fromFront: 1, fromBack: 1 }],
  figures: [
    figure,
    {
      ...figure,
      pointer: 'worth',
      name: 'The machine in good order',
      unit: 'money',
      isDefault: false,
      low: null,
      high: null,
    },
  ],
  help: [{ pointer: figure.pointer, name: figure.name, why: '28 of this shop’s jobs turned on such a figure.' }],
  codes: [{ code: 'H-1', says: 'Box full', complaint: '', reads: 'waste' }],
  codeReads: [{ id: 'waste', name: '“Waste full”' }],
  complaints: [],
  sheet: '',
  openings: 1,
  usualParts: [
    { name: 'Mains lead', view: 'back', way: 'unplugged', minutes: 0.5 },
    { name: 'Side cover', view: 'right', way: 'off', minutes: 1.5 },
  ],
  parts: [
    { id: 'pads', name: 'Pads', view: 'back', way: 'off', after: ['Rear panel'], seen: 1, minutes: 2, known: null },
  ],
  history: [],
}

let posted: [string, Record<string, unknown>][] = []
let answers: Record<string, () => Response> = {}
const session = { person: { id: 1, name: 'Ines', role: 'Owner' }, now: '2026-03-30T09:00:00Z', token: 't' }

async function show(component: Component, props: (desk: never) => Record<string, unknown>): Promise<VueWrapper> {
  const pinia = createPinia()
  const router = createRouter({
    history: createMemoryHistory(),
    routes: [{ path: '/:all(.*)*', component: { template: '<i />' } }],
  })
  const host = {
    components: { Shown: component },
    setup() {
      const all = useModels()
      return { props: props(Object.assign(all, { model: null }) as never) }
    },
    template: '<Shown v-bind="props" />',
  }
  const shown = mount(host, {
    global: { plugins: [pinia, router, [VueQueryPlugin, { queryClient: new QueryClient() }]] },
    attachTo: document.body,
  })
  const { useSession } = await import('@/shared/state/useSession')
  useSession(pinia).view = session as never
  await flushPromises()
  return shown
}
const press = async (shown: VueWrapper, says: string) => {
  const button = shown.findAll('button').find((b) => b.text().startsWith(says))
  expect(button, `a press “${says}”`).toBeDefined()
  await button!.trigger(button!.attributes('type') === 'submit' ? 'submit' : 'click')
  await flushPromises()
}

const measured = {
  key: 'operations/clean-light/mlPerChannel@9-20261128010000',
  pointer: 'operations/clean-light/mlPerChannel',
  name: 'Light clean: ink of a channel',
  unit: 'ml',
  value: 0.41,
  low: 0.36,
  high: 0.47,
  isFarOff: false,
  says: 'slot 1 weighed 60 to 58.7 g over 3 runs',
  at: '2026-11-28T01:00:00Z',
  machine: 7,
  serial: 'HS-1',
}

beforeEach(() => {
  localStorage.clear()
  posted = []
  answers = {}
  vi.stubGlobal('fetch', async (request: Request) => {
    const path = new URL(request.url).pathname
    if (request.method === 'POST') posted.push([path, await request.json()])
    const usual: Record<string, unknown> = {
      '/api/shop': { version: 3 },
      '/api/models': view,
      '/api/models/heath-solo': model,
      '/api/models/heath-solo/photos': [],
      '/api/models/heath-solo/parts': { version: 3, parts: [] },
    }
    return (answers[path] ?? (() => Response.json(usual[path] ?? {})))()
  })
})
afterEach(() => vi.unstubAllGlobals())

describe('what the record measured', () => {
  it('is offered with how it was got, and taken with one press; far off only once somebody is sure', async () => {
    const far = { ...measured, key: 'far', isFarOff: true, says: 'renewed and weighed' }
    answers['/api/models/heath-solo/measured'] = () => Response.json({ version: 3, open: [measured, far] })
    const shown = await show(MeasuredPart, (desk) => ({ model: 'heath-solo', desk, mayTeach: true }))
    expect(shown.text()).toContain('0.41 ml, 0.36 to 0.47')
    expect(shown.text()).toContain('slot 1 weighed 60 to 58.7 g over 3 runs')
    const takes = () => shown.findAll('button').filter((b) => b.text().startsWith('Take it'))
    expect(takes().map((b) => b.attributes('disabled') === undefined)).toEqual([true, false])
    await takes()[0]!.trigger('click')
    await flushPromises()
    expect(posted.at(-1)).toMatchObject(['/api/models/measured', { of: measured.key, isSure: false }])
    await shown.find('input[type=checkbox]').setValue(true)
    await takes()[1]!.trigger('click')
    await flushPromises()
    expect(posted.at(-1)![1]).toMatchObject({ of: 'far', isSure: true })
  })
})

describe('a figure', () => {
  it('is shown with its band and marked as long as it is the family’s', async () => {
    const shown = await show(FigureRow, (desk) => ({ figure, model: 'heath-solo', desk, mayTeach: true }))
    expect(shown.text()).toContain('0.29 ml, 0.215 to 0.392')
    expect(shown.text()).toContain('family default')
    const told = await show(FigureRow, (desk) => ({
      figure: { ...figure, isDefault: false, seen: 2 },
      model: 'heath-solo',
      desk,
      mayTeach: false,
    }))
    expect(told.text()).toContain('measured 2 times')
    expect(told.find('button').exists()).toBe(false)
  })

  it('is measured with what was typed, and far off it is asked about before it counts', async () => {
    const far = {
      code: 'own-far-off',
      title: 'Far from what was expected',
      detail: '',
      hint: '',
      status: 422,
      problems: [],
      changes: [],
    }
    answers['/api/models/figures'] = () => Response.json(far, { status: 422 })
    const shown = await show(FigureRow, (desk) => ({ figure, model: 'heath-solo', desk, mayTeach: true }))
    await press(shown, 'Tell')
    await shown.find('input').setValue('9')
    await shown.find('form').trigger('submit')
    await flushPromises()
    expect(posted[0]![1]).toMatchObject({
      pointer: figure.pointer,
      value: 9,
      measured: true,
      isSure: false,
      seenVersion: 3,
    })
    answers = {}
    await shown.find('input[type=checkbox]').setValue(true)
    await shown.find('form').trigger('submit')
    await flushPromises()
    expect(posted[1]![1]).toMatchObject({ value: 9, isSure: true })
    expect(posted[1]![1].key).not.toBe(posted[0]![1].key)
    expect(shown.find('form').exists()).toBe(false)
  })
})

describe('a kind', () => {
  it('fills in what follows from an answer, and is made when every answer is there', async () => {
    const shown = await show(KindForm, (desk) => ({ view, desk }))
    expect(shown.find('button[type=submit]').text()).toBe('4 answers to go')
    await press(shown, 'tanks filled')
    expect(shown.find('button[type=submit]').text()).toBe('1 answer to go')
    await press(shown, '+ cyan')
    await press(shown, '+ black')
    await press(shown, '+ black')
    await press(shown, 'take the last away')
    expect(shown.find('[data-testid=kind-inks]').text()).toBe('1 cyan, 2 black')
    await shown.findAll('input')[0]!.setValue('Heath')
    await shown.findAll('input')[1]!.setValue('Solo')
    await shown.find('form').trigger('submit')
    await flushPromises()
    expect(posted[0]).toEqual([
      '/api/models',
      expect.objectContaining({
        maker: 'Heath',
        name: 'Solo',
        inks: ['cyan', 'black'],
        worth: null,
        axes: { delivery: 'tank', cartridge: 'none', chips: 'count' },
      }),
    ])
  })

  it('is kept in this browser until it is made', async () => {
    const first = await show(KindForm, (desk) => ({ view, desk }))
    await press(first, 'tanks filled')
    first.unmount()
    const again = await show(KindForm, (desk) => ({ view, desk }))
    expect(again.findAll('[aria-pressed=true]')).toHaveLength(3)
  })
})

describe('a model’s page', () => {
  it('says what would help most, what is known of codes, and what an opening taught', async () => {
    const shown = await show(ModelPage, () => ({ id: 'heath-solo' }))
    expect(shown.find('[data-testid=help]').text()).toContain('28 of this shop’s jobs')
    expect(shown.find('[data-testid=codes]').text()).toContain('read as: “Waste full”')
    expect(shown.find('[data-testid=opening]').text()).toContain('Taught by one opening')
    expect(shown.find('[data-testid=opening]').text()).toContain('after Rear panel')
    expect(shown.text()).toContain('nearest the Pellow Six Tank')
  })

  it('of a pack becomes the shop’s own with one press of the owner, and goes back to what the pack has', async () => {
    answers['/api/models/heath-solo'] = () => Response.json({ ...model, isOwn: false })
    const house = await show(ModelPage, () => ({ id: 'heath-solo' }))
    expect(house.findAll('button').some((b) => b.text().startsWith('Tell'))).toBe(false)
    await press(house, 'Make it ours')
    expect(posted.at(-1)).toMatchObject(['/api/models/ours', { model: 'heath-solo' }])
    answers['/api/models/heath-solo'] = () => Response.json({ ...model, packVersion: 9, openings: 0 })
    const own = await show(ModelPage, () => ({ id: 'heath-solo' }))
    expect(own.text()).toContain('a pack, which has version 9 of it')
    expect(own.text()).toContain('As its pack has it, until you teach it.')
    await press(own, 'Take what the pack has')
    expect(posted).toHaveLength(2)
  })

  it('teaches an opening part by part, in order, without what did not come off', async () => {
    const shown = await show(ModelPage, () => ({ id: 'heath-solo' }))
    for (const part of ['Mains lead', 'Side cover', 'Pads']) await press(shown, part)
    const off = shown.find('[data-testid=off]')
    await off.findAll('button')[1]!.trigger('click')
    await press(shown, 'Teach this opening, 2 parts')
    const [path, body] = posted[0]!
    expect(path).toBe('/api/models/openings')
    // As the family has it, until it is told otherwise.
    expect(
      (body.parts as { name: string; way: string; minutes: number }[]).map((p) => [p.name, p.way, p.minutes]),
    ).toEqual([
      ['Mains lead', 'unplugged', 0.5],
      ['Pads', 'off', 2],
    ])
    expect(shown.find('[data-testid=off]').text()).toBe('')
    expect(body.back).toEqual([])
  })

  it('begins a part that is known with what is known of it, not with bare presses', async () => {
    const known = {
      ...model.usualParts[1],
      name: 'Damper',
      screws: 2,
      driver: 'cross 1',
      lengthMm: 8,
      isCollared: true,
    }
    const damper = { ...model.parts[0], id: 'damper', name: 'Damper' }
    const taught = {
      ...model,
      parts: [
        {
          ...damper,
          known: { ...known, isLoosenOnly: false, catches: 1, cables: ['a wire', 'a tube'], caution: 'Spits.' },
        },
      ],
    }
    answers['/api/models/heath-solo'] = () => Response.json(taught)
    const shown = await show(ModelPage, () => ({ id: 'heath-solo' }))
    await press(shown, 'Damper')
    await press(shown, 'Teach this opening, 1 part')
    expect(posted[0]![1].parts).toEqual([
      { ...known, isLoosenOnly: false, catches: 1, cables: ['a wire', 'a tube'], caution: 'Spits.' },
    ])
  })

  it('teaches the way back with it once every part is on again, and says when not all is', async () => {
    const shown = await show(ModelPage, () => ({ id: 'heath-solo' }))
    for (const part of ['Mains lead', 'Side cover', 'Pads']) await press(shown, part)
    const back = async (part: string) => {
      const buttons = shown.find('[data-testid=way-back]').findAll('button')
      await buttons.find((b) => b.text().startsWith(part))!.trigger('click')
    }
    await back('Side cover')
    expect(shown.text()).toContain('without the way back: not all is on')
    await back('Pads')
    await back('Mains lead')
    expect(shown.text()).toContain('On again, in this order: Side cover, Pads, Mains lead')
    await press(shown, 'Teach this opening, 3 parts, and the way back')
    expect(posted[0]![1].back).toEqual(['Side cover', 'Pads', 'Mains lead'])
    expect(localStorage.getItem('side-bench-way-back-heath-solo')).toBe('[]')
  })
})

describe('a file of models', () => {
  it('is looked at first; what differs is replaced only when that is pressed', async () => {
    answers['/api/models/import/look'] = () =>
      Response.json({
        files: [
          {
            sort: 'machine',
            id: 'heath-solo',
            name: 'Heath Solo',
            brings: 2,
            here: 3,
            differences: ['/worth: 1 here, 2 in the file'],
          },
        ],
      })
    const shown = await show(ImportPart, (desk) => ({ desk }))
    const input = shown.find('input[type=file]')
    Object.defineProperty(input.element, 'files', { value: [new File(['{}'], 'm.json')] })
    await input.trigger('change')
    await flushPromises()
    await new Promise((go) => setTimeout(go))
    await flushPromises()
    expect(shown.text()).toContain('/worth: 1 here, 2 in the file')
    expect(posted.map((p) => p[0])).toEqual(['/api/models/import/look'])
    await press(shown, 'Take all in')
    expect(posted[1]).toEqual([
      '/api/models/import',
      expect.objectContaining({ text: '{}', replace: true, seenVersion: 3 }),
    ])
  })
})

describe('slots and cautions', () => {
  it('are told all at once, and a line that was refused keeps what was typed', async () => {
    answers['/api/models/about'] = () =>
      Response.json(
        {
          code: 'own-prefix-taken',
          title: 'Another model’s serials begin so',
          detail: 'Heath Duet has the beginning “HD” already.',
          hint: 'Give more of it.',
          status: 422,
          problems: [
            {
              code: 'own-prefix-taken',
              pointer: '/serialPrefix',
              title: 'Taken',
              detail: 'Heath Duet has it.',
              hint: '',
            },
          ],
          changes: [],
        },
        { status: 422 },
      )
    const shown = await show(ModelPage, () => ({ id: 'heath-solo' }))
    await press(shown, 'Change')
    const form = shown.findAll('form').find((f) => f.text().includes('How its serials begin'))!
    await form.find('input').setValue('HD')
    await form.find('textarea').setValue('Carry it level.\n\n  Mind the spring. ')
    await form.find('select').setValue('pigment')
    await form.trigger('submit')
    await flushPromises()
    expect(posted[0]![1]).toMatchObject({
      model: 'heath-solo',
      serialPrefix: 'HD',
      cautions: ['Carry it level.', 'Mind the spring.'],
      slots: [{ panel: 1, ink: 'black', inkKind: 'pigment' }],
    })
    expect(shown.text()).toContain('Heath Duet has it.')
    expect((form.find('input').element as HTMLInputElement).value).toBe('HD')
  })
})

describe('a sheet’s picture', () => {
  const taught = {
    layout: '{"id":"heath-solo-sheet"}',
    channels: [
      { id: 'K', nozzles: 90, path: 'M10 20L30 20', x: 10, y: 20 },
      { id: 'C', nozzles: 60, path: 'M50 20L70 20', x: 50, y: 20 },
    ],
    width: 100,
    height: 60,
    doubts: ['Between the blocks there is room for another: a channel may have printed nothing.'],
    asks: ['Where does numbering start? Taken: at the left of the top row, on along the row.'],
  }
  class Sent {
    static answer: { status: number; response: unknown }
    upload = {}
    status = 0
    response: unknown
    onload = () => {}
    open() {}
    setRequestHeader() {}
    send() {
      Object.assign(this, Sent.answer)
      this.onload()
    }
  }

  async function choose(status: number, response: unknown) {
    Sent.answer = { status, response }
    vi.stubGlobal('XMLHttpRequest', Sent)
    const shown = await show(ModelPage, () => ({ id: 'heath-solo' }))
    const input = shown.find('[data-testid=sheet] input[type=file]')
    Object.defineProperty(input.element, 'files', { value: [new File(['x'], 'sheet.jpg')] })
    await input.trigger('change')
    await flushPromises()
    return shown
  }

  it('shows what it taught with doubts and questions, and is kept with the slot that feeds each channel', async () => {
    const shown = await choose(200, taught)
    const sheet = shown.find('[data-testid=taught-sheet]')
    expect(sheet.text()).toContain('a channel may have printed nothing')
    expect(sheet.text()).toContain('Where does numbering start?')
    expect(sheet.text()).toContain('90 nozzles, fed by')
    expect(sheet.find('svg').attributes('viewBox')).toBe('0 0 100 60')
    expect(sheet.findAll('svg path').map((p) => p.attributes('d'))).toEqual(['M10 20L30 20', 'M50 20L70 20'])
    await press(shown, 'Keep this layout')
    expect(posted[0]).toEqual([
      '/api/models/sheets',
      expect.objectContaining({ model: 'heath-solo', layout: taught.layout, slots: { K: 1, C: 1 } }),
    ])
    expect(shown.find('[data-testid=taught-sheet]').exists()).toBe(false)
  })

  it('that teaches nothing says why, and another can be tried', async () => {
    const problem = {
      code: 'teach-turned',
      title: 'The sheet lies on its side',
      detail: 'Its dashes run up and down.',
      hint: 'Turn it.',
    }
    const shown = await choose(422, { ...problem, type: '', status: 422, problems: [], changes: [] })
    expect(shown.find('[data-testid=sheet]').text()).toContain('The sheet lies on its side')
    expect(shown.find('[data-testid=taught-sheet]').exists()).toBe(false)
    expect(shown.find('[data-testid=sheet] input[type=file]').attributes('disabled')).toBeUndefined()
  })
})
