/**
 * `npm test`: everything there is to check, installs included. Its last line is `tests: N passed, M failed` over Jest and
 * Playwright; it ends with 0 only when nothing failed.
 *   --fast   without the browser
 */
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { build, install, ROOT, run } from './tree.mjs'

const fast = process.argv.includes('--fast')
const RESULTS = join(ROOT, 'test-results')
const broken = []

function step(name, work) {
  const start = Date.now()
  console.log(`\n— ${name}`)
  try {
    work()
  } catch (error) {
    broken.push(name)
    console.error(`${name} failed: ${error.message}`)
  }
  console.log(`  ${((Date.now() - start) / 1000).toFixed(0)} s`)
}

/** Debian's Chromium, which the journeys drive; where there is none it is installed, which needs root. */
function installChromium() {
  if (process.env.CHROMIUM || ['/usr/bin/chromium', '/usr/bin/chromium-browser'].some(existsSync)) return
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' }
  run('apt-get', ['update', '-qq'], { quiet: true, env })
  run('apt-get', ['install', '-y', '-qq', '--no-install-recommends', 'chromium'], { quiet: true, env })
}

function read(file) {
  try {
    return JSON.parse(readFileSync(join(RESULTS, file), 'utf8'))
  } catch {
    return null
  }
}

rmSync(RESULTS, { recursive: true, force: true })
mkdirSync(RESULTS)
step('Packages', () => install())
if (!fast) step('Chromium', installChromium)
step('Formatting', () => run('npx', ['prettier', '--check', '--log-level', 'warn', '.']))
step('Lint', () => run('npx', ['eslint', '.']))
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
if (broken.length > 0) console.error(`\nnot in order: ${broken.join(', ')}`)
console.log(`tests: ${passed} passed, ${failed} failed`)
process.exit(broken.length > 0 || failed > 0 ? 1 : 0)
