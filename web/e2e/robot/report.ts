import { rules, type Failure, type Verdicts } from './verdicts'

/** What a run found, as text: counts by rule, then each failure with its presses. */
export function report(all: readonly Verdicts[], seed: number, presses = true): string {
  const failures = all.flatMap((v) => v.failures)
  const pressed = all.reduce((sum, v) => sum + v.presses.length, 0)
  const lines = [`robot: ${all.length} jobs of seed ${seed}, ${pressed} presses and typings`]
  for (const [rule, says] of Object.entries(rules)) {
    const looks = all.reduce((sum, v) => sum + (v.looks[Number(rule)] ?? 0), 0)
    const of = failures.filter((f) => f.rule === Number(rule))
    const jobs = new Set(of.map((f) => f.job)).size
    lines.push(`  ${rule}. ${says}: ${of.length} failures in ${jobs} jobs, of ${looks} looks`)
  }
  for (const f of failures) lines.push(told(f, seed, presses))
  return lines.join('\n')
}

const shownPresses = 12

function told(f: Failure, seed: number, presses: boolean): string {
  const head = `rule ${f.rule}, seed ${seed} job ${f.job}: ${f.what}`
  return presses ? [head, ...f.presses.slice(-shownPresses).map((p) => `    ${p}`)].join('\n') : head
}
