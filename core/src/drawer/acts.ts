/** Condition of a part, as it was bought or judged. */
export type Condition = 'new' | 'used'

/** What can be done with parts, each with the words a history tells it by. */
export const ACT_KINDS = {
  'brought-in': 'Brought in',
  moved: 'Moved',
  stocktake: 'Stocktake',
  built: 'Built',
  'taken-apart': 'Taken apart',
  put: 'Put together',
  lent: 'Lent',
  returned: 'Given back',
  sold: 'Sold',
  given: 'Given away',
  lost: 'Lost or thrown away',
  imported: 'Imported',
  'taken-back': 'Taken back',
} as const
export type ActKind = keyof typeof ACT_KINDS

/** Ways parts leave the drawer for good. */
export const WAYS_OUT = ['sold', 'given', 'lost'] as const satisfies ActKind[]
export type WayOut = (typeof WAYS_OUT)[number]

/** What one unit or more of a part in a condition does: from a bin to a bin, null for outside. */
export interface Moved {
  part: string
  from: string | null
  to: string | null
  qty: number
  condition: Condition
}

/** The movements that take others back, last first. */
export const reversed = (movements: readonly Moved[]): Moved[] =>
  [...movements].reverse().map((movement) => ({ ...movement, from: movement.to, to: movement.from }))
