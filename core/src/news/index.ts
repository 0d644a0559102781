/** What changes are about that more than one view follows. */
export const ASPECTS = ['catalogue', 'drawer', 'market'] as const
export type Aspect = (typeof ASPECTS)[number]

/** That something was written, as every window is told. */
export interface News {
  /** The window it was done in, as it calls itself; null for several, and for what the program does by itself. */
  by: string | null
  aspects: Aspect[]
  /** Everything is another: what a window has read is true no more. */
  replaced: boolean
}

/** The header a window says its name in. */
export const WINDOW_HEADER = 'Outfit-Window'
