import type { Catalogue, Colour, Placement } from '../catalogue/index.ts'
import { faceOf, mainsOf } from '../fitting/index.ts'
import type { Origin } from '../drawer/index.ts'

/** An outfit as the facts of its roster need it. */
export interface FactsOutfit {
  id: string
  name: string
  faction: string
  character: string
  placements: readonly Placement[]
  /** Where each placement comes from. */
  from: readonly Origin[]
}

/** A part that is to be bought, over the whole roster. Money in the home currency, minor units. */
export interface WantedPart {
  part: string
  qty: number
  /** Lowest single price of one; null where nobody sells it singly. */
  each: number | null
  /** What all of them cost singly. */
  all: number
  /** Ids of outfits that wait for it. */
  outfits: string[]
}

export interface RosterFacts {
  parts: {
    needed: number
    drawer: number
    donors: number
    arriving: number
    elsewhere: number
    toBuy: number
    kinds: number
  }
  /** Parts to buy: those most outfits wait for first, then the dearest. */
  waits: WantedPart[]
  /** The same by what they cost over the whole roster, the dearest first. */
  dear: WantedPart[]
  /** By faction, main colours with their mean share of the visible cloth, the largest first. */
  colours: { faction: string; mains: { colour: Colour; share: number }[] }[]
  /** Faces that different characters share, with the outfits. */
  faces: { print: string; turned: boolean; outfits: string[] }[]
  /** Donors that give something up, with what and to whom. */
  donors: { name: string; parts: string[]; outfits: string[] }[]
}

/** What a roster as a whole needs, has and shows. O(placements), besides the measuring of colours on each drawing. */
export function rosterFactsOf(
  outfits: readonly FactsOutfit[],
  catalogue: Catalogue,
  lowest: Readonly<Record<string, number | null | undefined>>,
): RosterFacts {
  const all = outfits.flatMap((outfit) =>
    outfit.placements.map((placement, i) => ({ outfit, part: placement.part, from: outfit.from[i] ?? 'buy' })),
  )
  const from = (origin: Origin) => all.filter((one) => one.from === origin).length
  const wanted = new Map<string, WantedPart>()
  const donors = new Map<string, { name: string; parts: string[]; outfits: string[] }>()
  for (const { outfit, part, from: origin } of all) {
    if (typeof origin === 'object') {
      const donor = donors.get(origin.donor) ?? { name: origin.donor, parts: [], outfits: [] }
      donor.parts.push(part)
      if (!donor.outfits.includes(outfit.id)) donor.outfits.push(outfit.id)
      donors.set(origin.donor, donor)
    }
    if (origin !== 'buy') continue
    const each = lowest[part] ?? null
    const known = wanted.get(part) ?? { part, qty: 0, each, all: 0, outfits: [] }
    known.qty += 1
    known.all += each ?? 0
    if (!known.outfits.includes(outfit.id)) known.outfits.push(outfit.id)
    wanted.set(part, known)
  }
  const list = [...wanted.values()]
  const byCode = (a: WantedPart, b: WantedPart) => (a.part < b.part ? -1 : 1)
  return {
    parts: {
      needed: all.length,
      drawer: from('drawer'),
      donors: all.filter((one) => typeof one.from === 'object').length,
      arriving: from('arriving'),
      elsewhere: from('elsewhere'),
      toBuy: from('buy'),
      kinds: new Set(all.map(({ part }) => part)).size,
    },
    waits: [...list].sort((a, b) => b.outfits.length - a.outfits.length || b.all - a.all || byCode(a, b)),
    dear: list.filter(({ each }) => each !== null).sort((a, b) => b.all - a.all || byCode(a, b)),
    colours: coloursByFaction(outfits, catalogue),
    faces: sharedFaces(outfits, catalogue),
    donors: [...donors.values()].sort((a, b) => b.parts.length - a.parts.length || (a.name < b.name ? -1 : 1)),
  }
}

function coloursByFaction(outfits: readonly FactsOutfit[], catalogue: Catalogue): RosterFacts['colours'] {
  return [...new Set(outfits.map(({ faction }) => faction))].map((faction) => {
    const dressed = outfits.filter((outfit) => outfit.faction === faction && outfit.placements.length > 0)
    const shares = new Map<string, { colour: Colour; share: number }>()
    for (const { placements } of dressed)
      for (const { colour, share } of mainsOf(placements, catalogue)) {
        const known = shares.get(colour.code) ?? { colour, share: 0 }
        known.share += share / dressed.length
        shares.set(colour.code, known)
      }
    return { faction, mains: [...shares.values()].sort((a, b) => b.share - a.share) }
  })
}

function sharedFaces(outfits: readonly FactsOutfit[], catalogue: Catalogue): RosterFacts['faces'] {
  const shown = new Map<string, { print: string; turned: boolean; outfits: FactsOutfit[] }>()
  for (const outfit of outfits) {
    const face = faceOf(outfit.placements, { catalogue, free: {} })
    if (!face?.head.print) continue
    const known = shown.get(face.shown) ?? { print: face.head.print, turned: face.turned, outfits: [] }
    known.outfits.push(outfit)
    shown.set(face.shown, known)
  }
  return [...shown.values()]
    .filter((face) => new Set(face.outfits.map(({ character }) => character)).size > 1)
    .sort((a, b) => b.outfits.length - a.outfits.length || (a.print < b.print ? -1 : 1))
    .map(({ print, turned, outfits: list }) => ({ print, turned, outfits: list.map(({ id }) => id) }))
}
