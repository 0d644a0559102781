import type { Catalogue, Part } from '../catalogue/index.ts'

/** Something sold as one that brings several parts: a pair of legs, a torso with its sleeves. */
export interface SoldWhole {
  /** Lowest price, in minor units of the home currency. */
  price: number
  /** Codes of the parts it brings; one that it brings twice stands here twice. */
  brings: readonly string[]
}

export interface ToFinish {
  /** What all of it costs that is for sale, in minor units of the home currency. */
  money: number
  /** Parts that are sold neither by themselves nor in a whole. */
  unsold: number
}

/**
 * What is sold as one among some parts, with what it brings where things come apart so far (core/catalogue); what stays joined
 * is brought where all of it is `wanted`, each piece as often as it is listed. `lowest` tells what each costs.
 */
export const wholesAmong = (
  parts: Iterable<Pick<Part, 'code' | 'components'>>,
  lowest: (code: string) => number | null | undefined,
  level: number,
  wanted: readonly string[] = [],
): SoldWhole[] =>
  [...parts].flatMap(({ code, components }) => {
    const price = lowest(code)
    const left = [...wanted]
    const asOne = components
      .filter((one) => one.level > level)
      .every(({ part }) => {
        const at = left.indexOf(part)
        if (at >= 0) left.splice(at, 1)
        return at >= 0
      })
    const brings = components.filter((one) => asOne || one.level <= level).map(({ part }) => part)
    return brings.length > 0 && typeof price === 'number' ? [{ price, brings }] : []
  })

/** Where the main piece of an assembly is worn. */
const BUILT_ON: ReadonlySet<string> = new Set(['torso', 'hips', 'legRight', 'legLeft'])

/**
 * Of assemblies those worth a look: all built on one of some `parts` (a torso, legs), for sale or not, and of those that only
 * bring mitts or sleeves, for sale, the cheapest of all that bring the same of what is `wanted`. What parts cost
 * (`costToFinish`) comes to the same with these as with all. O(components).
 */
export function worthALook<A extends Pick<Part, 'code' | 'components'>>(
  assemblies: Iterable<A>,
  lowest: (code: string) => number | undefined,
  parts: ReadonlySet<string>,
  wanted: ReadonlySet<string>,
): A[] {
  const built: A[] = []
  const cheapest = new Map<string, { assembly: A; price: number }>()
  for (const assembly of assemblies) {
    const { code, components } = assembly
    const price = lowest(code)
    if (components.some(({ slot, part }) => BUILT_ON.has(slot) && parts.has(part))) built.push(assembly)
    else if (price !== undefined) {
      // Of what nobody wants it matters how far one must take it off.
      const brings = components.map(({ part, level }) => `${wanted.has(part) ? part : ''} ${level}`).sort()
      const key = JSON.stringify(brings)
      if (price < (cheapest.get(key)?.price ?? Infinity)) cheapest.set(key, { assembly, price })
    }
  }
  return [...built, ...[...cheapest.values()].map(({ assembly }) => assembly)]
}

/** Assemblies of a catalogue by the parts in them; made once a catalogue. */
const CARRIERS = new WeakMap<Catalogue['parts'], Map<string, Part[]>>()

function carriersIn({ parts }: Catalogue): Map<string, Part[]> {
  const known = CARRIERS.get(parts)
  if (known) return known
  const made = new Map<string, Part[]>()
  for (const whole of parts.values())
    for (const part of new Set(whole.components.map((one) => one.part)))
      made.set(part, [...(made.get(part) ?? []), whole])
  CARRIERS.set(parts, made)
  return made
}

/** What the catalogue knows to be sold as one that brings something of what is wanted. */
export function wholesWanted(
  wanted: readonly string[],
  catalogue: Catalogue,
  lowest: (code: string) => number | null | undefined,
  level: number,
): SoldWhole[] {
  const carriers = carriersIn(catalogue)
  return wholesAmong(new Set(wanted.flatMap((part) => carriers.get(part) ?? [])), lowest, level, wanted)
}

/** More ways to buy than anybody looks through; the ones that save most come first. */
const MOST_WHOLES = 12

/**
 * What parts cost at lowest prices, one for each time they are listed, where some are cheaper in a whole or sold in one alone:
 * as few as can be are left unsold, and then it is the least money there is. Without shipping. Exact for up to twelve wholes
 * that bring something; O(2^parts × wholes) at worst, and few parts are in wholes.
 */
export function costToFinish(
  parts: readonly string[],
  lowest: (part: string) => number | null | undefined,
  wholes: readonly SoldWhole[],
): ToFinish {
  const singly = (list: readonly string[]): ToFinish => ({
    money: list.reduce((sum, part) => sum + (lowest(part) ?? 0), 0),
    unsold: list.filter((part) => typeof lowest(part) !== 'number').length,
  })
  /** What is left of a list once a whole was bought for it. */
  const after = (list: readonly string[], { brings }: SoldWhole): string[] => {
    const rest = [...list]
    for (const part of brings) {
      const i = rest.indexOf(part)
      if (i >= 0) rest.splice(i, 1)
    }
    return rest
  }
  const less = (a: ToFinish, b: ToFinish) => a.unsold < b.unsold || (a.unsold === b.unsold && a.money < b.money)
  const [listed, all] = [new Set(parts), singly(parts)]
  const gains = wholes
    .filter(({ brings }) => brings.some((part) => listed.has(part)))
    .map((whole) => {
      const rest = singly(after(parts, whole))
      return { whole, unsold: all.unsold - rest.unsold, saves: all.money - rest.money - whole.price }
    })
    .filter(({ unsold, saves }) => unsold > 0 || saves > 0)
    .sort((a, b) => b.unsold - a.unsold || b.saves - a.saves)
    .slice(0, MOST_WHOLES)
    .map(({ whole }) => whole)
  const known = new Map<string, ToFinish>()
  const best = (list: readonly string[], from: number): ToFinish => {
    const key = `${from} ${list.join(' ')}`
    const before = known.get(key)
    if (before) return before
    let found = singly(list)
    // Wholes in their order, each as often as it still brings something.
    for (let w = from; w < gains.length; w++) {
      const rest = after(list, gains[w]!)
      if (rest.length === list.length) continue
      const { money, unsold } = best(rest, w)
      const way = { money: money + gains[w]!.price, unsold }
      if (less(way, found)) found = way
    }
    known.set(key, found)
    return found
  }
  return best([...parts].sort(), 0)
}
