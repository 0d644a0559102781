import { brief, marketWishes } from './briefs.mjs'
import { colours } from './palette.mjs'
import { figures, releases, worn } from './releases.mjs'

const colourCode = (name) => colours.find((colour) => colour.name === name).code
const releaseCode = (name) => releases.find((release) => release.name === name).code

/** A take; `altered` says by slot what is done to the part there for good, `turned` what is worn back to front. */
const take = (label, wearing, { chosen = false, reason = '', altered = {}, turned = [], made = [] } = {}) => ({
  label,
  chosen,
  ...(reason ? { reason } : {}),
  placements: worn(wearing).map((placement) => ({
    ...placement,
    turned: placement.turned || turned.includes(placement.slot),
    ...(altered[placement.slot] ? { altered: altered[placement.slot] } : {}),
  })),
  ...(made.length > 0 ? { made } : {}),
})

const outfit = (name, faction, takes, { stature = 'full', more = {}, ...rest } = {}) => ({
  name,
  outfits: [{ name, faction, stature, brief: brief(marketWishes[name] ?? '', { stature, ...rest }), takes, ...more }],
})
/** An outfit of one take; `alsoMade` makes a second one with something made of several parts. */
const one = (name, faction, wearing, { altered, turned, alsoMade, ...rest } = {}) =>
  outfit(
    name,
    faction,
    [take('A', wearing, { chosen: true, altered, turned }), ...(alsoMade ? [takeB(wearing, alsoMade)] : [])],
    rest,
  )
/** The same clothes with something made of several parts in the place of what is there. */
const takeB = (wearing, made) => take('B', wearing, { made: [made] })

const paint = (name, note) => [{ kind: 'painted', colour: colourCode(name), note }]

const nightMarket = {
  name: 'Night market',
  note: 'A numbered series of twelve in four factions. Every face its own; what has to be altered is altered for good.',
  rules: 'altered',
  switches: { faces: 'all-different', spendingLimit: 800 },
  budget: 20000,
  currency: 'EUR',
  dueOn: '2027-06-05',
  characters: [
    one(
      'Ines, noodles',
      'Cooks',
      'headgear SCARF/Brick Dust; head lashes-tar/Hazel; torso cook-overalls/Chalk; hands Hazel; hips workF/Oat; heldRight LADLE/Tin; heldLeft BOWL/Chalk',
      { years: 41, abilities: ['cooks'] },
    ),
    one(
      'Otto, fish',
      'Cooks',
      'headgear BOBL/Bottle; head moustache-tar/Hazel; torso cook-jacket/Chalk; hands Hazel; hips knee-slateF/Peat; waist LAPR/Chalk; neck OILC/Bottle',
      { years: 52, abilities: ['cooks', 'fishes'] },
    ),
    one(
      'Lune, bread',
      'Cooks',
      'headgear QUIFF/Tar; head moustache-chestnut/Fawn; torso apron-baker/Canal; hips workF/Canal; heldRight BASK/Rope',
      { years: 29 },
    ),
    one(
      'Sif, lanterns',
      'Makers',
      'headgear BRIM/Peat; head goatee-tar/Hazel; torso wine-jacket/Wine; hips plainF/Chestnut; heldRight LANT/Clear Honey; neck SHAWL/Brick Dust',
      { years: 47, abilities: ['lights'] },
    ),
    one(
      'Abe, nets',
      'Makers',
      'headgear OILH/Marigold; head beard-pewter/Shell; torso cable-knit/Oat; hips wadersF/Oak; heldRight POT/Rope; neck BEARD/Rain',
      { years: 66, abilities: ['fishes'], alsoMade: { slot: 'beside', name: 'Net cart' } },
    ),
    one(
      'Roon, the forge',
      'Makers',
      'headgear CREST/Lagoon; head scar-rain/Umber; face GOGG/Clear Honey; torso smith-apron/Pewter; hands Umber; hips knee-slateF/Peat; heldLeft MALL/Gunmetal',
      {
        years: 58,
        abilities: ['mends'],
        altered: { headgear: paint('Rain', 'Two thin coats over a primer') },
        alsoMade: { slot: 'heldRight', name: 'Forge staff' },
      },
    ),
    one(
      'Milo, accordion',
      'Musicians',
      'headgear SIDE/Chestnut; head wink-chestnut/Fawn; torso boat-stripes/Oat; hands Fawn; hips patchedF/Peat; legLeft work-legLF/Slate; neck ACCO/Poppy; neck CAPE/Tar',
      { years: 33, abilities: ['plays'] },
    ),
    one(
      'Wim, fiddle',
      'Musicians',
      'headgear RING/Rain; head goatee-pewter/Fawn; torso fiddler-waistcoat/Butter; hands Fawn; hips turned-cuffsF/Canal; heldRight FIDD/Copper',
      {
        years: 70,
        abilities: ['plays'],
        altered: { headgear: paint('Pewter', 'To go with his goatee') },
      },
    ),
    one(
      'Amara, songs',
      'Musicians',
      'headgear LONG/Tar; head lashes-tar/Umber; torso ruffled/Foxglove; hands Umber; lower GOWN/Sloe',
      {
        years: 25,
        altered: { headgear: [{ kind: 'trimmed', share: 30, note: 'To the shoulder, with a fine saw' }] },
      },
    ),
    one(
      'Pia, drum',
      'Musicians',
      'headgear FLOWR/Marigold; head cheer-carrot/Fawn; torso sash-tunic/Bottle; hands Fawn; hips side-marigoldM/Bottle; heldLeft DRUM/Canal@drum-wave',
      { stature: 'full', statureWeight: 'must', years: 16, abilities: ['plays'] },
    ),
    one(
      'Storm warden',
      'Wardens',
      'headgear OILH/Marigold; head calm-tar/Hazel; torso oilskin-coat/Marigold; hips workF/Slate; heldRight HOOK/Oak',
      { years: 38, abilities: ['rescues'] },
    ),
    one(
      'Lamp lighter',
      'Wardens',
      'headgear HOOD/Slate; head calm-tar/Umber; torso night-cloak/Slate; hands Umber; hips workF/Slate; heldLeft PLANT/Glow Lamp',
      { years: 21, abilities: ['lights'], turned: ['torso'] },
    ),
  ],
}

/** The code of a part worn in a slot, as it is said of takes. */
const partOf = (wearing) => worn(wearing)[0].part
const piece = (name, wearing, qty) => ({ part: partOf(wearing), name, qty })

/** What the series says of each, in the order of its numbers. */
const LINES = {
  'Ines, noodles': 'Slurping is a compliment to the cook.',
  'Otto, fish': 'Weighs with his thumb on nothing but the fish.',
  'Lune, bread': 'Up before the bakers, and he is one.',
  'Sif, lanterns': 'Sells light by the evening.',
  'Abe, nets': 'Every hole in his nets has a name.',
  'Roon, the forge': 'Mends what you swore was past mending.',
  'Milo, accordion': 'Knows one waltz and all its cousins.',
  'Wim, fiddle': 'Tunes twice, plays once, bows to nobody.',
  'Amara, songs': 'The last ferry waits until she is done.',
  'Pia, drum': 'Keeps the market in step, and her mother awake.',
  'Storm warden': 'Has closed the market four times, was right five.',
  'Lamp lighter': 'If you see her, it is late. Go home.',
}

nightMarket.series = {
  title: 'Night market',
  number: '1',
  credit: 'Toni Ferrant, Lantern Quay',
  privately: 'Made by a private person for pleasure; not made, sponsored or endorsed by any maker of toys.',
  entries: Object.entries(LINES).map(([name, line], i) => ({
    outfit: name,
    number: i + 1,
    line,
    credit: name === 'Abe, nets' ? 'Idea: June Hallow' : '',
  })),
  leaflet: {
    fold: 'zigzag',
    panels: 6,
    width: 60,
    height: 90,
    paper: 'A4',
    marks: true,
    items: true,
    lines: true,
    ticks: true,
  },
  carton: {
    shape: 'tuck',
    inner: null,
    clearance: 2,
    board: 0.4,
    paper: 'A4',
    front: ['Sif, lanterns', 'Ines, noodles', 'Milo, accordion'],
    colour: '#24507C',
    side: 'Twelve who are out when everybody else is in. Made at home, for nobody’s profit and everybody’s pleasure.',
    copies: null,
  },
  packs: {
    packs: 24,
    spread: 'equal',
    weights: [],
    chase: [],
    items: [
      {
        id: 'berry-lantern',
        name: 'Berry lantern',
        part: partOf('heldLeft PLANT/Clear Berry'),
        count: 4,
        tiedTo: null,
      },
    ],
    atMostOne: true,
    every: 6,
    seed: 1204,
  },
  bonus: {
    name: 'A stall for all of them',
    pieces: [
      piece('Crate, oak', 'beside CRATE/Oak', 2),
      piece('Crate, rope', 'beside CRATE/Rope', 1),
      piece('Riser plate, oat', 'feet RISER/Oat', 3),
      piece('Regatta flag, coral', 'heldLeft FLAG/Coral', 2),
      piece('Regatta flag, quay blue', 'heldLeft FLAG/Quay Blue', 2),
      piece('Market basket, straw', 'heldLeft BASK/Straw', 2),
    ],
    spread: 'figures',
    builds: 1,
    steps: [
      { text: 'Stand the two oak crates a hand apart, open side to the back.', photo: null },
      { text: 'Lay the three riser plates across them in a row: that is the counter.', photo: null },
      { text: 'Put the rope crate behind it, upside down, for whoever is short.', photo: null },
      { text: 'Stick two flags of one colour into each end.', photo: null },
      { text: 'Hang the baskets on the front. What is in them is up to you.', photo: null },
    ],
  },
}

/** A released figure as it was sold, and better by one part. */
function audited(name, faction, better, reason, { alsoMade, ...rest } = {}) {
  const figure = figures.find((one) => one.name === name)
  const kept = better === null || rest.kept === true
  const released = { label: 'A', chosen: kept, placements: figure.placements }
  const takes = better === null ? [released] : [released, take('B', better, { chosen: !kept, reason, ...rest.take })]
  if (alsoMade) takes.push(take('C', better, { made: [alsoMade] }))
  return outfit(name, faction, takes, { ...rest, more: { ...rest.more, base: figure.code } })
}

const better = {
  name: 'Better by one part',
  note: 'Ten released figures that could be better, each by the least that does it. Take A is as it was sold.',
  rules: 'as-released',
  switches: {
    skins: 'natural',
    excluded: { figures: [], releases: [releaseCode('Toy Stall')] },
  },
  currency: 'EUR',
  characters: [
    audited(
      'Market porter',
      'Hair',
      'headgear CROP/Chestnut; head calm-chestnut/Shell; torso market-shirt/Butter; hands Shell; hips workF/Slate; neck BACKB/Rope',
      'Brows of the hair’s colour.',
    ),
    audited(
      'Sail maker',
      'Hair',
      'headgear BOB/Straw; head glasses-copper/Shell; torso sail-harness/Ice; hands Shell; hips beltedF/Slate; heldRight ROPE/Oat',
      '',
      // The bob was never made in this colour.
      { kept: true },
    ),
    audited(
      'Harbour pilot',
      'Hats',
      'headgear PEAK/Chalk; head moustache-rain/Fawn; torso wave-jumper/Chalk; armRight pilot-coat-armR/Midnight; hands Fawn; hips coat-midnightF/Midnight; heldLeft TELE/Brass',
      'The jumper of the bell ringer, one sleeve of the coat.',
    ),
    audited(
      'Old sailor',
      'Faces',
      'headgear DECK/Chalk; head patch-peat/Fawn; torso anchor-tee/Chalk; hands Fawn; hips plainF/Wine',
      '',
      {
        kept: true,
        take: {
          reason: '',
          altered: { torso: [{ kind: 'print-removed', note: 'A plain shirt, if that were allowed' }] },
        },
      },
    ),
    audited('Old primrose cook', 'Faces', null, ''),
    audited('Toy stall keeper', 'Faces', null, ''),
    audited(
      'Life guard',
      'Colours',
      'headgear VISOR/Clear Tide; head dimple-peat/Hazel; torso tide-blouse/Canal; hands Hazel; hips shorts-hazelM/Moss; neck VEST/Poppy@vest-anchor; heldRight HOOK/Oak',
      'Meant to be seen from afar.',
      {
        stature: 'middle',
        years: 13,
        more: { switches: { mostMainColours: 5 }, switchesReason: 'A life guard is to be seen from afar.' },
      },
    ),
    audited(
      'Sea maid',
      'Colours',
      'headgear WIND/Rain; head paint-coral/Fawn; torso petal-smock/Chalk; hands Fawn; lower FTAIL/Lagoon; neck MEDAL/Quay Blue; heldRight NET/Marigold',
      'A net tells what she does.',
      { statureWeight: 'none', abilities: ['fishes'], alsoMade: { slot: 'lower', name: 'Punt' } },
    ),
    audited(
      'Canal child with net',
      'Children',
      'headgear BOWLC/Straw; head baby-straw/Shell; torso fish-tee/Ice; hands Shell; hips shorts-shellS/Brick Dust; heldRight NET/Oat',
      'Fair hair over fair brows.',
      { stature: 'short', years: 8 },
    ),
    audited('School rower', 'Children', null, '', { stature: 'middle', years: 8 }),
  ],
}

export const moreRosters = [nightMarket, better]
