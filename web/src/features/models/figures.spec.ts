import { flushPromises } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import FigureRow from './FigureRow.vue'
import MeasuredPart from './MeasuredPart.vue'
import { figure, measured, press, serveMadeUp, server, show } from './madeUp.test'

beforeEach(serveMadeUp)
afterEach(() => vi.unstubAllGlobals())

describe('what the record measured', () => {
  it('is offered with how it was got, and taken with one press; far off only once somebody is sure', async () => {
    const far = { ...measured, key: 'far', isFarOff: true, says: 'renewed and weighed' }
    server.answers['/api/models/heath-solo/measured'] = () => Response.json({ version: 3, open: [measured, far] })
    const shown = await show(MeasuredPart, (desk) => ({ model: 'heath-solo', desk, mayTeach: true }))
    expect(shown.text()).toContain('0.41 ml, 0.36 to 0.47')
    expect(shown.text()).toContain('slot 1 weighed 60 to 58.7 g over 3 runs')
    const takes = () => shown.findAll('button').filter((b) => b.text().startsWith('Take it'))
    expect(takes().map((b) => b.attributes('disabled') === undefined)).toEqual([true, false])
    await takes()[0]!.trigger('click')
    await flushPromises()
    expect(server.posted.at(-1)).toMatchObject(['/api/models/measured', { of: measured.key, isSure: false }])
    await shown.find('input[type=checkbox]').setValue(true)
    await takes()[1]!.trigger('click')
    await flushPromises()
    expect(server.posted.at(-1)![1]).toMatchObject({ of: 'far', isSure: true })
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
    server.answers['/api/models/figures'] = () => Response.json(far, { status: 422 })
    const shown = await show(FigureRow, (desk) => ({ figure, model: 'heath-solo', desk, mayTeach: true }))
    await press(shown, 'Tell')
    await shown.find('input').setValue('9')
    await shown.find('form').trigger('submit')
    await flushPromises()
    expect(server.posted[0]![1]).toMatchObject({
      pointer: figure.pointer,
      value: 9,
      measured: true,
      isSure: false,
      seenVersion: 3,
    })
    server.answers = {}
    await shown.find('input[type=checkbox]').setValue(true)
    await shown.find('form').trigger('submit')
    await flushPromises()
    expect(server.posted[1]![1]).toMatchObject({ value: 9, isSure: true })
    expect(server.posted[1]![1].key).not.toBe(server.posted[0]![1].key)
    expect(shown.find('form').exists()).toBe(false)
  })
})
