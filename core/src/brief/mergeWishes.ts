import type { BriefWish } from './brief.ts'

/** Traits of which a place may have several: things held, worn round the neck, standing beside. */
export const THINGS: readonly string[] = ['item', 'companion', 'shape']

/** Whether one wish stands in the place of the other: both are about the same, or name the same thing. */
export const sameWish = (a: BriefWish, b: BriefWish): boolean =>
  a.place === b.place && a.trait === b.trait && (!THINGS.includes(a.trait) || a.target === b.target)

/** Wishes with others in the place of those about the same, and after them where there are none. O(wishes²). */
export function withWishes(own: readonly BriefWish[], others: readonly BriefWish[]): BriefWish[] {
  const wishes = [...own]
  for (const wish of others) {
    const at = wishes.findIndex((one) => sameWish(one, wish))
    if (at < 0) wishes.push(wish)
    else wishes[at] = wish
  }
  return wishes
}
