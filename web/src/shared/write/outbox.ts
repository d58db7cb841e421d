import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { tokenNow, type ProblemBody } from '@/shared/api/client'
import { useSession } from '@/shared/state/useSession'
import { keptWrites, type KeptWrite } from './keptWrites'
import { answered, type SentRequest } from './requests'

const news = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel('side-bench-outbox')
// Pictures of sheets and what is asked of a device have an answer that must be read: they are never sent behind one's back.
const neverKept = ['/sheets/picture', '/sheets/scan', '/waste/service']

/** What was said, without its key and what was seen: the same press again, as long as it waits, is one. */
function saidIn(url: string, body: string | Blob): string {
  if (typeof body !== 'string') return url.replace(/(key|seenVersion|howTold)=[^&]*/g, '') + body.size
  const plain = { key: undefined, seenVersion: undefined, howTold: undefined }
  return url + JSON.stringify({ ...(JSON.parse(body) as object), ...plain })
}

/**
 * The body with another version seen; a picture has it in its address. What its card showed stays what it was, until a person says that it
 * is to be written all the same.
 */
function stamped(write: KeptWrite, seenVersion: number, allTheSame = false): SentRequest {
  if (typeof write.body === 'string') {
    const said = JSON.parse(write.body) as { shown?: object | null }
    const shown = said.shown && allTheSame ? { shown: { ...said.shown, version: seenVersion } } : {}
    return { url: write.url, body: JSON.stringify({ ...said, ...shown, seenVersion }) }
  }
  return { url: write.url.replace(/seenVersion=\d+/, `seenVersion=${seenVersion}`), body: write.body }
}

/** Presses that wait for the server, in their order, in this browser's own store. */
export const useOutbox = defineStore('outbox', () => {
  const session = useSession()
  const all = shallowRef<KeptWrite[]>([])
  const sending = ref(false)
  /** How many were sent from here: pages load again when it grows. */
  const sent = ref(0)
  /** Where each job stood after what was sent from here. */
  const versions = new Map<number, number>()
  const mine = computed(() => all.value.filter((w) => w.person === session.person?.id))
  const questions = computed(() => mine.value.filter((w) => w.question))
  const of = (job: number) => mine.value.filter((w) => w.job === job)

  async function load() {
    all.value = await keptWrites.all().catch(() => [])
  }
  async function changed() {
    await load()
    news?.postMessage('changed')
  }
  if (news) news.onmessage = () => void load()

  /** Whether a request can wait here. */
  const takes = (request: SentRequest) => !neverKept.some((part) => request.url.includes(part))

  /** Keeps a press, with the words that its page showed. False when this browser has no store: then nothing was kept. */
  async function keep(key: string, job: number, request: SentRequest, tried: boolean, says: string): Promise<boolean> {
    const person = session.person?.id
    if (person === undefined || !takes(request)) return false
    const said = saidIn(request.url, request.body)
    if (of(job).some((w) => w.key === key || saidIn(w.url, w.body) === said)) return true
    try {
      await keptWrites.add({ ...request, key, job, person, tried, says })
    } catch {
      return false
    }
    answered(key)
    await changed()
    return true
  }

  /** Sends what waits, in order, once; what no longer fits becomes a question, and all behind it on the same job waits for that. */
  async function flush(): Promise<void> {
    if (sending.value) return
    sending.value = true
    try {
      const locks = globalThis.navigator?.locks
      if (!locks) await sendAll()
      else await locks.request('side-bench-outbox', { ifAvailable: true }, (lock) => (lock ? sendAll() : undefined))
    } finally {
      sending.value = false
    }
  }

  async function sendAll() {
    await load()
    const stuck = new Set<number>()
    for (const write of mine.value) {
      if (write.question || stuck.has(write.job)) {
        stuck.add(write.job)
        continue
      }
      const done = await send(write)
      if (done === 'away') break
      if (done === 'asked') stuck.add(write.job)
      else sent.value++
      await changed()
    }
  }

  async function send(write: KeptWrite): Promise<'sent' | 'away' | 'asked'> {
    const known = versions.get(write.job)
    // What never left here takes the version that what was sent before it made.
    let next: SentRequest = !write.tried && known !== undefined ? stamped(write, known) : write
    for (let again = 0; ; again++) {
      if (!write.tried) await keptWrites.put({ ...write, ...next, tried: true })
      const answer = await post(next)
      if (!answer || answer.status === 0 || answer.status >= 500) return 'away'
      const body = answer.body as (ProblemBody & { job?: { version?: number } }) | null
      if (answer.status < 300 || body?.code === 'key-reused') {
        if (body?.job?.version) versions.set(write.job, body.job.version)
        await keptWrites.remove(write.n!)
        return 'sent'
      }
      if (answer.status === 401 || body?.code === 'token-old') {
        if (again > 0) return 'away'
        await session.renew().catch(() => undefined)
        if (session.ended || !session.person || session.person.id !== write.person) return 'away'
        continue
      }
      const since = versions.get(write.job)
      if (body?.code === 'stale-version' && since !== undefined && again === 0) {
        next = stamped(write, since)
        continue
      }
      const { title = 'It no longer fits', detail = '', hint = '', changes = [] } = body ?? {}
      await keptWrites.put({
        ...write,
        ...next,
        tried: true,
        question: { title, detail: `${detail} ${hint}`, changes },
      })
      return 'asked'
    }
  }

  async function post(request: SentRequest) {
    const isText = typeof request.body === 'string'
    try {
      const answer = await globalThis.fetch(request.url, {
        method: 'POST',
        body: request.body,
        headers: {
          'Content-Type': isText ? 'application/json' : 'application/octet-stream',
          'X-Side-Bench-Token': tokenNow(),
        },
      })
      return { status: answer.status, body: (await answer.json().catch(() => null)) as unknown }
    } catch {
      return null
    }
  }

  /** A question is answered: written all the same, seen as the job stands now. */
  async function sendAllTheSame(write: KeptWrite, seenVersion: number) {
    versions.delete(write.job)
    await keptWrites.put({ ...write, ...stamped(write, seenVersion, true), question: undefined })
    await changed()
    return flush()
  }

  /** A question is answered: left out, by a person's own word. */
  async function leaveOut(write: KeptWrite) {
    await keptWrites.remove(write.n!)
    await changed()
    return flush()
  }

  return { all, mine, questions, sending, sent, of, load, keep, flush, sendAllTheSame, leaveOut }
})
