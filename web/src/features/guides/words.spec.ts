import { describe, expect, it } from 'vitest'
import { words, wordsLike, wordsOf } from './words'

describe('words', () => {
  it('reads the rows of a table and nothing else', () =>
    expect(wordsOf('# Head\n\n| word | meaning |\n|---|---|\n| cap | the *tray* the head parks on |\n')).toEqual([
      { word: 'cap', means: 'the tray the head parks on' },
    ]))

  it('finds terms by their beginning first, and by what they mean', () => {
    expect(wordsLike('damper')[0]!.word).toBe('damper')
    expect(wordsLike('parks on').map((w) => w.word)).toContain('cap, pump, wiper')
    expect(wordsLike('')).toHaveLength(words.length)
    expect(wordsLike('zebra crossing')).toEqual([])
  })
})
