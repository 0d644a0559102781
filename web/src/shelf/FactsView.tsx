import { useMemo, useState, type ReactNode } from 'react'
import { Link } from 'react-router'
import { inPoints } from '@outfit/core/brief'
import { partLabel } from '@outfit/core/catalogue'
import { homeMoney } from '@outfit/core/market'
import { cutsFor, rosterFactsOf, type RosterShelf } from '@outfit/core/shelf'
import { api, errorText } from '../data/api.ts'
import { selectCatalogue } from '../data/catalogueSlice.ts'
import { rosterApi } from '../data/rosterApi.ts'
import { useAppDispatch, useAppSelector } from '../data/hooks.ts'
import { Button } from '../ui/Button.tsx'
import { MoneyField } from '../ui/MoneyField.tsx'
import { ErrorNote, Waiting } from '../ui/Notes.tsx'
import { Swatch } from '../ui/Swatch.tsx'
import { costsOf } from '../roster/progress.ts'
import { RosterFrame } from '../roster/RosterFrame.tsx'

const SHOWN = 8

/** A roster in figures: what it needs, waits for, costs and shows. */
export function FactsView() {
  return <RosterFrame>{({ roster }) => <Facts key={roster.id} roster={roster} />}</RosterFrame>
}

function Facts({ roster }: { roster: RosterShelf }) {
  const catalogue = useAppSelector(selectCatalogue)
  const { data, error, refetch } = rosterApi.endpoints.members.useQuery({ roster: roster.id, cast: [] })
  const { data: wishes } = api.endpoints.wishes.useQuery()
  const { data: later } = api.endpoints.later.useQuery()
  const facts = useMemo(
    () => (catalogue && data ? rosterFactsOf(roster.outfits, catalogue, data.lowest) : null),
    [catalogue, data, roster.outfits],
  )
  if (error) return <ErrorNote onRetry={() => void refetch()}>{errorText(error)}</ErrorNote>
  if (!facts || !catalogue || !data) return <Waiting>Adding up…</Waiting>
  const { parts, waits, dear, colours, faces, donors } = facts
  const named = (code: string) => {
    const part = catalogue.parts.get(code)
    return part ? partLabel(catalogue, part) : code
  }
  const part = (code: string) => (
    <Link to={`/parts/${code}`} className="font-semibold hover:text-act hover:underline">
      {named(code)}
    </Link>
  )
  const who = (ids: readonly string[]) => ids.map((id) => roster.outfits.find((one) => one.id === id)?.name).join(', ')
  const moulds = new Set(
    roster.outfits.flatMap(({ placements }) => placements.flatMap((p) => catalogue.parts.get(p.part)?.mould ?? [])),
  )
  const recolours = (wishes ?? []).filter(({ mould }) => moulds.has(mould))
  const waiting = (later ?? []).filter(
    ({ outfit, waitsFor, done }) => !done && waitsFor !== null && roster.outfits.some(({ id }) => id === outfit),
  )
  return (
    <div className="mt-4 grid grid-cols-2 gap-x-10 gap-y-6 phone:grid-cols-1 phone:[&>*]:min-w-0">
      <Section title="Parts">
        <p>
          <strong>{parts.needed}</strong> parts of {parts.kinds} kinds: <strong>{parts.drawer}</strong> from the drawer
          {parts.donors > 0 && (
            <>
              , <strong>{parts.donors}</strong> off donors
            </>
          )}
          {parts.arriving > 0 && (
            <>
              , <strong>{parts.arriving}</strong> on the way
            </>
          )}
          {parts.elsewhere > 0 && <>, {parts.elsewhere} made by others</>}, <strong>{parts.toBuy}</strong> to buy.
        </p>
        <div
          role="img"
          aria-label="Parts by where they come from"
          className="mt-2 flex h-3 overflow-hidden rounded-full bg-band"
        >
          {(
            [
              [parts.drawer, 'bg-good'],
              [parts.donors, 'bg-notice'],
              [parts.arriving, 'bg-act/50'],
              [parts.toBuy, 'bg-act'],
            ] as const
          ).map(([count, look]) => (
            <span key={look} className={look} style={{ width: `${(100 * count) / Math.max(1, parts.needed)}%` }} />
          ))}
        </div>
      </Section>
      <Section title="Main colours by faction">
        {colours.map(({ faction, mains }) => (
          <p key={faction} className="flex items-center gap-2 py-0.5 phone:flex-wrap">
            <span className="w-[110px] shrink-0 truncate font-semibold">{faction || 'no faction'}</span>
            {mains.length === 0 && <span className="text-soft">nobody dressed</span>}
            {mains.slice(0, 4).map(({ colour, share }) => (
              <span key={colour.code} className="flex items-center gap-1 text-[13.5px] whitespace-nowrap">
                <Swatch colour={colour} /> {colour.name} {Math.round(100 * share)} %
              </span>
            ))}
          </p>
        ))}
      </Section>
      <Section title="What most outfits wait for" empty={waits.length === 0 && 'Nothing is to be bought.'}>
        {waits.slice(0, SHOWN).map(({ part: code, qty, outfits, each }) => (
          <Row
            key={code}
            end={each === null ? 'not sold singly' : `${qty} × ${homeMoney(each)}`}
            note={`${outfits.length === 1 ? '' : `${outfits.length} outfits: `}${who(outfits)}`}
          >
            {part(code)}
          </Row>
        ))}
      </Section>
      <Section title="Dear parts" empty={dear.length === 0 && 'Nothing that is to be bought has a price.'}>
        {dear.slice(0, SHOWN).map(({ part: code, qty, all, outfits }) => (
          <Row key={code} end={homeMoney(all)} note={`${qty > 1 ? `${qty} of them: ` : ''}${who(outfits)}`}>
            {part(code)}
          </Row>
        ))}
      </Section>
      <Section title="Faces seen more than once" empty={faces.length === 0 && 'Everybody has a face of their own.'}>
        {faces.map(({ print, turned, outfits }) => (
          <Row key={`${print}${turned}`} note={who(outfits)}>
            {catalogue.prints.get(print)?.name ?? print}
            {turned ? ', the other face' : ''}
          </Row>
        ))}
      </Section>
      <Section
        title="Donors and wished recolours"
        empty={
          donors.length + recolours.length + waiting.length === 0 && 'No donor is touched and no colour is wished for.'
        }
      >
        {donors.map(({ name, parts: given, outfits }) => (
          <Row key={name} note={`${given.map(named).join(', ')}, for ${who(outfits)}`}>
            {name} gives up {given.length}
          </Row>
        ))}
        {waiting.map(({ id, waitsFor, outfitName }) => (
          <Row key={id} note={`${outfitName ?? ''} waits for it`}>
            {waitsFor}
          </Row>
        ))}
        {recolours.map(({ id, name }) => (
          <Row key={id} note="wished for; you are told when a table brings it">
            {name}
          </Row>
        ))}
      </Section>
      <div className="col-span-2">
        <ToMeetTheBudget roster={roster} members={data.members} spare={data.spare} lowest={data.lowest} />
      </div>
    </div>
  )
}

function Section({ title, empty = false, children }: { title: string; empty?: string | false; children?: ReactNode }) {
  return (
    <section aria-label={title}>
      <h2 className="text-xl">{title}</h2>
      {empty ? <p className="text-soft">{empty}</p> : children}
    </section>
  )
}

function Row({ children, note, end }: { children: ReactNode; note: string; end?: string }) {
  return (
    <p className="flex items-baseline gap-3 border-t border-rule py-1">
      <span className="min-w-0">{children}</span>
      <span className="min-w-0 flex-1 truncate text-[13.5px] text-soft" title={note}>
        {note}
      </span>
      {end && <span className="shrink-0 tabular-nums">{end}</span>}
    </p>
  )
}

/** What could be cut, cheapest loss of likeness first, until the budget is met. */
function ToMeetTheBudget({
  roster,
  members,
  spare,
  lowest,
}: {
  roster: RosterShelf
  members: readonly { outfit: string; brief: Parameters<typeof cutsFor>[0][number]['brief'] }[]
  spare: Readonly<Record<string, number>>
  lowest: Readonly<Record<string, number | null>>
}) {
  const dispatch = useAppDispatch()
  const { over } = costsOf(roster)
  const [save, setSave] = useState<number | null>(Math.max(over, 0) || null)
  const [busy, setBusy] = useState(false)
  const [asked, setAsked] = useState(false)
  const catalogue = useAppSelector(selectCatalogue)
  const known = useAppSelector((state) => state.catalogue.lowest)
  const find = async () => {
    setBusy(true)
    // Cheaper parts can only be proposed where all of a slot's are known.
    const slots = [
      ...new Set(
        roster.outfits.flatMap(({ placements, from }) =>
          placements.filter((_, i) => from[i] === 'buy').map(({ slot }) => slot),
        ),
      ),
    ]
    await Promise.all(slots.map((slot) => dispatch(api.endpoints.candidates.initiate(slot, { subscribe: false }))))
    setBusy(false)
    setAsked(true)
  }
  const goal = save ?? 0
  const ready = asked && catalogue !== null
  const cuts = useMemo(() => {
    if (!ready || goal <= 0) return null
    const outfits = roster.outfits.map((outfit) => ({
      ...outfit,
      brief: members.find((one) => one.outfit === outfit.id)!.brief,
      toBuy: outfit.from.map((origin) => origin === 'buy'),
    }))
    return cutsFor(outfits, goal, catalogue, { ...known, ...lowest }, spare)
  }, [ready, goal, roster.outfits, members, catalogue, known, lowest, spare])
  return (
    <section aria-labelledby="budget" className="border-t border-rule pt-4">
      <h2 id="budget" className="text-xl">
        To spend less
      </h2>
      <div className="mt-1 flex items-center gap-3">
        <span className="text-soft">
          {over > 0
            ? `${homeMoney(over)} over the budget.`
            : roster.budget === null
              ? 'No budget is set.'
              : 'Within the budget.'}
        </span>
        <label className="flex items-center gap-2">
          Save
          <MoneyField
            value={save}
            onChange={setSave}
            label="To save"
            placeholder="how much"
            className="w-[110px] py-1"
          />
        </label>
        <Button disabled={busy} onClick={() => void find()}>
          {busy ? 'Looking…' : 'What could be cut'}
        </Button>
      </div>
      {asked && goal <= 0 && <p className="mt-2 text-soft">Say first how much shall be saved.</p>}
      {cuts && (
        <div aria-live="polite" className="mt-2">
          <p>
            {cuts.made.length === 0 ? (
              'Nothing can be cut without missing a must or hiding what somebody does.'
            ) : (
              <>
                {cuts.made.length === 1 ? 'One cut saves' : `${cuts.made.length} cuts save`}{' '}
                <strong>{homeMoney(cuts.saved)}</strong>
                {cuts.enough
                  ? '.'
                  : `, ${homeMoney(goal - cuts.saved)} too little; more would miss a must or hide what somebody does.`}{' '}
                <span className="text-soft">Those that lose least likeness for the money come first.</span>
              </>
            )}
          </p>
          {cuts.unbriefed.length > 0 && (
            <p className="text-soft">
              Left alone, since {cuts.unbriefed.length === 1 ? 'its brief wishes' : 'their briefs wish'} for nothing and
              nobody can say what a cut would lose: {cuts.unbriefed.join(', ')}.
            </p>
          )}
          {cuts.made.map((cut) => (
            <Row
              key={`${cut.outfit}${cut.slots[0]}`}
              note={cut.words}
              end={`saves ${homeMoney(cut.saves)}, ${
                inPoints(cut.loses) === 0
                  ? 'likeness stays'
                  : cut.loses > 0
                    ? `loses ${inPoints(cut.loses)} points`
                    : `gains ${inPoints(-cut.loses)} points`
              }`}
            >
              <Link to={`/outfits/${cut.outfit}/bench`} className="font-semibold text-act hover:underline">
                {roster.outfits.find(({ id }) => id === cut.outfit)?.name}
              </Link>
            </Row>
          ))}
        </div>
      )}
    </section>
  )
}
