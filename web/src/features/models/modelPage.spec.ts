import { flushPromises } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import ModelPage from './ModelPage.vue'
import { model, press, serveMadeUp, server, show } from './madeUp.test'

beforeEach(serveMadeUp)
afterEach(() => vi.unstubAllGlobals())

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
    server.answers['/api/models/heath-solo'] = () => Response.json({ ...model, isOwn: false })
    const house = await show(ModelPage, () => ({ id: 'heath-solo' }))
    expect(house.findAll('button').some((b) => b.text().startsWith('Tell'))).toBe(false)
    await press(house, 'Make it ours')
    expect(server.posted.at(-1)).toMatchObject(['/api/models/ours', { model: 'heath-solo' }])
    server.answers['/api/models/heath-solo'] = () => Response.json({ ...model, packVersion: 9, openings: 0 })
    const own = await show(ModelPage, () => ({ id: 'heath-solo' }))
    expect(own.text()).toContain('a pack, which has version 9 of it')
    expect(own.text()).toContain('As its pack has it, until you teach it.')
    await press(own, 'Take what the pack has')
    expect(server.posted).toHaveLength(2)
  })

  it('teaches an opening part by part, in order, without what did not come off', async () => {
    const shown = await show(ModelPage, () => ({ id: 'heath-solo' }))
    for (const part of ['Mains lead', 'Side cover', 'Pads']) await press(shown, part)
    const off = shown.find('[data-testid=off]')
    await off.findAll('button')[1]!.trigger('click')
    await press(shown, 'Teach this opening, 2 parts')
    const [path, body] = server.posted[0]!
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
    server.answers['/api/models/heath-solo'] = () => Response.json(taught)
    const shown = await show(ModelPage, () => ({ id: 'heath-solo' }))
    await press(shown, 'Damper')
    await press(shown, 'Teach this opening, 1 part')
    expect(server.posted[0]![1].parts).toEqual([
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
    expect(server.posted[0]![1].back).toEqual(['Side cover', 'Pads', 'Mains lead'])
    expect(localStorage.getItem('side-bench-way-back-heath-solo')).toBe('[]')
  })
})

describe('slots and cautions', () => {
  it('are told all at once, and a line that was refused keeps what was typed', async () => {
    server.answers['/api/models/about'] = () =>
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
    expect(server.posted[0]![1]).toMatchObject({
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
    expect(server.posted[0]).toEqual([
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
