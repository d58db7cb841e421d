import { QueryClient } from '@tanstack/vue-query'
import 'fake-indexeddb/auto'
import { IDBFactory } from 'fake-indexeddb'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { closeStore, keptPages } from '@/shared/write/keptWrites'
import { keepPagesOf, keepPerson, personKept, recallPages } from './keptSession'

const session = (id: number | null) =>
  ({ person: id === null ? null : { id, name: `Person ${id}`, role: 'Owner', hasPin: true }, token: 'secret' }) as never

describe('what a browser keeps of the shop', () => {
  beforeEach(() => {
    globalThis.indexedDB = new IDBFactory()
    closeStore()
  })
  afterEach(() => vi.useRealTimers())

  it('is of who is signed in, without the token of the page', async () => {
    await keepPerson(session(1))
    expect((await personKept())?.person?.name).toBe('Person 1')
    expect(await keptPages.getItem('who')).not.toContain('secret')
  })

  it.each([null, 2])('goes when that person is signed out, or %s signs in', async (next) => {
    await keepPerson(session(1))
    await keptPages.setItem('pages', 'a job')
    await keepPerson(session(1))
    expect(await keptPages.getItem('pages')).toBe('a job')
    await keepPerson(session(next))
    expect(await keptPages.getItem('pages')).toBeNull()
    expect((await personKept())?.person?.id ?? null).toBe(next)
  })

  it('is nothing of what is still on its way when they sign out', async () => {
    await keepPerson(session(1))
    const [late, out] = [keptPages.setItem('pages', 'a job'), keepPerson(session(null))]
    await Promise.all([late, out])
    await keptPages.setItem('pages', 'later still')
    expect(await keptPages.getItem('pages')).toBeNull()
    await Promise.all([keepPerson(session(1)), keepPerson(session(null)), keptPages.setItem('pages', 'a job')])
    expect(await personKept()).toBeNull()
    expect(await keptPages.getItem('pages')).toBeNull()
  })

  it('is the bench as it was last seen, though a later look was refused, and nothing of accounts', async () => {
    const before = new QueryClient({ defaultOptions: { queries: { retry: false } } })
    await keepPerson(session(1))
    keepPagesOf(before)
    before.setQueryData(['job', 7, 0], { version: 5 })
    before.setQueryData(['accounts'], { version: 1 })
    await before
      .fetchQuery({ queryKey: ['job', 7, 0], queryFn: () => Promise.reject(new Error('away')), staleTime: 0 })
      .catch(() => undefined)
    await vi.waitFor(async () => expect(await keptPages.getItem('pages')).toContain('"version":5'), { timeout: 4000 })
    const after = new QueryClient()
    await recallPages(after)
    expect(after.getQueryData(['job', 7, 0])).toEqual({ version: 5 })
    expect(after.getQueryState(['job', 7, 0])?.status).toBe('success')
    expect(after.getQueryData(['accounts'])).toBeUndefined()
  })
})
