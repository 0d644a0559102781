import { useMemo } from 'react'
import { catalogueOf, MAIN_PIECE, plainPart, type Part, type Print } from '@outfit/core/catalogue'
import type { LookedAt } from '@outfit/core/intake'
import { PartPicture } from '../ui/PartPicture.tsx'
import { counted } from '../ui/counted.ts'
import { Swatch } from '../ui/Swatch.tsx'
import { NOUNS } from './listWords.ts'

const MOST_NAMED = 24

/** Entries of a list that is not of parts: which are new, and which there are. */
export function Entries({ list }: { list: LookedAt }) {
  const noun = NOUNS[list.kind as keyof typeof NOUNS]
  const there = list.entries.filter((entry) => entry.there)
  const fresh = list.entries.filter((entry) => !entry.there)
  return (
    <>
      {(
        [
          [fresh, 'new'],
          [there, 'there already: what the list tells takes the place of what you have'],
        ] as const
      ).map(
        ([entries, words]) =>
          entries.length > 0 && (
            <div key={words} className="mt-2">
              <strong>{counted(entries.length, noun)}</strong> {words}
              <ul className="mt-1 flex flex-wrap gap-x-3 text-[14px] text-soft">
                {entries.slice(0, MOST_NAMED).map((entry) => (
                  <li key={entry.code}>
                    {entry.what === 'colour' && <Swatch colour={entry} />} {entry.name}
                  </li>
                ))}
                {entries.length > MOST_NAMED && <li>and {entries.length - MOST_NAMED} more</li>}
              </ul>
            </div>
          ),
      )}
    </>
  )
}

/** Some of what comes in, drawn. */
export function Pictures({ list }: { list: LookedAt }) {
  const { shown, colours, moulds } = list
  const catalogue = useMemo(() => {
    const kindOf = (mould: string) => moulds.find(({ code }) => code === mould)!.kind
    const parts = shown.map(({ name, mould, colour, print }, i): Part => ({
      ...plainPart({ code: mould, name }, colour, `listed-${i}`),
      print: print ? `words-${i}` : null,
    }))
    const prints = shown.flatMap(({ name, mould, print }, i): Print[] => {
      const kind = kindOf(mould)
      return print ? [{ code: `words-${i}`, name, kind: MAIN_PIECE[kind] ?? kind, ...print }] : []
    })
    return catalogueOf({ colours, moulds, prints, parts })
  }, [shown, colours, moulds])
  return (
    <div className="mt-3 grid grid-cols-4 gap-2">
      {[...catalogue.parts.values()].slice(0, 8).map((part) => (
        <PartPicture
          key={part.code}
          part={part}
          catalogue={catalogue}
          label={part.name}
          className="h-[76px] w-full rounded-[8px] bg-paper"
        />
      ))}
    </div>
  )
}
