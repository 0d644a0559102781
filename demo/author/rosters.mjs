import { bram, odile, odileYoung, pim, rower, rowers, teo } from './briefs.mjs'
import { part } from './parts.mjs'
import { bandRoom, bandRosters } from './bandRosters.mjs'
import { moreRosters } from './moreRosters.mjs'
import { figures, worn } from './releases.mjs'

const take = (label, wearing, chosen = false, reason = '') => ({
  label,
  chosen,
  ...(reason ? { reason } : {}),
  placements: worn(wearing),
})

/** A reference picture of demo/world/references. */
const picture = (file, caption) => [{ photo: `references/${file}.svg`, caption }]

/** What the Heron crew wears alike. */
const KIT = 'torso heron-jersey/Quay Blue; hips rowerF/Chalk; heldRight OAR/Coral'
/** What a uniform has of some clothes: mitts stay with the person. */
const bareHanded = (wearing) => worn(wearing).filter(({ slot }) => !slot.startsWith('hand'))

/** Of the Heron crew, who stands built already. */
const STAND_BUILT = ['Mirre Vos', 'Sanna Lye', 'Nadi Quill']

/** Ordered for the crew: one parcel that came with an oar too few, one that is late, one that is expected. */
const crewParcels = [
  {
    seller: 'old-cooperage',
    orderedOn: '2026-10-12',
    expectedOn: '2026-10-16',
    arrivedOn: '2026-10-15',
    currency: 'EUR',
    shipping: 380,
    handling: 50,
    lines: [
      { part: part('heron-jersey-torso/Quay Blue').code, qty: 3, price: 165, arrived: 3 },
      { part: part('OAR/Coral').code, qty: 5, price: 48, arrived: 4 },
    ],
  },
  {
    seller: 'tin-whistle',
    orderedOn: '2026-11-02',
    expectedOn: '2026-11-09',
    currency: 'EUR',
    shipping: 290,
    handling: 30,
    lines: [
      { part: part('calm-copper/Shell').code, qty: 1, price: 118 },
      { part: part('SIDE/Carrot').code, qty: 1, price: 96 },
      { part: part('hand/Umber').code, qty: 2, price: 22 },
      { part: part('OAR/Coral').code, qty: 2, price: 55 },
    ],
  },
  {
    seller: 'lock-nine',
    orderedOn: '2026-11-20',
    expectedOn: '2027-01-15',
    currency: 'EUR',
    shipping: 320,
    handling: 0,
    lines: [{ part: part('lashes-chestnut/Fawn').code, qty: 1, price: 104 }],
  },
]

export const rosters = [
  {
    name: 'Ferry people',
    note: 'Who works the last ferry of the evening. Three characters, one of them in two ages.',
    rules: 'exchange-only',
    budget: 6000,
    currency: 'EUR',
    dueOn: '2026-12-12',
    characters: [
      {
        name: 'Odile Marsh',
        outfits: [
          {
            name: 'Odile, skipper',
            faction: 'Crew',
            stature: 'full',
            brief: odile,
            references: picture('odile-skipper', 'On the landing stage, in the morning'),
            takes: [
              take(
                'A',
                'headgear WAVE/Copper; head calm-copper/Fawn; torso quay-jacket/Quay Blue; hips workF/Slate; neck VEST/Amber; heldRight OAR/Coral; beside OTTER/Peat',
              ),
              take(
                'B',
                'headgear TAIL/Copper; head calm-chestnut/Fawn; torso quay-jacket/Quay Blue; hands Hazel; hips workF/Slate; neck VEST/Amber; heldLeft OAR/Coral; beside OTTER/Peat',
                true,
              ),
            ],
          },
          {
            name: 'Odile at twelve',
            faction: 'Crew',
            stature: 'middle',
            brief: odileYoung,
            references: picture('odile-twelve', 'Twelve, with the mooring rope'),
            takes: [
              take(
                'A',
                'headgear SBRD/Copper; head calm-copper/Fawn; torso boat-stripes/Oat; hands Fawn; hips plainM/Quay Blue; neck LSCRF/Coral; heldRight ROPE/Rope',
                true,
              ),
            ],
          },
        ],
      },
      {
        name: 'Teo Lamb',
        outfits: [
          {
            name: 'Teo, tickets',
            faction: 'Ashore',
            stature: 'full',
            brief: teo,
            references: picture('teo-tickets', 'At the ticket hut'),
            takes: [
              take(
                'A',
                'headgear CURLT/Tar; head glasses-tar/Umber; torso purser/Chalk; hands Umber; hips darkF/Tar; neck SATCH/Oak; heldLeft UMBR/Clear Tide',
                true,
                'The satchel alone tells what he does.',
              ),
              take(
                'B',
                'headgear CROP/Tar; head glasses-tar/Umber; torso purser/Chalk; hands Umber; hips darkF/Tar; neck SATCH/Tar; heldLeft UMBR/Tar',
              ),
              take(
                'C',
                'headgear CURLT/Tar; head grin-tar/Umber; torso purser/Chalk; hands Umber; hips workF/Slate; neck SATCH/Oak; heldLeft LEDG/Wine',
              ),
            ],
          },
        ],
      },
      {
        name: 'Bram Osk',
        outfits: [
          {
            name: 'Bram, engines',
            faction: 'Crew',
            stature: 'full',
            brief: bram,
            references: picture('bram-engines', 'Before the storm'),
            takes: [
              take(
                'B',
                'headgear OILH/Marigold; head beard-pewter/Shell; torso oilskin-coat/Marigold; hips coat-yellowF/Marigold; neck LSCRF/Bottle; waist POUCH/Chestnut; heldRight LANT/Clear Honey',
              ),
              take(
                'C',
                'headgear BOBL/Pewter; head beard-pewter/Shell; torso cable-knit/Moss; hands Shell; hips workF/Slate; heldRight LANT/Clear Honey; heldLeft MALL/Oak',
              ),
              take(
                'A',
                'headgear OILH/Bottle; head beard-pewter/Shell; torso oilskin-coat/Marigold; hips coat-yellowF/Marigold; neck OILC/Marigold; neck LSCRF/Bottle; waist POUCH/Chestnut; heldRight LANT/Clear Honey; heldLeft MALL/Oak',
                true,
              ),
            ],
          },
        ],
      },
    ],
  },
  {
    name: 'The Heron crew',
    parcels: crewParcels,
    uniforms: [{ name: 'Regatta kit', placements: bareHanded(KIT) }],
    note: 'Eight rowers and a young cox in one uniform, for the regatta shelf.',
    rules: 'exchange-only',
    budget: 9000,
    currency: 'EUR',
    dueOn: '2027-04-18',
    characters: [
      ['Wen Sorrel', 'SIDE/Carrot', 'calm-copper/Shell', 'Shell', 'Bow four'],
      ['Ilka Dunn', 'BUN/Copper', 'lashes-chestnut/Fawn', 'Fawn', 'Bow four'],
      ['Bako Thorne', 'CROP/Tar', 'grin-tar/Umber', 'Umber', 'Bow four'],
      ['Mirre Vos', 'PUFF/Cocoa', 'lashes-tar/Umber', 'Umber', 'Bow four'],
      [
        'Sanna Lye',
        'SBRD/Peat',
        'wink-chestnut/Hazel',
        'Hazel',
        'Stern four',
        'headgear TAIL/Tar; head lashes-tar/Hazel',
      ],
      ['Joost Ember', 'TOUS/Straw', 'stubble-peat/Shell', 'Shell', 'Stern four'],
      ['Nadi Quill', 'TAIL/Tar', 'lashes-tar/Hazel', 'Hazel', 'Stern four'],
      ['Hale Brook', 'QUIFF/Tar', 'goatee-tar/Cocoa', 'Cocoa', 'Stern four'],
    ]
      .map(([name, hair, head, skin, faction, otherwise]) => ({
        name,
        outfits: [
          {
            name,
            faction,
            stature: 'full',
            brief: rower(rowers[name]),
            uniform: 'Regatta kit',
            ...(STAND_BUILT.includes(name) ? { built: '2026-11-10' } : {}),
            references: picture(name.toLowerCase().replace(' ', '-'), 'At the boathouse'),
            takes: [
              take(
                'A',
                `headgear ${hair}; head ${head}; torso heron-jersey/Quay Blue; hands ${skin}; hips rowerF/Chalk; heldRight OAR/Coral`,
                true,
              ),
              ...(otherwise
                ? [
                    // Only begun: a head was tried, and nothing is below the jersey yet.
                    take('B', `${otherwise}; torso heron-jersey/Quay Blue; hands ${skin}; heldRight OAR/Coral`),
                  ]
                : []),
            ],
          },
        ],
      }))
      .concat([
        {
          name: 'Pim Arrow',
          outfits: [
            {
              name: 'Pim, cox',
              faction: 'Cox',
              stature: 'middle',
              brief: pim,
              uniform: 'Regatta kit',
              built: '2026-11-10',
              references: picture('pim-cox', 'On the jetty, shouting'),
              takes: [
                take(
                  'A',
                  'headgear PLAIT/Straw; head freckled-straw/Shell; torso cox-jersey/Quay Blue; hips rowerM/Chalk; heldLeft FLAG/Coral',
                  true,
                ),
              ],
            },
          ],
        },
      ]),
  },
  ...moreRosters,
  ...bandRosters,
]

/** What is put off: `like` a part in a `colour` it was never made in, an offer of a `part`, or a note. */
export const later = [
  {
    outfit: 'Odile at twelve',
    place: 'headgear',
    note: 'A low bun would be tidier in the boat, if it came in Copper',
    like: part('LBUN/Tar').code,
    colour: 'copper',
  },
  {
    outfit: 'Bram, engines',
    place: 'headgear',
    note: 'The hat at a price one can pay',
    part: part('OILH/Bottle').code,
    atMost: 600,
  },
  { outfit: 'Teo, tickets', place: 'held', note: 'Look for an umbrella that is shut' },
]

const donors = ['Parade drummer', 'Hook-handed sailor']
const figureNamed = (name) => {
  const found = figures.find((figure) => figure.name === name)
  if (!found) throw new Error(`no figure "${name}"`)
  return found
}

/** Bins of the parts box: name, column, row, width, height, and the bin it is a tray of. */
const BOX = [
  ['Heads, light', 0, 0, 4, 4],
  ['Heads, dark', 4, 0, 4, 4],
  ['Hair, tied', 8, 0, 4, 4],
  ['Hair, loose', 12, 0, 4, 4],
  ['Hats', 16, 0, 4, 4],
  ['Torsos', 0, 4, 6, 4],
  ['Legs', 6, 4, 6, 4],
  ['Mitts and sleeves', 12, 4, 8, 4],
  ['Round the neck', 0, 8, 5, 4],
  ['Things held', 5, 8, 7, 4],
  ['Band room', 20, 0, 4, 4],
  ['Boathouse', 20, 4, 4, 4],
  ['Fair mitts', null, null, null, null, 'B8'],
  ['Dark mitts', null, null, null, null, 'B8'],
  ['Swap meet, October', 12, 8, 6, 4],
]

export const bins = BOX.map(([name, x, y, w, h, parent = ''], index) => ({
  code: `B${index + 1}`,
  name,
  figure: '',
  parent,
  x,
  y,
  w,
  h,
}))
  // Owned figures that stand together on the shelf and could give up parts.
  .concat(donors.map((name, index) => ({ code: `S${index + 1}`, name, figure: figureNamed(name).code })))

const OWNED = `
B1 calm-chestnut/Fawn 1; B1 calm-copper/Fawn 1; B1 beard-pewter/Shell 1; B1 stubble-peat/Shell 1; B1 plain-old/Primrose 2; B1 freckled-straw/Shell 1; B1 wink-chestnut/Fawn 1;
B2 grin-tar/Umber 2; B2 lashes-tar/Hazel 1; B2 lashes-tar/Umber 1; B2 goatee-tar/Cocoa 1; B2 scar-tar/Hazel 1;
B3 TAIL/Copper 1; B3 BUN/Chestnut 1; B3 SBRD/Peat 1; B3 PLAIT/Straw 1; B3 PUFF/Tar 1; B3 TAIL/Tar 1;
B4 WAVE/Copper 1; B4 CURLT/Tar 2; B4 CROP/Tar 3; B4 TOUS/Straw 2; B4 SIDE/Chestnut 1; B4 BOB/Copper 1; B4 LONG/Tar 1;
B5 DECK/Quay Blue 2; B5 BOBL/Pewter 1; B5 SCARF/Brick Dust 1; B5 OILH/Marigold 1;
B6 quay-jacket-torso/Quay Blue 1; B6 boat-stripes-torso/Oat 1; B6 purser-torso/Chalk 1; B6 heron-jersey-torso/Quay Blue 3; B6 cable-knit-torso/Moss 2; B6 apron-baker-torso/Canal 1;
B7 work-legRF/Slate 1; B7 work-legLF/Slate 1; B7 plain-hips/Slate 3; B7 dark-legRF/Tar 1; B7 dark-legLF/Tar 1; B7 plain-hips/Tar 1; B7 rower-legRF/Chalk 3; B7 rower-legLF/Chalk 3; B7 rower-hips/Chalk 4; B7 plain-legRM/Quay Blue 1; B7 plain-legLM/Quay Blue 1; B7 SKIRT/Wine 1;
B8 hand/Fawn 4; B8 hand/Hazel 2; B8 hand/Shell 3; B8 hand/Umber 2; B8 hand/Tar 4; B8 quay-jacket-armR/Quay Blue 1; B8 plain-armR/Oat 1; B8 plain-armL/Oat 1; B8 heron-jersey-armR/Quay Blue 3; B8 heron-jersey-armL/Quay Blue 3; B8 plain-armR/Chalk 2; B8 plain-armL/Chalk 2;
B9 VEST/Amber 1; B9 LSCRF/Coral 1; B9 MEDAL/Poppy 2; B9 CAPE/Tar 1; B9 SATCH/Tar 1; B9 SHAWL/Heather 1;
B10 ROPE/Rope 2; B10 OAR/Coral 2; B10 OAR/Oat 3; B10 LANT/Clear Honey 1; B10 MALL/Oak 1; B10 MUG/Tin 3; B10 LADLE/Tin 1; B10 CORN/Brass 2; B10 BASK/Rope 1; B10 CAT/Tar 1; B10 UMBR/Tar 1; B10 POUCH/Chestnut 1;
B13 hand/Shell 9; B13 hand/Fawn 8; B14 hand/Hazel 4; B14 hand/Cocoa 2`
const wornBy = (roster, name) =>
  rosters
    .find((one) => one.name === roster)
    .characters.flatMap(({ outfits }) => outfits)
    .find((outfit) => outfit.name === name)
    .takes.find(({ chosen }) => chosen).placements

/** Found at a swap meet: all of one outfit but its mitts, the legs another lacks, and hips a third does. */
const swapped = [
  ...wornBy('Better by one part', 'Canal child with net').filter(({ slot }) => !slot.startsWith('hand')),
  ...wornBy('Night market', 'Pia, drum').filter(({ slot }) => slot === 'legLeft' || slot === 'legRight'),
  ...wornBy('Ferry people', 'Odile at twelve').filter(({ slot }) => slot === 'hips'),
]

/** What those who stand built were built from. */
const boathouse = rosters
  .find(({ name }) => name === 'The Heron crew')
  .characters.flatMap(({ outfits }) => outfits)
  .filter(({ built }) => built)
  .flatMap(({ takes }) => takes.find(({ chosen }) => chosen).placements)

export const owned = OWNED.trim()
  .split(';')
  .map((line) => line.trim())
  .filter(Boolean)
  .map((line) => {
    const [, bin, key, qty] = line.match(/^(\S+) (.+) (\d+)$/)
    return { bin, part: part(key).code, qty: Number(qty), date: '2026-10-01', reason: 'stocktake' }
  })
  .concat(
    boathouse.map(({ part: code }) => ({ bin: 'B12', part: code, qty: 1, date: '2026-10-15', reason: 'stocktake' })),
  )
  .concat(
    swapped.map(({ part: code }) => ({
      bin: 'B15',
      part: code,
      qty: 1,
      condition: 'new',
      date: '2026-10-24',
      reason: 'swap meet',
    })),
  )
  .concat(bandRoom.map((entry) => ({ bin: 'B11', ...entry, date: '2026-10-01', reason: 'stocktake' })))
  .concat(
    donors.flatMap((name, index) =>
      figureNamed(name).placements.map(({ part: code }) => ({
        bin: `S${index + 1}`,
        part: code,
        qty: 1,
        date: '2026-10-01',
        reason: 'stocktake',
      })),
    ),
  )
