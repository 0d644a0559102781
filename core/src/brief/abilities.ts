import { mouldOf, partWorn, type Catalogue, type Mould, type Placement } from '../catalogue/index.ts'

/** Something a character can do or is, which has to be seen on the figure. */
export interface Ability {
  key: string
  label: string
  /** What tells of it, in words. */
  signs: string
  shown: (mould: Mould) => boolean
}

const item =
  (...items: string[]) =>
  ({ traits }: Mould) =>
    items.includes(traits['item'] ?? '')
const silhouette =
  (...names: string[]) =>
  (mould: Mould) =>
    names.includes(mould.silhouette)
const either =
  (...signs: ((mould: Mould) => boolean)[]) =>
  (mould: Mould) =>
    signs.some((sign) => sign(mould))

/** What characters commonly do, and the things that tell of it. */
export const ABILITIES: readonly Ability[] = [
  { key: 'rows', label: 'rows', signs: 'oar', shown: item('oar') },
  {
    key: 'lights',
    label: 'brings light',
    signs: 'lantern or lamp',
    shown: either(({ traits }) => traits['light'] === 'yes', silhouette('lamp-helmet')),
  },
  {
    key: 'plays',
    label: 'plays music',
    signs: 'instrument',
    shown: either(item('cornet', 'drum', 'fiddle'), silhouette('accordion')),
  },
  { key: 'cooks', label: 'cooks', signs: 'ladle, bowl or pot', shown: item('ladle', 'bowl', 'teapot') },
  { key: 'fishes', label: 'fishes', signs: 'net, fish or crab pot', shown: item('net', 'fish', 'crab pot') },
  {
    key: 'keeps-books',
    label: 'keeps the books or sells tickets',
    signs: 'ledger or satchel',
    shown: either(item('ledger'), silhouette('satchel')),
  },
  { key: 'finds-the-way', label: 'finds the way', signs: 'chart or telescope', shown: item('chart', 'telescope') },
  { key: 'calls', label: 'gives the word', signs: 'flag, bell or megaphone', shown: item('flag', 'bell', 'megaphone') },
  {
    key: 'rescues',
    label: 'rescues',
    signs: 'life vest, boat hook or rope',
    shown: either(item('boat hook', 'rope'), silhouette('life-vest', 'shoulder-rope')),
  },
  {
    key: 'mends',
    label: 'makes and mends',
    signs: 'tool',
    shown: either(item('mallet', 'brush'), silhouette('pouch-belt', 'goggles')),
  },
  {
    key: 'carries',
    label: 'carries and sells',
    signs: 'basket, pack or crate',
    shown: either(item('basket', 'flowers'), silhouette('basket-pack', 'crate', 'barrel')),
  },
  {
    key: 'keeps-animals',
    label: 'keeps an animal',
    signs: 'animal',
    shown: ({ traits }) => traits['animal'] !== undefined,
  },
]

const BY_KEY = new Map(ABILITIES.map((ability) => [ability.key, ability]))

/** An ability by its key, or undefined. */
export const abilityNamed = (key: string): Ability | undefined => BY_KEY.get(key)

/** Whether a placement tells of an ability. */
export function showsAbility(ability: Ability, placement: Placement, catalogue: Catalogue): boolean {
  const part = partWorn(placement, catalogue)
  return part !== undefined && ability.shown(mouldOf(catalogue, part))
}
