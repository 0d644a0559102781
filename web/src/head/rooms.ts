/** A place the head leads to, with the letter that follows `g`. */
export interface Room {
  key: string
  name: string
  to: string
}

/** Rooms of the workspace, each with the addresses that belong to it besides its own. */
export const ROOMS: readonly (Room & { areas: readonly string[] })[] = [
  { key: 'r', name: 'Rosters', to: '/', areas: ['/rosters', '/outfits'] },
  {
    key: 'p',
    name: 'Parts',
    to: '/parts',
    areas: ['/moulds', '/catalogue', '/releases', '/packs', '/tables', '/bring-in', '/made'],
  },
  { key: 'd', name: 'Drawer', to: '/drawer', areas: [] },
  { key: 'm', name: 'Market', to: '/market', areas: ['/prices'] },
  { key: 'o', name: 'Parcels', to: '/parcels', areas: [] },
  { key: 'l', name: 'Later', to: '/later', areas: [] },
  { key: 'h', name: 'Show', to: '/show', areas: [] },
]

export const SETTINGS: Room = { key: 'comma', name: 'Settings', to: '/settings' }

/** What is done with one outfit, in the order of the work. */
export const STEPS = [
  { key: 'i', name: 'Brief', path: 'brief', ofTake: true },
  { key: 'b', name: 'Bench', path: 'bench', ofTake: true },
  { key: 'a', name: 'Casting', path: 'casting', ofTake: true },
  { key: 't', name: 'Takes', path: 'takes', ofTake: true },
  { key: 's', name: 'Sourcing', path: 'sourcing', ofTake: true },
  { key: 'w', name: 'Workbench', path: 'workbench', ofTake: false },
  { key: 'c', name: 'Card', path: 'card', ofTake: true },
] as const

export type Step = (typeof STEPS)[number]['path']

/** The steps of an outfit as addresses; those that look at a take stay with the one that is looked at. */
export const stepsOf = (outfit: string, search: string): Room[] =>
  STEPS.map(({ key, name, path, ofTake }) => ({ key, name, to: `/outfits/${outfit}/${path}${ofTake ? search : ''}` }))
