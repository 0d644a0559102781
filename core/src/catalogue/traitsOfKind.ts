import type { PartKind, Traits } from './types.ts'

const HAIR = ['hair', 'hairLength', 'texture', 'parting', 'fringe', 'tied', 'sides', 'crown', 'mane', 'nape']
const LOWER: readonly PartKind[] = ['leg-pair', 'leg-left', 'leg-right', 'lower']

/** Kinds of moulds a trait says something of (docs/traits.md); a key that is not here may stand on any. */
const KINDS_OF: Readonly<Record<string, readonly PartKind[]>> = {
  ...Object.fromEntries([...HAIR, 'hat', 'helmet', 'over'].map((key) => [key, ['headgear'] as const])),
  headShape: ['head'],
  mask: ['face'],
  rise: ['feet'],
  material: ['neck'],
  pack: ['neck'],
  length: LOWER,
  footing: ['lower'],
  item: ['held'],
  light: ['held'],
  animal: ['beside'],
  thing: ['beside'],
}

/** Traits of a mould as far as its kind has them, and the keys of those it has not: a lantern has no fringe. */
export function traitsOfKind(traits: Traits, kind: PartKind): { fit: Traits; astray: string[] } {
  const fits = (key: string) => KINDS_OF[key]?.includes(kind) ?? true
  return {
    fit: Object.fromEntries(Object.entries(traits).filter(([key]) => fits(key))),
    astray: Object.keys(traits).filter((key) => !fits(key)),
  }
}
