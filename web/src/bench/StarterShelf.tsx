import { useMemo, useState } from 'react'
import { toast } from 'sonner'
import { DRESSINGS, type Dressing } from '@outfit/core/anatomy'
import { catalogueOf, plainPart, type Mould } from '@outfit/core/catalogue'
import { STARTER_COLOURS, starterLine, starterMoulds, starterMouldsFor, wornFromStarter } from '@outfit/core/starter'
import { intakeApi } from '../data/intakeApi.ts'
import { Figure } from '../ui/Figure.tsx'
import { tellError } from '../ui/tell.ts'

interface StarterShelfProps {
  row: string
  dressing: Dressing
  onDressing: (key: string) => void
  /** One was brought in. */
  onHad?: () => void
}

/** Colours a place usually begins with: skin for heads and hands. */
const FIRST: Partial<Record<Mould['kind'], string>> = { head: 'fawn', hand: 'fawn', headgear: 'peat' }

/**
 * Shapes that ship with Outfit: pick the one you have and its colour, and it is brought in as one part, by the same door as a
 * list and taken back like one.
 */
export function StarterShelf({ row, dressing, onDressing, onHad }: StarterShelfProps) {
  const moulds = starterMouldsFor(dressing)
  const [colour, setColour] = useState(FIRST[moulds[0]?.kind ?? 'torso'] ?? 'quay-blue')
  const [keep, keeping] = intakeApi.endpoints.keepList.useMutation()
  const [take, taking] = intakeApi.endpoints.takeList.useMutation()
  const catalogue = useMemo(
    () =>
      catalogueOf({
        colours: STARTER_COLOURS,
        moulds: starterMoulds(),
        prints: [],
        parts: starterMoulds().map((mould) => plainPart(mould, colour)),
      }),
    [colour],
  )
  const shown = STARTER_COLOURS.find(({ code }) => code === colour)!
  const have = async (mould: Mould) => {
    const words = `${mould.name} in ${shown.name}`
    // A list of one line: whatever follows from bringing a list in follows from this, too.
    const body = new Blob([starterLine(mould, shown)], { type: 'text/plain' })
    const kept = await keep({ name: `${words}, ${new Date().toISOString()}`, body })
    if (kept.error) return tellError(kept.error)
    const taken = await take({ id: kept.data.id, choices: {}, mode: 'add' })
    if (taken.error) return tellError(taken.error)
    if (taken.data.parts === 0)
      return toast.error(`${words} was left out, as it was of a list before. Bring it in there.`)
    onHad?.()
    return toast(`${words} is yours now; it lies in your drawer.`)
  }
  const single = (DRESSINGS[row] ?? []).filter(({ pick }) => pick !== 'assembly')
  if (moulds.length === 0)
    return (
      <p className="px-2 pt-4">
        Pieces that go on by themselves are under{' '}
        {single.map(({ key, label }) => (
          <button
            key={key}
            type="button"
            className="mx-0.5 font-semibold text-act underline"
            onClick={() => onDressing(key)}
          >
            {label}
          </button>
        ))}
      </p>
    )
  return (
    <section aria-label="Shapes that ship with Outfit" className="mt-3 flex min-h-0 flex-1 flex-col">
      <label className="flex items-center gap-2 text-[13px]">
        Say which you have, in
        <select
          value={colour}
          onChange={(event) => setColour(event.target.value)}
          aria-label="Colour of what I have"
          className="rounded-[8px] border border-rule bg-card px-1 py-1"
        >
          {STARTER_COLOURS.map(({ code, name }) => (
            <option key={code} value={code}>
              {name}
            </option>
          ))}
        </select>
      </label>
      <ul className="mt-2 grid min-h-0 flex-1 grid-cols-3 content-start gap-2 overflow-y-auto">
        {moulds.map((mould) => (
          <li key={mould.code}>
            <button
              type="button"
              disabled={keeping.isLoading || taking.isLoading}
              aria-label={`I have this one: ${mould.name} in ${shown.name}`}
              onClick={() => void have(mould)}
              className="w-full overflow-hidden rounded-[10px] border border-rule bg-card px-2 pb-1.5 hover:border-act disabled:opacity-50"
            >
              <Figure
                placements={wornFromStarter(mould, dressing.slot)}
                from={catalogue}
                crop={dressing.slot}
                plinth={false}
                ghost
                label=""
                className="mx-auto h-[86px] w-full"
              />
              <span className="block truncate text-[13px] font-semibold">{mould.name}</span>
              <span className="block text-[12.5px] font-semibold text-act">I have this one</span>
            </button>
          </li>
        ))}
      </ul>
    </section>
  )
}
