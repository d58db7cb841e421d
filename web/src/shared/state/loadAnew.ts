import type { InvalidateQueryFilters, Query, QueryClient, QueryKey } from '@tanstack/vue-query'

/** Loading for the first time: what it will answer may be from before what was just written. */
export const isFirstLoad = (query: Query) => query.state.data === undefined && query.state.fetchStatus !== 'idle'

/**
 * Loads again what this browser shows of something that changed. What is being loaded for the first time right now is loaded once more
 * when it is here: left alone, a page that is opened in the middle of a write would show what stood before it.
 */
export async function loadAnew(queries: QueryClient, filters: InvalidateQueryFilters = {}): Promise<void> {
  const first = queries.getQueryCache().findAll(filters).filter(isFirstLoad)
  const again = async (query: Query) => {
    await query.promise?.catch(() => undefined)
    await queries.invalidateQueries({ queryKey: query.queryKey, exact: true })
  }
  await Promise.all([queries.invalidateQueries(filters), ...first.map(again)])
}

/** Takes in what a write answered. A load that is under way may be older: it is left, and cannot take its place. */
export function takeAnswer(queries: QueryClient, queryKey: QueryKey, answer: unknown) {
  void queries.cancelQueries({ queryKey, exact: true })
  queries.setQueryData(queryKey, answer)
}
