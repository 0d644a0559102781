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
