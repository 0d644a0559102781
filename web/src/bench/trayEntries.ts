import { canPick, type Dressing } from '@outfit/core/anatomy'
import {
  costOf,
  judgesByPlace,
  judgesOf,
  likenessOfPart,
  placeOf,
  rankCandidates,
  type Brief,
  type BriefWish,
  type PartLikeness,
  type RankEntry,
} from '@outfit/core/brief'
import { mainColour, mainPiece, mouldOf, partLabel, type Catalogue, type Part } from '@outfit/core/catalogue'
import { COLOUR_LIMITS, colourDifference } from '@outfit/core/colour'
import { unitsOf } from '@outfit/core/drawer'

export const TRAY_ORDERS = {
  likeness: 'By likeness',
  owned: 'Owned first',
  price: 'Cheapest first',
  name: 'By name',
} as const
export type TrayOrder = keyof typeof TRAY_ORDERS

/** A part of the tray. */
export interface TrayEntry extends RankEntry {
  part: Part
  owned: number
  label: string
  /** How like the brief it is at its place, with its terms. */
  likeness: PartLikeness
  /** The brief wants none of it: a figure or release to be avoided brings it, others made it, or it is too dear. */
  avoided: boolean
}

export interface TraySettings {
  find: string
  order: TrayOrder
  ownedOnly: boolean
  /** Only what is near the colour wished for. */
  wishedColour: boolean
  /** Home currency, minor units; what is owned costs nothing. */
  limit: number | null
  /** In the order by likeness: how much price counts, from 0 to 1. */
  mix: number
}

interface TrayOf {
  dressing: Dressing
  free: Readonly<Record<string, number>>
  catalogue: Catalogue
  brief: Brief
  /** Parts that figures and releases to be avoided bring. */
  unwanted: readonly string[]
  /** Whether the house rules take parts by others. */
  byOthers: boolean
}

/** The colour the brief wishes for where a way of dressing puts its parts. */
export const wishedColourAt = ({ slot }: Dressing, brief: Brief): BriefWish | undefined =>
  brief.wishes.find(({ place, trait }) => place === placeOf(slot) && (trait === 'colour' || trait === 'skin'))

/** What can be picked in a way of dressing, with what the tray knows of it. */
export function trayEntries(
  items: readonly { part: Part; owned: number; lowest: number | null }[],
  { dressing, free, catalogue, brief, unwanted, byOthers }: TrayOf,
): TrayEntry[] {
  const judges = judgesByPlace(judgesOf(brief, catalogue))
  const place = placeOf(dressing.slot)
  const codes = new Set(unwanted)
  const { priceAbove, byOthers: avoidsOthers } = brief.avoid
  const makersAlone = avoidsOthers || !byOthers
  return (
    items
      // Parts come into the catalogue a moment after the answer that brings them.
      .filter(({ part }) => canPick(dressing, part, catalogue) && catalogue.parts.has(part.code))
      .map((item) => {
        const { part, lowest } = item
        const units = unitsOf(part, (code) => free[code] ?? 0)
        const likeness = likenessOfPart(part, place, judges, catalogue)
        return {
          ...item,
          free: units,
          label: partLabel(catalogue, part),
          likeness,
          share: likeness.share,
          avoided:
            codes.has(part.code) ||
            codes.has(mainPiece(part)) ||
            (makersAlone && mouldOf(catalogue, part).traits['maker'] === 'other') ||
            (units === 0 && priceAbove !== null && (lowest ?? 0) > priceAbove),
        }
      })
  )
}

/** Entries filtered and sorted as the tray shows them. */
export function arrange(
  all: readonly TrayEntry[],
  { find, order, ownedOnly, wishedColour, limit, mix }: TraySettings,
  wished: BriefWish | undefined,
  catalogue: Catalogue,
): TrayEntry[] {
  const words = find.toLowerCase().split(/\s+/).filter(Boolean)
  const isWished = ({ part }: TrayEntry) => {
    const hex = mainColour(catalogue, part)?.hex
    return wished !== undefined && hex !== undefined && colourDifference(hex, wished.target) <= COLOUR_LIMITS.near
  }
  const found = all.filter(
    (entry) =>
      (!ownedOnly || entry.free > 0) &&
      (!wishedColour || wished === undefined || isWished(entry)) &&
      (limit === null || (costOf(entry) ?? Infinity) <= limit) &&
      words.every((word) => `${entry.label} ${entry.part.code}`.toLowerCase().includes(word)),
  )
  if (order === 'likeness')
    return [
      ...rankCandidates(
        found.filter(({ avoided }) => !avoided),
        mix,
      ),
      ...rankCandidates(
        found.filter(({ avoided }) => avoided),
        mix,
      ),
    ]
  const price = (entry: TrayEntry) => entry.lowest ?? Number.MAX_SAFE_INTEGER
  const compare: Record<Exclude<TrayOrder, 'likeness'>, (a: TrayEntry, b: TrayEntry) => number> = {
    owned: (a, b) => Number(b.free > 0) - Number(a.free > 0) || price(a) - price(b),
    price: (a, b) => price(a) - price(b),
    name: (a, b) => a.label.localeCompare(b.label),
  }
  return found.sort((a, b) => compare[order](a, b) || (a.part.code < b.part.code ? -1 : 1))
}
