import createClient from 'openapi-fetch'
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

/** The typed client of the server. */
export const api = createClient<paths>({
  baseUrl: globalThis.location?.origin ?? '',
  fetch: (request) => globalThis.fetch(request),
})

api.use({
  onRequest({ request }) {
    if (request.method !== 'GET') request.headers.set('X-Side-Bench-Token', token)
    return request
  },
})

/** Sends a file as it is and says how much of it is on its way, 0 to 1. */
export function sendBytes<T>(url: string, body: Blob, sent: (share: number) => void): Promise<T> {
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
