/** A series of twelve: a leaflet or carton after a change, everything as one PDF, and a thousand packs mixed. */
export async function series({ tell, at, median, timed, withServer }) {
  const core = (room) => import(new URL(`../core/dist/${room}/index.js`, import.meta.url))
  const [{ collate, openingOdds, PACK_CHOICES }, made, { pageSvg }, { catalogueOf }] = await Promise.all(
    ['packs', 'series', 'show', 'catalogue'].map(core),
  )
  await withServer(async ({ url }) => {
    const get = async (path) => (await fetch(`${url}/api/${path}`)).json()
    const [{ rosters, parts, prints }, basics] = await Promise.all([get('rosters'), get('catalogue/basics')])
    const roster = rosters.find(({ name }) => name === 'Night market')
    const catalogue = catalogueOf({ ...basics, parts, prints })
    const kept = (await get(`rosters/${roster.id}/series`)).series
    const members = () => made.seriesMembers(roster.outfits, kept.entries, catalogue)
    const times = { leaflet: [], carton: [] }
    for (let i = 0; i < 40; i++) {
      const title = `Night market ${i}`
      const leaflet = await timed(async () => {
        const { pages } = made.leafletPages({ ...kept, title }, members(), { guides: true })
        return pages.map((page) => pageSvg(page))
      })
      const carton = await timed(async () => {
        const own = members()
        const { inner } = made.innerSizeOf(own, catalogue, 2 + i / 10)
        const shape = ['tuck', 'pillow', 'header'][i % 3]
        return made
          .cartonSheets({ ...kept, title, carton: { ...kept.carton, shape } }, own, inner, 2)
          .pages.map((page) => pageSvg(page))
      })
      times.leaflet.push(leaflet.ms)
      times.carton.push(carton.ms)
    }
    for (const [what, all] of Object.entries(times))
      tell(`${what} of 12 outfits after a change`, at(all, 0.95), 'ms', {
        budget: 100,
        median: Math.round(median(all)),
      })
    const whole = []
    for (let i = 0; i < 3; i++) {
      const { ms, result } = await timed(async () =>
        Buffer.from(await (await fetch(`${url}/api/rosters/${roster.id}/series/print/everything.pdf`)).arrayBuffer()),
      )
      whole.push({ ms, kB: Math.round(result.length / 1000) })
    }
    tell('everything printed of 12 outfits as PDF', Math.max(...whole.map(({ ms }) => ms)), 'ms', {
      budget: 5000,
      kB: whole[0].kB,
    })
    const items = [40, 60, 100].map((count, i) => ({ id: `i${i}`, name: `Item ${i}`, part: null, count, tiedTo: null }))
    const mixed = []
    for (let seed = 1; seed <= 10; seed++) {
      const choices = { ...PACK_CHOICES, packs: 1000, items, every: 10, seed }
      mixed.push((await timed(async () => collate(choices, members(), kept.bonus))).ms)
    }
    tell('1,000 packs mixed', at(mixed, 0.95), 'ms', { budget: 1000, median: Math.round(median(mixed)) })
    const { plan } = collate({ ...PACK_CHOICES, packs: 500 }, members())
    tell('odds of opening 500 packs', (await timed(async () => openingOdds(plan))).ms, 'ms', {})
  })
}
