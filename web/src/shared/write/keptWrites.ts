import { openDB, type DBSchema, type IDBPDatabase } from 'idb'
import type { SentRequest } from './requests'

/** A press that waits for the server, with its key and what it saw. */
export interface KeptWrite extends SentRequest {
  /** Its place in the order, given by the store; the same in all tabs, whatever a clock says. */
  n?: number
  key: string
  job: number
  person: number
  /** What it is, for people. */
  says: string
  /** Whether it may have reached the server already: its words are never changed then. */
  tried: boolean
  /** What others wrote meanwhile, or why it no longer fits: somebody decides. */
  question?: { title: string; detail: string; changes: string[] }
}

interface Kept extends DBSchema {
  writes: { key: number; value: KeptWrite }
  pages: { key: string; value: unknown }
}

let opening: Promise<IDBPDatabase<Kept>> | null = null

/** The browser's own store; what lies in it survives a reload, a closed tab and an empty battery. */
function store() {
  opening ??= openDB<Kept>('side-bench', 1, {
    upgrade(db) {
      db.createObjectStore('writes', { keyPath: 'n', autoIncrement: true })
      db.createObjectStore('pages')
    },
  })
  return opening
}

/** Forgets which store is open: for tests, which begin with an empty one. */
export function closeStore() {
  opening = null
}

export const keptWrites = {
  all: async () => (await store()).getAll('writes'),
  add: async (write: KeptWrite) => void (await (await store()).add('writes', write)),
  put: async (write: KeptWrite) => void (await (await store()).put('writes', write)),
  remove: async (n: number) => (await store()).delete('writes', n),
}

const who = 'who'

/** Pages as they were last seen, for who is signed in. */
export const keptPages = {
  getItem: async (name: string) => ((await (await store()).get('pages', name)) as string | undefined) ?? null,
  /** Nothing is kept of nobody: what is still on its way when a person signs out, here or in another tab, stays out. */
  async setItem(name: string, value: string) {
    const change = (await store()).transaction('pages', 'readwrite')
    if (await change.store.get(who)) await change.store.put(value, name)
    await change.done
  },
  removeItem: async (name: string) => (await store()).delete('pages', name),
  person: async () => keptPages.getItem(who),
  /** Keeps a person's name card; what was kept of pages goes unless the one before was the same. In one change, so that no other comes between. */
  async keepPerson(card: string | null, same: (before: string) => boolean) {
    const change = (await store()).transaction('pages', 'readwrite')
    const before = (await change.store.get(who)) as string | undefined
    if (card === null || before === undefined || !same(before)) await change.store.clear()
    if (card !== null) await change.store.put(card, who)
    await change.done
  },
}
