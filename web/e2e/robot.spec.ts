import { writeFileSync } from 'node:fs'
import { expect, test } from '@playwright/test'
import { report } from './robot/report'
import type { Verdicts } from './robot/verdicts'
import { walkJob } from './robot/walk'

const set = (name: string, usual: number) => Number(process.env[`ROBOT_${name}`] ?? usual)
const [jobs, first, seed, lanes] = [set('JOBS', 6), set('FIRST', 1), set('SEED', 1), set('LANES', 1)]
/** Rules that fail a run; the others are told. */
const strict = (process.env.ROBOT_STRICT ?? '1,2,6').split(',').map(Number)

test(`a robot plays technician on ${jobs} jobs of seed ${seed}`, async ({ browser }) => {
  test.setTimeout(jobs * 180_000)
  const all: Verdicts[] = []
  let next = first
  const lane = async () => {
    while (next < first + jobs) {
      all.push(await walkJob(browser, seed, next++))
      if (process.env.ROBOT_OUT) writeFileSync(process.env.ROBOT_OUT, JSON.stringify(all))
    }
  }
  await Promise.all(Array.from({ length: lanes }, lane))
  console.log(report(all, seed))
  expect(all.flatMap((v) => v.failures.filter((f) => strict.includes(f.rule)).map((f) => f.what))).toEqual([])
})
