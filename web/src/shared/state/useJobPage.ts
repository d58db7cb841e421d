import { keepPreviousData, useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed } from 'vue'
import type { Api } from '@/shared/api/client'
import { useWrites } from '@/shared/write/useWrites'
import { takeBench, type BenchSections } from './benchPage'
import { loadAnew } from './loadAnew'

/** What every page about a job knows of it. */
export interface PageOfJob {
  version: number
  thread?: number
}

export interface JobPageOf<Page> {
  /** Number of the job. */
  id: number
  /** Which page of it, as its address says. */
  page: string
  /** What of it, when that changes while it is open. Default: one thing. */
  of?: () => unknown[]
  /** Loads it. */
  get: () => Promise<Page>
  /** The thread that writes are about. Default: the one that the page names. */
  thread?: () => number
  /** What else of the shop one of its writes changes, by the first word of its query. Default: nothing. */
  changes?: string[]
}

/**
 * The desk of a page about a job: what it shows, and writes that it makes. A write is answered with the bench page, which is taken in as it
 * is; then the page itself is loaded again.
 */
export function useJobPage<Page extends PageOfJob, Answer = BenchSections>(about: JobPageOf<Page>) {
  const queries = useQueryClient()
  const query = useQuery({
    queryKey: computed(() => ['job', about.id, about.page, ...(about.of?.() ?? [])]),
    queryFn: about.get,
    placeholderData: keepPreviousData,
  })
  const page = computed(() => query.data.value ?? null)
  const writes = useWrites<Answer>({
    about: about.id,
    stamp: () => ({ seenVersion: page.value?.version ?? 0, thread: about.thread?.() ?? page.value?.thread ?? 0 }),
    written: (answer) => {
      for (const kind of about.changes ?? []) void loadAnew(queries, { queryKey: [kind] })
      return isBench(answer) ? takeBench(queries, about.id, answer) : loadAnew(queries, { queryKey: ['job', about.id] })
    },
    refetch: () => query.refetch(),
  })
  return { query, page, writes, write: writes.write, ...writes.face }
}

/** What a desk hands to the shell of its page. */
export type JobPageDesk = Pick<
  ReturnType<typeof useJobPage<PageOfJob>>,
  'query' | 'page' | 'asking' | 'problem' | 'canRetry' | 'waits' | 'sayOver' | 'dismiss'
>

const isBench = (answer: unknown): answer is Api<'BenchView'> =>
  typeof answer === 'object' && answer !== null && 'diagnosis' in answer && 'job' in answer
