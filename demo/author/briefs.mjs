// Briefs of the sample outfits, written as "place trait target [weight]"; colours by name or as #RRGGBB.
import { colours } from './palette.mjs'

const WEIGHTS = ['must', 'matters', 'nice', 'none']
const COLOURS = ['colour', 'skin', 'brows', 'bootColour']

function target(trait, text) {
  if (!COLOURS.includes(trait) || text.startsWith('#')) return text
  const found = colours.find(({ name }) => name === text)
  if (!found) throw new Error(`There is no colour ${text}.`)
  return found.hex
}

/** Wishes from their short writing, one a semicolon. */
function wishes(text) {
  return text
    .split(';')
    .map((line) => line.trim())
    .filter(Boolean)
    .map((line) => {
      const [place, trait, ...rest] = line.split(' ')
      const weight = WEIGHTS.includes(rest.at(-1)) ? rest.pop() : 'matters'
      return { place, trait, target: target(trait, rest.join(' ')), weight }
    })
}

export const brief = (text, { stature = 'full', years = null, notes = '', credits = '', ...rest } = {}) => ({
  wishes: wishes(text),
  stature,
  statureWeight: rest.statureWeight ?? 'matters',
  years,
  abilities: rest.abilities ?? [],
  avoid: { figures: [], releases: [], byOthers: true, priceAbove: null, ...rest.avoid },
  notes,
  credits,
})

export const odile = brief(
  `headgear tied yes must; headgear colour #A9502B; headgear hairLength long; headgear parting side nice;
   head skin Fawn must; head expression smile; head brows Copper; head glasses no nice;
   neck shape M-VEST must; neck colour Amber; torso garment jacket; torso colour Quay Blue; torso sleeve long nice;
   hands glove no; legs colour Slate; legs bootColour Peat nice; held item oar must; held colour Coral nice;
   beside companion otter nice`,
  {
    years: 34,
    notes: 'Steers the last ferry. Hair must be out of her face; the vest is always on. The otter comes and goes.',
    credits: 'Idea: Marit from the Thursday table',
  },
)

export const odileYoung = brief(
  `headgear tied yes; headgear hairLength long must; headgear colour #A9502B must; head skin Fawn must;
   head freckles yes; head age child; head expression smile nice; torso pattern striped must; torso colour Oat;
   hands glove no; legs colour Quay Blue; neck shape M-LSCRF; neck colour Coral nice; held item rope`,
  { stature: 'middle', years: 12, notes: 'The same girl, twenty-two years earlier. Must read as the skipper at once.' },
)

export const teo = brief(
  `headgear texture curly must; headgear hairLength short; headgear colour Tar must; head skin Umber must;
   head glasses yes must; head expression smile nice; torso garment waistcoat; torso colour Chalk; hands glove no;
   legs colour Tar; neck shape M-SATCH must; neck colour Oak; held item umbrella; held colour Clear Tide nice`,
  { years: 27, credits: 'Umbrella: Jonah', notes: 'Sells the tickets, knows everybody. The satchel is his trade.' },
)

export const bram = brief(
  `headgear shape M-OILH must; headgear colour Bottle; head beard full must; head age old; head skin Shell;
   neck shape M-OILC; neck colour Marigold; neck shape M-LSCRF nice; neck colour Bottle nice; torso garment coat;
   torso colour Marigold must; legs colour Marigold; legs boot tall nice; hands glove no nice; held item lantern must;
   held item mallet nice; waist shape M-POUCH nice`,
  {
    years: 61,
    notes: 'Nobody has seen him without the hat. It is dear; a cheaper man must still read as Bram.',
    avoid: { priceAbove: 2500 },
  },
)

/** A rower: the uniform, and what is his or her own. */
export const rower = (own, more = {}) =>
  brief(
    `${own}; torso garment jersey must; torso colour Quay Blue must; torso sleeve short; legs colour Chalk must;
     hands glove no must; held item oar must; held colour Coral nice`,
    { notes: 'In the boat hair is tied back or short.', ...more },
  )

export const rowers = {
  'Wen Sorrel': 'headgear colour Carrot must; headgear hairLength short; head skin Shell must; head freckles yes',
  'Ilka Dunn': 'headgear colour Copper; headgear tied yes must; head skin Fawn must; head expression smile nice',
  'Bako Thorne': 'headgear colour Tar; headgear hairLength short must; head skin Umber must; head expression grin',
  'Mirre Vos': 'headgear colour Cocoa; headgear tied yes must; headgear texture curly; head skin Umber must',
  'Sanna Lye': 'headgear colour Peat; headgear tied yes must; headgear hairLength long; head skin Hazel must',
  'Joost Ember': 'headgear colour Straw must; headgear hairLength short; head skin Shell must; head beard stubble nice',
  'Nadi Quill': 'headgear colour Tar; headgear tied yes must; headgear hairLength long; head skin Hazel must',
  'Hale Brook': 'headgear colour Tar; headgear hairLength short must; head skin Cocoa must; head beard goatee',
}

export const pim = brief(
  `headgear tied yes must; headgear colour Straw; head skin Shell must; head freckles yes; head age child;
   head expression grin; torso garment jersey must; torso colour Quay Blue must; hands glove no; legs colour Chalk;
   held item flag must; held colour Coral nice`,
  { stature: 'middle', years: 11, notes: 'The loudest voice in the smallest seat.' },
)

/** The night market: what each of the twelve is known by. */
export const marketWishes = {
  'Ines, noodles': `headgear colour Brick Dust; head skin Hazel must; head expression smile nice; torso garment overalls;
    torso colour Chalk; hands glove no; legs colour Oat nice; held item ladle must; held item bowl nice`,
  'Otto, fish': `headgear colour Bottle; head skin Hazel must; head beard moustache must; torso garment jacket;
    torso colour Chalk; hands glove no; legs colour Peat nice; waist shape M-LAPR nice`,
  'Lune, bread': `headgear hairLength short; headgear colour Tar; head skin Fawn must; head beard moustache must;
    torso garment apron must; torso colour Canal; legs colour Canal nice; held item basket must`,
  'Sif, lanterns': `headgear colour Peat nice; head skin Hazel must; head beard goatee; torso garment jacket nice;
    torso colour Wine; legs colour Chestnut nice; held item lantern must`,
  'Abe, nets': `headgear shape M-OILH; headgear colour Marigold; head skin Shell must; head beard full must;
    head age old nice; torso garment jumper; torso colour Oat; legs colour Oak nice`,
  'Roon, the forge': `headgear colour Rain nice; head skin Umber must; head scar yes; face shape M-GOGG must;
    torso garment apron; torso colour Pewter; legs colour Peat nice; held item mallet must`,
  'Milo, accordion': `headgear colour Chestnut; head skin Fawn must; torso pattern striped; torso colour Oat nice;
    neck shape M-ACCO must; hands glove no`,
  'Wim, fiddle': `headgear colour Rain; headgear hairLength short; head skin Fawn must; head beard goatee; head age old nice; torso garment waistcoat;
    torso colour Butter; legs colour Canal nice; held item fiddle must; hands glove no`,
  'Amara, songs': `headgear hairLength long must; headgear colour Tar; head skin Umber must; torso colour Foxglove;
    legs shape M-GOWN; legs colour Sloe; hands glove no`,
  'Pia, drum': `headgear colour Marigold; head skin Fawn must; head expression grin nice; torso garment tunic;
    torso colour Bottle; held item drum must; hands glove no`,
  'Storm warden': `headgear shape M-OILH must; headgear colour Marigold; head skin Hazel must; torso garment coat must;
    torso colour Marigold must; legs colour Slate nice`,
  'Lamp lighter': `headgear shape M-HOOD; headgear colour Slate; head skin Umber must; torso colour Slate;
    legs colour Slate nice; held colour Glow Lamp nice; hands glove no`,
}
