import 'fake-indexeddb/auto'
import { Blob as Bytes } from 'node:buffer'
import { IDBFactory } from 'fake-indexeddb'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { useSession } from '@/shared/state/useSession'
import { closeStore } from './keptWrites'
import { useOutbox } from './outbox'

interface Line {
  key: string
  text: string
}

/** A made-up server with one job: keys once, versions compared, as the real one does. */
function server(version = 5) {
  const lines: Line[] = []
  const state = { version, isAway: false, losesAnswers: 0, asked: 0 }
  const fetch = vi.fn((_url: string, init: { body: string }) => {
    state.asked++
    if (state.isAway) return Promise.reject(new TypeError('away'))
    const said = JSON.parse(init.body) as Line & { seenVersion: number }
    const known = lines.find((l) => l.key === said.key)
    if (!known && said.seenVersion !== state.version)
      return Promise.resolve(
        Response.json(
          { code: 'stale-version', title: 'Changed', detail: '', hint: '', changes: ['Tom: a note'] },
          { status: 409 },
        ),
      )
    if (!known) {
      lines.push({ key: said.key, text: said.text })
      state.version++
    }
    if (state.losesAnswers > 0) {
      state.losesAnswers--
      return Promise.reject(new TypeError('lost'))
    }
    return Promise.resolve(Response.json({ job: { version: state.version } }))
  })
  vi.stubGlobal('fetch', fetch)
  return { lines, state }
}

const url = '/api/jobs/7/notes'
const body = (text: string, seenVersion = 5) => JSON.stringify({ key: `k-${text}`, seenVersion, text })

describe('what waits for the server', () => {
  beforeEach(() => {
    globalThis.indexedDB = new IDBFactory()
    closeStore()
    setActivePinia(createPinia())
    useSession().view = { person: { id: 1, name: 'Ines', role: 'Owner', hasPin: true } } as never
  })
  afterEach(() => vi.unstubAllGlobals())

  it('is sent once and in order, each seen as the one before left the job', async () => {
    const { lines, state } = server()
    const outbox = useOutbox()
    for (const text of ['a', 'b', 'c']) await outbox.keep(`k-${text}`, 7, { url, body: body(text) }, false, 'a note')
    await outbox.flush()
    expect(lines.map((l) => l.text)).toEqual(['a', 'b', 'c'])
    expect(state.version).toBe(8)
    expect(outbox.mine).toEqual([])
  })

  it('is neither lost nor doubled when answers are lost on the way, in the middle', async () => {
    const { lines, state } = server()
    const outbox = useOutbox()
    for (const text of ['a', 'b', 'c', 'd'])
      await outbox.keep(`k-${text}`, 7, { url, body: body(text) }, false, 'a note')
    for (const lost of [1, 1, 1]) {
      state.losesAnswers = lost
      await outbox.flush()
    }
    for (let i = 0; i < 4; i++) await outbox.flush()
    expect(lines.map((l) => l.text)).toEqual(['a', 'b', 'c', 'd'])
    expect(outbox.mine).toEqual([])
  })

  it('becomes a question with both sides when somebody else wrote, and what is behind it waits', async () => {
    const { lines, state } = server()
    const outbox = useOutbox()
    for (const text of ['a', 'b']) await outbox.keep(`k-${text}`, 7, { url, body: body(text) }, false, 'a note')
    state.version = 6
    await outbox.flush()
    expect(outbox.questions.map((q) => [q.says, q.question?.changes])).toEqual([['a note', ['Tom: a note']]])
    expect(outbox.mine).toHaveLength(2)
    await outbox.sendAllTheSame(outbox.questions[0]!, 6)
    expect(lines.map((l) => l.text)).toEqual(['a', 'b'])
    expect(outbox.mine).toEqual([])
  })

  it('is left out by a word alone, and stays through a reload and for its person', async () => {
    const { lines, state } = server()
    const first = useOutbox()
    state.isAway = true
    await first.keep('k-a', 7, { url, body: body('a') }, true, 'a note')
    // The same press again, as long as it waits, is one.
    await first.keep('k-again', 7, { url, body: body('a') }, false, 'a note')
    await first.flush()
    setActivePinia(createPinia())
    closeStore()
    const after = useOutbox()
    const session = useSession()
    session.view = { person: { id: 2, name: 'Tom', role: 'Technician', hasPin: true } } as never
    await after.load()
    expect([after.all.length, after.mine.length]).toEqual([1, 0])
    session.view = { person: { id: 1, name: 'Ines', role: 'Owner', hasPin: true } } as never
    state.isAway = false
    state.version = 9
    await after.flush()
    await after.leaveOut(after.questions[0]!)
    expect([lines, after.all]).toEqual([[], []])
  })

  it('is sent once when two tabs send it at the same time', async () => {
    const { lines } = server()
    const tabs = [0, 1].map(() => {
      setActivePinia(createPinia())
      useSession().view = { person: { id: 1, name: 'Ines', role: 'Owner', hasPin: true } } as never
      return useOutbox()
    })
    for (const text of ['a', 'b', 'c']) await tabs[0]!.keep(`k-${text}`, 7, { url, body: body(text) }, false, 'a note')
    await Promise.all(tabs.map((t) => t.flush()))
    for (const t of tabs) await t.flush()
    await Promise.all(tabs.map((t) => t.load()))
    expect(lines.map((l) => l.text)).toEqual(['a', 'b', 'c'])
    expect(tabs.map((t) => t.all.length)).toEqual([0, 0])
  })

  it('is a photo too, sent as it is', async () => {
    const sent: [string, number][] = []
    vi.stubGlobal('fetch', (to: string, init: { body: Blob }) => {
      sent.push([to, init.body.size])
      return Promise.resolve(Response.json({ job: { version: 9 } }))
    })
    const outbox = useOutbox()
    const photo = new Bytes(['a picture']) as unknown as Blob
    await outbox.keep(
      'k-1',
      7,
      { url: '/api/jobs/7/opening/photo?key=k-1&seenVersion=5&of=', body: photo },
      false,
      'a note',
    )
    await outbox.keep(
      'k-2',
      7,
      { url: '/api/jobs/7/opening/photo?key=k-2&seenVersion=5&of=lid', body: photo },
      false,
      'a note',
    )
    await outbox.flush()
    expect(sent.map(([to, size]) => [to.replace(/.*seenVersion/, ''), size])).toEqual([
      ['=5&of=', 9],
      ['=9&of=lid', 9],
    ])
    expect(outbox.mine).toEqual([])
  })

  it('stays, with the page as it is, when the sign-in ended meanwhile, and goes once it is there again', async () => {
    const session = useSession()
    let signedIn = false
    const sent: string[] = []
    vi.stubGlobal('fetch', (to: Request | string, init?: { body: string }) => {
      if (typeof to !== 'string')
        return Promise.resolve(Response.json({ person: null, token: 't', now: new Date().toISOString() }))
      if (!signedIn) return Promise.resolve(Response.json({ code: 'sign-in-needed' }, { status: 401 }))
      sent.push((JSON.parse(init!.body) as Line).text)
      return Promise.resolve(Response.json({ job: { version: 6 } }))
    })
    const outbox = useOutbox()
    await outbox.keep('k-a', 7, { url, body: body('a') }, false, 'a note')
    await outbox.flush()
    expect([session.ended, session.person?.name, outbox.mine.length]).toEqual([true, 'Ines', 1])
    signedIn = true
    session.ended = false
    await outbox.flush()
    expect([sent, outbox.mine]).toEqual([['a'], []])
  })
})
