import { own } from '../base/index.ts'
import type { Layer } from '../catalogue/index.ts'
import type { Look } from './look.ts'
import { PLACES, type Place } from './places.ts'

/** Something a wish can be about. */
export interface BriefTrait {
  key: string
  label: string
  places: readonly Place[]
  /** A colour (#RRGGBB), a step of a scale, one of some values, yes or no, or the code of a mould. */
  kind: 'colour' | 'scale' | 'choice' | 'yes-no' | 'mould'
  /** Steps of a scale in order, or the values to choose from; empty for colours and moulds. */
  values: readonly string[]
  /** What a look shows of it; null when it shows nothing. */
  read: (look: Look) => string | null
  /** What an empty place shows. */
  empty: string | null
}

const layer = (look: Look, ...kinds: string[]): Layer | undefined =>
  look.layers.find(({ kind }) => kinds.includes(kind))
const inkOf = (look: Look, found: Layer | undefined) =>
  found === undefined ? null : (look.hexOf(String(found['colour'] ?? '')) ?? null)

const colour = (key: string, label: string, places: readonly Place[], read: BriefTrait['read']): BriefTrait => ({
  key,
  label,
  places,
  kind: 'colour',
  values: [],
  read,
  empty: null,
})
const choice = (
  key: string,
  label: string,
  places: readonly Place[],
  values: readonly string[],
  read: BriefTrait['read'],
  empty: string | null = null,
): BriefTrait => ({ key, label, places, kind: 'choice', values, read, empty })
const scale = (...[key, label, places, values, read, empty = null]: Parameters<typeof choice>): BriefTrait => ({
  ...choice(key, label, places, values, read, empty),
  kind: 'scale',
})
const yesNo = (key: string, label: string, place: Place, read: (look: Look) => boolean): BriefTrait => ({
  key,
  label,
  places: [place],
  kind: 'yes-no',
  values: ['yes', 'no'],
  read: (look) => (read(look) ? 'yes' : 'no'),
  empty: 'no',
})

const BESIDES_HEAD = PLACES.filter((place) => place !== 'head')

const PATTERNS: Readonly<Record<string, string>> = {
  stripes: 'striped',
  hoops: 'striped',
  band: 'striped',
  stripe: 'striped',
  checks: 'checked',
  dots: 'dotted',
  cable: 'knitted',
  waves: 'figured',
  leaves: 'figured',
  anchor: 'figured',
  heron: 'figured',
  star: 'figured',
  fish: 'figured',
  lantern: 'figured',
}

const BEARD_LAYERS: Readonly<Record<string, string>> = { stubble: 'stubble', moustache: 'moustache' }

function beardOf(look: Look): string {
  if (look.mould.silhouette === 'beard-piece') return 'full'
  const beard = layer(look, 'beard')
  if (beard) return String(beard['shape'] ?? 'full')
  const found = layer(look, 'moustache', 'stubble')
  return found ? own(BEARD_LAYERS, found.kind)! : (look.printTraits['beard'] ?? 'none')
}

function bootOf(look: Look): string | null {
  if (layer(look, 'waders') || look.printTraits['boot'] === 'tall') return 'tall'
  return layer(look, 'boot') ? 'ankle' : layer(look, 'shoe') ? 'shoe' : 'plain'
}

const mouldTrait = (key: string) => (look: Look) => look.mould.traits[key] ?? null

/** Everything a wish can be about, in the order they are offered. */
export const BRIEF_TRAITS: readonly BriefTrait[] = [
  scale(
    'hairLength',
    'hair length',
    ['headgear'],
    ['none', 'short', 'middle', 'long'],
    (look) => look.mould.traits['hairLength'] ?? 'none',
    'none',
  ),
  choice(
    'texture',
    'hair',
    ['headgear'],
    ['straight', 'wavy', 'curly', 'locs'],
    (look) => look.mould.traits['texture'] ?? null,
  ),
  choice('parting', 'parting', ['headgear'], ['side', 'middle'], mouldTrait('parting')),
  yesNo('fringe', 'fringe', 'headgear', (look) => look.mould.traits['fringe'] === 'yes'),
  yesNo('tied', 'hair tied back', 'headgear', (look) => look.mould.traits['tied'] === 'yes'),
  yesNo('hat', 'hat', 'headgear', (look) => look.mould.traits['hat'] === 'yes'),
  colour('skin', 'skin', ['head'], (look) => look.colour?.hex ?? null),
  colour(
    'brows',
    'brows',
    ['head'],
    (look) => inkOf(look, layer(look, 'brows')) ?? look.hexOf(look.printTraits['brows'] ?? '') ?? null,
  ),
  choice(
    'expression',
    'expression',
    ['head'],
    ['smile', 'grin', 'smirk', 'flat', 'lips', 'frown', 'open', 'shout', 'puff'],
    (look) =>
      String(layer(look, 'mouth')?.['shape'] ?? '') ||
      (layer(look, 'lips') ? 'lips' : look.printTraits['expression'] || null),
  ),
  scale('age', 'age of the face', ['head'], ['child', 'adult', 'old'], (look) =>
    layer(look, 'wrinkles') ? 'old' : (look.printTraits['age'] ?? 'adult'),
  ),
  choice(
    'beard',
    'beard',
    ['head', 'neck'],
    ['none', 'stubble', 'moustache', 'goatee', 'chin', 'full'],
    beardOf,
    'none',
  ),
  yesNo(
    'glasses',
    'glasses',
    'head',
    (look) => layer(look, 'glasses') !== undefined || look.printTraits['glasses'] === 'yes',
  ),
  yesNo('freckles', 'freckles', 'head', (look) => layer(look, 'freckles') !== undefined),
  yesNo('scar', 'scar', 'head', (look) => layer(look, 'scar') !== undefined || look.printTraits['scar'] === 'yes'),
  choice(
    'garment',
    'garment',
    ['torso'],
    [
      'jacket',
      'coat',
      'suit',
      'waistcoat',
      'shirt',
      'blouse',
      'tunic',
      'jersey',
      'jumper',
      'cardigan',
      'fleece',
      'overalls',
      'apron',
      'harness',
    ],
    (look) => look.printTraits['garment'] ?? null,
  ),
  scale('sleeve', 'sleeves', ['torso'], ['short', 'rolled', 'long'], (look) => look.printTraits['sleeve'] ?? null),
  choice(
    'pattern',
    'pattern',
    ['torso', 'legs'],
    ['plain', 'striped', 'checked', 'dotted', 'knitted', 'figured'],
    (look) => {
      const found = look.layers.find(({ kind }) => kind in PATTERNS)
      return found ? own(PATTERNS, found.kind)! : 'plain'
    },
  ),
  yesNo('glove', 'gloves', 'hands', (look) => look.colour !== undefined && look.colour.family !== 'skin'),
  choice('below', 'below the belt', ['legs'], ['trousers', 'skirt', 'gown', 'tail'], (look) =>
    look.mould.kind !== 'lower'
      ? 'trousers'
      : ['gown', 'skirt'].includes(look.mould.silhouette)
        ? look.mould.silhouette
        : 'tail',
  ),
  choice('boot', 'boots', ['legs'], ['plain', 'shoe', 'ankle', 'tall'], bootOf),
  colour(
    'bootColour',
    'boot colour',
    ['legs'],
    (look) => inkOf(look, layer(look, 'boot', 'waders', 'shoe')) ?? look.colour?.hex ?? null,
  ),
  scale('length', 'legs', ['legs'], ['short', 'middle', 'full'], mouldTrait('length')),
  yesNo('riser', 'raised on a plate', 'feet', () => true),
  choice(
    'item',
    'item',
    ['held'],
    [
      'oar',
      'lantern',
      'ladle',
      'cornet',
      'rope',
      'crab pot',
      'ledger',
      'umbrella',
      'bowl',
      'boat hook',
      'brush',
      'telescope',
      'fish',
      'basket',
      'mallet',
      'flag',
      'mug',
      'drum',
      'net',
      'fiddle',
      'megaphone',
      'bell',
      'chart',
      'teapot',
      'flowers',
      'staff',
      'axe',
      'bow',
      'flail',
      'torch',
      'rod',
      'jewel',
      'horn',
      'blade',
      'wheel',
      'plank',
      'trough',
    ],
    mouldTrait('item'),
  ),
  yesNo('light', 'a light in the hand', 'held', (look) => look.mould.traits['light'] === 'yes'),
  choice(
    'companion',
    'companion',
    ['beside'],
    ['otter', 'cat', 'heron', 'gull', 'crate', 'bollard', 'barrel', 'cart', 'table', 'boat'],
    (look) => look.mould.traits['animal'] ?? look.mould.traits['thing'] ?? null,
  ),
  colour('colour', 'colour', BESIDES_HEAD, (look) => look.colour?.hex ?? null),
  {
    key: 'shape',
    label: 'this very mould',
    places: PLACES,
    kind: 'mould',
    values: [],
    read: (look) => look.mould.code,
    empty: null,
  },
]

const BY_KEY = new Map(BRIEF_TRAITS.map((trait) => [trait.key, trait]))

/** A trait by its key. Throws when there is none. */
export function traitNamed(key: string): BriefTrait {
  const trait = BY_KEY.get(key)
  if (!trait) throw new Error(`There is no trait "${key}"; those there are stand in BRIEF_TRAITS.`)
  return trait
}

/** The traits a place can be asked for. */
export const traitsAt = (place: Place): BriefTrait[] => BRIEF_TRAITS.filter(({ places }) => places.includes(place))
