import { usePhone } from '../ui/usePhone.ts'
import { Check, Pencil, Trash2 } from 'lucide-react'
import { useMemo, useState } from 'react'
import { Link, useSearchParams } from 'react-router'
import { toast } from 'sonner'
import { inPoints, likenessOf, type Likeness } from '@outfit/core/brief'
import type { Catalogue } from '@outfit/core/catalogue'
import { missingFrom } from '@outfit/core/allotment'
import { houseRulesFor, isAccepted, pinsOf, type Pin } from '@outfit/core/fitting'
import { homeMoney } from '@outfit/core/market'
import { lowestSum, wholesWanted } from '@outfit/core/prices'
import type { OutfitDetail, Take } from '@outfit/core/roster'
import { api, errorText } from '../data/api.ts'
import { useAppSelector } from '../data/hooks.ts'
import { useFitting } from '../data/useFitting.ts'
import { useOutfit } from '../data/useOutfit.ts'
import { Figure } from '../ui/Figure.tsx'
import { ErrorNote, Waiting } from '../ui/Notes.tsx'
import { Differences } from './Differences.tsx'
import { asQuery, ExportBar } from './ExportBar.tsx'
import { printedAs, PrintedWidth } from './PrintedWidth.tsx'
import { Replicable } from './Replicable.tsx'
import { Verdict } from './Verdict.tsx'
import { counted } from '../ui/counted.ts'

/** Takes that can stand side by side. */
const MOST = 4

/** Two to four takes of an outfit side by side: how they look, where they differ, who is for which, and the verdict. */
export function TakesView() {
  const loaded = useOutfit()
  if (loaded.state === 'failed') return <ErrorNote onRetry={loaded.retry}>{loaded.problem}</ErrorNote>
  if (loaded.state === 'waiting') return <Waiting>Setting the takes up…</Waiting>
  return <Compared key={loaded.outfit.id} {...loaded} />
}

/** A take with what is worked out of it. */
export interface JudgedTake {
  take: Take
  likeness: Likeness
  pins: Pin[]
  /** What is missing at lowest prices; null where a part is not sold. */
  price: number | null
  missing: number
}

function Compared({ outfit, take: current, catalogue }: { outfit: OutfitDetail; take: Take; catalogue: Catalogue }) {
  const [search, setSearch] = useSearchParams()
  const lowest = useAppSelector((state) => state.catalogue.lowest)
  const context = useFitting(outfit, catalogue)
  const asked = search.get('with')?.split(',') ?? []
  const chosen = outfit.takes.find(({ chosen: is }) => is)
  const standing = outfit.takes.filter(({ label }) => asked.includes(label))
  const usual = [
    current,
    ...(chosen && chosen !== current ? [chosen] : []),
    ...outfit.takes.filter((t) => t !== current && t !== chosen),
  ]
  const shown = (standing.length > 1 ? standing : usual.slice(0, 3)).slice(0, MOST)
  const takes = [...shown].sort((a, b) => outfit.takes.indexOf(a) - outfit.takes.indexOf(b))
  const judged = useMemo(
    () =>
      takes.map((take): JudgedTake => {
        const level = houseRulesFor(outfit).takingApart
        const missing = missingFrom(take.placements, outfit.drawer, level)
        const wanted = missing.map(({ part }) => part)
        return {
          take,
          likeness: likenessOf(take.placements, outfit.brief, catalogue),
          pins: pinsOf(take.placements, context).filter((pin) => !isAccepted(pin, take.accepted)),
          price: lowestSum(
            wanted,
            lowest,
            wholesWanted(wanted, catalogue, (code) => lowest[code], level),
          ),
          missing: missing.length,
        }
      }),
    // The takes are found anew at each draw; their ids and the outfit say whether they changed.
    // oxlint-disable-next-line react/exhaustive-deps
    [takes.map(({ id }) => id).join(), outfit, catalogue, lowest, context],
  )
  const toggle = (label: string) => {
    const labels = takes.map((t) => t.label)
    const next = labels.includes(label) ? labels.filter((l) => l !== label) : [...labels, label].slice(-MOST)
    if (next.length < 2) return void toast('Two takes at least stand side by side.')
    setSearch({ take: current.label, with: next.join(',') }, { replace: true })
  }
  const [width, setWidth] = useState<number | null>(null)
  const phone = usePhone()
  const file = (kind: string) =>
    `/api/outfits/${outfit.id}/compared.${kind}?${asQuery({ takes: takes.map(({ id }) => id).join(','), ...printedAs(width) })}`
  const columns = { gridTemplateColumns: `${phone ? 64 : 112}px repeat(${takes.length}, minmax(0, 1fr))` }
  return (
    <div className="mx-auto max-w-[1240px] min-w-[1040px] px-5 py-3 phone:min-w-0 phone:px-3">
      <div className="flex items-end gap-4 phone:flex-wrap">
        <div>
          <h1 className="text-2xl">Takes of {outfit.name}</h1>
          <p className="text-soft">
            {outfit.takes.length === 1
              ? 'There is one take so far. Make another on the bench, or have one cast, and compare them here.'
              : 'Side by side at one height, from the front and from behind.'}
          </p>
        </div>
        {outfit.takes.length > 2 && (
          <div role="group" aria-label="Takes side by side" className="flex flex-wrap gap-1.5 pb-0.5">
            {outfit.takes.map(({ id, label }) => {
              const on = takes.some((t) => t.id === id)
              return (
                <button
                  key={id}
                  type="button"
                  aria-pressed={on}
                  onClick={() => toggle(label)}
                  className={`rounded-full border px-3 py-0.5 ${on ? 'border-act bg-act font-semibold text-act-ink' : 'border-rule bg-card hover:border-act'}`}
                >
                  {label}
                </button>
              )
            })}
          </div>
        )}
        {takes.length > 1 && (
          <div className="ml-auto flex flex-wrap items-center justify-end gap-x-4 gap-y-1">
            <PrintedWidth width={width} onChange={setWidth} />
            <ExportBar files={['SVG', 'PDF', 'PNG'].map((name) => ({ name, href: file(name.toLowerCase()) }))} />
          </div>
        )}
      </div>
      <ul aria-label="Takes" className="mt-2 grid gap-x-3" style={columns}>
        <li aria-hidden />
        {judged.map((entry) => (
          <TakeColumn key={entry.take.id} entry={entry} outfit={outfit} />
        ))}
      </ul>
      {takes.length > 1 && <Differences judged={judged} outfit={outfit} catalogue={catalogue} columns={columns} />}
      <div className="mt-5 grid grid-cols-2 gap-6 phone:grid-cols-1">
        <Verdict outfit={outfit} />
        <Replicable outfit={outfit} take={chosen ?? current} />
      </div>
    </div>
  )
}

function TakeColumn({
  entry: { take, likeness, pins, price, missing },
  outfit,
}: {
  entry: JudgedTake
  outfit: OutfitDetail
}) {
  const [rename] = api.endpoints.renameTake.useMutation()
  const [remove] = api.endpoints.removeTake.useMutation()
  const [add] = api.endpoints.addTake.useMutation()
  const [naming, setNaming] = useState<string | null>(null)
  const [reload] = api.endpoints.outfit.useLazyQuery()
  const save = async () => {
    const label = naming?.trim() ?? ''
    setNaming(null)
    if (!label || label === take.label) return
    const answer = await rename({ outfit: outfit.id, version: outfit.version, take: take.id, label })
    if (answer.error) toast.error(errorText(answer.error))
  }
  const takeDown = async () => {
    const answer = await remove({ outfit: outfit.id, version: outfit.version, take: take.id })
    if (answer.error) return void toast.error(errorText(answer.error))
    toast(`Take ${take.label} is taken down.`, {
      action: {
        label: 'Undo',
        onClick: () =>
          void (async () => {
            const { version } = await reload(outfit.id).unwrap()
            const { label, placements } = take
            const back = await add({ outfit: outfit.id, version, placements, label })
            if (back.error) toast.error(errorText(back.error))
          })(),
      },
    })
  }
  const icon = 'rounded-full p-1.5 text-soft hover:bg-band hover:text-ink'
  return (
    <li className={`rounded-[12px] border bg-card px-3 pt-2 pb-2 ${take.chosen ? 'border-good' : 'border-rule'}`}>
      <div className="flex items-center gap-1">
        {naming === null ? (
          <h2 className="truncate text-lg">Take {take.label}</h2>
        ) : (
          <input
            autoFocus
            value={naming}
            maxLength={40}
            aria-label={`New name of take ${take.label}`}
            onChange={(event) => setNaming(event.target.value)}
            onBlur={() => void save()}
            onKeyDown={(event) => {
              if (event.key === 'Enter') void save()
              if (event.key === 'Escape') setNaming(null)
            }}
            className="w-full min-w-0 rounded-[8px] border border-act bg-paper px-1.5 py-0.5"
          />
        )}
        {take.chosen && (
          <span className="flex items-center text-[13px] font-semibold text-good">
            <Check aria-hidden className="size-4" /> chosen
          </span>
        )}
        <span className="ml-auto flex">
          <button
            type="button"
            aria-label={`Rename take ${take.label}`}
            className={icon}
            onClick={() => setNaming(take.label)}
          >
            <Pencil aria-hidden className="size-3.5" />
          </button>
          {!take.chosen && (
            <button
              type="button"
              aria-label={`Take down take ${take.label}`}
              className={icon}
              onClick={() => void takeDown()}
            >
              <Trash2 aria-hidden className="size-3.5" />
            </button>
          )}
        </span>
      </div>
      <div className="flex">
        <Figure placements={take.placements} label={`Take ${take.label}, front`} className="h-[236px] min-w-0 flex-1" />
        <Figure
          placements={take.placements}
          view="back"
          label={`Take ${take.label}, back`}
          className="h-[236px] min-w-0 flex-1"
        />
      </div>
      <div className="flex items-baseline gap-3 text-[13.5px] whitespace-nowrap phone:flex-col phone:gap-1">
        <dl className="flex gap-4 phone:flex-wrap phone:gap-x-3 [&_dt]:text-soft">
          <div>
            <dt className="inline">likeness</dt>{' '}
            <dd className="inline font-head text-[17px] font-bold text-act">{inPoints(likeness.milli)}</dd>
          </div>
          <div>
            <dt className="inline">to buy</dt>{' '}
            <dd className="inline font-semibold">
              {missing === 0 ? 'nothing' : price === null ? counted(missing, 'part') : homeMoney(price)}
            </dd>
          </div>
          <div>
            <dt className="inline">pins</dt> <dd className="inline font-semibold">{pins.length || 'none'}</dd>
          </div>
        </dl>
        <Link
          to={`/outfits/${outfit.id}/bench?take=${encodeURIComponent(take.label)}`}
          className="ml-auto font-semibold text-act hover:underline"
        >
          Dress it
        </Link>
      </div>
    </li>
  )
}
