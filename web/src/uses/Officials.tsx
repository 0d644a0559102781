import { useState } from 'react'
import { Link } from 'react-router'
import { partLabel, type Catalogue, type Placement } from '@outfit/core/catalogue'
import { homeMoney } from '@outfit/core/market'
import type { MinedRelease, OfficialTold } from '@outfit/core/uses'
import { useNewTake } from '../casting/useNewTake.ts'
import { Button } from '../ui/Button.tsx'
import { tell } from '../ui/tell.ts'
import { BeforeAfter } from './BeforeAfter.tsx'
import { apartInPoints, gainInPoints } from './points.ts'

/** Where it is kept whose own outfit stays although there is an official one. */
const KEPT = 'outfit.kept-own'

function keptOwn(): string[] {
  try {
    return JSON.parse(localStorage.getItem(KEPT) ?? '[]') as string[]
  } catch {
    return []
  }
}

/** Figures of a release for characters that were planned, with what may be done; parts that now come as others were altered. */
export function Officials({ data, catalogue }: { data: MinedRelease; catalogue: Catalogue }) {
  const [kept, keep] = useState(keptOwn)
  const remember = (next: string[]) => {
    localStorage.setItem(KEPT, JSON.stringify(next))
    keep(next)
  }
  const keyOf = ({ outfit, figure }: OfficialTold) => `${outfit} ${figure}`
  const open = data.officials.filter((one) => !kept.includes(keyOf(one)))
  if (open.length === 0 && data.unaltered.length === 0) return null
  return (
    <section aria-labelledby="officials" className="mt-6">
      <h2 id="officials" className="text-xl">
        Instead of what you planned
      </h2>
      {open.length > 0 && (
        <ul aria-label="Figures for planned characters" className="mt-2 grid gap-3 lg:grid-cols-2">
          {open.map((one) => (
            <OfficialCard
              key={keyOf(one)}
              official={one}
              catalogue={catalogue}
              onKeep={() => {
                remember([...kept, keyOf(one)])
                tell(`${one.name} stays as it is.`, async () => remember(kept))
              }}
            />
          ))}
        </ul>
      )}
      {data.unaltered.length > 0 && (
        <ul className="mt-3 space-y-1">
          {data.unaltered.map(({ outfit, name, part, instead, kinds }) => (
            <li key={`${outfit} ${part} ${instead}`}>
              <Link to={`/parts/${instead}`} className="font-semibold text-act hover:underline">
                {partLabel(catalogue, catalogue.parts.get(instead)!)}
              </Link>{' '}
              comes as it is:{' '}
              <Link to={`/outfits/${outfit}/bench`} className="hover:underline">
                {name}
              </Link>{' '}
              has it {kinds.map((kind) => kind.replace('-', ' ')).join(' and ')} from{' '}
              {partLabel(catalogue, catalogue.parts.get(part)!)}.
            </li>
          ))}
        </ul>
      )}
    </section>
  )
}

function OfficialCard({
  official,
  catalogue,
  onKeep,
}: {
  official: OfficialTold
  catalogue: Catalogue
  onKeep: () => void
}) {
  const { outfit, name, roster, take, version, figureName, byName, own, price, worn, placements, borrow } = official
  const { make, busy } = useNewTake({ id: outfit, version })
  const [made, setMade] = useState<string | null>(null)
  const at = (label: string) => `/outfits/${outfit}/bench?take=${encodeURIComponent(label)}`
  const [before, after] = apartInPoints(own, official.official)
  const wear = async (what: readonly Placement[], words: string) => setMade(await make([...what], words))
  const labelOf = (code: string) => {
    const part = catalogue.parts.get(code)
    return part ? partLabel(catalogue, part) : code
  }
  return (
    <li className="flex flex-wrap gap-4 rounded-[10px] border border-rule bg-card p-3">
      <BeforeAfter worn={worn} placements={placements} catalogue={catalogue} />
      <div className="min-w-[180px] flex-1">
        <h3 className="text-lg leading-tight">
          {figureName} <span className="font-sans text-[13px] font-normal tracking-normal text-soft">for</span>{' '}
          <Link to={at(take.label)} className="hover:text-act hover:underline">
            {name}
          </Link>
          <span className="ml-2 font-sans text-[13px] font-normal tracking-normal text-soft">{roster.name}</span>
        </h3>
        <p className="text-soft">
          {byName ? 'Called the same' : 'As like the brief'}
          {own > 0 || official.official > 0 ? `: likeness ${after}, yours ${before}` : ''}
          {price === null ? '; nobody sells it alone' : `; from ${homeMoney(price)}`}.
        </p>
        <p className="mt-2 flex flex-wrap gap-2">
          {made === null ? (
            <Button disabled={busy} onClick={() => void wear(placements, `of ${name} is the figure as it is sold`)}>
              Take it instead
            </Button>
          ) : (
            <Link to={at(made)} className="self-center font-semibold text-act underline">
              Take {made}, on the bench
            </Link>
          )}
          <Button look="plain" onClick={onKeep}>
            Keep mine
          </Button>
        </p>
        {made === null && borrow.length > 0 && (
          <ul aria-label={`Parts to borrow for ${name}`} className="mt-1 text-[14px]">
            {borrow.map((one) => (
              <li key={one.part}>
                <Button
                  look="plain"
                  className="px-1 py-0.5"
                  disabled={busy}
                  onClick={() => void wear(one.placements, `of ${name} borrows it`)}
                >
                  Borrow {labelOf(one.part)}
                </Button>{' '}
                <span className="text-good">{gainInPoints(one.after - own)}</span>
              </li>
            ))}
          </ul>
        )}
      </div>
    </li>
  )
}
