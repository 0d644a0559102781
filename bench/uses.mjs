import { readFileSync } from 'node:fs'

/** Rosters of the demo world brought in so often: some five hundred outfits. */
const COPIES = 10
const PARTS = 40

/**
 * What one part could do for five hundred outfits, over a catalogue of 60,000 parts (`load` brings it in beside the demo
 * world): asked anew of each part, after something was changed, as somebody leafs through a box.
 */
export async function uses({ ask, post, tell, timed, at, median }) {
  const file = JSON.parse(readFileSync(new URL('../demo/world/rosters.json', import.meta.url), 'utf8'))
  for (let copy = 0; copy < COPIES; copy++) {
    // Stands and parcels take from the drawer, which holds them once; pictures come by another way.
    const rosters = file.rosters.map(({ parcels: _parcels, preferences: _preferences, ...roster }) => ({
      ...roster,
      name: `${roster.name} ${copy}`,
      characters: roster.characters.map(({ references: _pictures, ...character }) => ({
        ...character,
        outfits: character.outfits.map(({ built: _built, shown: _shown, references: _own, ...outfit }) => outfit),
      })),
    }))
    const answer = await post('rosters/import', { format: file.format, version: file.version, rosters })
    if (answer.status >= 400) throw new Error(JSON.stringify(answer).slice(0, 400))
  }
  const { rosters } = await ask('rosters')
  const outfits = rosters.flatMap((roster) => roster.outfits)
  // Parts of the demo world, which its briefs ask for, and of the large catalogue, which they never saw.
  const worn = [...new Set(outfits.flatMap(({ placements }) => placements.map(({ part }) => part)))]
  const { items } = await ask('parts/find?limit=60')
  const some = [...worn.slice(0, PARTS / 2), ...items.map(({ part }) => part.code).slice(0, PARTS / 2)]
  const times = []
  let found = 0
  for (const code of some) {
    const { ms, result } = await timed(() => ask(`parts/${code}/uses`))
    times.push(ms)
    found += result.uses.length
  }
  tell('uses of one part over 500 outfits and 60,000 parts', at(times, 0.95), 'ms at p95', {
    ...{ budget: 1000, outfits: outfits.length, parts: some.length },
    ...{ median: Math.round(median(times)), first: Math.round(times[0]), uses: found },
  })
  // Releases of the demo world, the largest of which bring some sixty parts, and of the large catalogue, which nobody wished for.
  const demo = ['Q-113', 'Q-112', 'Q-115', 'Q-108', 'Q-101', 'Q-104']
  const large = (await ask('releases?text=')).map(({ code }) => code).filter((code) => !code.startsWith('Q-'))
  const mining = []
  let pieces = 0
  for (const code of [...demo, ...large.slice(0, demo.length)]) {
    const { ms, result } = await timed(() => ask(`releases/${code}/uses`))
    mining.push(ms)
    pieces = Math.max(pieces, result.mined.length)
  }
  tell('a release looked through for 500 outfits', at(mining, 0.95), 'ms at p95', {
    ...{ budget: 5000, outfits: outfits.length, releases: mining.length, 'most parts': pieces },
    median: Math.round(median(mining)),
  })
}
