import { useMemo } from 'react'
import { canPick, type Dressing } from '@outfit/core/anatomy'
import { mainColour, mouldOf, partLabel, type Catalogue } from '@outfit/core/catalogue'
import {
  judgesByPlace,
  judgesOf,
  likenessOfPart,
  mixedScore,
  placeOf,
  type Brief,
  type PartLikeness,
} from '@outfit/core/brief'
import { COLOUR_LIMITS, colourDifference } from '@outfit/core/colour'
import { unitsOf } from '@outfit/core/drawer'
import { api, type Candidate } from '../app/api.ts'

export const TRAY_ORDERS = {
  likeness: 'By likeness',
  owned: 'Owned first',
  price: 'Cheapest first',
  name: 'By name',
} as const
export type TrayOrder = keyof typeof TRAY_ORDERS

export interface TrayEntry extends Candidate {
  /** Units that are free for this outfit. */
  free: number
  label: string
  /** How like the brief it is at its place. */
  likeness: PartLikeness
  /** The brief wants none of it: a figure or release to be avoided brings it, or it is too dear. */
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

/** Candidates for a way of dressing, filtered and sorted as the tray shows them. */
export function useTray(
  dressing: Dressing,
  { find, order, ownedOnly, wishedColour, limit, mix }: TraySettings,
  free: Readonly<Record<string, number>>,
  catalogue: Catalogue,
  brief: Brief,
  avoided: readonly string[],
) {
  const place = placeOf(dressing.slot)
  const { currentData: data, error, isFetching, refetch } = api.endpoints.candidates.useQuery(dressing.slot)
  const all = useMemo((): TrayEntry[] => {
    const judges = judgesByPlace(judgesOf(brief, catalogue))
    const unwanted = new Set(avoided)
    const { priceAbove, byOthers } = brief.avoid
    return (
      (data?.items ?? [])
        // Parts come into the catalogue a moment after the answer that brings them.
        .filter(({ part }) => canPick(dressing, part) && catalogue.parts.has(part.code))
        .map((candidate) => {
          const { part, lowest } = candidate
          const units = unitsOf(part, (code) => free[code] ?? 0)
          const main = part.components[0]?.part
          return {
            ...candidate,
            free: units,
            label: partLabel(catalogue, part),
            likeness: likenessOfPart(part, place, judges, catalogue),
            avoided:
              unwanted.has(part.code) ||
              (main !== undefined && unwanted.has(main)) ||
              (byOthers && mouldOf(catalogue, part).traits['maker'] === 'other') ||
              (units === 0 && priceAbove !== null && (lowest ?? 0) > priceAbove),
          }
        })
    )
  }, [data, dressing, place, free, catalogue, brief, avoided])
  const wished = brief.wishes.find((wish) => wish.place === place && ['colour', 'skin'].includes(wish.trait))
  const shown = useMemo(() => {
    const words = find.toLowerCase().split(/\s+/).filter(Boolean)
    const price = (entry: TrayEntry) => entry.lowest ?? Number.MAX_SAFE_INTEGER
    const cost = (entry: TrayEntry) => (entry.free > 0 ? 0 : entry.lowest)
    const dearest = all.reduce((most, entry) => Math.max(most, cost(entry) ?? 0), 0)
    const worth = (entry: TrayEntry) =>
      entry.likeness.share === null ? 0 : mixedScore(entry.likeness.share, cost(entry), dearest, mix)
    const isWished = ({ part }: TrayEntry) => {
      const hex = mainColour(catalogue, part)?.hex
      return wished !== undefined && hex !== undefined && colourDifference(hex, wished.target) <= COLOUR_LIMITS.near
    }
    const byOwned = (a: TrayEntry, b: TrayEntry) => Number(b.free > 0) - Number(a.free > 0) || price(a) - price(b)
    const compare: Record<TrayOrder, (a: TrayEntry, b: TrayEntry) => number> = {
      likeness: (a, b) => Number(a.avoided) - Number(b.avoided) || worth(b) - worth(a) || byOwned(a, b),
      owned: byOwned,
      price: (a, b) => price(a) - price(b),
      name: (a, b) => a.label.localeCompare(b.label),
    }
    return all
      .filter(
        (entry) =>
          (!ownedOnly || entry.free > 0) &&
          (!wishedColour || wished === undefined || isWished(entry)) &&
          (limit === null || (cost(entry) ?? Infinity) <= limit) &&
          words.every((word) => `${entry.label} ${entry.part.code}`.toLowerCase().includes(word)),
      )
      .sort((a, b) => compare[order](a, b) || (a.part.code < b.part.code ? -1 : 1))
  }, [all, find, order, ownedOnly, wishedColour, limit, mix, wished, catalogue])
  return { all, shown, wished, error, isFetching, refetch }
}
