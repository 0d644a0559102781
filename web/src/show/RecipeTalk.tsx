import { useEffect, useMemo, useState } from 'react'
import { useNavigate } from 'react-router'
import { inPoints } from '@outfit/core/brief'
import { SLOT_FACTS } from '@outfit/core/anatomy'
import { catalogueOf, partLabel, type Catalogue } from '@outfit/core/catalogue'
import { homeMoney } from '@outfit/core/market'
import type { MatchedPart, Recipe, RecipeReport } from '@outfit/core/show'
import { errorText } from '../data/api.ts'
import { recipeApi } from '../data/recipeApi.ts'
import { rosterApi } from '../data/rosterApi.ts'
import { Button } from '../ui/Button.tsx'
import { counted } from '../ui/counted.ts'
import { Figure } from '../ui/Figure.tsx'
import { Waiting } from '../ui/Notes.tsx'
import { tell } from '../ui/tell.ts'

/** A recipe somebody handed on: what of it the own drawer gives, and what the rest costs; then it may be taken in. */
export function RecipeTalk({ name, recipe, onLeave }: { name: string; recipe: Recipe; onLeave: () => void }) {
  const [look, looked] = recipeApi.endpoints.lookAtRecipe.useMutation()
  const [take, taking] = recipeApi.endpoints.takeRecipe.useMutation()
  const [takeDown] = rosterApi.endpoints.takeDownRoster.useMutation()
  const [title, setTitle] = useState(name.replace(/(\.recipe)?\.json$/i, ''))
  const navigate = useNavigate()
  useEffect(() => void look(recipe), [look, recipe])
  const error = looked.error ?? taking.error
  const bring = async () => {
    const { data } = await take({ name: title.trim(), recipe })
    if (!data) return
    tell(`${counted(data.outfits, 'figure')} taken in`, async () => await takeDown(data.roster))
    void navigate(`/rosters/${data.roster}`)
  }
  return (
    <div className="mx-auto max-w-[1100px] px-5 py-6">
      <h1 className="text-3xl">A recipe: {name}</h1>
      {error && (
        <div role="alert" className="mt-3 rounded-[10px] border border-problem bg-card px-3 py-2 text-problem">
          <p>{errorText(error)}</p>
          <p className="text-ink">Nothing was changed here. Ask for the file again, or take another.</p>
        </div>
      )}
      {!looked.data && !looked.error && <Waiting>Holding it against your drawer…</Waiting>}
      {looked.data && (
        <>
          <Report report={looked.data} />
          <form
            className="sticky bottom-0 mt-6 flex items-end gap-3 border-t border-rule bg-paper py-3"
            onSubmit={(event) => {
              event.preventDefault()
              void bring()
            }}
          >
            <label className="font-semibold">
              As a roster called
              <input
                value={title}
                maxLength={120}
                onChange={({ target }) => setTitle(target.value)}
                className="mt-1 block w-[320px] rounded-[8px] border border-rule bg-card px-2.5 py-1.5 font-normal"
              />
            </label>
            <Button type="submit" look="act" disabled={title.trim() === '' || taking.isLoading}>
              {taking.isLoading ? 'Taking it in…' : 'Take it in'}
            </Button>
            <Button onClick={onLeave}>Leave it</Button>
            <p className="text-[14px] text-soft">{newHere(looked.data)}</p>
          </form>
        </>
      )}
      {!looked.data && (
        <Button className="mt-4" onClick={onLeave}>
          Take another file
        </Button>
      )}
    </div>
  )
}

const newHere = ({ made }: RecipeReport) =>
  (made.parts === 0
    ? 'All its parts are known here.'
    : `${counted(made.parts, 'part')} new to you ${made.parts === 1 ? 'comes' : 'come'} into the catalogue; nothing is counted as owned.`) +
  (made.strangeLayers > 0
    ? ` ${counted(made.strangeLayers, 'layer')} of its prints ${made.strangeLayers === 1 ? 'is' : 'are'} not known here and left out.`
    : '')

function Report({ report }: { report: RecipeReport }) {
  const catalogue = useMemo(() => catalogueOf(report), [report])
  const { outfits } = report
  const sum = outfits.reduce((all, { toBuy }) => all + toBuy.sum, 0)
  const unsold = outfits.reduce((all, { toBuy }) => all + toBuy.unsold, 0)
  const all = outfits.flatMap(({ parts }) => parts)
  const just = all.filter(({ part, substitute }) => substitute !== null && substitute === part).length
  return (
    <>
      <p className="mt-1 text-soft">
        {counted(outfits.length, 'figure')} of {counted(all.length, 'part')}; {just} of them lie loose in your drawer,
        and no other figure of yours needs them. {restInWords(sum, unsold)}
      </p>
      <ul aria-label="Figures of the recipe">
        {outfits.map((outfit, i) => (
          <li key={i} className="flex items-start gap-6 border-t border-rule py-4 first:border-t-0">
            <figure className="w-[120px] shrink-0 text-center">
              <Figure
                placements={outfit.original}
                from={catalogue}
                label={`${outfit.name} as made`}
                className="h-[170px] w-full"
              />
              <figcaption className="text-[14px] text-soft">as made</figcaption>
            </figure>
            <figure className="w-[120px] shrink-0 text-center">
              {outfit.mine.length > 0 ? (
                <Figure
                  placements={outfit.mine}
                  from={catalogue}
                  label={`${outfit.name} out of your drawer`}
                  className="h-[170px] w-full"
                />
              ) : (
                <div className="flex h-[170px] items-center justify-center text-[14px] text-soft">
                  nothing loose is like it
                </div>
              )}
              <figcaption className="text-[14px] text-soft">out of your drawer</figcaption>
            </figure>
            <div className="min-w-0 flex-1">
              <h2 className="text-xl">{outfit.name}</h2>
              {outfit.note && <p>{outfit.note}</p>}
              {outfit.credits && <p className="text-soft">{outfit.credits}</p>}
              <p>
                <strong>{inPoints(outfit.milli)} of 100</strong> like the original out of your drawer.{' '}
                {restInWords(outfit.toBuy.sum, outfit.toBuy.unsold)}
              </p>
              <details className="mt-1">
                <summary className="cursor-pointer font-semibold text-act">{partsInWords(outfit.parts)}</summary>
                <table className="mt-1 w-full text-left text-[14px]">
                  <thead>
                    <tr className="border-b border-rule text-soft">
                      <th className="py-0.5 font-normal">Place</th>
                      <th className="font-normal">In the recipe</th>
                      <th className="font-normal">Here</th>
                      <th className="text-right font-normal">To buy</th>
                    </tr>
                  </thead>
                  <tbody>
                    {outfit.parts.map((part, n) => (
                      <PartRow key={n} part={part} catalogue={catalogue} />
                    ))}
                  </tbody>
                </table>
              </details>
            </div>
          </li>
        ))}
      </ul>
    </>
  )
}

function PartRow({ part, catalogue }: { part: MatchedPart; catalogue: Catalogue }) {
  const { placement, substitute, price } = part
  const wanted = placement.part
  const given = substitute === null ? undefined : catalogue.parts.get(substitute)
  const isSame = substitute !== null && substitute === part.part
  return (
    <tr className="border-b border-rule/60 align-top">
      <td className="py-0.5 pr-3">{SLOT_FACTS[placement.slot].label}</td>
      <td className="pr-3">
        {wanted.name}
        {wanted.colours[0] ? ` · ${wanted.colours[0].name}` : ''}
        <span className="text-soft"> {FOUND_WORDS[part.found]}</span>
      </td>
      <td className="pr-3">
        {isSame
          ? 'the very part'
          : given
            ? `${partLabel(catalogue, given)}, ${Math.round(part.likeness * 100)} % alike`
            : 'nothing loose'}
      </td>
      <td className="text-right tabular-nums">{isSame ? '' : price === null ? 'not for sale' : homeMoney(price)}</td>
    </tr>
  )
}

const FOUND_WORDS: Record<MatchedPart['found'], string> = {
  code: '',
  look: '(here under another code)',
  near: '(not known here)',
  new: '(not known here)',
}

function partsInWords(parts: readonly MatchedPart[]): string {
  const just = parts.filter(({ part, substitute }) => substitute !== null && substitute === part).length
  const like = parts.filter(({ part, substitute }) => substitute !== null && substitute !== part).length
  return `${just} of ${parts.length} parts just so, ${like} with something like it, ${parts.length - just - like} missing`
}

const restInWords = (sum: number, unsold: number) =>
  sum === 0 && unsold === 0
    ? 'Nothing is left to buy.'
    : `The parts you lack cost from ${homeMoney(sum)}${unsold > 0 ? `, and ${counted(unsold, 'part')} nobody sells` : ''}.`
