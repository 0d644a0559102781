import { toneOf } from '../colour/index.ts'
import { type Colour, type Mould, type Part, type Print, shelfOf, SHELVES, type Traits } from '../catalogue/index.ts'

/** "hairLength" as "hair length". */
const spaced = (key: string) => key.replace(/([a-z])([A-Z])/g, '$1 $2').toLowerCase()

/** Traits as a person says them: "tied=yes" is "tied", "parting=side" is "side parting". */
export function traitWords(traits: Traits): string[] {
  return Object.entries(traits).map(([key, value]) => (value === 'yes' ? spaced(key) : `${value} ${spaced(key)}`))
}

/**
 * Every word a part can be found by besides its name and code: shelf and kind, mould, print, traits of both, colours with
 * their families, finishes and tone, and the year.
 */
export function searchWords(
  part: Pick<Part, 'colours' | 'year'>,
  mould: Pick<Mould, 'code' | 'name' | 'kind' | 'traits'>,
  print: Pick<Print, 'code' | 'name' | 'traits'> | undefined,
  colours: readonly Colour[],
): string {
  const [main] = colours
  return [
    SHELVES[shelfOf(mould.kind)].label,
    mould.kind,
    mould.name,
    mould.code,
    ...traitWords(mould.traits),
    ...(print ? [print.name, print.code, ...traitWords(print.traits)] : ['plain']),
    ...colours.flatMap(({ name, family, finish }) => [name, family, ...(finish === 'solid' ? [] : [finish])]),
    ...(main ? [toneOf(main.hex)] : []),
    ...(part.year === null ? [] : [String(part.year)]),
  ].join(' ')
}

/** What a person typed as words to be found, each by its beginning: cut at everything that is no letter or digit. */
export function wordsAsked(text: string): string[] {
  return [...new Set(text.toLowerCase().match(/[\p{L}\p{N}]+/gu) ?? [])]
}
