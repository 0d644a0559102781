import type { Placement } from '@outfit/core/catalogue'

/** Prints that are stuck on as stickers, by code. */
export const stickersOn = (placements: readonly Placement[]): string[] =>
  placements.flatMap(({ altered = [] }) => altered.flatMap(({ print }) => print ?? []))
