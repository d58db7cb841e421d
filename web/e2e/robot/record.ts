import type { Page } from '@playwright/test'

/** A line of the record, as the API tells it. */
export interface Line {
  id: number
  kind: string
  says: string
  person: string
  takenBack: boolean
  how?: string | null
}

/** The lines of a job, oldest first. */
export async function linesOf(page: Page, job: number): Promise<Line[]> {
  const answer = await page.request.get(`/api/jobs/${job}`)
  if (!answer.ok()) throw new Error(`the job answers ${answer.status()}`)
  const body = (await answer.json()) as { record: { entries: Line[] } }
  return [...body.record.entries].sort((a, b) => a.id - b.id)
}

/** Words without what a screen does to spaces. */
export const plain = (text: string) => text.replace(/[\s\u00a0\u2009\u202f]+/g, ' ').trim()
