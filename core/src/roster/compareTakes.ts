import { SPINE } from '../anatomy/index.ts'
import type { Placement, Slot } from '../catalogue/index.ts'

/** A row of the spine as several takes wear it. */
export interface ComparedRow {
  key: string
  label: string
  slots: readonly Slot[]
  /** What each take wears there, in the order of the slots, innermost first. */
  worn: Placement[][]
  /** Whether all takes wear the same there, turned and altered the same way. */
  alike: boolean
}

/** Takes slot by slot, from crown to sole; rows in which nobody wears anything are left out. O(takes × placements). */
export function compareTakes(takes: readonly (readonly Placement[])[]): ComparedRow[] {
  return SPINE.map(({ key, label, slots }) => {
    const worn = takes.map((placements) =>
      placements
        .filter(({ slot }) => slots.includes(slot))
        .sort((a, b) => slots.indexOf(a.slot) - slots.indexOf(b.slot) || a.order - b.order),
    )
    const looks = worn.map((list) =>
      list
        .map(
          ({ slot, part, turned, altered = [], made = null }) =>
            `${slot} ${part} ${turned} ${JSON.stringify([altered, made])}`,
        )
        .join('|'),
    )
    return { key, label, slots, worn, alike: looks.every((look) => look === looks[0]) }
  }).filter(({ worn }) => worn.some((list) => list.length > 0))
}
