import { createRequire } from 'node:module'

const sharp = createRequire(new URL('../server/package.json', import.meta.url))('sharp')

/** What is shown: a card after a change, a sheet of fifty outfits, and a recipe of as many held against what is here. */
const SIZES = ['wide', 'square', 'portrait', 'A6', 'A5']
const MANY = 50

export async function show({ tell, at, median, timed, withServer, outfitsOf }) {
  await withServer(async ({ url }) => {
    const outfits = (await outfitsOf(url)).filter(({ placements }) => placements.length > 0)
    const times = []
    for (let i = 0; i < 60; i++) {
      const { id } = outfits[i % outfits.length]
      const query = `size=${SIZES[i % SIZES.length]}&prices=${i % 2 ? 'yes' : 'no'}&note=${i}`
      const { ms } = await timed(async () => (await fetch(`${url}/api/outfits/${id}/card.svg?${query}`)).text())
      times.push(ms)
    }
    tell('card after a change', at(times, 0.95), 'ms', { budget: 100, median: Math.round(median(times)), cards: 60 })

    // A photo as it comes from a phone: its points moved, then its light.
    const photo = await sharp({ create: { width: 3000, height: 4000, channels: 3, background: '#D8CFC0' } })
      .composite([
        { input: { create: { width: 1200, height: 2600, channels: 3, background: '#24527F' } }, top: 700, left: 900 },
      ])
      .jpeg()
      .toBuffer()
    const headers = { 'Content-Type': 'application/octet-stream' }
    const kept = await (await fetch(`${url}/api/photos`, { method: 'POST', headers, body: photo })).json()
    const { width, height } = kept
    const crop = { x: -0.3, y: -0.4, width: 0.6, height: 0.8 }
    const base = { ...kept, turn: 3, crop, even: 0.5, figure: null, points: [] }
    const asked = async (more) => {
      const query = new URLSearchParams({ draft: 'yes', picture: 'photo', photo: JSON.stringify({ ...base, ...more }) })
      return (await timed(async () => (await fetch(`${url}/api/outfits/${outfits[0].id}/card.svg?${query}`)).text())).ms
    }
    const first = await asked({})
    const [moved, lit, turned] = [[], [], []]
    for (let i = 1; i <= 20; i++) {
      moved.push(await asked({ points: [{ slot: 'head', x: 0.3 + i / 100, y: 0.3 }] }))
      lit.push(await asked({ even: i / 40 }))
    }
    for (let i = 1; i <= 10; i++) turned.push(await asked({ turn: i / 2 }))
    const more = { pixels: `${width} × ${height}`, first: Math.round(first) }
    tell('photo card after a point was moved', at(moved, 0.95), 'ms', { budget: 100, ...more })
    tell('photo card after its light was evened', at(lit, 0.95), 'ms', { budget: 100, median: Math.round(median(lit)) })
    tell('photo card after it was turned', at(turned, 0.95), 'ms', { median: Math.round(median(turned)) })

    const { rosters } = await (await fetch(`${url}/api/rosters`)).json()
    const recipes = await Promise.all(
      rosters.map(async ({ id }) => (await fetch(`${url}/api/rosters/${id}/recipe.json`)).json()),
    )
    const all = recipes.flatMap(({ outfits: own = [] }) => own)
    const recipe = {
      format: 'outfit.recipe',
      version: 1,
      outfits: Array.from({ length: MANY }, (_, i) => ({
        ...all[i % all.length],
        name: `${all[i % all.length].name} ${i}`,
      })),
    }
    const post = async (path, body) => {
      const headers = { 'Content-Type': 'application/json' }
      const answer = await fetch(`${url}/api/${path}`, { method: 'POST', headers, body: JSON.stringify(body) })
      if (!answer.ok) throw new Error(await answer.text())
      return answer.json()
    }
    const looked = await timed(() => post('recipes/look', recipe))
    tell('recipe held against what is here', looked.ms, 'ms', { outfits: MANY })
    const { roster } = await post('recipes', { name: 'Fifty', recipe })
    const sheets = []
    for (let i = 0; i < 3; i++) {
      const { ms, result } = await timed(async () =>
        Buffer.from(await (await fetch(`${url}/api/rosters/${roster}/sheet.pdf`)).arrayBuffer()),
      )
      sheets.push({ ms, kB: Math.round(result.length / 1000) })
    }
    tell(`sheet of ${MANY} outfits as PDF`, Math.max(...sheets.map(({ ms }) => ms)), 'ms', {
      budget: 5000,
      kB: sheets[0].kB,
    })
    const page = await timed(async () => (await fetch(`${url}/api/rosters/${rosters[2].id}/page.html`)).text())
    tell('page of 12 outfits', page.result.length / 1000, 'kB', { budget: 1500, ms: Math.round(page.ms) })
  })
}
