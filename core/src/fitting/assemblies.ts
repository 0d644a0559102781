import type { Catalogue, Part, Slot } from '../catalogue/index.ts'

/** Assemblies by the piece in them and its slot; made once a catalogue. */
const KNOWN = new WeakMap<Catalogue, Map<string, Part[]>>()

/** The assemblies a piece is sold in. */
export function assembliesWith(piece: string, slot: Slot, catalogue: Catalogue): readonly Part[] {
  let known = KNOWN.get(catalogue)
  if (!known) {
    known = new Map()
    for (const part of catalogue.parts.values())
      for (const component of part.components) {
        const key = `${component.slot} ${component.part}`
        known.set(key, [...(known.get(key) ?? []), part])
      }
    KNOWN.set(catalogue, known)
  }
  return known.get(`${slot} ${piece}`) ?? []
}
