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
Market porter | 2024 | headgear CROP/Chestnut; head chin-carrot/Shell; torso market-shirt/Butter; hands Shell; hips workF/Slate; neck BACKB/Rope
Ferry mate | 2024 | headgear PEAK/Midnight; head steady-straw/Shell; torso ferry-tunic/Midnight; hands Shell; hips beltedF/Slate; heldRight CHART/Butter
Harbour pilot | 2022 | headgear PEAK/Chalk; head moustache-rain/Fawn; torso pilot-coat/Midnight; hands Fawn; hips coat-midnightF/Midnight; heldLeft TELE/Brass
Radio keeper | 2022 | headgear BOWLC/Tar; head glasses-chestnut/Fawn; torso clerk-waistcoat/Chalk; hips darkF/Tar; heldRight MEGA/Tin
Buoy painter | 2020 | headgear WIND/Straw; head beard-straw/Shell; torso check-shirt/Chalk; hands Shell; hips patchedF/Peat; heldRight BRUSH/Coral
Gull crew stroke | 2021 | headgear LBUN/Chestnut; head lips-tar/Hazel; torso gull-jersey/Poppy; hands Hazel; hips gull-hoopsF/Poppy; heldRight OAR/Oat
Gull crew bow | 2021 | headgear BOWLC/Straw; head squint-chestnut/Fawn; torso gull-jersey/Poppy; hands Fawn; hips gull-hoopsF/Poppy; heldRight OAR/Oat
Otter crew stroke | 2023 | headgear CBRD/Copper; head lashes-copper/Shell; torso otter-jersey/Bottle; hands Shell; hips side-marigoldF/Bottle; heldRight OAR/Quay Blue
Otter crew cox | 2023 | headgear VISOR/Coral; head boy-tar/Umber; torso otter-jersey/Bottle; hands Umber; hips side-marigoldM/Bottle; heldLeft MEGA/Coral
Rower at the line | 2025 | headgear CROP/Tar; head sweat-tar/Cocoa; torso heron-jersey/Quay Blue; hands Cocoa; hips rowerF/Chalk; neck TOWEL/Chalk
Rower in paint | 2026 | headgear SIDE/Tar; head paint-blue/Hazel; torso heron-jersey/Quay Blue; hands Hazel; hips rowerF/Chalk; heldRight OAR/Coral
Regatta starter | 2019 | headgear STRAW/Butter; head glasses-pewter/Fawn; torso evening-lapels/Slate; hips white-shoesF/Chalk; heldLeft FLAG/Chalk@flag-oars
Life guard | 2025 | headgear VISOR/Clear Tide; head dimple-peat/Hazel; torso tide-blouse/Canal; hands Hazel; hips shorts-hazelM/Moss; neck VEST/Poppy@vest-anchor; heldRight HOOK/Oak
Diver | 2024 | headgear DOME/Brass; head beard-tar/Umber; torso dive-suit/Rope; hands Peat; hips dive-legsF/Rope; heldLeft NET/Marigold
Salvage diver | 2026 | headgear DOME/Tin; head smudge-tar/Umber; torso dive-suit/Rope; hands Peat; handRight GRIP/Tin; hips dive-legsF/Rope
Lantern parade otter | 2025 | head calm-tar/Peat/HEADO; torso leaf-smock/Mint; hands Peat; hips wellingtonsF/Rope; waist PTAIL/Peat; heldRight PLANT/Butter@lantern-leaf
Lantern parade cat | 2025 | headgear CBRD/Straw; head cat-paint/Shell; torso star-tee/Heather; hands Shell; hips socks-upS/Slate; waist PTAIL/Copper; heldLeft PLANT/Clear Berry
Walking lantern | 2026 | head grin-tar/Clear Honey/HEADL; torso lantern-coat/Wine; hips coat-wineF/Wine; heldRight PLANT/Glow Lamp
Sea maid | 2026 | headgear WIND/Rain; head paint-coral/Fawn; torso petal-smock/Chalk; hands Fawn; lower FTAIL/Lagoon; neck MEDAL/Quay Blue
Parade drummer | 2025 | headgear FLOWR/Marigold; head cheer-carrot/Fawn; torso sash-tunic/Bottle; hands Fawn; hips side-marigoldF/Bottle; heldLeft DRUM/Canal@drum-wave
Masked dancer | 2025 | headgear FLOWR/Rosehip; head lashes-straw/Fawn; face MASK/Marigold; torso petal-smock/Chalk; hands Fawn; lower SKIRT/Wine; wristRight BANGL/Brass; wristLeft BANGL/Brass
Fiddler | 2018 | headgear RING/Pewter; head goatee-pewter/Fawn; torso fiddler-waistcoat/Butter; hands Fawn; hips turned-cuffsF/Canal; heldRight FIDD/Copper
Night fiddler | 2024 | headgear BERET/Bottle; head dimple-peat/Fawn; torso fiddler-waistcoat/Butter; hands Fawn; hips dottedF/Wine; heldRight FIDD/Chestnut
Bell ringer | 2016 | headgear BOBL/Poppy; head nose-chestnut/Fawn/HEADP; torso wave-jumper/Chalk; hands Fawn; hips red-bootsF/Tar; heldRight BELL/Brass
Tea seller | 2022 | headgear SCARF/Lagoon; head lashes-pewter/Umber; torso smith-apron/Pewter; hands Umber; lower SKIRT/Quay Blue; heldRight TEA/Quay Blue
Posy girl | 2023 | headgear PLAIT/Copper; head girl-cocoa/Cocoa; torso leaf-smock/Mint; hands Cocoa; hips shorts-cocoaS/Canal; heldLeft POSY/Rosehip
Fish cook | 2022 | headgear BOBL/Bottle; head moustache-tar/Hazel; torso cook-jacket/Chalk; hands Hazel; hips knee-slateF/Peat; waist LAPR/Chalk; heldRight FISH/Tin
Smith | 2017 | headgear CREST/Lagoon; head scar-rain/Umber; face GOGG/Clear Honey; torso smith-apron/Pewter; hands Umber; hips knee-slateF/Peat; wristRight GAUNT/Oak; heldLeft MALL/Gunmetal
Roof thatcher | 2021 | headgear WIND/Peat; head stubble-tar/Plum Skin; torso roof-harness/Slate; hands Plum Skin; hips knee-slateF/Peat; neck SROPE/Rope
Sail maker | 2020 | headgear LBUN/Pewter; head glasses-copper/Shell; torso sail-harness/Ice; hands Shell; hips beltedF/Slate; heldRight ROPE/Oat
Market clerk | 2023 | headgear SIDE/Straw; head glasses-copper/Shell; torso clerk-waistcoat/Chalk; hands Shell; hips darkF/Slate; heldLeft LEDG/Midnight@ledger-anchor
Crate carrier | 2024 | headgear CAPB/Canal; head freckled-copper/Shell; torso many-pockets/Oat; hands Shell; hips wellingtonsF/Rope; beside BARR/Oak@barrel-fish
Canal child with net | 2023 | headgear BOWLC/Copper; head baby-straw/Shell; torso fish-tee/Ice; hands Shell; hips shorts-shellS/Brick Dust; heldRight NET/Oat
School rower | 2023 | headgear CAPB/Wine; head boy-tar/Hazel; torso school-tie/Slate; hands Hazel; hips darkM/Slate; heldLeft LEDG/Bottle
Rain walker | 2019 | headgear HOOD/Marigold; head old-pewter/Umber; torso cable-knit/Oat; hands Umber; hips yellow-bootsF/Quay Blue; neck OILC/Marigold
Storm keeper | 2021 | headgear HOOD/Slate; head beard-chestnut/Fawn; torso warden-coat/Slate; hips coat-slateF/Slate; heldRight LANT/Clear Honey
Lamp lighter | 2024 | headgear HOOD/Marigold@hood-lantern; head calm-tar/Umber; torso night-cloak/Slate; hands Umber; hips coat-slateF/Slate; heldLeft PLANT/Glow Lamp
Bridge warden | 2022 | headgear DECK/Midnight@cap-anchor; head goatee-tar/Hazel; torso night-cloak/Slate; hands Hazel; hips pipedF/Midnight; neck CAPE/Midnight@cape-star
Heron warden | 2026 | headgear DECK/Quay Blue@cap-heron; head steady-straw/Shell; torso moss-jacket/Bottle; hands Shell; hips wellingtonsF/Rope; neck CAPE/Quay Blue@cape-heron; beside HERON/Rain
Gull feeder | 2016 | headgear BUN/Rain; head lashes-pewter/Umber; torso cardigan-heather/Heather; hands Umber; lower SKIRT/Moss; heldRight BASK/Rope; beside GULL/Chalk
Old captain | 2014 | headgear DECK/Chalk; head moustache-rain/Fawn; torso anchor-tee/Chalk; hands Fawn; hips plainF/Wine; wristRight CUFF/Poppy
Hook-handed sailor | 2013 | headgear SCARF/Brick Dust; head patch-peat/Fawn; torso boat-stripes/Oat; handRight HHOOK/Tar; handLeft hand/Fawn; hips plainF/Wine
Old primrose cook | 2013 | headgear STRAW/Butter; head plain-old/Primrose; torso boat-stripes/Oat; hands Primrose; hips plainF/Wine; heldRight LADLE/Tin
Toy stall keeper | 2020 | headgear CURLT/Chestnut; head wink-chestnut/Fawn; torso hood-coral/Rain; hands Fawn; hips side-coralF/Midnight; heldLeft POSY/Poppy
Late skater | 2026 | headgear CLOUD/Cocoa; head sweat-chestnut/Shell; torso hood-slate/Tar; hands Shell; hips side-coralF/Midnight; neck LSCRF/Coral
Check-shirt carter | 2018 | headgear BRIM/Oak; head beard-copper/Fawn; torso check-moss/Moss; hands Fawn; hips beltedF/Slate; beside BARR/Oak
`
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
Quayside Faces | blind pack | 2026 | 449 | Pilot*3, Otter warden*2, Street singer*2, Ledger clerk*3, Deckhand*3, Flower seller*2, Heron warden, Sea maid, Walking lantern, Late skater*2, Rower in paint*2, Salvage diver*2 |
Old Harbour | box | 2012 | 1999 | Old sailor, Plain old rower | CAPE/Tar
Rowing Almanac | book | 2016 | 1299 | Harbour child | OAR/Quay Blue
Crab Pot Gift | kiosk gift | 2017 | 599 | Net mender | FISH/Tin
Lantern Parade | box | 2025 | 5999 | Lantern parade otter, Lantern parade cat, Parade drummer, Masked dancer, Posy girl, Lamp lighter | MASK/Pearl Oyster, PLANT/Clear Berry*2, PLANT/Butter@lantern-leaf*3, FLOWR/Rosehip, POSY/Poppy*2, MEDAL/Poppy*3
Three Crews | box | 2025 | 5499 | Gull crew stroke, Gull crew bow, Otter crew stroke, Otter crew cox, Rower at the line, Life guard, Regatta starter | OAR/Oat*2, OAR/Quay Blue*2, FLAG/Canal@flag-fish, TOWEL/Coral, PONT/Rope, RISER/Tar*2
Diving Bell | box | 2024 | 2999 | Diver, Crate carrier, Harbour pilot, Radio keeper | NET/Oat, GOGG/Clear Glass*2, BELL/Tin, BARR/Oak
Working Yard | box | 2023 | 4499 | Smith, Roof thatcher, Sail maker, Buoy painter, Check-shirt carter, Market clerk | CHART/Butter, SROPE/Oat, GAUNT/Oak, STEP/Oak, DUSTM/Chalk*2
Tea by the Canal | box | 2023 | 3299 | Tea seller, Fish cook, Canal child with net, School rower, Gull feeder | TEA/Chalk, MUG/Chalk*4, GULL/Chalk*2
Night Walk | box | 2024 | 2499 | Storm keeper, Bridge warden, Night fiddler, Ferry mate | LANT/Clear Honey, CUFF/Chalk*2, RISER/Oat
Harbour Weekly | magazine | 2019 | 799 | Rain walker | BELL/Brass
Fair Monday | box | 2018 | 1899 | Fiddler, Bell ringer | FIDD/Chestnut, DRUM/Canal@drum-wave
First Sailors | box | 2014 | 1799 | Old captain, Hook-handed sailor, Old primrose cook | CAPE/Tar, BARR/Oak
Toy Stall | kiosk gift | 2020 | 699 | Toy stall keeper | MASK/Marigold`
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
      // A blind pack brings one figure by chance: what is written is how many of each stand in a full case.
      cases: kind === 'blind pack' ? counted(figs).map(([n, qty]) => ({ code: figure(n).code, qty })) : [],
      contents: [
        ...(kind === 'blind pack' ? [] : counted(figs)).map(([n, qty]) => ({
          kind: 'figure',
          code: figure(n).code,
          qty,
        })),
        ...counted(loose).map(([k, qty]) => ({ kind: 'part', code: part(k).code, qty })),
      ],
    }
  })
