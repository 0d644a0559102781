import { partLabel, type Part } from '@outfit/core/catalogue'
import { selectCatalogue } from '../data/catalogueSlice.ts'
import { useAppSelector } from '../data/hooks.ts'

/** What a part is called with its colour. */
export function usePartLabel(): (part: Part) => string {
  const catalogue = useAppSelector(selectCatalogue)
  return (part) => (catalogue ? partLabel(catalogue, part) : part.name)
}
