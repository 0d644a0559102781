import { own } from '../base/index.ts'
import type { Catalogue, Placement } from '../catalogue/index.ts'
import type { BriefWish } from './brief.ts'
import { lookAt, type Look } from './look.ts'
import { PLACE_FACTS, PLACES, type Place } from './places.ts'
import { traitsAt } from './traits.ts'

/** Traits a wish is made of only where they say something: nobody wishes for no scar because there is none. */
const ONLY_YES = ['fringe', 'tied', 'glasses', 'freckles', 'scar', 'glove', 'light', 'hat', 'riser']

/** Traits that follow from others or are too exact to start with. */
const LEFT_OUT = ['shape', 'length', 'brows', 'bootColour']

/** What a trait usually is, which is not worth a wish. */
const USUAL: Readonly<Record<string, string>> = { pattern: 'plain', below: 'trousers', boot: 'plain', age: 'adult' }

/** Pieces that no trait tells apart are known by their mould. */
const BY_MOULD = ['neck', 'waist', 'face', 'wrists'] as const

/**
 * "Like this, but …": the wishes an outfit answers in full, to be changed from there. What is worn twice alike is wished
 * for once, colours as they stand in the palette. O(placements × traits).
 */
export function wishesFrom(placements: readonly Placement[], catalogue: Catalogue): BriefWish[] {
  const wishes = new Map<string, BriefWish>()
  for (const place of PLACES) {
    const looks = placements
      .filter(({ slot }) => PLACE_FACTS[place].slots.includes(slot))
      .flatMap(({ part: code, turned }) => {
        const part = catalogue.parts.get(code)
        return part ? [lookAt(part, turned, catalogue)] : []
      })
    const bothSides = PLACE_FACTS[place].judge === 'mean'
    for (const look of looks) {
      const add = (trait: string, target: string) =>
        wishes.set(`${place} ${trait} ${target}`, { place, trait, target, weight: 'matters' })
      // What it is comes before how it looks, so that a casting knows which piece a colour is wished for.
      if ((BY_MOULD as readonly string[]).includes(place)) add('shape', look.part.mould)
      for (const trait of traitsAt(place)) {
        const shown = trait.read(look)
        if (shown === null || isTaken(trait.key, shown, place, look)) continue
        // A side that is unlike the other is an exception nobody wishes for on both.
        if (bothSides && looks.some((other) => trait.read(other) !== shown)) continue
        add(trait.key, shown)
      }
    }
  }
  return [...wishes.values()]
}

/** What needs no wish: it goes without saying, or follows from something else. */
function isTaken(trait: string, shown: string, place: Place, look: Look): boolean {
  if (LEFT_OUT.includes(trait) || shown === 'none') return true
  if (ONLY_YES.includes(trait)) return shown !== 'yes'
  // Bare hands follow the head.
  if (trait === 'colour' && place === 'hands') return look.colour?.family === 'skin'
  return own(USUAL, trait) === shown
}
