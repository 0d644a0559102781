import type { Mould } from '../catalogue/index.ts'

/** The pieces a pair of legs comes apart into, by the code of its mould: moulds of the legs and of the hips between them. */
export const PIECES_OF: Readonly<
  Record<Mould['code'], readonly { slot: 'legRight' | 'legLeft' | 'hips'; mould: string }[]>
> = {
  'M-PAIRF': legs('F'),
  'M-PAIRM': legs('M'),
  'M-PAIRS': legs('S'),
}

function legs(length: 'F' | 'M' | 'S') {
  return [
    { slot: 'hips', mould: 'M-HIPS' },
    { slot: 'legRight', mould: `M-LEGR${length}` },
    { slot: 'legLeft', mould: `M-LEGL${length}` },
  ] as const
}
