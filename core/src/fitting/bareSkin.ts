import type { Catalogue, Colour, Part, Slot } from '../catalogue/index.ts'

/** Slots of the body where skin can show, apart from the head. */
export const SKIN_SLOTS = [
  'handRight',
  'handLeft',
  'armRight',
  'armLeft',
  'torso',
  'legRight',
  'legLeft',
] as const satisfies Slot[]

/** The skin a part shows: its own colour where that is a skin tone, or what its print leaves bare, such as below shorts. */
export function skinOf(part: Part, { colours, prints }: Catalogue): Colour | undefined {
  const print = part.print === null ? undefined : prints.get(part.print)
  for (const layer of print?.front ?? []) {
    const bare = colours.get(String(layer['skin'] ?? ''))
    if (bare) return bare
  }
  const own = colours.get(part.colours[0] ?? '')
  return own?.family === 'skin' ? own : undefined
}
