import { useState } from 'react'
import type { BriefWish } from '@outfit/core/brief'
import type { Catalogue } from '@outfit/core/catalogue'
import type { ShelfOutfit } from '@outfit/core/shelf'
import { rosterApi } from '../data/rosterApi.ts'
import { wishInWords } from '../description/wishInWords.ts'
import { counted } from '../ui/counted.ts'
import { FIELD, FormDialog } from '../ui/FormDialog.tsx'
import { tell, tellError } from '../ui/tell.ts'

interface SpreadWishesProps {
  of: ShelfOutfit
  wishes: readonly BriefWish[]
  /** Who else is in the roster. */
  others: readonly ShelfOutfit[]
  catalogue: Catalogue
  onCopy: (outfits: readonly ShelfOutfit[], wishes: readonly BriefWish[]) => Promise<void>
  onLeave: () => void
}

/** Wishes of one outfit for others: copied to some, kept under a name, or both. */
export function SpreadWishes({ of, wishes, others, catalogue, onCopy, onLeave }: SpreadWishesProps) {
  const [left, setLeft] = useState<ReadonlySet<number>>(new Set())
  const [to, setTo] = useState<ReadonlySet<string>>(new Set())
  const [name, setName] = useState('')
  const [problem, setProblem] = useState('')
  const [save, saving] = rosterApi.endpoints.saveTemplate.useMutation()
  const [remove] = rosterApi.endpoints.removeTemplate.useMutation()
  const taken = wishes.filter((_, i) => !left.has(i))
  const outfits = others.filter(({ id }) => to.has(id))
  const factions = [...new Set(others.flatMap(({ faction }) => (faction === '' ? [] : [faction])))]
  const keeps = name.trim() !== ''
  const toggled = <T,>(set: ReadonlySet<T>, one: T) => {
    const next = new Set(set)
    if (!next.delete(one)) next.add(one)
    return next
  }
  const keep = async () => {
    if (keeps) {
      const kept = await save({ name: name.trim(), wishes: [...taken] })
      if (kept.error) return (setProblem('The template could not be kept. Nothing was copied.'), tellError(kept.error))
      if (outfits.length === 0)
        tell(`“${kept.data.name}” is a template now: press “Begin with” beside anybody.`, () => remove(kept.data.id))
    }
    if (outfits.length > 0) await onCopy(outfits, taken)
    onLeave()
  }
  const words = [
    ...(outfits.length > 0 ? [`Copy to ${counted(outfits.length, 'outfit')}`] : []),
    ...(keeps ? [outfits.length > 0 ? 'keep as a template' : 'Keep as a template'] : []),
  ].join(' and ')
  return (
    <FormDialog
      title={`Wishes of ${of.name} for others`}
      about="What others wished of the same is replaced; everything else of theirs stays. One step back takes it back."
      keep={words || 'Copy'}
      ready={taken.length > 0 && words !== '' && !saving.isLoading}
      problem={problem}
      onKeep={() => void keep()}
      onLeave={onLeave}
    >
      <fieldset>
        <legend className="font-semibold">Which of them</legend>
        <ul className="mt-1 flex max-h-[180px] flex-wrap gap-1 overflow-y-auto text-[13.5px]">
          {wishes.map((wish, i) => (
            <li key={i}>
              <label
                className={`flex cursor-pointer items-center gap-1.5 rounded-full border px-2 py-0.5 ${left.has(i) ? 'border-rule text-soft line-through' : 'border-act bg-paper'}`}
              >
                <input
                  type="checkbox"
                  checked={!left.has(i)}
                  onChange={() => setLeft(toggled(left, i))}
                  className="accent-act"
                />
                {wishInWords(wish, catalogue)}
              </label>
            </li>
          ))}
        </ul>
      </fieldset>
      <fieldset>
        <legend className="font-semibold">To whom</legend>
        {(factions.length > 1 || others.length > 3) && (
          <p className="mt-1 flex flex-wrap gap-x-3 text-[13.5px]">
            <button
              type="button"
              className="font-semibold text-act hover:underline"
              onClick={() => setTo(new Set(others.map(({ id }) => id)))}
            >
              all
            </button>
            {factions.map((faction) => (
              <button
                key={faction}
                type="button"
                className="font-semibold text-act hover:underline"
                onClick={() => setTo(new Set(others.filter((one) => one.faction === faction).map(({ id }) => id)))}
              >
                all of {faction}
              </button>
            ))}
          </p>
        )}
        <ul className="mt-1 grid max-h-[170px] grid-cols-2 gap-x-3 overflow-y-auto">
          {others.map(({ id, name: who }) => (
            <li key={id}>
              <label className="flex cursor-pointer items-center gap-1.5">
                <input
                  type="checkbox"
                  checked={to.has(id)}
                  onChange={() => setTo(toggled(to, id))}
                  className="accent-act"
                />
                <span className="truncate">{who}</span>
              </label>
            </li>
          ))}
        </ul>
      </fieldset>
      <label className="block font-semibold">
        Or keep them as a template called
        <input
          value={name}
          maxLength={80}
          onChange={({ target }) => setName(target.value)}
          placeholder="Rower, lamplighter, guard …"
          className={`${FIELD} placeholder:text-soft`}
        />
      </label>
    </FormDialog>
  )
}
