import { STATE_WORDS, STATES, type ShelfOutfit } from '@outfit/core/shelf'

/** What a roster's table can be sorted by. */
export const TABLE_ORDERS = {
  number: 'No.',
  name: 'Name',
  faction: 'Faction',
  state: 'How far',
  stature: 'Stature',
  toBuy: 'To buy',
  pins: 'Pins',
} as const
export type TableOrder = keyof typeof TABLE_ORDERS

export interface TableRow {
  outfit: ShelfOutfit
  /** Its number on the shelf. */
  number: number
}

const WEIGHT = { problem: 10_000, notice: 100, hint: 1 } as const
const amiss = ({ pins }: ShelfOutfit) => pins.reduce((sum, { severity }) => sum + WEIGHT[severity], 0)

/** Outfits as rows of a table: those with all the words in name, faction or character, sorted; ties by number. */
export function tableRows(
  numbered: readonly TableRow[],
  { words, order, down }: { words: string; order: TableOrder; down: boolean },
): TableRow[] {
  const wanted = words.toLowerCase().split(/\s+/).filter(Boolean)
  const compare: Record<TableOrder, (a: TableRow, b: TableRow) => number> = {
    number: (a, b) => a.number - b.number,
    name: (a, b) => a.outfit.name.localeCompare(b.outfit.name),
    faction: (a, b) => a.outfit.faction.localeCompare(b.outfit.faction),
    state: (a, b) => STATES.indexOf(a.outfit.state) - STATES.indexOf(b.outfit.state),
    stature: (a, b) => a.outfit.stature.localeCompare(b.outfit.stature),
    toBuy: (a, b) => a.outfit.toBuy - b.outfit.toBuy,
    pins: (a, b) => amiss(a.outfit) - amiss(b.outfit),
  }
  return numbered
    .filter(({ outfit: { name, faction, character, state } }) => {
      const text =
        `${name} ${faction} ${character} ${STATE_WORDS[state].label} ${STATE_WORDS[state].counted}`.toLowerCase()
      return wanted.every((word) => text.includes(word))
    })
    .sort((a, b) => (down ? -1 : 1) * compare[order](a, b) || a.number - b.number)
}
