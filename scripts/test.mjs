/**
 * `npm test`: everything there is to check, installs included. Its last line is `tests: N passed, M failed` over Jest and
 * Playwright; it ends with 0 only when nothing failed.
 *   --fast   without the browser
 *   --long   the long forms of kills and random tests (`npm run test:long`)
 */
import { mkdirSync, readFileSync, rmSync } from 'node:fs'
import { join, relative } from 'node:path'
import { build, CHROMIUM, install, ROOT, run } from './tree.mjs'

const fast = process.argv.includes('--fast')
if (process.argv.includes('--long')) process.env.OUTFIT_LONG = '1'
const RESULTS = join(ROOT, 'test-results')
const broken = []
/** Seconds each step took. */
const times = []
/** Tests told at the end that took longest. */
const SLOWEST = 10

function step(name, work) {
  const start = Date.now()
  console.log(`\n— ${name}`)
  try {
    work()
  } catch (error) {
    broken.push(name)
    console.error(`${name} failed: ${error.message}`)
  }
  times.push([name, (Date.now() - start) / 1000])
  console.log(`  ${times.at(-1)[1].toFixed(0)} s`)
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
const jestTimes = (jest) =>
  (jest?.testResults ?? []).flatMap(({ name, assertionResults }) =>
    assertionResults.map((one) => [`${relative(ROOT, name)}: ${one.fullName}`, (one.duration ?? 0) / 1000]),
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

rmSync(RESULTS, { recursive: true, force: true })
mkdirSync(RESULTS)
step('Packages', () => install())
if (!fast) step('Chromium', installChromium)
step('Formatting', () => run('npx', ['prettier', '--check', '--log-level', 'warn', '.']))
step('Lint', () => run('npm', ['run', '--silent', 'lint']))
step('Build', () => build())
step('Types', () => run('npm', ['run', '--silent', 'types']))
step('Jest', () => {
  const env = { ...process.env, NODE_OPTIONS: '--experimental-vm-modules --no-warnings' }
  run('npx', ['jest', '--json', '--outputFile', join(RESULTS, 'jest.json')], { env })
})
if (!fast) step('Playwright', () => run('npx', ['playwright', 'test'], { cwd: join(ROOT, 'e2e') }))

const jest = read('jest.json')
const journeys = fast ? { stats: { expected: 0, unexpected: 0, flaky: 0 } } : read('e2e.json')
const passed = (jest?.numPassedTests ?? 0) + (journeys?.stats.expected ?? 0)
// A suite that could not even start counts as a failed test, and so does a flaky one.
const failed =
  (jest ? jest.numFailedTests + jest.numRuntimeErrorTestSuites : 1) +
  (journeys ? journeys.stats.unexpected + journeys.stats.flaky : 1)
const told = ([name, seconds]) => `  ${seconds.toFixed(1).padStart(7)} s  ${name}`
console.log(`\n— Steps\n${times.map(told).join('\n')}`)
const slowest = [...jestTimes(jest), ...journeyTimes(journeys?.suites)].sort((a, b) => b[1] - a[1])
console.log(`— Slowest tests\n${slowest.slice(0, SLOWEST).map(told).join('\n')}`)
if (broken.length > 0) console.error(`\nnot in order: ${broken.join(', ')}`)
console.log(`tests: ${passed} passed, ${failed} failed`)
process.exit(broken.length > 0 || failed > 0 ? 1 : 0)
