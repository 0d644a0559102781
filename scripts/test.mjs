/**
 * `npm test`: everything there is to check, installs included. Its last line is `tests: N passed, M failed` over Jest and
 * Playwright; it ends with 0 only when nothing failed.
 *   --fast   without the browser
 *   --long   the long forms of kills and random tests (`npm run test:long`)
 */
import { spawn } from 'node:child_process'
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs'
import { join, relative } from 'node:path'
import { build, CHROMIUM, install, jest, RESULTS, ROOT, run, UNENDED } from './tree.mjs'

const fast = process.argv.includes('--fast')
if (process.argv.includes('--long')) process.env.OUTFIT_LONG = '1'
const broken = []
/** Seconds each step took. */
const times = []
/** Tests told at the end that took longest. */
const SLOWEST = 10

async function step(name, work) {
  const start = Date.now()
  console.log(`\n— ${name}`)
  try {
    await work()
  } catch (error) {
    broken.push(name)
    console.error(`${name} failed: ${error.message}`)
  }
  done(name, start)
}

function done(name, start) {
  times.push([name, (Date.now() - start) / 1000])
  console.log(`  ${times.at(-1)[1].toFixed(0)} s`)
}

/** Programs that each use one processor, side by side; what each said is told when it ends. */
async function together(checks) {
  await Promise.all(
    checks.map(([name, program, args]) => {
      const start = Date.now()
      const child = spawn(program, args, { cwd: ROOT, stdio: ['ignore', 'pipe', 'pipe'] })
      let said = ''
      for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk) => (said += chunk))
      return new Promise((resolve) => {
        child.once('error', (error) => (said += error.message))
        child.once('close', (code) => {
          console.log(`\n— ${name}${said.trim() ? `\n${said.trimEnd()}` : ''}`)
          if (code !== 0) {
            broken.push(name)
            console.error(`${name} failed: it ended with ${code}.`)
          }
          done(name, start)
          resolve()
        })
      })
    }),
  )
}

/** Debian's Chromium, which the journeys drive (e2e/playwright.config.ts); where there is none it is installed, which needs root. */
function installChromium() {
  if (CHROMIUM) return
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' }
  run('apt-get', ['update', '-qq'], { quiet: true, env })
  run('apt-get', ['install', '-y', '-qq', '--no-install-recommends', 'chromium-headless-shell'], { quiet: true, env })
}

function read(file) {
  try {
    return JSON.parse(readFileSync(join(RESULTS, file), 'utf8'))
  } catch {
    return null
  }
}

/** Seconds of every test of Jest, by its name. */
const jestTimes = (units) =>
  (units?.testResults ?? []).flatMap(({ name, assertionResults }) =>
    assertionResults.map((one) => [
      `${relative(ROOT, name)}: ${[...one.ancestorTitles, one.title].join(' ')}`,
      (one.duration ?? 0) / 1000,
    ]),
  )

/** Seconds of every journey, by its name. */
const journeyTimes = (suites = []) =>
  suites.flatMap(({ suites: inner, specs = [] }) => [
    ...journeyTimes(inner),
    ...specs.map(({ file, title, tests }) => [
      `e2e/${file}: ${title}`,
      tests.flatMap(({ results }) => results).reduce((sum, { duration }) => sum + duration, 0) / 1000,
    ]),
  ])

/** Names of what failed, told last, where whoever sees only the end of a log still finds them. */
const failures = (units, suites = []) => [
  ...(units?.testResults ?? []).flatMap(({ name, status, assertionResults }) => {
    const failed = assertionResults
      .filter((one) => one.status === 'failed')
      .map((one) => [...one.ancestorTitles, one.title].join(' '))
    if (failed.length === 0 && status === 'failed') failed.push('could not be started')
    return failed.map((test) => `${relative(ROOT, name)}: ${test}`)
  }),
  ...suites.flatMap(({ suites: inner, specs = [] }) => [
    ...failures(null, inner),
    ...specs
      .filter(({ ok, tests }) => !ok || tests.some((one) => one.status === 'flaky'))
      .map(({ file, title }) => `e2e/${file}: ${title}`),
  ]),
]

rmSync(RESULTS, { recursive: true, force: true })
mkdirSync(RESULTS)
await step('Packages', () => install())
if (!fast) await step('Chromium', installChromium)
await step('Build', () => build())
const world = join(RESULTS, 'world')
await together([
  ['Sample world', 'node', ['scripts/loadWorld.mjs', world]],
  ['Types', 'npm', ['run', '--silent', 'types']],
  ['Formatting and lint', 'npm', ['run', '--silent', 'style']],
])
if (!broken.includes('Sample world')) process.env.OUTFIT_LOADED_WORLD = world
await step('Jest', () => jest(['--json', '--outputFile', join(RESULTS, 'jest.json')]))
if (!fast) await step('Playwright', () => run('npx', ['playwright', 'test'], { cwd: join(ROOT, 'e2e') }))

const units = read('jest.json')
const journeys = fast ? { stats: { expected: 0, unexpected: 0, flaky: 0 } } : read('e2e.json')
const passed = (units?.numPassedTests ?? 0) + (journeys?.stats.expected ?? 0)
// A suite that could not even start counts as a failed test, and so does a flaky one.
const failed =
  (units ? units.numFailedTests + units.numRuntimeErrorTestSuites : 1) +
  (journeys ? journeys.stats.unexpected + journeys.stats.flaky : 1)
const told = ([name, seconds]) => `  ${seconds.toFixed(1).padStart(7)} s  ${name}`
console.log(`\n— Steps\n${times.map(told).join('\n')}`)
const slowest = [...jestTimes(units), ...journeyTimes(journeys?.suites)].sort((a, b) => b[1] - a[1])
console.log(`— Slowest tests\n${slowest.slice(0, SLOWEST).map(told).join('\n')}`)
const names = failures(units, journeys?.suites)
if (existsSync(UNENDED)) names.unshift(`${readFileSync(UNENDED, 'utf8')}: did not end, and ended the run`)
if (names.length > 0) console.log(`— Failed\n${names.map((name) => `  ${name}`).join('\n')}`)
if (broken.length > 0) console.error(`\nnot in order: ${broken.join(', ')}`)
console.log(`tests: ${passed} passed, ${failed} failed`)
process.exit(broken.length > 0 || failed > 0 ? 1 : 0)
