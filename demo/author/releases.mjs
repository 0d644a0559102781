import { part } from './parts.mjs'

/** Slots a whole part fills when worn: assemblies fill the slots of their components. */
export function placementsOf(entries) {
  const placements = []
  const put = (slot, p, turned = false) => {
    const stack = slot === 'neck' || slot === 'beside'
    const order = stack ? placements.filter((x) => x.slot === slot).length : 0
    if (!stack) {
      const at = placements.findIndex((x) => x.slot === slot)
      if (at >= 0) placements.splice(at, 1)
    }
    placements.push({ slot, part: p.code, order, turned })
  }
  for (const [slot, key, turned] of entries) {
    const p = part(key)
    if (p.components.length) for (const [s, c] of p.components) put(s, c)
    else put(slot, p, turned)
  }
  return placements
}

/** "slot key; slot key" with ! after a key for a part turned round. `hands` sets both mitts, `arms` both sleeves. */
export function worn(text) {
  return placementsOf(
    text
      .split(';')
      .map((line) => line.trim())
      .filter(Boolean)
      .flatMap((line) => {
        const [, slot, key, turned] = line.match(/^(\S+) (.+?)(!?)$/)
        if (slot === 'hands')
          return [
            ['handRight', `hand/${key}`],
            ['handLeft', `hand/${key}`],
          ]
        if (slot === 'arms')
          return [
            ['armRight', key.replace('/', '-armR/')],
            ['armLeft', key.replace('/', '-armL/')],
          ]
        return [[slot, key, turned === '!']]
      }),
  )
}

// Name | year | what it wears.
const FIGURES = `
Ferry skipper | 2021 | headgear DECK/Quay Blue; head calm-chestnut/Fawn; torso quay-jacket/Quay Blue; hips workF/Slate; neck VEST/Amber
Ferry hand | 2021 | headgear BOBL/Pewter; head stubble-peat/Fawn; torso cable-knit/Moss; hips bootsF/Slate; heldRight ROPE/Rope
Ticket seller | 2021 | headgear BERET/Wine; head glasses-peat/Shell; torso purser/Chalk; hands Shell; hips darkF/Tar; neck SATCH/Oak
Regatta rower | 2019 | headgear TAIL/Copper; head calm-copper/Shell; torso heron-jersey/Quay Blue; hands Shell; hips rowerF/Chalk; heldRight OAR/Coral
Regatta cox | 2019 | headgear TOUS/Straw; head freckled-straw/Shell; torso cox-jersey/Quay Blue; hips rowerM/Chalk; heldRight FLAG/Coral
Rower at rest | 2020 | headgear CROP/Tar; head grin-tar/Umber; torso heron-jersey/Quay Blue; hands Umber; hips rowerF/Chalk; neck MEDAL/Quay Blue
Noodle cook | 2018 | headgear SCARF/Brick Dust; head lashes-tar/Hazel; torso cook-overalls/Chalk; hands Hazel; hips darkF/Tar; heldRight LADLE/Tin; heldLeft BOWL/Chalk
Baker | 2022 | headgear QUIFF/Tar; head moustache-chestnut/Fawn; torso apron-baker/Canal; hips workF/Canal; heldRight BASK/Rope
Lantern maker | 2022 | headgear BRIM/Peat; head goatee-tar/Hazel; torso wine-jacket/Wine; hips plainF/Chestnut; heldRight LANT/Clear Honey; neck SHAWL/Brick Dust
Net mender | 2017 | headgear OILH/Marigold; head beard-pewter/Shell; torso cable-knit/Oat; hips waders/Oak; heldRight POT/Rope
Accordion player | 2018 | headgear SIDE/Chestnut; head wink-chestnut/Fawn; torso boat-stripes/Oat; hands Fawn; hips patchedF/Peat; neck ACCO/Poppy
Band player | 2020 | headgear DECK/Tar; head moustache-chestnut/Shell; torso brass-band/Poppy; hands Shell; hips pipedF/Midnight; heldRight CORN/Brass
Band drummer | 2020 | headgear CURLT/Tar; head grin-tar/Cocoa; torso brass-band/Midnight; hands Cocoa; hips pipedF/Midnight; heldLeft DRUM/Poppy
Night warden | 2023 | headgear LAMPH/Gunmetal; head scar-tar/Hazel; torso warden-coat/Slate; hands Tar; hips coat-slateF/Slate; heldLeft LANT/Glow Lamp
Storm warden | 2023 | headgear OILH/Marigold; head calm-tar/Hazel; torso oilskin-coat/Marigold; hips coat-yellowF/Marigold; heldRight HOOK/Oak
Flower seller | 2016 | headgear WAVE/Copper; head lashes-chestnut/Fawn; torso cardigan-heather/Heather; hands Fawn; lower SKIRT/Moss; heldLeft BASK/Straw
Harbour child | 2016 | headgear PLAIT/Straw; head freckled-straw/Shell; torso gold-stripes/Chalk; hands Shell; hips shorts-shellS/Brick Dust
Canal child | 2022 | headgear PUFF/Tar; head calm-tar/Umber; torso lantern-tee/Tar; hands Umber; hips plainS/Slate; beside CAT/Tar
Old lock keeper | 2015 | headgear RING/Rain; head old-pewter/Fawn; torso knit-yoke/Oat; hips workF/Oat; heldRight MUG/Tin
Lock engineer | 2024 | headgear CREST/Coral; head smudge-copper/Shell; torso engine-vest/Rain; hands Shell; hips patchedF/Peat; waist POUCH/Chestnut; heldRight MALL/Gunmetal
Deckhand | 2019 | headgear LOCS/Tar; head lashes-tar/Umber; torso deckhand/Chalk; hands Umber; hips plainM/Quay Blue
Pilot | 2025 | headgear BUN/Chestnut; head calm-chestnut/Shell; torso zip-fleece/Lagoon; hands Shell; hips darkF/Midnight; heldLeft TELE/Brass
Street singer | 2024 | headgear CLOUD/Tar; head lashes-tar/Umber; torso ruffled/Foxglove; hands Umber; lower GOWN/Sloe
Old sailor | 2012 | headgear DECK/Chalk; head patch-peat/Fawn; torso anchor-tee/Chalk; hands Fawn; hips plainF/Wine
Plain old rower | 2012 | headgear STRAW/Butter; head plain-old/Primrose; torso boat-stripes/Oat; hands Primrose; hips plainF/Wine; heldRight OAR/Oat
Otter warden | 2025 | headgear SBRD/Copper; head calm-copper/Fawn; torso moss-jacket/Bottle; hands Fawn; hips plainM/Bottle; beside OTTER/Peat
Ledger clerk | 2017 | headgear SIDE/Tar; head glasses-tar/Umber; torso wine-jacket/Sloe; hips darkF/Tar; heldLeft LEDG/Wine
Market porter | 2024 | headgear CROP/Chestnut; head chin-carrot/Shell; torso market-shirt/Butter; hands Shell; hips workF/Slate; neck BACKB/Rope`
export const figures = FIGURES.trim()
  .split('\n')
  .map((line, index) => {
    const [name, year, wearing] = line.split('|').map((x) => x.trim())
    return {
      code: `F-${String(index + 1).padStart(4, '0')}`,
      name,
      year: Number(year),
      placements: worn(wearing.replace('hips waders/Oak', 'hips wadersF/Oak')),
    }
  })
export const figure = (name) => {
  const found = figures.find((f) => f.name === name)
  if (!found) throw new Error(`no figure "${name}"`)
  return found
}

// Name | kind | year | price in cents | figures | loose parts (key*count)
const RELEASES = `
Ferry Landing | box | 2021 | 3499 | Ferry skipper, Ferry hand, Ticket seller | BOLL/Tar*2, CRATE/Oak, LSCRF/Coral
Regatta Stand | box | 2019 | 2999 | Regatta rower*2, Regatta cox | FLAG/Quay Blue, OAR/Coral*2
Finish Line | box | 2020 | 1499 | Rower at rest | MEDAL/Poppy, FLAG/Coral
Night Market Row | box | 2022 | 4999 | Noodle cook, Baker, Lantern maker, Canal child | UMBR/Coral, LANT/Clear Berry*3, BASK/Rope
Lock and Weir | box | 2024 | 3999 | Lock engineer, Old lock keeper, Market porter | HERON/Rain, HOOK/Oak, CRATE/Rope*2
Storm Watch | box | 2023 | 2499 | Night warden, Storm warden | LANT/Glow Lamp, ROPE/Oat
Bandstand | box | 2020 | 2799 | Band player*2, Band drummer, Accordion player | CORN/Tin, TAILS/Midnight
Quayside Faces | blind pack | 2025 | 449 | Pilot, Otter warden, Street singer, Ledger clerk, Deckhand, Flower seller |
Old Harbour | box | 2012 | 1999 | Old sailor, Plain old rower | CAPE/Tar
Rowing Almanac | book | 2016 | 1299 | Harbour child | OAR/Quay Blue
Crab Pot Gift | kiosk gift | 2017 | 599 | Net mender | FISH/Tin`
export const releases = RELEASES.trim()
  .split('\n')
  .map((line, index) => {
    const [name, kind, year, price, figs, loose = ''] = line.split('|').map((x) => x.trim())
    const counted = (text) =>
      text
        .split(',')
        .map((x) => x.trim())
        .filter(Boolean)
        .map((x) => {
          const [key, n = '1'] = x.split('*')
          return [key, Number(n)]
        })
    return {
      code: `Q-${101 + index}`,
      name,
      kind,
      year: Number(year),
      price: Number(price),
      currency: 'EUR',
      inProduction: Number(year) >= 2023,
      contents: [
        ...counted(figs).map(([n, qty]) => ({ kind: 'figure', code: figure(n).code, qty })),
        ...counted(loose).map(([k, qty]) => ({ kind: 'part', code: part(k).code, qty })),
      ],
    }
  })
