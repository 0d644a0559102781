import { colour, colours } from './palette.mjs'
import { mould } from './moulds.mjs'
import { badges, garments, legPrints, prints } from './prints.mjs'

export const parts = []
const byKey = new Map()
let serial = 0

function add(key, name, mouldSuffix, colourNames, print, year, components = []) {
  if (byKey.has(key)) return byKey.get(key)
  serial += 1
  const entry = {
    code: `P-${String(serial).padStart(5, '0')}`,
    key,
    name,
    mould: mould(mouldSuffix).code,
    kind: mould(mouldSuffix).kind,
    colours: colourNames.map(colour),
    print: print?.code ?? null,
    year,
    components,
  }
  byKey.set(key, entry)
  parts.push(entry)
  return entry
}

/** A part by the key it was made with. */
export const part = (key) => {
  const found = byKey.get(key)
  if (!found) throw new Error(`no part "${key}"`)
  return found
}

// Headgear: mould, then its colourways as "Main/Second/Third", with the year it came out.
const HEADGEAR = {
  CROP: ['Tar', 'Chestnut', 'Pewter', 'Straw'],
  SIDE: ['Chestnut', 'Tar', 'Straw', 'Carrot'],
  QUIFF: ['Tar', 'Copper', 'Peat'],
  TOUS: ['Straw', 'Copper', 'Tar'],
  CREST: ['Coral/Tar', 'Lagoon/Peat'],
  RING: ['Rain', 'Chestnut'],
  CURLT: ['Tar', 'Chestnut', 'Copper'],
  CLOUD: ['Tar', 'Copper', 'Cocoa'],
  BUN: ['Chestnut', 'Copper', 'Rain', 'Tar'],
  PUFF: ['Tar/Coral', 'Cocoa/Marigold'],
  TAIL: ['Copper', 'Chestnut', 'Straw', 'Tar'],
  SBRD: ['Copper/Marigold', 'Peat/Coral', 'Straw/Canal'],
  PLAIT: ['Copper/Lagoon', 'Straw/Poppy', 'Tar/Mint'],
  BOB: ['Copper', 'Tar', 'Straw', 'Heather'],
  LONG: ['Tar', 'Chestnut', 'Rain'],
  WAVE: ['Straw', 'Copper', 'Chestnut'],
  LOCS: ['Tar/Brass', 'Cocoa/Coral'],
  DECK: ['Quay Blue/Midnight', 'Chalk/Tar', 'Tar/Brass'],
  OILH: ['Marigold', 'Bottle'],
  STRAW: ['Butter/Quay Blue', 'Butter/Coral'],
  SCARF: ['Brick Dust/Chalk', 'Lagoon/Butter', 'Heather/Chalk'],
  BOBL: ['Pewter/Rain', 'Poppy/Chalk', 'Bottle/Marigold'],
  BRIM: ['Peat/Tar/Chestnut', 'Oak/Wine/Tar'],
  BERET: ['Wine/Tar', 'Bottle/Copper'],
  LAMPH: ['Gunmetal/Clear Honey'],
}
const yearOf = (index) => 2015 + (index % 12)
let turn = 0
/** Parts of single moulds in their colourways; a badge follows an @. */
function addColourways(table, step) {
  for (const [suffix, ways] of Object.entries(table))
    for (const way of ways) {
      const [colourway, badge] = way.split('@')
      const names = colourway.split('/')
      const print = badge ? badges[badge] : null
      const name = print ? `${mould(suffix).name}, ${print.name.toLowerCase()}` : mould(suffix).name
      add(`${suffix}/${names[0]}${badge ? `@${badge}` : ''}`, name, suffix, names, print, yearOf((turn += step)))
    }
}
addColourways(HEADGEAR, 5)

const HEADS = `
calm-chestnut Fawn; calm-chestnut Shell; calm-copper Shell; calm-copper Fawn; calm-tar Umber; calm-tar Hazel; calm-tar Fawn; grin-tar Umber; grin-tar Cocoa;
lashes-tar Hazel; lashes-tar Umber; lashes-tar Shell; lashes-chestnut Fawn; lashes-chestnut Plum Skin; freckled-straw Shell; freckled-copper Shell; freckled-copper Fawn;
old-pewter Fawn; old-pewter Umber; beard-pewter Shell; beard-chestnut Fawn; beard-chestnut Hazel; goatee-tar Hazel; goatee-tar Cocoa; glasses-peat Shell; glasses-peat Plum Skin;
glasses-tar Umber; scar-tar Fawn; scar-tar Hazel; stubble-peat Fawn; stubble-peat Shell; wink-chestnut Fawn; wink-chestnut Hazel; moustache-chestnut Fawn; moustache-chestnut Shell;
patch-peat Fawn; plain-old Primrose; chin-carrot Shell; smudge-copper Fawn; smudge-copper Shell`
/** "face Skin" on the usual head, or "face Skin MOULD". */
function addHeads(text) {
  for (const entry of text.split(';')) {
    const [, face, skin, suffix = 'HEAD'] = entry.trim().match(/^(\S+) (.+?)(?: (HEAD[A-Z]))?$/)
    const print = prints.find((p) => p.code === `D-FACE-${face.toUpperCase()}`)
    if (!print) throw new Error(`no face "${face}"`)
    const old = print.traits.includes('style=old')
    const key = `${face}/${skin}${suffix === 'HEAD' ? '' : `/${suffix}`}`
    add(key, print.name, suffix, [skin], print, old ? 2012 : yearOf((turn += 7)))
  }
}
addHeads(HEADS)

const SKINS = ['Primrose', 'Fawn', 'Shell', 'Plum Skin', 'Umber', 'Hazel', 'Cocoa']
for (const skin of [...SKINS, 'Tar', 'Chalk', 'Peat', 'Marigold'])
  add(`hand/${skin}`, 'Mitt', 'HAND', [skin], null, 2014)

// Dressed torsos: garment key, cloth of the torso, sleeves, mitts as sold.
const DRESSED = `
quay-jacket Quay Blue Quay Blue Fawn; moss-jacket Bottle Bottle Fawn; wine-jacket Wine Wine Hazel; net-overalls Marigold Marigold Umber; cook-overalls Chalk Chalk Hazel;
boat-stripes Oat Oat Fawn; gold-stripes Chalk Chalk Shell; heron-jersey Quay Blue Quay Blue Shell; cox-jersey Quay Blue Quay Blue Shell; oilskin-coat Marigold Marigold Hazel;
warden-coat Slate Slate Tar; purser Chalk Chalk Shell; brass-band Poppy Poppy Shell; brass-band Midnight Midnight Cocoa; apron-baker Canal Canal Fawn;
knit-yoke Oat Oat Fawn; cable-knit Oat Oat Shell; cable-knit Moss Moss Fawn; cardigan-heather Heather Heather Fawn; deckhand Chalk Chalk Umber;
anchor-tee Chalk Chalk Fawn; lantern-tee Tar Tar Umber; engine-vest Rain Rain Shell; ruffled Foxglove Foxglove Umber; zip-fleece Lagoon Lagoon Shell;
market-shirt Butter Butter Shell; wine-jacket Sloe Sloe Umber; net-overalls Chalk Chalk Shell`
function addDressed(text) {
  for (const entry of text.split(';')) {
    const words = entry.trim().match(/^(\S+) (.+)$/)
    const names = words[2].split(/ (?=[A-Z])/).reduce((list, word) => {
      const joined = list.length && [`${list.at(-1)} ${word}`].filter((n) => colours.some((c) => c.name === n))[0]
      return joined ? [...list.slice(0, -1), joined] : [...list, word]
    }, [])
    const [cloth, sleeve, mitt] = names
    const { torso: torsoPrint, sleeve: sleevePrint } = garments[words[1]]
    const year = yearOf((turn += 5))
    const torso = add(`${words[1]}-torso/${cloth}`, torsoPrint.name, 'TORSO', [cloth], torsoPrint, year)
    const sleeveName = sleevePrint ? sleevePrint.name : 'Plain sleeve'
    const armKey = sleevePrint ? words[1] : 'plain'
    const armRight = add(`${armKey}-armR/${sleeve}`, sleeveName, 'ARMR', [sleeve], sleevePrint, year)
    const armLeft = add(`${armKey}-armL/${sleeve}`, sleeveName, 'ARML', [sleeve], sleevePrint, year)
    const hand = part(`hand/${mitt}`)
    add(`${words[1]}/${cloth}`, torsoPrint.name, 'DRESS', [cloth, sleeve, mitt], torsoPrint, year, [
      ['torso', torso],
      ['armRight', armRight],
      ['armLeft', armLeft],
      ['handRight', hand],
      ['handLeft', hand],
    ])
  }
}
addDressed(DRESSED)
for (const sleeve of ['Umber', 'Fawn', 'Tar', 'Brick Dust', 'Poppy', 'Lagoon']) {
  add(`plain-armR/${sleeve}`, 'Plain sleeve', 'ARMR', [sleeve], null, 2016)
  add(`plain-armL/${sleeve}`, 'Plain sleeve', 'ARML', [sleeve], null, 2016)
}

const LEGS = `
work Slate F; work Canal F; dark Tar F; dark Midnight F; boots Slate F; yellow-boots Quay Blue F; piped Midnight F; patched Peat F; shorts-fawn Rope M; shorts-shell Brick Dust S;
coat-yellow Marigold F; coat-slate Slate F; waders Oak F; rower Chalk F; rower Chalk M; plain Chestnut F; plain Quay Blue M; plain Slate S; plain Wine F; work Oat F; dark Slate M; plain Bottle M`
function addLegs(text) {
  for (const entry of text.split(';')) {
    const [, key, cloth, length] = entry.trim().match(/^(\S+) (.+) ([FMS])$/)
    const { leg, hips: hipPrint } = legPrints[key]
    const year = yearOf((turn += 7))
    const hips = add(
      `${hipPrint ? key : 'plain'}-hips/${cloth}`,
      hipPrint ? hipPrint.name : 'Hips',
      'HIPS',
      [cloth],
      hipPrint,
      year,
    )
    const right = add(`${key}-legR${length}/${cloth}`, `${leg.name}, right leg`, `LEGR${length}`, [cloth], leg, year)
    const left = add(`${key}-legL${length}/${cloth}`, `${leg.name}, left leg`, `LEGL${length}`, [cloth], leg, year)
    const size = { F: '', M: ', middle', S: ', short' }[length]
    add(`${key}${length}/${cloth}`, `${leg.name}${size}`, `PAIR${length}`, [cloth], leg, year, [
      ['hips', hips],
      ['legRight', right],
      ['legLeft', left],
    ])
  }
}
addLegs(LEGS)

const LOOSE = {
  SKIRT: ['Wine/Fawn', 'Quay Blue/Umber', 'Moss/Plum Skin', 'Brick Dust/Hazel'],
  GOWN: ['Sloe/Brass', 'Lagoon/Chalk'],
  CAPE: ['Wine/Brass', 'Tar/Tin', 'Bottle/Brass'],
  SHAWL: ['Heather/Oat', 'Brick Dust/Butter'],
  VEST: ['Amber/Oak', 'Coral/Tar'],
  OILC: ['Marigold/Tar', 'Bottle/Brass'],
  MEDAL: ['Quay Blue/Brass', 'Poppy/Tin'],
  SATCH: ['Oak/Chestnut', 'Tar/Peat'],
  ACCO: ['Poppy/Chalk', 'Lagoon/Oat'],
  LSCRF: ['Coral/Oat', 'Bottle/Marigold'],
  BACKB: ['Rope/Chestnut'],
  BEARD: ['Rain', 'Chestnut'],
  BELT: ['Peat/Brass', 'Tar/Tin'],
  POUCH: ['Chestnut/Oak'],
  WAPR: ['Chalk', 'Slate'],
  TAILS: ['Midnight/Brass', 'Wine/Brass'],
  SASH: ['Coral', 'Quay Blue'],
  OAR: ['Coral/Rope', 'Oat/Oak', 'Quay Blue/Rope'],
  LANT: ['Clear Honey/Tar', 'Clear Berry/Brass', 'Glow Lamp/Gunmetal'],
  LADLE: ['Tin'],
  CORN: ['Brass', 'Tin'],
  ROPE: ['Rope', 'Oat'],
  POT: ['Rope/Oak', 'Pewter/Tar'],
  LEDG: ['Wine/Oat', 'Bottle/Brass'],
  UMBR: ['Tar/Oak', 'Clear Tide/Chalk', 'Coral/Tar'],
  BOWL: ['Chalk/Quay Blue', 'Poppy/Brass'],
  HOOK: ['Oak/Gunmetal'],
  BRUSH: ['Coral/Oak', 'Canal/Oak'],
  TELE: ['Brass/Peat'],
  FISH: ['Tin', 'Copper'],
  BASK: ['Rope/Poppy', 'Straw/Moss'],
  MALL: ['Oak', 'Gunmetal'],
  FLAG: ['Coral/Oat', 'Quay Blue/Chalk'],
  MUG: ['Chalk', 'Tin'],
  DRUM: ['Poppy/Brass'],
  OTTER: ['Peat/Rope', 'Pewter/Rain'],
  CAT: ['Tar/Chalk', 'Carrot/Oat'],
  HERON: ['Rain/Chalk'],
  CRATE: ['Oak', 'Rope'],
  BOLL: ['Tar/Rope'],
}
addColourways(LOOSE, 3)

// What came to the harbour later; kept behind the rest so that codes stay what they are.
const LATER_HEADGEAR = {
  BOWLC: ['Tar', 'Straw', 'Copper'],
  WIND: ['Peat', 'Straw', 'Rain'],
  LBUN: ['Chestnut', 'Tar', 'Pewter'],
  CBRD: ['Straw', 'Copper', 'Cocoa'],
  PEAK: ['Midnight/Tar/Brass', 'Chalk/Midnight/Brass'],
  VISOR: ['Coral/Chalk', 'Clear Tide/Canal'],
  FLOWR: ['Rosehip/Chalk/Moss', 'Marigold/Coral/Bottle'],
  HOOD: ['Marigold', 'Slate', 'Marigold@hood-lantern'],
  DOME: ['Brass/Clear Tide', 'Tin/Clear Glass'],
  CAPB: ['Canal/Copper', 'Wine/Tar'],
  DECK: ['Midnight/Tar@cap-anchor', 'Chalk/Quay Blue@cap-oars', 'Quay Blue/Oat@cap-heron'],
  RING: ['Pewter'],
}
addColourways(LATER_HEADGEAR, 5)
addHeads(`steady-straw Shell; cheer-carrot Shell; cheer-carrot Fawn; dimple-peat Fawn; dimple-peat Hazel; lashes-copper Shell; lashes-straw Fawn; lashes-pewter Umber;
lips-tar Hazel; lips-tar Cocoa; squint-chestnut Fawn; boy-tar Umber; boy-tar Hazel; girl-cocoa Cocoa; baby-straw Shell; goatee-pewter Fawn; beard-tar Umber; beard-straw Shell;
beard-copper Fawn; moustache-tar Hazel; moustache-rain Fawn; stubble-tar Plum Skin; glasses-copper Shell; glasses-pewter Fawn; glasses-chestnut Fawn; scar-rain Umber;
paint-blue Hazel; paint-coral Fawn; cat-paint Shell; smudge-tar Umber; nose-chestnut Fawn HEADP; sweat-chestnut Shell; sweat-tar Cocoa; squint-chestnut Plum Skin HEADJ;
baby-straw Fawn HEADR; calm-tar Peat HEADO; grin-tar Clear Honey HEADL; beard-tar Hazel HEADJ`)
addDressed(`ferry-tunic Midnight Midnight Shell; pilot-coat Midnight Midnight Fawn; lantern-coat Wine Wine Hazel; evening-lapels Slate Slate Fawn; check-shirt Chalk Chalk Shell;
check-moss Moss Moss Fawn; wave-jumper Chalk Chalk Fawn; tide-blouse Canal Canal Hazel; sail-harness Ice Ice Shell; roof-harness Slate Slate Plum Skin; many-pockets Oat Oat Shell;
hood-coral Rain Rain Fawn; hood-slate Tar Tar Shell; leaf-smock Mint Mint Peat; petal-smock Chalk Chalk Fawn; fish-tee Ice Ice Shell; star-tee Heather Heather Shell;
gull-jersey Poppy Poppy Hazel; otter-jersey Bottle Bottle Shell; cook-jacket Chalk Chalk Hazel; smith-apron Pewter Pewter Umber; clerk-waistcoat Chalk Chalk Fawn;
fiddler-waistcoat Butter Butter Fawn; sash-tunic Bottle Bottle Fawn; dive-suit Rope Rope Peat; school-tie Slate Slate Hazel; night-cloak Slate Slate Umber`)
addLegs(`coat-midnight Midnight F; coat-wine Wine F; red-boots Tar F; white-shoes Chalk F; side-coral Midnight F; side-marigold Bottle F; side-marigold Bottle M; gull-hoops Poppy F;
turned-cuffs Canal F; dotted Wine F; knee-slate Peat F; shorts-cocoa Canal S; shorts-hazel Moss M; wellingtons Rope F; dive-legs Rope F; belted Slate F; socks-up Slate S; dark Slate F`)
addColourways(
  {
    GOGG: ['Clear Glass/Tar', 'Clear Honey/Oak'],
    DUSTM: ['Chalk/Rain'],
    MASK: ['Marigold/Coral', 'Pearl Oyster/Heather'],
    CUFF: ['Chalk/Brass', 'Poppy/Brass'],
    BANGL: ['Brass/Coral'],
    GAUNT: ['Oak/Peat'],
    TOWEL: ['Chalk/Quay Blue', 'Coral/Oat'],
    SROPE: ['Rope', 'Oat'],
    FTAIL: ['Lagoon/Ice'],
    LAPR: ['Chalk/Quay Blue', 'Peat/Oak'],
    PTAIL: ['Copper/Oat', 'Peat/Rope'],
    HHOOK: ['Tar'],
    GRIP: ['Tin'],
    RISER: ['Tar', 'Oat'],
    STEP: ['Oak/Peat'],
    PONT: ['Rope/Oak'],
    NET: ['Oat/Oak', 'Marigold/Tin'],
    FIDD: ['Copper/Peat', 'Chestnut/Tar'],
    MEGA: ['Coral/Chalk', 'Tin/Tar'],
    BELL: ['Brass/Oak', 'Tin/Peat'],
    CHART: ['Butter/Poppy'],
    TEA: ['Quay Blue/Brass', 'Chalk/Copper'],
    POSY: ['Rosehip/Butter/Chalk', 'Poppy/Marigold/Ice'],
    PLANT: ['Glow Lamp/Tar', 'Clear Berry/Brass', 'Butter/Brick Dust@lantern-leaf'],
    GULL: ['Chalk/Rain'],
    BARR: ['Oak/Gunmetal', 'Oak/Tin@barrel-fish'],
    CAPE: ['Midnight/Brass@cape-star', 'Quay Blue/Tin@cape-heron'],
    VEST: ['Poppy/Chalk@vest-anchor'],
    FLAG: ['Canal/Oat@flag-fish', 'Chalk/Poppy@flag-oars'],
    DRUM: ['Canal/Brass@drum-wave'],
    LEDG: ['Midnight/Oat@ledger-anchor'],
  },
  3,
)
for (const sleeve of ['Chalk', 'Foxglove', 'Mint']) {
  add(`puff-armR/${sleeve}`, 'Puffed sleeve', 'PUFFR', [sleeve], null, 2018)
  add(`puff-armL/${sleeve}`, 'Puffed sleeve', 'PUFFL', [sleeve], null, 2018)
}

/** Small pieces that others are put together of; offers of theirs come from a stream of chance of their own. */
const SMALL = {
  ROD: ['Oak', 'Tar', 'Tin'],
  SROD: ['Oak', 'Tar'],
  JEWEL: ['Clear Honey', 'Clear Berry', 'Clear Tide'],
  HORN: ['Brass', 'Oat'],
  BLADE: ['Tin/Tar', 'Brass/Oak'],
  WHEEL: ['Oak/Tin', 'Tar/Brass'],
  PLANK: ['Oak', 'Rope'],
  TROUG: ['Rope/Oak', 'Quay Blue/Chalk'],
}
addColourways(SMALL, 1)
export const isSmall = ({ key }) => Object.hasOwn(SMALL, key.split('/')[0])
