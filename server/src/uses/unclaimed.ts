import type { Share } from '../allotment/sharesService.ts'

/** How many of each part lie loose and count for no outfit; what stands on outfits already does not lie loose. */
export function unclaimedOf(
  shares: readonly Pick<Share, 'placements' | 'sources' | 'standing'>[],
  lying: Readonly<Record<string, number>>,
): Record<string, number> {
  const loose: Record<string, number> = { ...lying }
  for (const { placements, sources, standing } of shares) {
    const on = { ...standing }
    for (const [i, { part: worn }] of placements.entries()) {
      const source = sources[i]
      if (!source || source.elsewhere || source.donor !== null) continue
      if ((on[worn] ?? 0) > 0) on[worn]!--
      else loose[worn] = Math.max(0, (loose[worn] ?? 0) - 1)
    }
  }
  return loose
}
