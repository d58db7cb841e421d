import { appendFileSync } from 'node:fs'
import { expect, test } from '@playwright/test'
import { report } from './robot/report'
import type { Verdicts } from './robot/verdicts'
import { walkJob } from './robot/walk'

const jobs = Number(process.env.ROBOT_JOBS ?? 6)
const first = Number(process.env.ROBOT_FIRST ?? 1)
const seed = Number(process.env.ROBOT_SEED ?? 1)
const lanes = Math.min(2, jobs)
/** Rules that fail a run; the others are told. */
const strict = (process.env.ROBOT_STRICT ?? '1,2,6').split(',').map(Number)

test.describe.configure({ mode: 'parallel' })

for (let lane = 0; lane < lanes; lane++)
  test(`a robot plays technician on ${jobs} jobs of seed ${seed}, lane ${lane + 1}`, async ({ browser }) => {
    test.setTimeout(jobs * 240_000)
    const all: Verdicts[] = []
    for (let job = first + lane; job < first + jobs; job += lanes) {
      const verdicts = await walkJob(browser, seed, job)
      all.push(verdicts)
      if (process.env.ROBOT_OUT) appendFileSync(process.env.ROBOT_OUT, JSON.stringify(verdicts) + '\n')
    }
    console.log(report(all, seed, !process.env.ROBOT_OUT))
    expect(all.flatMap((v) => v.failures.filter((f) => strict.includes(f.rule)).map((f) => f.what))).toEqual([])
  })
