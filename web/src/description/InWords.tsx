import { useId, useMemo, useState } from 'react'
import type { Brief, Weight } from '@outfit/core/brief'
import type { Catalogue } from '@outfit/core/catalogue'
import { briefWith, readDescription, type Description } from '@outfit/core/description'
import { paletteOf } from '@outfit/core/starter'
import { Button } from '../ui/Button.tsx'
import { counted } from '../ui/counted.ts'
import { wishInWords } from './wishInWords.ts'

interface InWordsProps {
  /** Whom it is of, where several stand on a page. */
  of?: string
  /** Notes that can be read too. */
  notes: string
  /** Take what was said: `merge` gives a brief with it. */
  onTake: (merge: (brief: Brief) => Brief) => void
  catalogue: Catalogue
}

/** The brief in words: what is typed shows as it is understood, word by word, and becomes wishes with Enter. */
export function InWords({ of, notes, onTake, catalogue }: InWordsProps) {
  const label = of === undefined ? 'In words' : `${of} in words`
  const id = useId()
  const [text, setText] = useState('')
  const [dropped, setDropped] = useState<ReadonlySet<number>>(new Set())
  const [weights, setWeights] = useState<ReadonlyMap<number, Weight>>(new Map())
  const read = useMemo(
    () =>
      text.trim() === ''
        ? null
        : readDescription(text, { palette: paletteOf(catalogue), moulds: [...catalogue.moulds.values()] }),
    [text, catalogue],
  )
  const said = useMemo(() => (read ? weighed(read, weights) : null), [read, weights])
  const write = (words: string) => {
    setText(words)
    setDropped(new Set())
    setWeights(new Map())
  }
  const taken = new Set(said?.taken.flatMap(({ wishes }, i) => (dropped.has(i) ? [] : wishes)))
  const says = said && (taken.size > 0 || said.years !== null || said.stature !== null || said.abilities.length > 0)
  const take = () => {
    if (!said || !says) return
    onTake((brief) => briefWith(brief, said, dropped))
    write('')
  }
  return (
    <form
      aria-label={label}
      className="mb-2 rounded-[12px] border border-rule bg-card px-3 py-2"
      onSubmit={(event) => {
        event.preventDefault()
        take()
      }}
    >
      <div className="flex items-center gap-2">
        {of === undefined && (
          <label htmlFor={id} className="shrink-0 font-semibold">
            {label}
          </label>
        )}
        <input
          id={id}
          aria-label={of === undefined ? undefined : label}
          value={text}
          maxLength={2000}
          onChange={({ target }) => write(target.value)}
          placeholder={
            of === undefined ? 'old man, grey beard, yellow oilskin, lantern (must)' : 'what must be seen, in words'
          }
          className="min-w-0 flex-1 rounded-[8px] border border-rule bg-paper px-2 py-1 placeholder:text-soft"
        />
        {text === '' && notes.trim() !== '' ? (
          <Button className="shrink-0 px-2 py-1 text-[13.5px]" onClick={() => write(notes)}>
            Read the notes
          </Button>
        ) : (
          <Button type="submit" className="shrink-0 px-2 py-1 text-[13.5px]" disabled={!says}>
            {taken.size > 0 ? `Take ${counted(taken.size, 'wish', 'wishes')}` : 'Take it'}
          </Button>
        )}
      </div>
      {said && (
        <Understood
          text={text}
          said={said}
          dropped={dropped}
          onDrop={(i) => {
            const next = new Set(dropped)
            if (!next.delete(i)) next.add(i)
            setDropped(next)
          }}
          onWeigh={(i, by) => {
            const next = new Map(weights)
            for (const wish of said.taken[i]!.wishes) {
              const at = STEPS.indexOf(said.wishes[wish]!.weight)
              next.set(wish, STEPS[Math.max(0, Math.min(STEPS.length - 1, at + by))]!)
            }
            setWeights(next)
          }}
          catalogue={catalogue}
        />
      )}
    </form>
  )
}

/** What wishes may weigh, the most first; what does not matter is dropped instead. */
const STEPS: readonly Weight[] = ['must', 'matters', 'nice']

/** A description whose wishes weigh something else, by their place in it. */
const weighed = (said: Description, weights: ReadonlyMap<number, Weight>): Description => ({
  ...said,
  wishes: said.wishes.map((wish, i) => ({ ...wish, weight: weights.get(i) ?? wish.weight })),
})

/**
 * What was typed with what each stretch was taken as beneath it; pressing a stretch drops it or takes it again, arrow keys up and down
 * make it weigh more or less.
 */
function Understood({
  text,
  said,
  dropped,
  onDrop,
  onWeigh,
  catalogue,
}: {
  text: string
  said: Description
  dropped: ReadonlySet<number>
  onDrop: (i: number) => void
  onWeigh: (i: number, by: 1 | -1) => void
  catalogue: Catalogue
}) {
  const besides = [
    ...(said.years === null ? [] : [`${said.years} years`]),
    ...(said.stature === null ? [] : [`stature ${said.stature}`]),
    ...said.abilities,
  ]
  return (
    <>
      <ul aria-label="As understood" className="mt-2 flex flex-wrap items-start gap-x-2 gap-y-1.5 text-[14px]">
        {said.taken.map(({ from, to, wishes, understood, mended }, i) => {
          const words = text.slice(from, to)
          if (wishes.length === 0)
            return (
              <li key={from} className="pt-px">
                <span
                  className={
                    understood
                      ? 'text-soft'
                      : 'text-problem underline decoration-problem decoration-wavy underline-offset-4'
                  }
                >
                  {words}
                </span>
                {!understood && <span className="block text-[13px] text-problem">not understood</span>}
              </li>
            )
          const meant = wishes.map((wish) => wishInWords(said.wishes[wish]!, catalogue)).join(', ')
          const gone = dropped.has(i)
          return (
            <li key={from}>
              <button
                type="button"
                aria-pressed={!gone}
                aria-label={`${words}: ${meant}`}
                title={gone ? 'Take it again' : 'Drop it; arrow up and down: how much it matters'}
                onClick={() => onDrop(i)}
                onKeyDown={(event) => {
                  const by = { ArrowUp: -1, ArrowDown: 1 }[event.key] as 1 | -1 | undefined
                  if (!by || gone) return
                  event.preventDefault()
                  onWeigh(i, by)
                }}
                className={`rounded-[6px] px-1 text-left hover:bg-band ${gone ? 'text-soft line-through' : ''}`}
              >
                <span className={gone ? '' : 'border-b-2 border-act'}>{words}</span>
                <span className="block max-w-[230px] text-[13px] text-soft">
                  {meant}
                  {mended ? ` (read as “${mended}”)` : ''}
                </span>
              </button>
            </li>
          )
        })}
      </ul>
      {said.wishes.length > 0 && (
        <p className="mt-1 text-[13px] text-soft">
          Press a word to drop it; arrow up and down on it: how much it matters.
        </p>
      )}
      {(besides.length > 0 || said.rest.length > 0) && (
        <p className="mt-1 text-[13px] text-soft">
          {besides.length > 0 && `Besides: ${besides.join(', ')}. `}
          {said.rest.length > 0 && 'What is not understood goes to the notes.'}
        </p>
      )}
    </>
  )
}
