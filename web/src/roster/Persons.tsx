import { lazy, Suspense, useState } from 'react'
import { Link } from 'react-router'
import { againstSamePerson } from '@outfit/core/ages'
import { partLabel, type Placement } from '@outfit/core/catalogue'
import { compareTakes, headsAgree, withHead, type HeadOfAge } from '@outfit/core/roster'
import { type RosterShelf, type ShelfOutfit } from '@outfit/core/shelf'
import { selectCatalogue } from '../data/catalogueSlice.ts'
import { rosterApi } from '../data/rosterApi.ts'
import { useAppSelector } from '../data/hooks.ts'
import { Button } from '../ui/Button.tsx'
import { Figure } from '../ui/Figure.tsx'
import { tell, tellError } from '../ui/tell.ts'

const OutfitDialog = lazy(async () => ({ default: (await import('./OutfitDialog.tsx')).OutfitDialog }))

const headOf = ({ placements }: ShelfOutfit): Placement | undefined => placements.find(({ slot }) => slot === 'head')

/** Characters with several outfits side by side by age: one head in all of them, or a stated series of heads. */
export function Persons({ roster }: { roster: RosterShelf }) {
  const characters = [...new Set(roster.outfits.map(({ characterId }) => characterId))]
    .map((id) => ({ id, outfits: roster.outfits.filter(({ characterId }) => characterId === id) }))
    .filter(({ outfits }) => outfits.length > 1)
  return (
    <section aria-labelledby="persons" className="mt-6 border-t border-rule pt-4">
      <h2 id="persons" className="text-xl">
        One person, one head
      </h2>
      {characters.length === 0 && (
        <p className="text-soft">
          Nobody here has more than one outfit yet. A figure’s menu on the shelf makes another for the same person: at
          another age it is dressed as then.
        </p>
      )}
      {characters.map(({ id, outfits }) => (
        <Person key={id} id={id} outfits={outfits} roster={roster} />
      ))}
    </section>
  )
}

function Person({ id, outfits, roster }: { id: string; outfits: readonly ShelfOutfit[]; roster: RosterShelf }) {
  const catalogue = useAppSelector(selectCatalogue)
  const [saveHeads] = rosterApi.endpoints.saveHeads.useMutation()
  const [wearHeads] = rosterApi.endpoints.wearHeads.useMutation()
  const [asking, ask] = useState(false)
  const series = roster.heads[id] ?? []
  const worn = outfits.flatMap((outfit) => {
    const head = headOf(outfit)
    return head ? [{ outfit, head: head.part, years: outfit.years }] : []
  })
  const different = [...new Set(worn.map(({ head }) => head))]
  const agree = worn.every((one) => worn.every((other) => headsAgree(series, one, other)))
  const name = outfits[0]!.character
  const label = (code: string) => {
    const part = catalogue?.parts.get(code)
    return catalogue && part ? partLabel(catalogue, part) : code
  }
  const state = async (heads: HeadOfAge[], words: string) => {
    const answer = await saveHeads({ character: id, heads })
    if (answer.error) return tellError(answer.error)
    tell(words, () => saveHeads({ character: id, heads: series }))
  }
  const giveAll = async (head: string) => {
    const changed = outfits.filter((outfit) => headOf(outfit)?.part !== head)
    const answer = await wearHeads({
      roster: roster.id,
      outfits: changed.map((outfit) => ({
        outfit: outfit.id,
        placements: withHead(outfit.placements, head).filter(({ slot }) => slot === 'head'),
      })),
    })
    if (answer.error) return tellError(answer.error)
    const { before } = answer.data
    tell(`${name} has ${label(head)} in every outfit.`, () => wearHeads({ roster: roster.id, outfits: before }))
  }
  /** Side by side from the youngest; who has no age told stands last. */
  const byAge = [...outfits].sort((a, b) => (a.years ?? Infinity) - (b.years ?? Infinity))
  const aged = worn.flatMap(({ head, years }) => (years === null ? [] : [{ from: years, head }]))
  // Two heads at one age are no series.
  const eachAge = aged.length === worn.length && new Set(aged.map(({ from }) => from)).size === aged.length
  return (
    <div className="mt-3 flex items-start gap-5 phone:flex-col">
      <ul className="flex gap-3">
        {byAge.map((outfit, i) => {
          const before = byAge[i - 1]
          const [own, other] = [headOf(outfit), before && headOf(before)].map((p) =>
            catalogue?.parts.get(p?.part ?? ''),
          )
          const against = catalogue && own && other ? againstSamePerson(other, own, catalogue) : []
          const rows = before
            ? compareTakes([before.placements, outfit.placements]).flatMap(({ label: row, alike }) =>
                alike ? [] : row,
              )
            : []
          return (
            <li key={outfit.id} className="w-[150px] text-center">
              <Link to={`/outfits/${outfit.id}/bench`} className="group block">
                <Figure placements={outfit.placements} label="" className="h-[190px] w-full" />
                <span className="block leading-tight font-semibold group-hover:text-act">{outfit.name}</span>
                <span className="block text-[13px] text-soft">
                  {outfit.years === null ? 'no age told' : `${outfit.years} years`}
                </span>
              </Link>
              {rows.length > 0 && (
                <span className="mt-1 block text-[12.5px] leading-snug text-soft">otherwise: {rows.join(', ')}</span>
              )}
              {against.length > 0 && (
                <span className="mt-0.5 block text-[12.5px] leading-snug text-notice">{against.join('; ')}</span>
              )}
            </li>
          )
        })}
      </ul>
      <div className="pt-6 pb-2">
        <p>
          <strong>{name}</strong>{' '}
          <span className={agree ? 'text-good' : 'text-notice'}>
            {different.length < 2
              ? 'has one head in every outfit.'
              : agree
                ? `has a head for each age: ${series.map(({ from, head }) => `from ${from} ${label(head)}`).join(', ')}.`
                : `has ${different.length} heads: ${different.map(label).join(', ')}.`}
          </span>
        </p>
        <div className="mt-1.5 flex flex-wrap gap-2">
          {different.length > 1 &&
            different.map((head) => (
              <Button key={head} className="px-2.5 py-1" onClick={() => void giveAll(head)}>
                {label(head)} in all outfits
              </Button>
            ))}
          {different.length > 1 && !agree && eachAge && (
            <Button className="px-2.5 py-1" onClick={() => void state(aged, `${name} has a head for each age.`)}>
              Meant so: a head for each age
            </Button>
          )}
          <Button look="plain" className="px-2.5 py-1" onClick={() => ask(true)}>
            At another age …
          </Button>
          {asking && (
            <Suspense>
              <OutfitDialog outfit={byAge.at(-1)!} roster={roster} what="another" onDone={() => ask(false)} />
            </Suspense>
          )}
          {series.length > 0 && (
            <Button look="plain" className="px-2.5 py-1" onClick={() => void state([], `${name} has one head again.`)}>
              No series by age
            </Button>
          )}
        </div>
      </div>
    </div>
  )
}
