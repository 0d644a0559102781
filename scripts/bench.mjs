/**
 * `npm run bench`: measure what docs/architecture.md sets budgets for. Prints one JSON line a measurement,
 * `{"name", "measured", "unit", "budget", "notes"}` (budget null where none is set); nothing is asserted. With a name
 * only that benchmark runs: draw, pins, team, drawer, market, brief, search, plan, roster, change, show, series, uses, start, script.
 */
import { gzipSync } from 'node:zlib'
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { cpus, tmpdir } from 'node:os'
import { join } from 'node:path'
import { drawer } from '../bench/drawer.mjs'
import { market } from '../bench/market.mjs'
import { pins } from '../bench/pins.mjs'
import { best, plans } from '../bench/plans.mjs'
import { roster } from '../bench/roster.mjs'
import { series } from '../bench/series.mjs'
import { show } from '../bench/show.mjs'
import { team } from '../bench/team.mjs'
import { uses } from '../bench/uses.mjs'
import { build, CHROMIUM, install, ROOT, serve } from './tree.mjs'

install()
await build()
const only = process.argv[2]
/** One line; `about` becomes the notes, as "key value, key value". */
const tell = (name, measured, unit, { budget = null, ...about } = {}) =>
  console.log(
    JSON.stringify({
      name,
      measured: Math.round(measured * 100) / 100,
      unit,
      budget,
      notes: Object.entries(about)
        .map((pair) => pair.join(' '))
        .join(', '),
    }),
  )
const at = (list, share) => [...list].sort((a, b) => a - b)[Math.min(list.length - 1, Math.floor(list.length * share))]
const median = (list) => at(list, 0.5)
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

/** A server whose catalogue holds 60,000 parts, 15,000 figures and 20,000 releases, beside what `args` give it. */
async function withLarge(args, work) {
  const { writeLarge } = await import('../demo/large.mjs')
  const folder = mkdtempSync(join(tmpdir(), 'outfit-large-'))
  const tables = await writeLarge(folder)
  const data = mkdtempSync(join(tmpdir(), 'outfit-bench-'))
  const { url, child } = await serve(['--port', '0', '--data', data, ...args])
  const ask = async (path, init) => (await fetch(`${url}/api/${path}`, init)).json()
  const post = (path, body) =>
    ask(path, { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(body) })
  try {
    for (const table of Object.keys(tables)) {
      const { ms, result } = await timed(async () => {
        const { upload } = await ask('uploads', {
          method: 'POST',
          headers: { 'Content-Type': 'application/octet-stream' },
          body: readFileSync(join(folder, `${table}.csv`)),
        })
        const { job } = await post('imports', { upload, table })
        await (await fetch(`${url}/api/jobs/${job}/events`)).text()
        return (await ask(`jobs/${job}`)).result
      })
      if (!result.written) throw new Error(`${table}: ${JSON.stringify(result.rejects?.[0] ?? result)}`)
      tell(`import ${table}`, ms / 1000, 's', { ...(table === 'parts' ? { budget: 20 } : {}), rows: result.taken })
    }
    await work({ ask, post })
  } finally {
    child.kill('SIGKILL')
    for (const path of [folder, data]) rmSync(path, { recursive: true, force: true })
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
      const { parts, prints } = await (await fetch(`${url}/api/rosters`)).json()
      const catalogue = catalogueOf({ ...basics, parts, prints })
      const outfits = await outfitsOf(url)
      const times = []
      for (let round = 0; round < 40; round++)
        for (const { placements } of outfits)
          times.push((await timed(() => svgBody(drawFigure(placements, catalogue).shapes))).ms)
      tell('draw outfits', 1000 / median(times), 'outfits a second', { figures: times.length })
    })
  },

  /** Pins of an outfit, and how many the released figures raise. */
  pins: () => pins({ tell, timed, median, at }),

  team: () => team({ tell, timed, median, at }),

  best,
  roster: () => roster(tell),
  series: () => series({ tell, at, median, timed, withServer }),
  show: () => show({ tell, at, median, timed, withServer, outfitsOf }),
  market: () => market({ serve, tell, timed }),
  drawer: () => withServer(({ url }) => drawer({ url, tell, median })),

  /** Ranking a tray, casting whole outfits, and the colours of a picture, on made-up ones of the size of the budgets. */
  async brief() {
    const { emptyBrief, judgesByPlace, judgesOf, likenessOfPart, rankCandidates } = await import('@outfit/core/brief')
    const { catalogueOf } = await import('@outfit/core/catalogue')
    const { castOutfits } = await import('@outfit/core/casting')
    const { imagePalette } = await import('@outfit/core/colour')
    const { seeded } = await import('@outfit/core/base')
    await withServer(async ({ url }) => {
      const basics = await (await fetch(`${url}/api/catalogue/basics`)).json()
      const slots = ['headgear', 'head', 'torso', 'handRight', 'hips', 'neck', 'waist', 'heldRight', 'beside']
      const answers = await Promise.all(
        slots.map(async (slot) => (await fetch(`${url}/api/parts?slot=${slot}&limit=5000`)).json()),
      )
      const parts = new Map(
        answers.flatMap(({ items, parts }) => [...items, ...parts]).map(({ part }) => [part.code, part]),
      )
      const random = seeded(4)
      const colours = basics.colours.map(({ code }) => code)
      const pick = (list) => list[Math.floor(random() * list.length)]
      const lowest = {}
      /** Parts of a slot in further colours, until there are as many as wanted; assemblies keep their pieces. */
      const many = (items, count) =>
        Array.from({ length: count }, (_, i) => {
          const { part } = items[i % items.length]
          const made = { ...part, code: `${part.code}-${i}`, colours: [pick(colours), ...part.colours.slice(1)] }
          parts.set(made.code, made)
          lowest[made.code] = 20 + Math.floor(random() * 900)
          return made
        })
      const whole = ({ part }) => part.components.length > 0
      const kinds = { torso: whole, hips: whole }
      const catalogue = () =>
        catalogueOf({ ...basics, parts: [...parts.values()], prints: answers.flatMap((a) => a.prints) })
      const wish = (place, trait, target, weight = 'matters') => ({ place, trait, target, weight })
      const brief = {
        ...emptyBrief(),
        wishes: [
          wish('headgear', 'tied', 'yes'),
          wish('headgear', 'colour', '#A64E2A'),
          wish('head', 'expression', 'smile'),
          wish('head', 'skin', '#EBB98E'),
          wish('torso', 'garment', 'jacket'),
          wish('torso', 'colour', '#24527F'),
          wish('neck', 'colour', '#DD8A2B'),
          wish('waist', 'colour', '#63341F', 'nice'),
          wish('held', 'item', 'oar'),
          wish('beside', 'companion', 'otter', 'nice'),
          wish('legs', 'colour', '#414B57'),
        ],
      }
      const tray = many(answers[0].items, 5000)
      const known = catalogue()
      const entries = tray.map((part, i) => ({ part, free: i % 9 === 0 ? 1 : 0, lowest: lowest[part.code] }))
      const judges = judgesByPlace(judgesOf(brief, known))
      const ranking = []
      for (let round = 0; round < 30; round++)
        ranking.push(
          (
            await timed(() =>
              rankCandidates(
                entries.map((entry) => ({ ...entry, ...likenessOfPart(entry.part, 'headgear', judges, known) })),
                (round % 5) / 5,
              ),
            )
          ).ms,
        )
      tell('rank 5,000 candidates', median(ranking), 'ms', { budget: 50, p95: Math.round(at(ranking, 0.95)) })

      const candidates = Object.fromEntries(
        slots.map((slot, i) => [slot, many(answers[i].items.filter(kinds[slot] ?? ((item) => !whole(item))), 200)]),
      )
      for (const [code, part] of parts) if (part.components.length === 0) lowest[code] ??= 30
      for (const limit of [null, 1500]) {
        const times = []
        let last
        for (let round = 0; round < 7; round++) {
          const ask = { brief, catalogue: catalogue(), worn: [], candidates, free: {}, lowest, pool: 'both' }
          const more = { avoided: new Set(), rules: 'exchange-only', keep: [], limit, priceWeight: 0.5 }
          const effort = { count: 10, seconds: 20, now: () => performance.now() / 1000 }
          const { ms, result } = await timed(() => castOutfits({ ...ask, ...more }, effort))
          times.push(ms)
          last = result
        }
        tell(`ten best outfits, 9 slots of 200${limit ? ', with a limit' : ''}`, median(times) / 1000, 's', {
          budget: 1,
          proven: last.complete,
          looked: last.explored,
        })
      }

      const pixels = { data: new Uint8ClampedArray(4 * 1600 * 1200), width: 1600, height: 1200 }
      for (let i = 0; i < pixels.data.length; i++)
        pixels.data[i] = i % 4 === 3 ? 255 : 128 + 100 * Math.sin(i / 9e5 + (i % 4)) + 20 * random()
      const palettes = []
      for (let round = 0; round < 7; round++) palettes.push((await timed(() => imagePalette(pixels))).ms)
      tell('colours of a picture of 1600 × 1200', median(palettes), 'ms')
    })
  },

  /** The finder and the import at the size real people have: 60,000 parts, 15,000 figures, 20,000 releases. */
  async search() {
    await withLarge([], async ({ ask }) => {
      const words = [
        '',
        'hair',
        'short',
        'tied hair',
        'jacket',
        'quay',
        'lantern jacket',
        'trousers slate',
        'mitt',
        'calm',
      ]
      const facets = [
        '',
        '&shelves=torso',
        '&families=blue',
        '&inProduction=yes',
        '&yearFrom=2015&yearTo=2020',
        '&order=newest',
      ]
      const paths = facets.flatMap((facet) =>
        words.map((text) => `parts/find?text=${encodeURIComponent(text)}${facet}`),
      )
      await ask(paths[0])
      const times = []
      for (let round = 0; round < 4; round++)
        for (const path of paths) times.push((await timed(() => ask(`${path}&limit=${60 - round}`))).ms)
      tell('search 60,000 parts, first page', at(times, 0.95), 'ms at p95', {
        budget: 30,
        questions: times.length,
        median: Math.round(median(times)),
      })
      const typed = 'short tied hair'
      const keys = []
      for (let n = 1; n <= typed.length; n++)
        keys.push((await timed(() => ask(`parts/find?text=${typed.slice(0, n)}`))).ms)
      tell('search as you type, every key new', at(keys, 0.95), 'ms at p95', { keys: keys.length })
      const some = (await ask('parts/find?limit=40')).items.map(({ part }) => part.code)
      const pages = []
      for (const code of some)
        pages.push(
          (
            await timed(() =>
              Promise.all(['', '/mould', '/ways', '/goes-with'].map((part) => ask(`parts/${code}${part}`))),
            )
          ).ms,
        )
      tell('everything on a part page', at(pages, 0.95), 'ms at p95', { parts: pages.length })
    })
  },

  /** What one part could do for many outfits. */
  async uses() {
    await withLarge(['--world', join(ROOT, 'demo/world')], (server) => uses({ ...server, tell, timed, at, median }))
  },

  /** Plans of every demo outfit, and of random problems of growing size against the clock. */
  async plan() {
    const { planSourcing } = await import('@outfit/core/sourcing')
    const { loadHighsSolver } = await import(join(ROOT, 'server/dist/solver/highsSolver.js'))
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
    await plans(tell)
  },

  /** From a key that wears another part to the figure that shows it, with some hundred candidates in the tray. */
  async change() {
    const { chromium } = await import('@playwright/test')
    await withServer(async ({ url }) => {
      const browser = await chromium.launch({
        executablePath: CHROMIUM,
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
          budget: 16,
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
      tell('ready after', ms / 1000, 's', { budget: 3, about })
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
        executablePath: CHROMIUM,
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
      tell('script of the first screen', bytes / 1000, 'kB compressed', { budget: 220, files: scripts.size })
      await browser.close()
    })
  },
}

console.log(JSON.stringify({ machine: cpus()[0].model, cores: cpus().length, node: process.version }))
for (const [name, work] of Object.entries(benchmarks)) if (!only || only === name) await work()
process.exit(0)
