import { seeded } from '@outfit/core/base'

/** The drawer of somebody who has collected for long. */
const BINS = 2000
const UNITS = 300_000
const KINDS_IN_A_BIN = 60
/** Donors that stand together among them. */
const FIGURES = 300
const OUTFITS = 60
const TIMES = 5

const post = async (url, path, body) => {
  const answer = await fetch(`${url}/api/${path}`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify(body),
  })
  const told = await answer.json()
  if (!answer.ok || told.rejected > 0) throw new Error(`${path}: ${JSON.stringify(told).slice(0, 400)}`)
  return told
}
const get = async (url, path) => (await fetch(`${url}/api/${path}`)).json()

/**
 * Owned parts, drawn from a seed, through the import a user has. What outfits wear is only to be had off figures, so that
 * the allotment has something to decide.
 */
async function fill(url, worn) {
  const random = seeded(7)
  const pick = (list) => list[Math.floor(random() * list.length)]
  const parts = []
  for (let offset = 0; ; offset += 60) {
    const { items, total } = await get(url, `parts/find?offset=${offset}&limit=60`)
    parts.push(
      ...items.map(({ part }) => part).filter(({ code, components }) => components.length === 0 && !worn.has(code)),
    )
    if (offset + 60 >= total) break
  }
  const figures = await get(url, 'figures')
  const bins = ['code,name,figure']
  const owned = ['part,bin,qty,condition,date,reason']
  for (let i = 0; i < BINS; i++) bins.push(`X${i},Bin ${i},`)
  const each = Math.round(UNITS / (BINS * KINDS_IN_A_BIN))
  for (let i = 0; i < BINS; i++)
    for (let n = 0; n < KINDS_IN_A_BIN; n++)
      owned.push(`${pick(parts).code},X${i},${Math.max(1, Math.round(random() * 2 * each))},used,2026-10-01,bench`)
  for (let i = 0; i < FIGURES; i++) {
    const { code, name } = pick(figures)
    bins.push(`Y${i},"${name.replaceAll('"', '')} y${i}",${code}`)
    const { worn } = await get(url, `figures/${code}`)
    for (const { part } of worn) owned.push(`${part},Y${i},1,used,2026-10-01,bench`)
  }
  await post(url, 'import/bins', { csv: bins.join('\n') })
  const started = performance.now()
  const { taken } = await post(url, 'import/owned', { csv: owned.join('\n') })
  return { rows: taken, ms: performance.now() - started }
}

/** On-hand of all parts, the allotment over many outfits and what can be built, at 300,000 parts in 2,000 bins. */
export async function drawer({ url, tell, median }) {
  const { rosters } = await get(url, 'rosters')
  const here = rosters.reduce((sum, { outfits }) => sum + outfits.length, 0)
  const model = rosters.find(({ name }) => name === 'The Heron crew').outfits[0]
  await post(url, `outfits/${model.id}/army`, { count: OUTFITS - here + 1, alike: OUTFITS })
  const worn = new Set(
    rosters.flatMap(({ outfits }) => outfits).flatMap(({ placements }) => placements.map((p) => p.part)),
  )
  const { rows, ms } = await fill(url, worn)
  tell('import of owned parts', ms / 1000, 's', { rows })
  const part = model.placements[0].part
  // Something moves before each question, so that nothing kept answers it.
  const move = () =>
    post(url, 'drawer/brought-in', {
      things: [{ kind: 'part', code: part, qty: 1 }],
      bin: 'X0',
      together: false,
      condition: 'used',
      text: 'bench',
    })
  for (const [name, path] of [
    ['on-hand of all parts', 'drawer'],
    ['allotment over the outfits', 'drawer/allotment'],
    ['can be built now', 'drawer/buildable'],
  ]) {
    const times = []
    let told
    for (let i = 0; i < TIMES; i++) {
      await move()
      const started = performance.now()
      told = await get(url, path)
      times.push(performance.now() - started)
    }
    tell(name, median(times), 'ms', {
      worst: Math.round(Math.max(...times)),
      bins: BINS + FIGURES,
      outfits: OUTFITS,
      ...(told.terms ? { proven: told.proven, donors: told.terms.donors, 'to buy': told.terms.toBuy } : {}),
    })
  }
}
