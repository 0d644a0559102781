/**
 * The most a number of a sourcing problem may be, the same in the published format, in tables and in forms. Beyond them
 * sums would lose their last digit and loops their end; no seller and no roster comes near them.
 */
export const MOST = {
  /** Prices, minimums, handling, penalties: minor units of money. */
  money: 100_000_000,
  /** Units needed, owned, in stock. */
  qty: 1_000_000,
  /** Parts of one kind that an offer yields, and units in a pack. */
  pack: 10_000,
  /** Grams of a unit. */
  weight: 1_000_000,
  /** Where a shipping band ends, in whatever it goes by, and budgets; people write a very large number for "no end". */
  band: 1e12,
  /** Seconds the solver may take. */
  seconds: 3600,
  /** Days until a parcel arrives. */
  days: 3650,
} as const
