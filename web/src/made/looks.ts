/** A small button of the board. */
export const small =
  'inline-flex items-center gap-1 rounded-[8px] border border-rule bg-card px-2 py-1 text-[13px] font-semibold text-act hover:border-act disabled:opacity-40'
/** A field for a number of a few digits. */
export const number = 'w-[64px] rounded-[8px] border border-rule bg-card px-2 py-1 text-right tabular-nums'
