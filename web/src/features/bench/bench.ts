import type { Api } from '@/shared/api/client'

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
