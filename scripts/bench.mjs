/**
 * `npm run bench`: measure what docs/architecture.md sets budgets for. Prints one JSON line a measurement; nothing is
 * asserted. With a name only that benchmark runs: draw, plan, change, start, script.
 */
import { gzipSync } from 'node:zlib'
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { cpus, tmpdir } from 'node:os'
import { join } from 'node:path'
import { build, install, ROOT, serve } from './tree.mjs'

install()
build()
const only = process.argv[2]
const tell = (name, value, unit, about = {}) =>
  console.log(JSON.stringify({ name, value: Math.round(value * 100) / 100, unit, ...about }))
const median = (list) => [...list].sort((a, b) => a - b)[Math.floor(list.length / 2)]
const timed = async (work) => {
  const start = performance.now()
  const result = await work()
  return { ms: performance.now() - start, result }
}

/** A server on a fresh copy of the demo world for as long as `work` takes. */
async function withServer(work) {
  const data = mkdtempSync(join(tmpdir(), 'outfit-bench-'))
  const args = ['--port', '0', '--data', data, '--world', join(ROOT, 'demo/world')]
  const { url, child } = await serve(args)
  try {
    await work({ url, data, args, child })
  } finally {
    child.kill('SIGKILL')
    rmSync(data, { recursive: true, force: true })
  }
}

const outfitsOf = async (url) =>
  (await (await fetch(`${url}/api/rosters`)).json()).rosters.flatMap((roster) => roster.outfits)

const benchmarks = {
  /** One figure of the demo world, drawn and written as SVG. */
  async draw() {
    const { drawFigure, svgBody } = await import('@outfit/core/mannequin')
    const { catalogueOf } = await import('@outfit/core/catalogue')
    await withServer(async ({ url }) => {
      const basics = await (await fetch(`${url}/api/catalogue/basics`)).json()
      const { parts } = await (await fetch(`${url}/api/rosters`)).json()
      const catalogue = catalogueOf({ ...basics, parts })
      const outfits = await outfitsOf(url)
      const times = []
      for (let round = 0; round < 40; round++)
        for (const { placements } of outfits)
          times.push((await timed(() => svgBody(drawFigure(placements, catalogue).shapes))).ms)
      tell('draw a figure', median(times), 'ms', { figures: times.length })
    })
  },

  /** Plans of every demo outfit, and of random problems of growing size against the clock. */
  async plan() {
    const { planSourcing, cheapestOfEach } = await import('@outfit/core/sourcing')
    const { loadHighsSolver } = await import(join(ROOT, 'server/dist/sourcing/highsSolver.js'))
    const { randomProblem } = await import('../bench/randomProblem.mjs')
    const solve = await loadHighsSolver()
    const plan = (problem) => planSourcing(problem, { solve, now: () => performance.now() / 1000 })
    await withServer(async ({ url }) => {
      for (const { id, name } of await outfitsOf(url)) {
        const { job } = await (
          await fetch(`${url}/api/plans`, {
            method: 'POST',
            headers: { 'Content-Type': 'application/json' },
            body: JSON.stringify({ outfit: id }),
          })
        ).json()
        await (await fetch(`${url}/api/jobs/${job}/events`)).text()
        const { problem, naive } = await (await fetch(`${url}/api/plans/${job}`)).json()
        const answer = plan(problem)
        tell('plan a demo outfit', answer.seconds, 's', {
          outfit: name,
          needs: problem.needs.length,
          offers: problem.offers.length,
          status: answer.status,
          gap: answer.gap,
          total: answer.total,
          naive: naive.total,
        })
      }
    })
    for (const [needs, sellers, seconds] of [
      [14, 12, 5],
      [40, 25, 5],
      [110, 50, 5],
    ]) {
      const problem = randomProblem(needs, sellers, 1, { seconds })
      const answer = plan(problem)
      tell('plan a random problem', answer.seconds, 's', {
        needs,
        sellers,
        offers: problem.offers.length,
        status: answer.status,
        gap: answer.gap,
        total: answer.total,
        naive: cheapestOfEach(problem).total,
      })
    }
  },

  /** From a key that wears another part to the figure that shows it, with some hundred candidates in the tray. */
  async change() {
    const { chromium } = await import('@playwright/test')
    await withServer(async ({ url }) => {
      const browser = await chromium.launch({
        executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
        args: ['--no-sandbox', '--disable-gpu'],
      })
      const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
      const [outfit] = await outfitsOf(url)
      // More headgear than the demo world has: forty hats in further colours.
      const hats = Array.from(
        { length: 40 },
        (_, i) => `B-${i},Bench hat ${i},M-DECK,${i % 2 ? 'coral' : 'moss'},,2026`,
      )
      await fetch(`${url}/api/import/parts`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify({ csv: ['code,name,mould,colours,print,year', ...hats].join('\n') }),
      })
      for (const row of ['headgear', 'legs']) {
        await page.goto(`${url}/outfits/${outfit.id}/bench`)
        await page.getByText('to finish').waitFor()
        if (row === 'legs')
          await page.getByRole('navigation', { name: 'Slots' }).getByRole('button', { name: /^Legs/ }).click()
        await page.waitForTimeout(1500)
        const seen = []
        for (let i = 0; i < 24; i++) {
          await page.keyboard.press('ArrowRight')
          await page.waitForTimeout(150)
          seen.push(
            await page.evaluate(
              () =>
                new Promise((resolve) => {
                  const stage = document.querySelector('[aria-label=Mannequin]')
                  const start = performance.now()
                  const observer = new MutationObserver(() => {
                    observer.disconnect()
                    resolve(performance.now() - start)
                  })
                  observer.observe(stage, { childList: true, subtree: true })
                  document.querySelector('[role=listbox]').focus()
                  for (const type of ['keydown', 'keyup'])
                    document.activeElement.dispatchEvent(
                      new KeyboardEvent(type, { key: 'Enter', code: 'Enter', bubbles: true }),
                    )
                  setTimeout(() => resolve(null), 1000)
                }),
            ),
          )
          await page.waitForTimeout(350)
        }
        const times = seen.filter((ms) => ms !== null)
        const candidates = Number(/\d+/.exec(await page.locator('[aria-label=Tray] h2').textContent())[0])
        tell('change a placement and see it', median(times), 'ms of script', {
          row,
          candidates,
          worst: Math.round(Math.max(...times)),
          changes: times.length,
        })
      }
      await browser.close()
    })
  },

  /** From the command to the first answer, on a built tree: with a world to load, and again. */
  async start() {
    const data = mkdtempSync(join(tmpdir(), 'outfit-bench-'))
    const args = ['--port', '0', '--data', data, '--world', join(ROOT, 'demo/world')]
    for (const about of ['loading the demo world', 'second start']) {
      const { ms, result } = await timed(async () => {
        const server = await serve(args)
        await fetch(`${server.url}/api/health`)
        return server
      })
      tell('ready after', ms / 1000, 's', { about })
      const gone = new Promise((resolve) => result.child.once('exit', resolve))
      result.child.kill()
      await gone
    }
    rmSync(data, { recursive: true, force: true })
  },

  /** Script the first screen loads, compressed. */
  async script() {
    const { chromium } = await import('@playwright/test')
    await withServer(async ({ url }) => {
      const browser = await chromium.launch({
        executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
        args: ['--no-sandbox', '--disable-gpu'],
      })
      const page = await browser.newPage()
      const scripts = new Set()
      page.on('response', (response) => response.url().endsWith('.js') && scripts.add(new URL(response.url()).pathname))
      await page.goto(url)
      await page.getByRole('img').first().waitFor()
      const bytes = [...scripts].reduce(
        (sum, path) => sum + gzipSync(readFileSync(join(ROOT, 'web/dist', path)), { level: 9 }).length,
        0,
      )
      tell('script of the first screen', bytes / 1000, 'kB compressed', { files: scripts.size })
      await browser.close()
    })
  },
}

console.log(JSON.stringify({ machine: cpus()[0].model, cores: cpus().length, node: process.version }))
for (const [name, work] of Object.entries(benchmarks)) if (!only || only === name) await work()
process.exit(0)
