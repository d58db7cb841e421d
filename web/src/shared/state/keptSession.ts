import type { QueryClient } from '@tanstack/vue-query'
import {
  persistQueryClientRestore,
  persistQueryClientSubscribe,
  type PersistedClient,
} from '@tanstack/query-persist-client-core'
import { createAsyncStoragePersister } from '@tanstack/query-async-storage-persister'
import type { Api } from '@/shared/api/client'
import { keptPages } from '@/shared/write/keptWrites'

const pages = 'pages'
const dayMs = 24 * 3600_000
// What is needed at the bench; nothing of the accounts, the practice or searches.
const keptKinds = ['board', 'job', 'day', 'station']

const cardOf = (text: string) => JSON.parse(text) as Api<'SessionView'>

/** Who was signed in here last; null when nobody was, or they signed out. */
export async function personKept(): Promise<Api<'SessionView'> | null> {
  const text = await keptPages.person().catch(() => null)
  return text ? cardOf(text) : null
}

/** Keeps who is signed in; with nobody, or somebody else, all that was kept of pages goes. */
export async function keepPerson(view: Api<'SessionView'>) {
  const card = view.person ? JSON.stringify({ ...view, token: '' }) : null
  await keptPages.keepPerson(card, (before) => cardOf(before).person?.id === view.person?.id).catch(() => undefined)
}

// What was seen before a refusal is what was last seen.
const asLastSeen = (client: PersistedClient) =>
  JSON.stringify({
    ...client,
    clientState: {
      ...client.clientState,
      queries: client.clientState.queries.map((q) => ({
        ...q,
        state: { ...q.state, status: 'success', error: null, fetchStatus: 'idle', fetchFailureCount: 0 },
      })),
    },
  })

const keeping = (queries: QueryClient) =>
  ({
    queryClient: queries,
    persister: createAsyncStoragePersister({
      storage: keptPages,
      key: pages,
      throttleTime: 1000,
      serialize: asLastSeen,
    }),
    maxAge: dayMs,
    dehydrateOptions: {
      shouldDehydrateQuery: (query: { queryKey: readonly unknown[]; state: { data: unknown } }) =>
        query.state.data !== undefined && keptKinds.includes(String(query.queryKey[0])),
    },
  }) as never

/** Pages as they were last seen. Only while the server is away: else what it says is waited for. */
export async function recallPages(queries: QueryClient) {
  await persistQueryClientRestore(keeping(queries)).catch(() => undefined)
}

/** Keeps the pages that are open at the bench, so that they are there after a reload without a server. */
export function keepPagesOf(queries: QueryClient) {
  persistQueryClientSubscribe(keeping(queries))
}
