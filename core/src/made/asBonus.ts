import type { Wearable } from '../anatomy/index.ts'
import type { BonusBuild } from '../packs/index.ts'
import { countPieces } from './board.ts'

/**
 * Something made as a bonus build whose pieces are handed out: its pieces counted, and its steps in the order it is put
 * together. Strings have no code, so that a step says them and nobody deals them out.
 */
export function asBonus(
  { name, pieces, bands = [] }: Pick<Wearable, 'name' | 'pieces' | 'bands'>,
  labelOf: (part: string) => string,
): Pick<BonusBuild, 'name' | 'pieces' | 'steps'> {
  const told = [
    ...pieces.map(({ part }, i) => `${i === 0 ? 'Begin with' : 'Put on'} ${labelOf(part)}.`),
    ...bands.map((band) => `Tie it with ${band.name.toLowerCase()}.`),
  ]
  return {
    name,
    pieces: countPieces(pieces).map(({ part, qty }) => ({ part, name: labelOf(part), qty })),
    steps: told.map((text) => ({ text, photo: null })),
  }
}
