import { brief } from './briefs.mjs'
import { worn } from './releases.mjs'

const KIT = 'torso brass-band/Poppy; hips pipedF/Midnight'

/** What makes each of them who they are, besides the tunic and what is played. */
const WISHES = {
  'Klaas Reet': 'headgear colour Chestnut; headgear hairLength short; head skin Shell must; head beard moustache must',
  'Noor Valk': 'headgear colour Copper must; headgear tied yes; head skin Shell must; head glasses yes',
  'Ivo Tamm': 'headgear colour Tar; headgear hairLength short; head skin Hazel must; head beard moustache must',
  'Bes Winter': 'headgear colour Straw; headgear hairLength short; head skin Shell must; head expression smile',
  'Tess Aard': 'headgear colour Copper must; headgear texture wavy; head skin Fawn must; head freckles yes must',
  'Huib Okker': 'headgear colour Rain nice; headgear hairLength short; head skin Umber must; head beard full must',
  'Runa Pell': 'headgear colour Tar; headgear hairLength long must; head skin Cocoa must; head expression smile',
  'Dara Oss': 'headgear colour Tar; headgear texture curly must; head skin Cocoa must; head expression grin',
  'Ollie Mote': 'headgear colour Tar; headgear hairLength short; head skin Hazel must; head age child must',
}

/** Name, hair, head, skin, what is played, age. */
const PLAYERS = [
  ['Klaas Reet', 'SIDE/Chestnut', 'moustache-chestnut/Shell', 'Shell', 'heldRight CORN/Brass', 44, 'Cornets'],
  ['Noor Valk', 'BUN/Copper', 'lashes-copper/Shell', 'Shell', 'heldRight CORN/Brass', 31, 'Cornets'],
  ['Ivo Tamm', 'CROP/Tar', 'moustache-tar/Hazel', 'Hazel', 'heldRight CORN/Brass', 52, 'Cornets'],
  ['Bes Winter', 'TOUS/Straw', 'steady-straw/Shell', 'Shell', 'heldRight CORN/Brass', 27, 'Cornets'],
  ['Tess Aard', 'WAVE/Copper', 'freckled-copper/Fawn', 'Fawn', 'heldRight CORN/Brass', 19, 'Cornets'],
  ['Huib Okker', 'CROP/Tar', 'beard-tar/Umber', 'Umber', 'heldRight CORN/Brass', 61, 'Horns'],
  ['Runa Pell', 'LONG/Tar', 'lips-tar/Cocoa', 'Cocoa', 'heldRight CORN/Brass', 38, 'Horns'],
  ['Dara Oss', 'CURLT/Tar', 'grin-tar/Cocoa', 'Cocoa', 'heldLeft DRUM/Poppy', 35, 'Drums'],
  ['Ollie Mote', 'QUIFF/Tar', 'boy-tar/Hazel', 'Hazel', 'heldLeft DRUM/Poppy', 16, 'Drums'],
].map(([name, hair, head, skin, plays, years, faction]) => ({
  name,
  faction,
  years,
  placements: worn(`headgear ${hair}; head ${head}; ${KIT}; hands ${skin}; ${plays}`),
}))

const PLAYED = {
  Cornets: 'held item cornet must',
  Horns: 'held item cornet must',
  Drums: 'held item drum must',
}

/** What the band wears lies in the band room, as often as it is worn. */
export const bandRoom = [
  ...PLAYERS.flatMap(({ placements }) => placements)
    .reduce((counts, { part }) => counts.set(part, (counts.get(part) ?? 0) + 1), new Map())
    .entries(),
].map(([part, qty]) => ({ part, qty }))

const PRICES = { torso: 145, hips: 45, legRight: 40, legLeft: 40, heldRight: 60 }
/** What was bought for the band, as often as it is worn. */
const TUNICS = Object.entries(PRICES).flatMap(([slot, price]) => {
  const parts = PLAYERS.flatMap(({ placements }) => placements.filter((p) => p.slot === slot).map(({ part }) => part))
  return [...new Set(parts)].map((part) => {
    const qty = parts.filter((one) => one === part).length
    return { part, qty, price, arrived: qty }
  })
})

const brassBand = {
  name: 'Brass band',
  note: 'An army of nine in one tunic, every face another. Built, and shown at the lantern market; for the parade they want a medal round every neck.',
  rules: 'exchange-only',
  switches: { faces: 'all-different' },
  budget: 12000,
  currency: 'EUR',
  uniforms: [{ name: 'Band tunic', placements: worn(KIT).filter(({ slot }) => !slot.startsWith('hand')) }],
  parcels: [
    {
      seller: 'lock-nine',
      orderedOn: '2026-08-20',
      expectedOn: '2026-09-01',
      arrivedOn: '2026-08-31',
      currency: 'EUR',
      shipping: 495,
      handling: 0,
      lines: TUNICS,
    },
  ],
  characters: PLAYERS.map(({ name, faction, years, placements }) => ({
    name,
    outfits: [
      {
        name,
        faction,
        stature: 'full',
        uniform: 'Band tunic',
        built: '2026-10-30',
        shown: '2026-11-14',
        brief: brief(
          `${WISHES[name]}; torso garment tunic; torso colour Poppy must; legs colour Midnight; neck shape M-MEDAL nice; neck colour Poppy nice; ${PLAYED[faction]}`,
          {
            years,
            abilities: ['plays'],
          },
        ),
        takes: [{ label: 'A', chosen: true, placements }],
      },
    ],
  })),
  preferences: [
    ['Runa Pell', 'Klaas Reet'],
    ['Runa Pell', 'Dara Oss'],
    ['Noor Valk', 'Ivo Tamm'],
    ['Tess Aard', 'Noor Valk'],
    ['Dara Oss', 'Ollie Mote'],
    ['Huib Okker', 'Bes Winter'],
    ['Tess Aard', 'Huib Okker'],
    ['Dara Oss', 'Tess Aard'],
  ].map(([better, worse]) => ({ better, worse, at: '2026-11-15' })),
}

/** Only briefs: who rows for the school, by year. */
const schoolRegatta = {
  name: 'School regatta',
  note: 'Four who row for the school, one of each age. Only briefs so far.',
  rules: 'exchange-only',
  budget: 4000,
  currency: 'EUR',
  dueOn: '2027-06-19',
  characters: [
    ['Lis Wagenaar', 7, 'The smallest; sits in the bow and laughs.'],
    ['Tom Aker', 10, 'Ears out, hair never combed.'],
    ['Juno Brandt', 13, 'Serious, a plait over the shoulder.'],
    ['Wout Idema', 16, 'Strokes the boat; already as tall as the master.'],
  ].map(([name, years, notes]) => ({
    name,
    outfits: [
      {
        name,
        faction: years < 12 ? 'Lower school' : 'Upper school',
        stature: years >= 15 ? 'full' : years >= 8 ? 'middle' : 'short',
        brief: {
          ...brief('', { years, abilities: ['rows'], stature: years >= 15 ? 'full' : years >= 8 ? 'middle' : 'short' }),
          notes,
        },
        takes: [{ label: 'A', chosen: true, placements: [] }],
      },
    ],
  })),
}

export const bandRosters = [brassBand, schoolRegatta]
