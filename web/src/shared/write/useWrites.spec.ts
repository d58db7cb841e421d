import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import 'fake-indexeddb/auto'
import { IDBFactory } from 'fake-indexeddb'
import { api, dataOf, Refused, type ProblemBody } from '@/shared/api/client'
import { pressing, type How } from '@/shared/state/howPressed'
import { useSession } from '@/shared/state/useSession'
import { away, whenAnswered } from './inFlight'
import { closeStore } from './keptWrites'
import { useOutbox } from './outbox'
import { askAgain, useWrites } from './useWrites'

const body = (status: number, code: string): ProblemBody => ({
  type: 'about:blank',
  status,
  code,
  title: code,
  detail: '',
  hint: '',
  problems: [],
  changes: [],
})
const refuse = (status: number, code: string) => () => Promise.reject(new Refused(body(status, code), status))
type Body = { key: string; seenVersion: number; text: string; howTold?: How | null }

/** Writes to a made-up server: each answer is taken from the list in turn. */
function desk(...answers: (() => Promise<string>)[]) {
  const sent: Body[] = []
  const taken: string[] = []
  let version = 5
  const writes = useWrites<string>({
    about: 7,
    stamp: () => ({ seenVersion: version }),
    written: (answer) => (taken.push(answer), version++),
    refetch: () => taken.push('refetch'),
  })
  const note = writes.write((b: Body) => (sent.push(b), (answers.shift() ?? (() => Promise.resolve('ok')))()))
  const answer = writes.write((b: Body) => (sent.push(b), (answers.shift() ?? (() => Promise.resolve('ok')))()), true)
  return { writes, note, answer, sent, taken }
}

describe('useWrites', () => {
  const pauses = askAgain.pausesMs
  beforeEach(() => {
    setActivePinia(createPinia())
    askAgain.pausesMs = []
  })
  afterEach(() => {
    askAgain.pausesMs = pauses
    vi.useRealTimers()
  })

  it('keeps one key for one typed thing until it is acknowledged, whoever presses again', async () => {
    const { note, sent, taken } = desk(refuse(0, 'server-unreachable'))
    expect(await note({ text: 'smells of coffee' })).toBe(false)
    expect(await note({ text: 'smells of coffee' })).toBe(true)
    expect(sent[1]).toEqual(sent[0])
    // Acknowledged, the same words again are a new note.
    expect(await note({ text: 'smells of coffee' })).toBe(true)
    expect(sent[2]!.key).not.toBe(sent[0]!.key)
    expect(sent[2]!.seenVersion).toBe(6)
    expect(taken).toEqual(['ok', 'ok'])
  })

  it('sees an answer to a card as the card was when it was pressed, and a note as things are when its turn comes', async () => {
    const { note, answer, sent } = desk()
    await Promise.all([note({ text: 'first' }), answer({ text: 'pressed meanwhile' }), note({ text: 'last' })])
    expect(sent.map((s) => s.seenVersion)).toEqual([5, 5, 7])
  })

  it('tells how each was told, and takes the same press by another way as the same', async () => {
    const { note, sent } = desk(refuse(0, 'server-unreachable'))
    await pressing('key', () => note({ text: 'a' }))
    await pressing('hand', () => note({ text: 'a' }))
    expect(sent.map((s) => [s.howTold, s.key])).toEqual([
      ['key', sent[0]!.key],
      ['key', sent[0]!.key],
    ])
  })

  it('gives what was refused for good a new key when it is said again', async () => {
    const { note, sent, taken } = desk(refuse(409, 'stale-version'))
    expect(await note({ text: 'a' })).toBe(false)
    expect(taken).toEqual(['refetch'])
    await note({ text: 'a' })
    expect(sent[1]!.key).not.toBe(sent[0]!.key)
  })

  it('asks again by itself when no answer came, says so, and then is done', async () => {
    vi.useFakeTimers()
    askAgain.pausesMs = [1000]
    const { writes, note, sent } = desk(refuse(503, 'write-not-known'))
    const done = note({ text: 'a' })
    await vi.advanceTimersByTimeAsync(10)
    expect(writes.asking.value).toBe(true)
    expect(writes.problem.value?.code).toBe('write-not-known')
    await vi.advanceTimersByTimeAsync(1000)
    expect(await done).toBe(true)
    expect(sent.map((s) => s.key)).toEqual([sent[0]!.key, sent[0]!.key])
    expect(writes.asking.value).toBe(false)
    expect(writes.problem.value).toBeNull()
  })

  it('holds news of what it writes until its own answer is here', async () => {
    let release!: (answer: string) => void
    const { note, taken } = desk(() => new Promise<string>((go) => (release = go)))
    const done = note({ text: 'a' })
    whenAnswered(7, () => taken.push('news'))
    expect(taken).toEqual([])
    release('ok')
    await done
    expect(taken).toEqual(['ok', 'news'])
  })

  it('sends a write again with the word why the wait before it is over', async () => {
    const { writes, note, sent } = desk(refuse(409, 'wait-guards'))
    expect(await note({ text: 'contacts back' })).toBe(false)
    expect(await writes.sayOver('dry by the lamp')).toBe(true)
    expect(sent[1]).toMatchObject({ text: 'contacts back', waitOver: 'dry by the lamp' })
  })

  it('keeps every press that got no answer, and sends them again in their order', async () => {
    const gone = refuse(0, 'no-answer')
    const { writes, note, sent, taken } = desk(gone, gone)
    await note({ text: 'first' })
    await note({ text: 'second' })
    expect(writes.waits.value).toBe(2)
    await writes.retry()
    expect(sent.map((b) => b.text)).toEqual(['first', 'second', 'first', 'second'])
    expect(taken).toEqual(['ok', 'ok'])
    expect(writes.canRetry.value).toBe(false)
  })

  it('lets writes wait their turn, and takes the same press twice for one', async () => {
    let release!: (answer: string) => void
    const { note, sent } = desk(() => new Promise<string>((go) => (release = go)))
    const first = note({ text: 'a' })
    const next = note({ text: 'b' })
    expect(await note({ text: 'a' })).toBe(false)
    release('ok')
    expect([await first, await next]).toEqual([true, true])
    // The second saw what the first had made.
    expect(sent.map((s) => [s.text, s.seenVersion])).toEqual([
      ['a', 5],
      ['b', 6],
    ])
  })

  describe('while the server is away', () => {
    beforeEach(() => {
      globalThis.indexedDB = new IDBFactory()
      closeStore()
      vi.stubGlobal('fetch', () => Promise.reject(new TypeError('away')))
      useSession().view = { person: { id: 1, name: 'Ines', role: 'Owner', hasPin: true } } as never
      away.value = true
    })
    afterEach(() => {
      away.value = false
      vi.unstubAllGlobals()
    })

    /** Writes by the real client, which the server never hears. */
    function notes(about: number | 'shop') {
      const writes = useWrites<unknown>({
        about,
        stamp: () => ({ seenVersion: 5 }),
        written: () => undefined,
        refetch: () => undefined,
      })
      const note = writes.write((b: Body) =>
        dataOf(api.POST('/api/jobs/{id}/notes', { params: { path: { id: 7 } }, body: b as never })),
      )
      return { writes, note, outbox: useOutbox() }
    }

    it('a press about a job waits under its key, and is done for whoever pressed it', async () => {
      const { writes, note, outbox } = notes(7)
      const pressed = (label: string) => {
        document.body.innerHTML = `<section><h2>A note</h2><button>${label}</button></section>`
        document.querySelector('button')!.click()
      }
      pressed('Put down the first')
      const first = note({ text: 'a' })
      pressed('Put down the second')
      expect([await first, await note({ text: 'b' })]).toEqual([true, true])
      expect(writes.problem.value).toBeNull()
      expect(outbox.of(7).map((w) => [w.url, w.says, w.tried])).toEqual([
        ['/api/jobs/7/notes', 'A note: Put down the first', expect.any(Boolean)],
        ['/api/jobs/7/notes', 'A note: Put down the second', false],
      ])
      expect(new Set(outbox.of(7).map((w) => w.key)).size).toBe(2)
    })

    it('what is not about a job is asked for again, and never kept', async () => {
      const { writes, note, outbox } = notes('shop')
      expect(await note({ text: 'a' })).toBe(false)
      expect([writes.canRetry.value, outbox.all]).toEqual([true, []])
    })

    it('a browser without a store says that nothing was kept', async () => {
      globalThis.indexedDB = undefined as never
      const { writes, note } = notes(7)
      expect(await note({ text: 'a' })).toBe(false)
      expect([writes.canRetry.value, writes.problem.value?.code]).toEqual([true, 'server-unreachable'])
    })
  })
})
