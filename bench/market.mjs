import { createWriteStream, mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { once } from 'node:events'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { seeded } from '@outfit/core/base'
import { writeLarge } from '../demo/large.mjs'
import { waitingDuring } from './waiting.mjs'
import { StandInMarket } from '../server/dist/feed/standInMarket.js'

const OFFERS = 1_000_000
const SELLERS = 120
const OUTFITS = 12
const DAY = '2026-11-23'
/** The market is asked again a week later. */
const LATER = '2026-11-30'

const sellerCode = (s) => `bench-${String(s).padStart(3, '0')}`

/** Sellers with shipping by value, count and weight, some with a minimum. */
function sellersCsv(random) {
  const rows = ['code,name,country,currency,minimum,handling,arrivesInDays,rating,shippingBasis,shippingBands']
  const bands = {
    value: '1500=290;4000=420;any=0',
    count: '5=240;15=380;any=560',
    weight: '20=320;60=460;any=690',
  }
  const bases = Object.keys(bands)
  for (let s = 0; s < SELLERS; s++) {
    const basis = bases[s % bases.length]
    const minimum = random() < 0.3 ? 500 : 0
    rows.push(`${sellerCode(s)},Seller ${s},Weir Bank,EUR,${minimum},30,${3 + (s % 11)},4,${basis},${bands[basis]}`)
  }
  return rows.join('\n')
}

/** A million offers of the parts, figures and releases of a catalogue, written as they are drawn and given back. */
async function writeOffers(path, tables, random) {
  const offers = []
  const out = createWriteStream(path)
  out.write('date,seller,kind,code,condition,price,currency,stock,multiple\n')
  const codes = ['parts', 'figures', 'releases'].map((table) => tables[table].map(({ code }) => code))
  const blind = new Set(tables.releases.filter(({ kind }) => kind === 'blind pack').map(({ code }) => code))
  const kinds = ['part', 'figure', 'release']
  let lines = []
  for (let n = 0; n < OFFERS; n++) {
    const of = random() < 0.88 ? 0 : random() < 0.8 ? 1 : 2
    const code = codes[of][Math.floor(random() * codes[of].length)]
    const price = Math.round((blind.has(code) ? 450 : [140, 900, 3200][of]) * (0.4 + 1.6 * random()))
    const seller = sellerCode(Math.floor(random() * SELLERS))
    const condition = random() < 0.4 ? 'used' : 'new'
    const stock = 1 + Math.floor(random() * 9)
    offers.push({ date: DAY, seller, kind: kinds[of], code, condition, price, currency: 'EUR', stock, multiple: 1 })
    lines.push(`${DAY},${seller},${kinds[of]},${code},${condition},${price},EUR,${stock},1\n`)
    if (lines.length === 5000) {
      if (!out.write(lines.join(''))) await once(out, 'drain')
      lines = []
    }
  }
  out.end(lines.join(''))
  await once(out, 'finish')
  return offers
}

/** A part from the middle of the catalogue. */
const middlePart = ({ parts }) => parts[Math.floor(parts.length / 2)].code

/** Most memory a process ever held, in MB; null where the system does not tell. */
function peakOf(pid) {
  try {
    return Math.round(Number(/VmHWM:\s+(\d+) kB/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))[1]) / 1024)
  } catch {
    return null
  }
}

/** The import of a million offers over a catalogue of 60,000 parts, plans from them, and asking a market of that size again. */
export async function market({ serve, tell, timed }) {
  const folder = mkdtempSync(join(tmpdir(), 'outfit-large-'))
  const data = mkdtempSync(join(tmpdir(), 'outfit-bench-'))
  const tables = await writeLarge(folder)
  const random = seeded(11)
  const offers = await writeOffers(join(folder, 'offers.csv'), tables, random)
  const standIn = new StandInMarket({ seed: 7, day: DAY, weeks: 0, moods: {}, offers }, () => LATER)
  let { url, child } = await serve(['--port', '0', '--data', data])
  const ask = async (path, init) => (await fetch(`${url}/api/${path}`, init)).json()
  const post = (path, body) =>
    ask(path, { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(body) })
  const ended = async (job) => (await fetch(`${url}/api/jobs/${job}/events`)).text()
  const bring = async (table, body) => {
    const { upload } = await ask('uploads', {
      method: 'POST',
      headers: { 'Content-Type': 'application/octet-stream' },
      body,
    })
    const { job } = await post('imports', { upload, table })
    await ended(job)
    const { result } = await ask(`jobs/${job}`)
    if (!result.written) throw new Error(`${table}: ${JSON.stringify(result.rejects?.[0] ?? result)}`)
    return result.taken
  }
  try {
    for (const table of Object.keys(tables)) await bring(table, readFileSync(join(folder, `${table}.csv`)))
    await bring('sellers', sellersCsv(random))
    // A server started anew, so that the memory measured is that of the offers.
    child.kill()
    await once(child, 'exit')
    ;({ url, child } = await serve(['--port', '0', '--data', data, '--market', await standIn.url()]))
    const before = peakOf(child.pid)
    const csv = readFileSync(join(folder, 'offers.csv'))
    const { ms, result } = await timed(() => bring('offers', csv))
    tell('import of a million offers', ms / 1000, 's', {
      budget: 30,
      rows: result,
      'MB at the most': peakOf(child.pid),
      'MB before': before,
    })

    const figures = await ask('figures')
    const characters = []
    for (let n = 0; n < OUTFITS; n++) {
      const { code, name } = figures[Math.floor(random() * figures.length)]
      const { worn } = await ask(`figures/${code}`)
      const placements = worn.map(({ slot, part, order = 0 }) => ({ slot, part, order, turned: false }))
      characters.push({
        name: `${name} ${n}`,
        outfits: [
          { name: `${name} ${n}`, faction: '', stature: 'full', takes: [{ label: 'A', chosen: true, placements }] },
        ],
      })
    }
    const roster = { name: 'Bench', note: '', rules: 'exchange-only', currency: 'EUR', characters }
    const told = await post('rosters/import', { format: 'outfit.rosters', version: 1, rosters: [roster] })
    if (!told.outfits) throw new Error(JSON.stringify(told))
    const { rosters } = await ask('rosters')
    for (const [what, body] of [
      ['an outfit', { outfit: rosters[0].outfits[0].id }],
      [`${OUTFITS} outfits`, { roster: rosters[0].id }],
    ]) {
      let begun = 0
      const plan = await timed(async () => {
        const begin = await timed(() => post('plans', body))
        begun = Math.round(begin.ms)
        await ended(begin.result.job)
        return ask(`plans/${begin.result.job}`)
      })
      const { problem, plan: found, naive } = plan.result
      tell(`plan ${what} from a million offers`, plan.ms / 1000, 's', {
        'begun after ms': begun,
        needs: problem.needs.length,
        sellers: problem.sellers.length,
        offers: problem.offers.length,
        gap: found.gap,
        total: found.total,
        naive: naive.total,
        'MB at the most': peakOf(child.pid),
      })
    }
    const code = middlePart(tables)
    const page = await timed(() => ask(`prices/of/part/${code}`))
    tell('price page of a part among a million offers', page.ms, 'ms', { offers: page.result.offers.length })
    const asked = await timed(() =>
      waitingDuring(url, async () => {
        const { job } = await post('market/refresh', {})
        await ended(job)
        return (await ask('market')).last
      }),
    )
    const { result: last, waited } = asked.result
    const sum = (what) => last.sellers.reduce((total, one) => total + one[what], 0)
    tell('asking the market for a million offers', asked.ms / 1000, 's', {
      lists: last.sellers.length,
      whole: last.sellers.filter(({ state }) => state === 'whole').length,
      lines: sum('lines'),
      changed: sum('dearer') + sum('cheaper'),
      'MB at the most': peakOf(child.pid),
    })
    for (const [what, { median, most, of }] of Object.entries(waited))
      tell(`${what} while the market is asked, the longest`, most, 'ms', { budget: 200, median, of })
  } finally {
    standIn.stop()
    child.kill('SIGKILL')
    for (const path of [folder, data]) rmSync(path, { recursive: true, force: true })
  }
}
