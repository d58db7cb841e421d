/** A share as percent; never shows more than is known. */
export function percent(ratio: number): string {
  if (ratio > 0 && ratio < 0.01) return '<1 %'
  if (ratio > 0.99 && ratio < 1) return '>99 %'
  return `${Math.round(ratio * 100)} %`
}

/** An amount of money in the shop's currency. */
export function money(amount: number, currency: string): string {
  return new Intl.NumberFormat(undefined, { style: 'currency', currency }).format(amount)
}

// By how many digits they show at most.
const numbers = new Map<number, Intl.NumberFormat>()
function written(value: number, digits: number): string {
  const known = numbers.get(digits) ?? new Intl.NumberFormat(undefined, { maximumFractionDigits: digits })
  numbers.set(digits, known)
  return known.format(value)
}

/** So many of a thing, in the singular where there is one: 1 week, 2 weeks. */
export function counted(count: number, one: string, many = `${one}s`): string {
  return `${written(count, 0)} ${count === 1 ? one : many}`
}

/** A number with its unit, thin space between. */
export function withUnit(value: number, unit: string, digits = 0): string {
  return `${written(value, digits)}\u2009${unit}`
}

/** A running clock: 0:47 under an hour as min:s, 1 h 05 under a day, then days. Negative is time past. */
export function countdown(milliseconds: number): string {
  const sign = milliseconds < 0 ? '+' : ''
  const seconds = Math.floor(Math.abs(milliseconds) / 1000)
  if (seconds < 3600) return `${sign}${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`
  if (seconds < 86400) {
    return `${sign}${Math.floor(seconds / 3600)} h ${String(Math.floor((seconds % 3600) / 60)).padStart(2, '0')}`
  }
  return `${sign}${Math.floor(seconds / 86400)} d`
}

// Made once: to make one anew for each use takes fifty times as long.
const hours = new Intl.DateTimeFormat(undefined, { hour: '2-digit', minute: '2-digit' })
const weekday = new Intl.DateTimeFormat(undefined, { weekday: 'short' })
const date = new Intl.DateTimeFormat(undefined, { day: 'numeric', month: 'short', year: 'numeric' })

/** A time of the day, from ms since 1970. */
export const clockTime = (at: number) => hours.format(at)

/** A moment as people at the bench say it: today by the hour, else by day and hour. */
export function moment(iso: string, now = new Date()): string {
  const at = new Date(iso)
  const time = hours.format(at)
  if (at.toDateString() === now.toDateString()) return time
  const near = Math.abs(at.getTime() - now.getTime()) < 6 * 86400_000
  return `${(near ? weekday : date).format(at)} ${time}`
}

/** A date alone. */
export function day(iso: string): string {
  return date.format(new Date(iso))
}

/** A number as typed, with either decimal mark; null when empty, NaN when it is no number. */
export function typedNumber(text: string): number | null {
  const plain = text.trim().replace(',', '.')
  if (plain === '') return null
  return /^-?\d*\.?\d+$/.test(plain) ? Number(plain) : Number.NaN
}

/** A wait as people say it: minutes, then hours, then days. */
export function wait(minutes: number): string {
  if (minutes < 120) return withUnit(minutes, 'min', minutes < 1 ? 1 : 0)
  return minutes < 2880 ? withUnit(minutes / 60, 'h', 1) : withUnit(minutes / 1440, 'days', 1)
}
