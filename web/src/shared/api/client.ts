import createClient from 'openapi-fetch'
import { answered, isHeldBack, keyIn, noteRequest } from '@/shared/write/requests'
import type { components, paths } from './generated/schema'

/** A shape of the API by its name. */
export type Api<T extends keyof components['schemas']> = components['schemas'][T]
export type ProblemBody = Api<'ProblemBody'>

let token = ''

/** Keeps the safety token that every write carries. */
export function keepToken(value: string) {
  token = value
}

let signIns = 0

/** Somebody signed in: what was asked before that, and is refused for it, says nothing of who is signed in now. */
export function signedIn() {
  signIns++
}

/** The safety token as it is now. */
export const tokenNow = () => token

const keys = new WeakMap<Request, string>()

/** The typed client of the server. */
export const api = createClient<paths>({
  baseUrl: globalThis.location?.origin ?? '',
  fetch: async (request) => {
    const key = keys.get(request)
    if (isHeldBack(key)) throw new TypeError('held back: it waits in this browser')
    const answer = await globalThis.fetch(request)
    if (key && answer.status < 500) answered(key)
    return answer
  },
})

api.use({
  async onRequest({ request }) {
    if (request.method === 'GET') return request
    request.headers.set('X-Side-Bench-Token', token)
    const body = await request.clone().text()
    const key = keyIn(body)
    if (key) {
      keys.set(request, key)
      const { pathname, search } = new URL(request.url)
      noteRequest(key, { url: pathname + search, body })
    }
    return request
  },
})

/** Sends a file as it is and says how much of it is on its way, 0 to 1. */
export function sendBytes<T>(url: string, body: Blob, sent: (share: number) => void): Promise<T> {
  const key = new URLSearchParams(url.split('?')[1]).get('key') ?? undefined
  if (key) noteRequest(key, { url, body })
  if (isHeldBack(key)) return Promise.reject(new Refused(unreachable, 0))
  return new Promise((resolve, reject) => {
    const call = new XMLHttpRequest()
    call.open('POST', url)
    call.responseType = 'json'
    call.setRequestHeader('X-Side-Bench-Token', token)
    call.setRequestHeader('Content-Type', 'application/octet-stream')
    call.upload.onprogress = (event) => sent(event.lengthComputable ? event.loaded / event.total : 0)
    call.upload.onload = () => sent(1)
    call.onerror = () => reject(new Refused(unreachable, 0))
    call.onload = () => {
      if (key && call.status < 500) answered(key)
      if (call.status >= 200 && call.status < 300) return resolve(call.response as T)
      const problem = call.response as ProblemBody | null
      reject(new Refused(problem?.code ? problem : { ...unreachable, status: call.status }, call.status))
    }
    call.send(body)
  })
}

/** A refused request, as thrown. */
export class Refused extends Error {
  constructor(
    readonly body: ProblemBody,
    readonly status: number,
    /** Asked before the sign-in that counts now. */
    private readonly isLate = false,
  ) {
    super(body.title)
  }

  /** Whether it shows that nobody is signed in any more. */
  get endsSignIn() {
    return this.status === 401 && !this.isLate
  }
}

const unreachable: ProblemBody = {
  type: 'about:blank',
  status: 0,
  code: 'server-unreachable',
  title: 'Could not reach the server',
  detail: 'Not known yet whether it was written.',
  hint: 'It asks again by itself; the same press is never written twice, and what you typed is kept.',
  problems: [],
  changes: [],
}

/** The data of an answer; throws Refused with the server's problem, or with one of our own when there is no answer. */
export async function dataOf<T>(
  call: Promise<{ data?: T; error?: unknown; response: Response }>,
): Promise<NonNullable<T>> {
  const asked = signIns
  let answer
  try {
    answer = await call
  } catch {
    throw new Refused(unreachable, 0)
  }
  if (answer.response.ok) return answer.data as NonNullable<T>
  const body = answer.error as ProblemBody | undefined
  const { status } = answer.response
  throw new Refused(body?.code ? body : { ...unreachable, status }, status, asked !== signIns)
}
