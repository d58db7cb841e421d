/** What the rules of the packs say of one field of a model's file. */
export interface PartRule {
  title?: string
  description?: string
  type?: 'object' | 'array' | 'string' | 'number' | 'integer' | 'boolean'
  enum?: string[]
  /** Its words, by what the file has. */
  says?: Record<string, string>
  properties?: Record<string, PartRule>
  required?: string[]
  items?: PartRule
  additionalProperties?: PartRule | false
}
export type PartValue = string | number | boolean | PartValue[] | { [name: string]: PartValue } | undefined
export type PartTree = Record<string, PartValue>

/** Whether it holds fields of its own, by fixed names. */
export const isGroup = (rule: PartRule) => rule.properties !== undefined
/** Whether its entries are named by whoever fills it in, as a region. */
export const isNamed = (rule: PartRule) => !isGroup(rule) && typeof rule.additionalProperties === 'object'
/** Whether it is a list of things with fields of their own, or of lists. */
export const isList = (rule: PartRule) =>
  rule.type === 'array' && (isGroup(rule.items ?? {}) || rule.items?.type === 'array')

const entries = (rule: PartRule, value: PartTree) =>
  Object.entries(value)
    .filter(([name]) => !isGroup(rule) || (name !== 'name' && name !== 'id'))
    .map(([name, v]) => {
      const of = rule.properties?.[name] ?? (rule.additionalProperties || {})
      return [isGroup(rule) ? (of.title ?? name) : name, words(of, v)] as const
    })
    .filter(([, said]) => said !== '')
    .map(([name, said]) => `${name}: ${said}`)

/** A value in words, short. */
export function words(rule: PartRule, value: PartValue): string {
  if (value === undefined || value === '') return ''
  if (typeof value === 'boolean') return value ? 'yes' : 'no'
  if (Array.isArray(value)) return value.map((v) => words(rule.items ?? {}, v)).join(isList(rule) ? '; ' : ', ')
  if (typeof value !== 'object') return rule.says?.[String(value)] ?? String(value)
  const told = entries(rule, value).join(', ')
  return value.name ? `${String(value.name)}: ${told}` : told
}

/** A value in words, a line for each thing in it. */
export function lines(rule: PartRule, value: PartValue): string[] {
  if (value === undefined || value === '') return []
  if (Array.isArray(value)) return value.map((v) => words(rule.items ?? {}, v))
  return typeof value === 'object' ? entries(rule, value) : [words(rule, value)]
}

/** The least that can stand there: what must be told, each with its first answer, or empty. */
export function bare(rule: PartRule): PartValue {
  if (isGroup(rule)) {
    const told = (rule.required ?? []).map((name) => [name, bare(rule.properties![name]!)])
    return Object.fromEntries(told) as PartTree
  }
  if (rule.enum) return rule.enum[0]
  if (rule.type === 'array') return []
  if (rule.type === 'boolean') return false
  return isNamed(rule) ? {} : ''
}

/** One more of a list: like the last, without its own names. */
export function oneMore(rule: PartRule, list: PartValue[]): PartValue {
  const last = list.at(-1)
  if (last === undefined || typeof last !== 'object' || Array.isArray(last)) return bare(rule)
  return { ...(JSON.parse(JSON.stringify(last)) as PartTree), ...(last.id === undefined ? {} : { id: '' }), name: '' }
}
