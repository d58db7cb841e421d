// What the tests would notice: changes one place of the code at random, runs the tests, puts it back; says which changes went by.
// Over all folders of the core and the logic of the front end, in copies of the project. The same seed makes the same changes.
// Run: ./sidebench measure mutants [--changes N] [--seed S] [--part PATH] [--lanes N] [--slow]
import { execFileSync, spawn } from 'node:child_process'
import { cpSync, mkdtempSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'

const root = join(import.meta.dirname, '..')
const asked = process.argv.slice(2)
const option = (name, or) => (asked.includes(`--${name}`) ? asked[asked.indexOf(`--${name}`) + 1] : or)
const [most, seed, part] = [Number(option('changes', 300)), Number(option('seed', 1)), option('part', '')]
const lanes = Number(option('lanes', 2))
const known = /^--(changes|seed|lanes) [1-9]\d{0,5}$|^--part \S+$|^--slow$/
const told = asked.join(' ').split(/ (?=--)/).filter(Boolean)
if (!told.every((t) => known.test(t))) {
  console.error(`Not understood: ${told.filter((t) => !known.test(t)).join(' ')}. ./sidebench names what there is.`)
  process.exit(2)
}
// Of every folder at least so many, so that a share can be told of it.
const leastOfFolder = 8

// What stands there, what takes its place. Blanks around a sign keep it apart from types.
const changes = [
  [/ < (?=[\w(])/g, ' <= '],
  [/ <= /g, ' < '],
  [/ > (?=[\w(])/g, ' >= '],
  [/ >= /g, ' > '],
  [/ ===? /g, ' != '],
  [/ !==? /g, ' == '],
  [/ && /g, ' || '],
  [/ \|\| /g, ' && '],
  [/(?<=[\w)]) \+ (?=[\w(])/g, ' - '],
  [/(?<=[\w)]) - (?=[\w(])/g, ' + '],
  [/(?<=[\w)]) \* (?=[\w(])/g, ' / '],
  [/(?<=[\w)]) \/ (?=[\w(])/g, ' * '],
  [/\bMath\.Max\(/g, 'Math.Min('],
  [/\bMath\.Min\(/g, 'Math.Max('],
  [/\bMath\.max\(/g, 'Math.min('],
  [/\bMath\.min\(/g, 'Math.max('],
  [/\.Any\(/g, '.All('],
  [/\.All\(/g, '.Any('],
  [/\.some\(/g, '.every('],
  [/\.every\(/g, '.some('],
  [/\.First(OrDefault)?\(/g, '.Last$1('],
  [/\.Last(OrDefault)?\(/g, '.First$1('],
  [/\.OrderBy\(/g, '.OrderByDescending('],
  [/\.MaxBy\(/g, '.MinBy('],
  [/\.MinBy\(/g, '.MaxBy('],
  [/ is not null/g, ' is null'],
  [/(?<=[(&|=?:] |\()!(?=[\w(])/g, ''],
  [/(?<=[=(:] |\(|return )true\b/g, 'false'],
  [/(?<=[=(:] |\(|return )false\b/g, 'true'],
  [/(?<=[-+*/=<>(,] |\()\d+(?![\w."])/g, (n) => String(Number(n) + 1)],
]

// A draw that is the same on every machine.
let state = seed >>> 0
function draw() {
  state = (state + 0x6d2b79f5) >>> 0
  let t = state
  t = Math.imul(t ^ (t >>> 15), t | 1)
  t ^= t + Math.imul(t ^ (t >>> 7), t | 61)
  return ((t ^ (t >>> 14)) >>> 0) / 2 ** 32
}

/** The text with comments, words in quotes and attributes blanked out, place for place. */
function bare(text) {
  const blank = (m) => m.replace(/[^\n]/g, '_')
  return text
    .replace(/\/\*[^]*?\*\/|\/\/[^\n]*/g, blank)
    .replace(/\$?@?"(?:[^"\\\n]|\\.)*"|'(?:[^'\\\n]|\\.)*'|`(?:[^`\\]|\\.)*`/g, blank)
    .replace(/^\s*(?:\[[A-Z]\w*.*\]|using .*|import .*|namespace .*)$/gm, blank)
}

const tracked = execFileSync('git', ['ls-files', '-z', '--cached', '--others', '--exclude-standard'], { cwd: root })
  .toString()
  .split('\0')
  .filter((f) => f && !f.startsWith('docs/'))
const isCore = (f) => f.startsWith('src/SideBench.Core/') && f.endsWith('.cs')
const isLogic = (f) => /^web\/src\/.*\.ts$/.test(f) && !/\.(spec|test|d)\.ts$|generated|router|main|\/index\.ts$/.test(f)
const folderOf = (f) => (isCore(f) ? f.split('/')[2] : 'front end')

const places = new Map()
for (const file of tracked.filter((f) => (isCore(f) || isLogic(f)) && f.includes(part)).sort()) {
  const text = readFileSync(join(root, file), 'utf8')
  const code = bare(text)
  for (const [what, by] of changes)
    for (const found of code.matchAll(what)) {
      const to = typeof by === 'function' ? by(found[0]) : by.replace('$1', found[1] ?? '')
      const of = places.get(folderOf(file)) ?? places.set(folderOf(file), []).get(folderOf(file))
      of.push({ file, at: found.index, from: found[0], to })
    }
}

// As many of a folder as it has code, and some of each.
const all = [...places.values()].reduce((sum, p) => sum + p.length, 0)
const queue = []
for (const [folder, of] of [...places].sort()) {
  const want = Math.min(of.length, Math.max(leastOfFolder, Math.round((most * of.length) / all)))
  queue.push({ folder, want, left: shuffled(of) })
}
function shuffled(list) {
  const out = [...list]
  for (let i = out.length - 1; i > 0; i--) {
    const j = Math.floor(draw() * (i + 1))
    ;[out[i], out[j]] = [out[j], out[i]]
  }
  return out
}

const quiet = ['-c', 'Release', '-v', 'q', '--nologo', '-p:TreatWarningsAsErrors=false', '-p:RunAnalyzers=false', '-p:GenerateDocumentationFile=false']
/** Runs a program; whether it ended well, in time. */
function ends(program, args, cwd, seconds) {
  return new Promise((go) => {
    const child = spawn(program, args, { cwd, stdio: 'ignore', detached: true })
    const stop = setTimeout(() => process.kill(-child.pid, 'SIGKILL'), seconds * 1000)
    child.on('close', (code) => (clearTimeout(stop), go(code === 0)))
  })
}

const copies = []
process.on('exit', () => copies.forEach((c) => rmSync(c, { recursive: true, force: true })))
process.on('SIGINT', () => process.exit(130))
process.on('SIGTERM', () => process.exit(143))

async function lane() {
  const copy = mkdtempSync(join(tmpdir(), 'mutants-'))
  copies.push(copy)
  for (const file of tracked) cpSync(join(root, file), join(copy, file))
  symlinkSync(join(root, 'web/node_modules'), join(copy, 'web/node_modules'))
  const [core, project] = [join(copy, 'src/SideBench.Core'), join(copy, 'tests/SideBench.Core.Tests')]
  const tests = join(project, 'bin/Release/net10.0')
  const run = (...which) =>
    ends('dotnet', ['exec', join(tests, 'SideBench.Core.Tests.dll'), '-noColor', '-stopOnFail', ...which], project, 600)
  const fast = ['-trait-', 'Pace=slow']
  const passes = async (folder) =>
    (await run(...fast, '-namespace', `SideBench.Core.Tests.${folder}`)) &&
    (await run(...fast)) &&
    (!asked.includes('--slow') || (await run('-trait', 'Pace=slow')))
  const logic = (file) => ends('npx', ['vitest', 'related', '--run', file.slice('web/'.length)], join(copy, 'web'), 300)
  const sound = (await ends('dotnet', ['build', project, ...quiet], copy, 600)) && (await run(...fast))
  if (!sound) throw new Error('the tests do not pass as they are')
  return async ({ file, at, from, to }) => {
    const path = join(copy, file)
    const before = readFileSync(path, 'utf8')
    writeFileSync(path, before.slice(0, at) + to + before.slice(at + from.length))
    try {
      if (isLogic(file)) return (await logic(file)) ? 'unnoticed' : 'noticed'
      if (!(await ends('dotnet', ['build', core, ...quiet, '--no-restore', '--no-dependencies'], copy, 300))) return 'broken'
      cpSync(join(core, 'bin/Release/net10.0/SideBench.Core.dll'), join(tests, 'SideBench.Core.dll'))
      return (await passes(file.split('/')[2])) ? 'unnoticed' : 'noticed'
    } finally {
      writeFileSync(path, before)
    }
  }
}

const said = new Map()
async function work(change) {
  for (;;) {
    const next = queue.find((q) => q.want > 0 && q.left.length > 0)
    if (!next) return
    next.want--
    const of = next.left.pop()
    const what = await change(of)
    // What does not build is no change: another takes its place.
    if (what === 'broken') {
      next.want++
      continue
    }
    const counts = said.get(next.folder) ?? said.set(next.folder, { noticed: 0, unnoticed: 0 }).get(next.folder)
    counts[what]++
    const before = readFileSync(join(root, of.file), 'utf8').slice(0, of.at)
    const [line, text] = [before.split('\n').length, readFileSync(join(root, of.file), 'utf8').split('\n')]
    console.log(`${what.padEnd(9)} ${of.file}:${line}  ${of.from.trim()} → ${of.to.trim() || 'nothing'}  | ${text[line - 1].trim()}`)
  }
}
const made = []
for (let i = 0; i < lanes; i++) made.push(await lane())
await Promise.all(made.map(work))

const sum = { noticed: 0, unnoticed: 0 }
for (const [folder, c] of said) {
  sum.noticed += c.noticed
  sum.unnoticed += c.unnoticed
  console.log(`${folder.padEnd(14)} ${c.noticed} of ${c.noticed + c.unnoticed}`)
}
console.log(`noticed ${sum.noticed} of ${sum.noticed + sum.unnoticed}, seed ${seed}`)
process.exit(0)
