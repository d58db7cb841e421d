/** A write on its way: all that is needed to send it again, by itself, on another day. */
export interface SentRequest {
  url: string
  body: string | Blob
}

const onTheWay = new Map<string, SentRequest>()
const held = new Set<string>()

/** Notes a write that is about to be sent. */
export function noteRequest(key: string, request: SentRequest) {
  onTheWay.set(key, request)
}

/** The write of a key, as long as no answer to it came. */
export const requestOf = (key: string) => onTheWay.get(key)

/** An answer came: it need not be sent again. */
export function answered(key: string) {
  onTheWay.delete(key)
  held.delete(key)
}

/** A write that is to be kept is made up as usual, and not sent. */
export function holdBack(key: string) {
  held.add(key)
}

/** Whether a write is held back. */
export const isHeldBack = (key: string | undefined) => key !== undefined && held.has(key)

/** The key in a body of JSON. */
export function keyIn(body: string): string | undefined {
  try {
    const said = JSON.parse(body) as { key?: unknown } | null
    return typeof said?.key === 'string' ? said.key : undefined
  } catch {
    return undefined
  }
}
