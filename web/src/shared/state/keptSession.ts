import type { QueryClient } from '@tanstack/vue-query'
import { persistQueryClientRestore, persistQueryClientSubscribe } from '@tanstack/query-persist-client-core'
import { createAsyncStoragePersister } from '@tanstack/query-async-storage-persister'
import type { Api } from '@/shared/api/client'
import { keptPages } from '@/shared/write/keptWrites'

const person = 'who'
const pages = 'pages'
const dayMs = 24 * 3600_000
// What is needed at the bench; nothing of the accounts, the practice or searches.
const keptKinds = ['board', 'job', 'day', 'station']

/** Who was signed in here last; null when nobody was, or they signed out. */
export async function personKept(): Promise<Api<'SessionView'> | null> {
  const text = await keptPages.getItem(person).catch(() => null)
  return text ? (JSON.parse(text) as Api<'SessionView'>) : null
}

/** Keeps who is signed in; with nobody, or somebody else, all that was kept of pages goes. */
export async function keepPerson(view: Api<'SessionView'>) {
  const before = await personKept()
  if (before?.person?.id !== view.person?.id) await keptPages.clear().catch(() => undefined)
  if (view.person) await keptPages.setItem(person, JSON.stringify({ ...view, token: '' })).catch(() => undefined)
}

/** Pages that are open at the bench are there again after a reload without a server. */
export async function keepPagesOf(queries: QueryClient) {
  const kept = {
    queryClient: queries as never,
    persister: createAsyncStoragePersister({ storage: keptPages, key: pages, throttleTime: 1000 }),
    maxAge: dayMs,
    dehydrateOptions: {
      shouldDehydrateQuery: (query: { queryKey: readonly unknown[]; state: { status: string } }) =>
        query.state.status === 'success' && keptKinds.includes(String(query.queryKey[0])),
    },
  }
  await persistQueryClientRestore(kept as never).catch(() => undefined)
  persistQueryClientSubscribe(kept as never)
}
