import { describe, expect, it } from 'vitest'
import { answersOf, seenFrom, spoken, turned } from './acts'
import type { Act, Fasteners, Part } from './useOpening'

const act = (said: Partial<Act>): Act =>
  ({
    kind: 'off',
    part: 'guard',
    removal: 'guard',
    branches: [],
    does: [],
    checks: [],
    cautions: [],
    title: 'Guard off',
    text: '',
    sign: '',
    ...said,
  }) as Act
const group = (said: Partial<Fasteners>): Fasteners =>
  ({ removal: 'guard:ends', count: 4, loosenOnly: false, ...said }) as Fasteners
const part = (way: string, fasteners: Fasteners[] = []): Part => ({ id: 'guard', way, fasteners }) as Part

describe('answersOf', () => {
  it('says what became of the part, by its way', () => {
    expect(answersOf(act({}), part('open'))[0]).toMatchObject({ key: '1', label: 'It is open' })
    expect(answersOf(act({}), part('off'))[0]).toMatchObject({ label: 'It is off' })
  })

  it('counts a group, and never takes out what is only loosened', () => {
    const ends = act({ removal: 'guard:ends' })
    expect(answersOf(ends, part('off', [group({})])).map((a) => a.label)).toEqual([
      'All 4 are out',
      'Stuck',
      'Photo',
      'Not all, or one missing',
    ])
    expect(answersOf(ends, part('off', [group({ loosenOnly: true })]))[0]?.label).toBe('They are loose')
  })

  it('gives every way a step can go wrong a digit of its own', () => {
    const branches = [
      { id: 'stuck', label: 'It will not move', text: '' },
      { id: 'bent', label: 'A pin is bent', text: '' },
    ]
    const keys = answersOf(act({ kind: 'do', branches }), undefined).map((a) => a.key)
    expect(keys).toEqual(['1', '2', '3', 'C', 'K'])
    expect(new Set(keys).size).toBe(keys.length)
  })

  it('ticks a guide’s own step back, which names no thing on the tray', () => {
    expect(answersOf(act({ kind: 'back', item: '', step: 'back' }), undefined).map((a) => a.does)).toEqual([
      'done',
      'photo',
      'skip',
    ])
  })

  it('has what must be true ticked, one after the other, before a part counts as back', () => {
    const back = act({ kind: 'back', item: 't1', removal: '', checks: ['The pin is home', 'No gap is left'] })
    expect(answersOf(back, undefined, 'No gap is left')[0]).toMatchObject({
      key: '1',
      does: 'check',
      label: 'True: No gap is left',
    })
    expect(answersOf(back, undefined)[0]).toMatchObject({ key: '1', does: 'done' })
    expect(answersOf(act({ kind: 'back', item: '', step: 'b' }), undefined, 'The pin is home')[0]?.does).toBe('check')
  })

  it('asks nothing of a cable that is plugged in but whether it seats', () => {
    expect(answersOf(act({ kind: 'back', item: 't1', removal: '' }), undefined).map((a) => a.does)).toEqual(['done'])
    expect(answersOf(act({ kind: 'back', item: 't2', removal: 'guard:ends' }), undefined).map((a) => a.does)).toEqual([
      'done',
      'stuck',
      'lost',
    ])
  })
})

describe('sides', () => {
  it('say where the person stands', () => {
    expect([seenFrom('back'), seenFrom('top'), seenFrom('under'), seenFrom('')]).toEqual([
      'seen from the back',
      'seen from above',
      'seen from beneath',
      '',
    ])
  })

  it('swap left and right, near and far, at the other end', () => {
    expect(turned(10, 20)).toEqual({ x: 90, y: 80 })
    const there = turned(10, 20)
    expect(turned(there.x, there.y)).toEqual({ x: 10, y: 20 })
  })
})

it('is read aloud with its cautions before the step', () => {
  expect(spoken(act({ title: 'Drain off', cautions: ['Gloves on.'], text: 'Pull.', sign: 'it is free' }))).toBe(
    'Drain off. Gloves on. Pull. Expect: it is free',
  )
})
