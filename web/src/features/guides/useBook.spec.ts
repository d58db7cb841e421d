import { describe, expect, it } from 'vitest'
import { group, search, type BookLine } from './useBook'

const line = (kind: string, name: string, words = ''): BookLine => ({
  kind,
  id: name,
  name,
  station: 'Vent',
  detail: '',
  words,
})
const lines = [
  line('cause', 'Tank vent blocked'),
  line('cause', 'Vent plug shut'),
  line('test', 'Draw 5 ml', 'flows freely'),
  line('repair', 'Clear the vent'),
]

describe('searching the book', () => {
  it('wants every word, in any order, anywhere in the line', () => {
    expect(search(lines, 'blocked vent', '').map((l) => l.name)).toEqual(['Tank vent blocked'])
    expect(search(lines, 'freely', '').map((l) => l.name)).toEqual(['Draw 5 ml'])
    expect(search(lines, 'nothing such', '')).toEqual([])
  })
  it('puts names that begin with the word first', () => {
    expect(search(lines, 'vent', 'cause').map((l) => l.name)).toEqual(['Vent plug shut', 'Tank vent blocked'])
  })
  it('lists looks, tests, questions and proofs as findings', () => {
    expect(lines.map(group)).toEqual(['cause', 'cause', 'finding', 'repair'])
  })
})
