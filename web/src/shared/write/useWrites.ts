import { computed, readonly, ref, shallowRef } from 'vue'
import { v4 as uuid } from 'uuid'
import { Refused, type ProblemBody } from '@/shared/api/client'
import { useSession } from '@/shared/state/useSession'
import { howPressed, type How } from '@/shared/state/howPressed'
import { away, beginWrite, type Written } from './inFlight'
import { useOutbox } from './outbox'
import { pressedWords } from './pressedWords'
import { answered, holdBack, requestOf } from './requests'

/** How long to wait before asking again whether a write got through, ms; after the last the person is asked. */
export const askAgain = { pausesMs: [800, 2000, 5000] }

/** What every write says beside itself. */
export interface Stamp {
  key: string
  seenVersion: number
  /** How it was told. */
  howTold?: How | null
}

export interface WritesOf<Answer> {
  /** What is written about, so that news of it waits for the answer. */
  about: Written
  /** What is stamped on a write when its turn comes: the version on the screen, and whatever else it is about. */
  stamp: () => Omit<Stamp, 'key' | 'howTold'>
  /** Takes an answer in, before the write counts as done. */
  written: (answer: Answer) => unknown
  /** Loads anew what a refusal shows to be old. */
  refetch: () => unknown
}

/** Not an answer to the write itself: it may or may not have been written. */
const isOpen = (e: Refused) => e.status === 0 || e.status === 502 || e.status === 503 || e.status === 504

/**
 * The one way to write, for all features. Writes wait their turn; the same press while it is in hand is one press. A write keeps its
 * key until it is acknowledged, whoever presses it again: so nothing typed is ever written twice. When no answer comes it asks again by
 * itself, and says so.
 */
export function useWrites<Answer>(of: WritesOf<Answer>) {
  const session = useSession()
  const outbox = useOutbox()
  const kept = new Set<string>()
  const busy = ref(false)
  const asking = ref(false)
  const problem = ref<ProblemBody | null>(null)
  const waiting = shallowRef<readonly { what: string; call: () => Promise<Answer> }[]>([])
  const unanswered = new Map<string, unknown>()
  /** What was pressed, in the words of the screen. */
  const words = new Map<string, string>()
  let guarded: ((waitOver: string) => Promise<boolean>) | null = null
  let inHand: { what: string; done: Promise<unknown> } | null = null

  /** Sends a write in its turn; its answer, or null when it was refused, is not acknowledged, or is in hand already. */
  async function send(what: string, call: () => Promise<Answer>, stamp?: () => unknown): Promise<Answer | null> {
    if (!words.has(what)) words.set(what, pressedWords())
    while (inHand) {
      if (inHand.what === what) return null
      await inHand.done
    }
    const done = attempt(what, call, stamp)
    inHand = { what, done }
    try {
      return await done
    } finally {
      inHand = null
    }
  }

  async function attempt(what: string, call: () => Promise<Answer>, stamp?: () => unknown): Promise<Answer | null> {
    busy.value = true
    problem.value = null
    const end = beginWrite(of.about)
    try {
      stamp?.()
      // What waits already goes first; and while the server is away nobody waits for it.
      const key = keyOf(what)
      const waits = typeof of.about === 'number' && (away.value || outbox.of(of.about).length > 0)
      if (key && waits) holdBack(key)
      for (let tries = 0, fresh = false; ;) {
        try {
          const answer = await call()
          forget(what)
          waiting.value = waiting.value.filter((w) => w.what !== what)
          problem.value = null
          await of.written(answer)
          return answer
        } catch (e) {
          if (!(e instanceof Refused)) throw e
          if (key && waits && (await keeps(key, what, false))) return null
          if (key && waits) answered(key)
          problem.value = e.body
          if (e.body.code === 'token-old' && !fresh) {
            fresh = true
            await session.load()
          } else if (isOpen(e) && tries < askAgain.pausesMs.length) {
            asking.value = true
            const pause = askAgain.pausesMs[tries++]!
            await new Promise((go) => setTimeout(go, pause))
          } else {
            if (isOpen(e) && key && (await keeps(key, what, true))) return null
            refused(e, what, call)
            return null
          }
        }
      }
    } finally {
      busy.value = false
      asking.value = false
      end()
    }
  }

  function forget(what: string) {
    unanswered.delete(what)
    words.delete(what)
  }

  const keyOf = (what: string) => (unanswered.get(what) as { key?: string } | undefined)?.key

  /** Puts a press that cannot be sent now with those that wait, under its key. */
  async function keeps(key: string, what: string, tried: boolean): Promise<boolean> {
    const request = requestOf(key)
    if (
      typeof of.about !== 'number' ||
      !request ||
      !(await outbox.keep(key, of.about, request, tried, words.get(what) ?? ''))
    )
      return false
    forget(what)
    waiting.value = waiting.value.filter((w) => w.what !== what)
    kept.add(what)
    problem.value = null
    void outbox.flush()
    return true
  }

  function refused(e: Refused, what: string, call: () => Promise<Answer>) {
    if (e.endsSignIn) session.ended = true
    const others = waiting.value.filter((w) => w.what !== what)
    // Every press that got no answer is kept, and is sent again in its order.
    if (isOpen(e) || e.status === 401 || e.body.code === 'token-old') waiting.value = [...others, { what, call }]
    else {
      forget(what)
      waiting.value = others
    }
    if (e.status === 409) void of.refetch()
  }

  /** The body of a write: stamped when its turn comes, and then the same until it is acknowledged. */
  function bodyOf<T>(what: string, said: object, how: How = howPressed(), stamp: object = of.stamp()): T {
    const body = unanswered.get(what) ?? { ...said, ...stamp, howTold: how, key: uuid() }
    unanswered.set(what, body)
    return body as T
  }

  let kinds = 0
  /**
   * A kind of write: what is said, sent as one body. True when it was written.
   * @param post Sends it.
   * @param asShown Whether it is an answer to what stands on the screen: then the version counts that was seen when it was pressed, and
   * a press that waited behind another one is refused when the card has changed. Default: no, the version when its turn comes.
   */
  function write<T>(post: (body: T) => Promise<Answer>, asShown = false) {
    const kind = ++kinds
    async function again(said: Omit<T, 'key' | 'seenVersion' | 'thread' | 'howTold'>): Promise<boolean> {
      const what = `${kind} ${JSON.stringify(said)}`
      const [how, seen] = [howPressed(), asShown ? of.stamp() : undefined]
      const body = () => bodyOf<T>(what, said, how, seen)
      const answer = await send(what, () => post(body()), body)
      // Kept in this browser is as good as sent: nothing of it is lost.
      const done = kept.delete(what) || answer !== null
      if (problem.value?.code === 'wait-guards') guarded = (waitOver) => again({ ...said, waitOver })
      return done
    }
    return again
  }

  /** What a page shows of its writes, and what a person can do when one got no answer. */
  const face = {
    /** Whether a write is in hand. */
    busy: readonly(busy),
    /** Whether no answer came, and it asks again by itself. */
    asking: readonly(asking),
    problem,
    canRetry: computed(() => waiting.value.length > 0),
    /** How many presses got no answer. */
    waits: computed(() => waiting.value.length),
    /** Says why a wait is over that stood before the last write, and sends that write again with it. */
    sayOver: async (waitOver: string) => (guarded ? guarded(waitOver) : false),
    retry: async () => {
      let answer: Answer | null = null
      for (const { what, call } of waiting.value) if ((answer = await send(what, call)) === null) break
      return answer
    },
    dismiss: () => {
      problem.value = null
      waiting.value = []
    },
  }
  return {
    ...face,
    face,
    send,
    /** Whether the last press of that kind waits in this browser; asked once. */
    wasKept: (what: string) => kept.delete(what),
    bodyOf,
    write,
  }
}
