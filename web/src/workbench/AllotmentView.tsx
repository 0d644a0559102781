import { ArrowDown, ArrowUp } from 'lucide-react'
import { useState } from 'react'
import { Link } from 'react-router'
import { partLabel, type Catalogue } from '@outfit/core/catalogue'
import { homeMoney } from '@outfit/core/market'
import type { AllotmentReport } from '@outfit/core/workbench'
import type { Contested, Why } from '@outfit/core/allotment'
import { api, errorText } from '../data/api.ts'
import { drawerApi } from '../data/drawerApi.ts'
import { useKnownCatalogue } from '../data/useKnownCatalogue.ts'
import { DrawerFrame } from '../drawer/DrawerFrame.tsx'
import { Button } from '../ui/Button.tsx'
import { EmptyNote, ErrorNote, Waiting } from '../ui/Notes.tsx'
import { PartPicture } from '../ui/PartPicture.tsx'
import { tell, tellError } from '../ui/tell.ts'
import { useRosterOrder } from './useRosterOrder.ts'

const WHY: Readonly<Record<Why, string>> = {
  promised: 'promised to',
  first: 'by the order to',
  fewest: 'so that fewer are bought in all, to',
  stands: 'standing on',
}

/** Who gets which owned parts, so that fewest are to be bought; where two outfits want the same, and the ways out. */
export function AllotmentView() {
  return <DrawerFrame>{() => <Allotment />}</DrawerFrame>
}

function Allotment() {
  const { data: shelves } = api.endpoints.shelves.useQuery()
  const [left, leave] = useState<readonly string[]>([])
  const { rosters, order } = useRosterOrder(shelves?.rosters ?? [])
  const ids = rosters.map(({ id }) => id)
  const chosen = ids.filter((id) => !left.includes(id))
  const asked = left.length === 0 ? [] : chosen
  const {
    currentData: data,
    error,
    refetch,
  } = drawerApi.endpoints.allotment.useQuery(asked, { skip: chosen.length === 0 })
  const catalogue = useKnownCatalogue(data)
  if (!shelves) return <Waiting>Opening the rosters…</Waiting>
  const move = async (at: number, by: -1 | 1) => {
    const next = [...ids]
    ;[next[at], next[at + by]] = [next[at + by]!, next[at]!]
    const answer = await order(next)
    if (answer.error) return tellError(answer.error)
    tell(`${rosters[at]!.name} comes as number ${at + by + 1}.`, () => order(ids))
  }
  return (
    <div className="mt-3 grid gap-8 lg:grid-cols-[260px_1fr]">
      <section aria-label="Order of the rosters">
        <h2 className="text-lg">Who comes first</h2>
        <p className="text-[13px] text-soft">
          Among equals the earlier roster has it, and in it the earlier outfit on the shelf. Without its tick a roster
          is left out of the sum.
        </p>
        <ol className="mt-2">
          {rosters.map(({ id, name }, i) => (
            <li key={id} className="flex items-center gap-1 border-b border-rule py-1">
              <input
                type="checkbox"
                checked={!left.includes(id)}
                aria-label={`Count ${name} in`}
                onChange={({ target }) => leave(target.checked ? left.filter((one) => one !== id) : [...left, id])}
              />
              <Link to={`/rosters/${id}`} className="ml-1 min-w-0 flex-1 truncate hover:text-act hover:underline">
                {name}
              </Link>
              {(
                [
                  [-1, 'earlier', ArrowUp],
                  [1, 'later', ArrowDown],
                ] as const
              ).map(([by, words, Icon]) => (
                <button
                  key={by}
                  type="button"
                  disabled={!ids[i + by]}
                  aria-label={`${name} ${words}`}
                  onClick={() => void move(i, by)}
                  className="rounded-[8px] p-1 text-soft hover:bg-band hover:text-ink disabled:opacity-30"
                >
                  <Icon aria-hidden className="size-4" />
                </button>
              ))}
            </li>
          ))}
        </ol>
      </section>
      {error ? (
        <ErrorNote onRetry={() => void refetch()}>{errorText(error)}</ErrorNote>
      ) : chosen.length === 0 ? (
        <EmptyNote title="No roster is counted in">Tick at least one.</EmptyNote>
      ) : !data || !catalogue ? (
        <Waiting>Dealing out the drawer…</Waiting>
      ) : (
        <Report report={data} catalogue={catalogue} />
      )}
    </div>
  )
}

function Report({ report, catalogue }: { report: AllotmentReport; catalogue: Catalogue }) {
  const { terms, spares, proven, outfits, contested } = report
  const worn = outfits.reduce((sum, one) => sum + one.worn, 0)
  return (
    <section aria-label="What the drawer gives">
      <p>
        Of <strong>{worn}</strong> parts on {outfits.length} outfits the drawer gives{' '}
        <strong>{worn - terms.toBuy}</strong>
        {terms.donors > 0 && (
          <>
            , taking <strong>{terms.donors}</strong> {terms.donors === 1 ? 'figure' : 'figures'} apart
          </>
        )}
        ; <strong>{terms.toBuy}</strong> are to be bought, from <strong>{homeMoney(terms.price)}</strong>
        {terms.unoffered > 0 && <> ({terms.unoffered} of them nobody sells singly)</>}.{' '}
        {spares.toBuy > 0 || spares.price > 0 ? (
          <>
            First come, first served would buy {spares.toBuy} more
            {spares.price > 0 && <> and cost {homeMoney(spares.price)} more</>}.
          </>
        ) : (
          'First come, first served would do no worse.'
        )}{' '}
        <span className={proven ? 'text-good' : 'text-notice'}>
          {proven
            ? 'Proven: nothing else needs fewer, and of those nothing costs less.'
            : 'The best found in time; not proven.'}
        </span>
      </p>
      <h2 className="mt-4 text-lg">
        Wanted twice <span className="font-sans text-sm font-normal tracking-normal text-soft">{contested.length}</span>
      </h2>
      <p className="text-[13px] text-soft">
        Of everything else there is enough for whoever wears it, or none that could be given.
      </p>
      {contested.length === 0 && <p className="text-soft">No two outfits count on the same owned part.</p>}
      <ul aria-label="Wanted twice" className="mt-1 border-t border-rule">
        {contested.map((one) => (
          <Twice key={one.part} contested={one} catalogue={catalogue} />
        ))}
      </ul>
    </section>
  )
}

const namesOf = (those: readonly { name: string; qty: number }[]) =>
  those.map(({ name, qty }) => (qty > 1 ? `${name} (${qty})` : name)).join(', ')

/** A part two outfits count on, and the ways out. */
function Twice({ contested, catalogue }: { contested: Contested; catalogue: Catalogue }) {
  const { part: code, has, lacks, equal, near, price } = contested
  const [promise] = drawerApi.endpoints.promise.useMutation()
  const [picked, pick] = useState('')
  const goal = lacks.find(({ id }) => id === picked) ?? lacks[0]!
  const part = catalogue.parts.get(code)
  const label = (one: string) => {
    const found = catalogue.parts.get(one)
    return found ? partLabel(catalogue, found) : one
  }
  const name = label(code)
  const promisedTo = has.find(({ why }) => why === 'promised')
  const handOver = async (to: { id: string; name: string }) => {
    const answer = await promise({ outfit: to.id, part: code, qty: 1 })
    if (answer.error) return tellError(answer.error)
    tell(`${name} is promised to ${to.name}.`, () =>
      promisedTo
        ? promise({ outfit: promisedTo.id, part: code, qty: 1 })
        : promise({ outfit: to.id, part: code, qty: 0 }),
    )
  }
  const takeBack = async () => {
    if (!promisedTo) return
    const answer = await promise({ outfit: promisedTo.id, part: code, qty: 0 })
    if (answer.error) return tellError(answer.error)
    tell(`${name} goes by the order again.`, () => promise({ outfit: promisedTo.id, part: code, qty: 1 }))
  }
  return (
    <li className="flex gap-3 border-b border-rule py-2">
      <span aria-hidden className="h-14 w-14 shrink-0">
        {part && <PartPicture part={part} catalogue={catalogue} label="" className="h-full w-full" />}
      </span>
      <div className="min-w-0 flex-1">
        <p>
          <Link to={`/parts/${code}`} className="font-semibold hover:text-act hover:underline">
            {name}
          </Link>
          {': '}
          {(Object.keys(WHY) as Why[])
            .map((why) => [why, has.filter((one) => one.why === why)] as const)
            .filter(([, those]) => those.length > 0)
            .map(([why, those], i) => (
              <span key={why}>
                {i > 0 && '; '}
                {WHY[why]} <strong>{namesOf(those)}</strong>
              </span>
            ))}
          .{' '}
          <span className="text-problem">
            {namesOf(lacks)} {lacks.length === 1 ? 'lacks' : 'lack'} it.
          </span>
        </p>
        <p className="mt-1 flex flex-wrap items-center gap-x-3 gap-y-1">
          <span className="flex items-center gap-1">
            <Button className="!py-0.5 text-[13px]" onClick={() => void handOver(goal)}>
              Hand one to {lacks.length === 1 && goal.name}
            </Button>
            {lacks.length > 1 && (
              <select
                aria-label={`Who shall have ${name}`}
                value={goal.id}
                onChange={({ target }) => pick(target.value)}
                className="rounded-[8px] border border-rule bg-card px-2 py-0.5 text-[13px]"
              >
                {lacks.map(({ id, name: who }) => (
                  <option key={id} value={id}>
                    {who}
                  </option>
                ))}
              </select>
            )}
          </span>
          {promisedTo && (
            <Button look="plain" className="!py-0.5 text-[13px]" onClick={() => void takeBack()}>
              Take the promise back
            </Button>
          )}
          {equal.map((other) => (
            <span key={other} className="text-[13px]">
              Looks the same and is spare:{' '}
              <Link to={`/parts/${other}`} className="text-act underline">
                {other}
              </Link>
            </span>
          ))}
          {near.length > 0 && (
            <span className="text-[13px]">
              Spare and like it:{' '}
              {near.map(({ part: other }, i) => (
                <span key={other}>
                  {i > 0 && ', '}
                  <Link to={`/parts/${other}`} className="text-act underline">
                    {label(other)}
                  </Link>
                </span>
              ))}
            </span>
          )}
          <span className="text-[13px]">
            {price === null ? (
              'Nobody sells one singly.'
            ) : (
              <Link to={`/outfits/${lacks[0]!.id}/sourcing`} className="text-act underline">
                Buy one, from {homeMoney(price)}
              </Link>
            )}
          </span>
        </p>
      </div>
    </li>
  )
}
