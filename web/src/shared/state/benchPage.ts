import type { QueryClient } from '@tanstack/vue-query'
import type { Api } from '@/shared/api/client'
import { loadAnew, takeAnswer } from './loadAnew'

/** The bench page as the server sends it: sections, each of one craft. */
export type BenchSections = Api<'BenchView'>

/** The same with the sections that the bench page itself draws laid side by side. */
export type Bench = BenchSections['job'] &
  BenchSections['machine'] &
  BenchSections['diagnosis'] &
  BenchSections['stripDown'] &
  BenchSections['record'] & { feed: BenchSections['ink']['feed'] } & {
    /** All sections, for crafts that draw their own. */
    sections: BenchSections
  }
export type Step = Api<'StepView'>

/** Lays the sections side by side. */
export function benchOf(sections: BenchSections): Bench {
  return {
    ...sections.job,
    ...sections.machine,
    ...sections.diagnosis,
    ...sections.stripDown,
    ...sections.record,
    feed: sections.ink.feed,
    sections,
  }
}

/**
 * Takes in what a write to a job answered, which is its bench page: it is not asked for again. What else this browser shows of the job is,
 * and the promise is for that.
 */
export function takeBench(queries: QueryClient, id: number, answer: BenchSections): Promise<unknown> {
  const now = benchOf(answer)
  takeAnswer(queries, ['job', id, now.thread], now)
  const others = loadAnew(queries, { queryKey: ['job', id], predicate: (q) => q.queryKey[2] !== now.thread })
  return Promise.all([others, loadAnew(queries, { queryKey: ['station', id] })])
}
