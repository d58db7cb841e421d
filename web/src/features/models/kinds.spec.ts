import { flushPromises } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import ImportPart from './ImportPart.vue'
import KindForm from './KindForm.vue'
import { press, serveMadeUp, server, show, view } from './madeUp.test'

beforeEach(serveMadeUp)
afterEach(() => vi.unstubAllGlobals())

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
    expect(server.posted[0]).toEqual([
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

describe('a file of models', () => {
  it('is looked at first; what differs is replaced only when that is pressed', async () => {
    server.answers['/api/models/import/look'] = () =>
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
    expect(server.posted.map((p) => p[0])).toEqual(['/api/models/import/look'])
    await press(shown, 'Take all in')
    expect(server.posted[1]).toEqual([
      '/api/models/import',
      expect.objectContaining({ text: '{}', replace: true, seenVersion: 3 }),
    ])
  })
})
