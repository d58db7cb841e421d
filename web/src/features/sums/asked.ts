import { typedNumber } from '@/shared/format'
import type { Api } from '@/shared/api/client'

export type SumField = Api<'SumFieldView'>
/** What was typed into the fields of a sum, by name. */
export interface Typed {
  [name: string]: string | boolean | Typed[]
}
export type Asked = Record<string, unknown>

/** A moment as the field of the page holds it, with the offset of this place. */
export function withOffset(local: string): string {
  if (!local) return ''
  const minutes = -new Date(local).getTimezoneOffset()
  const two = (n: number) => String(n).padStart(2, '0')
  const sign = minutes < 0 ? '-' : '+'
  return `${local}:00${sign}${two(Math.floor(Math.abs(minutes) / 60))}:${two(Math.abs(minutes) % 60)}`
}

/** A moment as a field of the page holds it. */
export function localText(at: Date): string {
  const two = (n: number) => String(n).padStart(2, '0')
  return `${at.getFullYear()}-${two(at.getMonth() + 1)}-${two(at.getDate())}T${two(at.getHours())}:${two(at.getMinutes())}`
}

/** What the fields begin with: an example, so that the sum shows what it does. */
export function begun(fields: SumField[], now: Date): Typed {
  const typed: Typed = {}
  let hours = 0
  for (const f of fields) {
    if (f.kind === 'list') typed[f.name] = [begun(f.parts, now)]
    else if (f.kind === 'flag') typed[f.name] = false
    else if (f.kind === 'moment') typed[f.name] = localText(new Date(now.getTime() + 3600_000 * 4 * hours++))
    else typed[f.name] = f.example
  }
  return typed
}

/** The typed fields as the sum is asked; a field left empty is left out, and says so by itself where it is needed. */
export function asked(fields: SumField[], typed: Typed): Asked {
  const out: Asked = {}
  for (const f of fields) {
    const value = typed[f.name]
    if (f.kind === 'list') out[f.name] = (value as Typed[]).map((piece) => asked(f.parts, piece))
    else if (f.kind === 'flag') out[f.name] = value === true
    else if (value === '' || value === undefined) continue
    else if (f.kind === 'moment') out[f.name] = withOffset(value as string)
    else if (f.kind === 'word' || f.kind === 'name') out[f.name] = value
    else if (f.kind === 'names') out[f.name] = several(value as string, /[,;]/)
    else if (f.kind === 'wholes') out[f.name] = several(value as string, /[,;\s]/).map(numberOf)
    else out[f.name] = numberOf(value as string)
  }
  return out
}

/** Several values typed into one field; a name may have a space in it. */
const several = (typed: string, between: RegExp) =>
  typed
    .split(between)
    .map((one) => one.trim())
    .filter(Boolean)

/** A typed number, or what was typed when it is none. */
function numberOf(typed: string): number | string {
  const number = typedNumber(typed)
  return number === null || Number.isNaN(number) ? typed : number
}
