import { describe, expect, it } from 'vitest'
import { asked, begun, type SumField } from './asked'

const field = (name: string, kind: string, more: Partial<SumField> = {}): SumField => ({
  name,
  label: name,
  unit: '',
  kind,
  needed: true,
  example: '2',
  words: [],
  parts: [],
  ...more,
})

describe('asked', () => {
  it('sends numbers as numbers, leaves empty fields out, and sends what is no number as it was typed', () => {
    const fields = [field('a', 'number'), field('b', 'number'), field('c', 'number'), field('d', 'flag')]
    expect(asked(fields, { a: '2,5', b: '', c: 'many', d: true })).toEqual({ a: 2.5, c: 'many', d: true })
  })

  it('sends each piece of a list, and moments with the offset of this place', () => {
    const fields = [field('groups', 'list', { parts: [field('cleans', 'whole')] }), field('at', 'moment')]
    const sent = asked(fields, { groups: [{ cleans: '2' }, { cleans: '' }], at: '2026-03-02T16:00' })
    expect(sent.groups).toEqual([{ cleans: 2 }, {}])
    expect(sent.at).toMatch(/^2026-03-02T16:00:00[+-]\d\d:\d\d$/)
    expect(new Date(sent.at as string).getTime()).toBe(new Date('2026-03-02T16:00').getTime())
  })

  it('sends several names or whole numbers typed into one field as lists', () => {
    const fields = [field('flagged', 'names'), field('bays', 'wholes'), field('target', 'name')]
    expect(asked(fields, { flagged: 'K, light cyan; 2', bays: '2; 6 x', target: '2' })).toEqual({
      flagged: ['K', 'light cyan', '2'],
      bays: [2, 6, 'x'],
      target: '2',
    })
  })

  it('begins with the examples', () => {
    const fields = [
      field('groups', 'list', { parts: [field('cleans', 'whole', { example: '3' })] }),
      field('f', 'flag'),
    ]
    expect(begun(fields, new Date())).toEqual({ groups: [{ cleans: '3' }], f: false })
  })
})
