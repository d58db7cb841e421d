import { describe, expect, it } from 'vitest'
import { countdown, percent, typedNumber, wait } from './index'

describe('percent', () => {
  it.each([
    [0, '0 %'],
    [0.004, '<1 %'],
    [0.414, '41 %'],
    [0.997, '>99 %'],
    [1, '100 %'],
  ])('shows %f as %s', (ratio, shown) => expect(percent(ratio)).toBe(shown))
})

describe('wait', () => {
  it.each([
    [10, '10\u2009min'],
    [90, '90\u2009min'],
    [120, '2\u2009h'],
    [1440, '24\u2009h'],
    [7200, '5\u2009days'],
  ])('says %d min as people do', (minutes, said) => expect(wait(minutes)).toBe(said))
})

describe('countdown', () => {
  it.each([
    [47 * 60_000, '47:00'],
    [9_500, '0:09'],
    [65 * 60_000, '1 h 05'],
    [2 * 86400_000 + 5, '2 d'],
    [-90_000, '+1:30'],
  ])('shows %i ms as %s', (ms, shown) => expect(countdown(ms)).toBe(shown))
})

describe('typedNumber', () => {
  it.each([
    ['4,5', 4.5],
    [' 12 ', 12],
    ['', null],
  ])('reads %j as %s', (text, value) => expect(typedNumber(text)).toBe(value))

  it('does not take words for numbers', () => expect(typedNumber('4 ml')).toBeNaN())
})
