// What the tests of the core notice: makes each change of tests/cases/core/one-line-changes.txt, one at a time, in a copy of the
// project; runs the fast tests of the core; says which were noticed. Run: node scripts/notice.mjs [PART OF A LINE]
import { execFileSync, spawnSync } from 'node:child_process'
import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'

const root = join(import.meta.dirname, '..')
const only = process.argv[2] ?? ''
const lines = readFileSync(join(root, 'tests/cases/core/one-line-changes.txt'), 'utf8').split('\n')
const changes = []
for (const line of lines) {
  if (line.startsWith('= ')) changes.at(-1).why = line.slice(2)
  else if (line && !line.startsWith('#')) {
    const [file, from, to] = line.split(' | ')
    changes.push({ line, file, from, to: to ?? '' })
  }
}

const copy = mkdtempSync(join(tmpdir(), 'notice-'))
process.on('exit', () => rmSync(copy, { recursive: true, force: true }))
const tracked = execFileSync('git', ['ls-files', '-z', '--cached', '--others', '--exclude-standard'], { cwd: root }).toString().split('\0')
for (const file of tracked.filter((f) => f && !f.startsWith('docs/')))
  cpSync(join(root, file), join(copy, file))

const project = join(copy, 'tests/SideBench.Core.Tests')
const tests = join(project, 'bin/Release/net10.0')
const quiet = ['-c', 'Release', '-v', 'q', '--nologo', '-p:TreatWarningsAsErrors=false', '-p:RunAnalyzers=false']
/** Builds one project of the copy; true when it builds. */
const builds = (path, ...more) => spawnSync('dotnet', ['build', path, ...quiet, ...more]).status === 0
const runner = ['exec', join(tests, 'SideBench.Core.Tests.dll'), '-noColor', '-trait-', 'Pace=slow', '-stopOnFail']
/** Runs the fast tests, all or those of some folder; true when all pass. */
const passes = (...which) => spawnSync('dotnet', [...runner, ...which], { cwd: project, timeout: 180_000 }).status === 0
/** The tests of the folder that was changed come first: they notice most. */
const notices = (folder) => !passes('-namespace', `SideBench.Core.Tests.${folder}`) || !passes()

if (!builds(project) || !passes()) throw new Error('the tests do not pass as they are')
const counts = { noticed: 0, unnoticed: 0, explained: 0, broken: 0 }
for (const change of changes.filter((c) => c.line.includes(only))) {
  const path = join(copy, 'src/SideBench.Core', change.file)
  const before = readFileSync(path, 'utf8')
  const times = before.split(change.from).length - 1
  let said = 'broken'
  if (times === 1) {
    writeFileSync(path, before.replace(change.from, () => change.to))
    if (builds(join(copy, 'src/SideBench.Core'), '--no-restore')) {
      cpSync(join(copy, 'src/SideBench.Core/bin/Release/net10.0/SideBench.Core.dll'), join(tests, 'SideBench.Core.dll'))
      said = notices(change.file.split('/')[0]) ? 'noticed' : change.why ? 'explained' : 'unnoticed'
    }
    writeFileSync(path, before)
  }
  counts[said]++
  console.log(`${said.padEnd(9)} ${change.line}${times === 1 ? '' : ` (stands there ${times} times)`}`)
}
console.log(`${JSON.stringify(counts)} of ${Object.values(counts).reduce((a, b) => a + b)}`)
process.exitCode = counts.unnoticed + counts.broken > 0 ? 1 : 0
