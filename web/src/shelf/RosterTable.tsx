import { ArrowDown, ArrowUp } from 'lucide-react'
import { useMemo, useState } from 'react'
import { Link } from 'react-router'
import { statureAt } from '@outfit/core/brief'
import { homeMoney } from '@outfit/core/market'
import { HOUSE_RULES, houseRulesOf, SCHOOL_WORDS, SCHOOLS, switchesOver, type School } from '@outfit/core/roster'
import type { RosterShelf, ShelfOutfit } from '@outfit/core/shelf'
import { rosterApi } from '../data/rosterApi.ts'
import { Button } from '../ui/Button.tsx'
import { EmptyNote } from '../ui/Notes.tsx'
import { tell, tellError } from '../ui/tell.ts'
import { OutfitMenu } from './OutfitMenu.tsx'
import { PinCount } from './PinCount.tsx'
import { RosterFrame } from '../roster/RosterFrame.tsx'
import { byFaction } from '../roster/shelfData.ts'
import { StateMark } from './StateMark.tsx'
import { TABLE_ORDERS, tableRows, type TableOrder } from './tableRows.ts'
import { useChangeOutfits } from '../roster/useChangeOutfits.ts'
import { useUniformed } from '../roster/useUniformed.ts'

const field =
  'w-full rounded-[8px] border border-transparent bg-transparent px-1.5 py-0.5 hover:border-rule focus:bg-card'

/** A roster as a table, at its own address. */
export function RosterTableView() {
  return (
    <RosterFrame>
      {({ roster }) =>
        roster.outfits.length > 0 ? (
          <RosterTable key={roster.id} roster={roster} />
        ) : (
          <EmptyNote title="Nobody stands here yet">Add characters: paste a list of names, one a line.</EmptyNote>
        )
      }
    </RosterFrame>
  )
}

/** Filtered and sorted; names and factions changed in place, and much for many outfits at once. */
function RosterTable({ roster }: { roster: RosterShelf }) {
  const [words, setWords] = useState('')
  const [order, setOrder] = useState<TableOrder>('number')
  const [down, setDown] = useState(false)
  const [picked, setPicked] = useState<ReadonlySet<string>>(new Set())
  const [change] = useChangeOutfits(roster.id)
  const numbered = useMemo(() => byFaction(roster.outfits).flatMap(({ outfits }) => outfits), [roster.outfits])
  const rows = tableRows(numbered, { words, order, down })
  const chosen = roster.outfits.filter(({ id }) => picked.has(id))
  const call = (outfit: ShelfOutfit, set: { name?: string; faction?: string }) =>
    change(
      [outfit],
      () => set,
      ({ name, faction }) => (set.name === undefined ? { faction } : { name }),
    )
  const allShown = rows.length > 0 && rows.every(({ outfit }) => picked.has(outfit.id))
  return (
    <section aria-label="Outfits as a table" className="mt-4">
      <div className="flex flex-wrap items-center gap-3">
        <input
          type="search"
          value={words}
          onChange={(event) => setWords(event.target.value)}
          placeholder="Name, faction or state"
          aria-label="Find in this roster"
          className="w-[240px] rounded-[8px] border border-rule bg-card px-2 py-1 placeholder:text-soft"
        />
        <span className="text-soft">
          {rows.length === roster.outfits.length
            ? `${rows.length} outfits`
            : `${rows.length} of ${roster.outfits.length}`}
          {chosen.length === 0 && '; names and factions are changed in place, picked ones many at once'}
        </span>
      </div>
      {chosen.length > 0 && <Bulk roster={roster} outfits={chosen} onDone={() => setPicked(new Set())} />}
      <table className="rows-on-phone mt-3 w-full text-left">
        <thead>
          <tr className="border-b border-rule">
            <th className="w-9 py-1">
              <input
                type="checkbox"
                aria-label="Pick all shown"
                checked={allShown}
                onChange={() => setPicked(allShown ? new Set() : new Set(rows.map(({ outfit }) => outfit.id)))}
                className="size-4 accent-[var(--act)]"
              />
            </th>
            {(Object.keys(TABLE_ORDERS) as TableOrder[]).map((key) => (
              <th key={key} aria-sort={key !== order ? 'none' : down ? 'descending' : 'ascending'} className="py-1">
                <button
                  type="button"
                  className="inline-flex items-center gap-1 font-semibold hover:text-act"
                  onClick={() => {
                    setDown(key === order && !down)
                    setOrder(key)
                  }}
                >
                  {TABLE_ORDERS[key]}
                  {key === order &&
                    (down ? (
                      <ArrowDown aria-hidden className="size-3.5" />
                    ) : (
                      <ArrowUp aria-hidden className="size-3.5" />
                    ))}
                </button>
              </th>
            ))}
            <th className="py-1">
              <span className="sr-only">Open</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {rows.map(({ outfit, number }) => (
            <tr key={outfit.id} className="border-b border-rule">
              <td>
                <input
                  type="checkbox"
                  aria-label={`Pick ${outfit.name}`}
                  checked={picked.has(outfit.id)}
                  onChange={() =>
                    setPicked((before) => {
                      const next = new Set(before)
                      if (!next.delete(outfit.id)) next.add(outfit.id)
                      return next
                    })
                  }
                  className="size-4 accent-[var(--act)]"
                />
              </td>
              <td data-label="number" className="w-12 tabular-nums phone:w-auto">
                {number}
              </td>
              <td data-label="name" data-wide>
                <Cell
                  key={outfit.name}
                  value={outfit.name}
                  label={`Name of ${outfit.name}`}
                  needed
                  onSave={(name) => void call(outfit, { name })}
                />
              </td>
              <td data-label="faction" data-wide>
                <Cell
                  key={outfit.faction}
                  value={outfit.faction}
                  label={`Faction of ${outfit.name}`}
                  onSave={(own) => void call(outfit, { faction: own })}
                />
              </td>
              <td data-label="state">
                <span className="inline-block">
                  <StateMark state={outfit.state} />
                </span>
              </td>
              <td data-label="stature">
                {outfit.stature}
                {outfit.years !== null && <span className="text-soft">, {outfit.years} years</span>}
              </td>
              <td data-label="to buy" className="tabular-nums">
                {outfit.placements.length === 0
                  ? 'wears nothing'
                  : outfit.toBuy > 0
                    ? `${outfit.toBuy}, from ${homeMoney(outfit.toCome.money)}`
                    : outfit.arriving > 0
                      ? `${outfit.arriving} on the way`
                      : 'all owned'}
              </td>
              <td>
                <span className="inline-block">{outfit.placements.length > 0 && <PinCount pins={outfit.pins} />}</span>
              </td>
              <td className="text-right">
                <Link to={`/outfits/${outfit.id}/bench`} className="font-semibold text-act hover:underline">
                  Dress<span className="sr-only"> {outfit.name}</span>
                </Link>
                <span className="relative ml-1 inline-block size-6 align-middle">
                  <OutfitMenu outfit={outfit} roster={roster} />
                </span>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {rows.length === 0 && <p className="py-6 text-center text-soft">Nobody is called so.</p>}
    </section>
  )
}

const select = 'rounded-[8px] border border-rule bg-card px-2 py-1'

/** What is changed for all picked outfits at once. */
function Bulk({
  roster,
  outfits,
  onDone,
}: {
  roster: RosterShelf
  outfits: readonly ShelfOutfit[]
  onDone: () => void
}) {
  const [change, { isLoading }] = useChangeOutfits(roster.id)
  const put = useUniformed(roster.id)
  const [remove] = rosterApi.endpoints.removeOutfits.useMutation()
  const [putBack] = rosterApi.endpoints.putBack.useMutation()
  const [faction, setFaction] = useState('')
  const aged = outfits.filter(({ years }) => years !== null)
  const ids = outfits.map(({ id }) => id)
  const byYears = () =>
    change(
      aged,
      ({ years }) => ({ stature: statureAt(years!) }),
      ({ stature }) => ({ stature: stature as ReturnType<typeof statureAt> }),
    )
  const school = (to: School) => {
    const switches = switchesOver(houseRulesOf(roster.rules, roster.switches), HOUSE_RULES[to])
    const differs = Object.keys(switches).length > 0
    return change(
      outfits,
      () => ({ switches, switchesReason: differs ? `${SCHOOL_WORDS[to].label}, for ${outfits.length} at once` : '' }),
      ({ switches: own, switchesReason }) => ({ switches: own, switchesReason }),
    )
  }
  const uniform = (id: string | null) => {
    const name = roster.uniforms.find((one) => one.id === id)?.name
    const words = name ? `${outfits.length} in ${name}.` : `${outfits.length} out of uniform; they wear what they wore.`
    return put(ids, id, id !== null, words)
  }
  const off = async () => {
    const answer = await remove({ roster: roster.id, outfits: ids })
    if (answer.error) return tellError(answer.error)
    onDone()
    tell(`${outfits.length === 1 ? outfits[0]!.name : `${outfits.length} outfits`} taken off.`, () =>
      putBack(answer.data.removed),
    )
  }
  return (
    <form
      aria-label="For all picked"
      className="mt-2 flex flex-wrap items-center gap-x-5 gap-y-2 rounded-[10px] bg-band px-3 py-2"
      onSubmit={(event) => {
        event.preventDefault()
        void change(
          outfits,
          () => ({ faction: faction.trim() }),
          (outfit) => ({ faction: outfit.faction }),
        )
        onDone()
      }}
    >
      <strong>{outfits.length} picked</strong>
      <label className="flex items-center gap-2">
        into faction
        <input
          value={faction}
          maxLength={80}
          list="factions"
          onChange={(event) => setFaction(event.target.value)}
          className={`w-[150px] ${select}`}
        />
        <Button type="submit" disabled={isLoading} className="px-2.5 py-1">
          Put them there
        </Button>
      </label>
      <datalist id="factions">
        {[...new Set(roster.outfits.map((outfit) => outfit.faction))].map((one) => (
          <option key={one} value={one} />
        ))}
      </datalist>
      <Button
        className="px-2.5 py-1"
        disabled={aged.length === 0}
        title={
          aged.length === 0
            ? 'Nobody picked has an age in the brief.'
            : 'Up to 7 years short, up to 14 middle, then full'
        }
        onClick={() => void byYears()}
      >
        Stature by years
      </Button>
      <select
        aria-label="House rules for all picked"
        value=""
        onChange={(event) => void school(event.target.value as School)}
        className={select}
      >
        <option value="">House rules…</option>
        {SCHOOLS.map((one) => (
          <option key={one} value={one}>
            {SCHOOL_WORDS[one].label}
          </option>
        ))}
      </select>
      {roster.uniforms.length > 0 && (
        <select
          aria-label="Uniform for all picked"
          value=""
          onChange={(event) => void uniform(event.target.value === 'none' ? null : event.target.value)}
          className={select}
        >
          <option value="">Uniform…</option>
          {roster.uniforms.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
          <option value="none">none</option>
        </select>
      )}
      <Link
        to={`/rosters/${roster.id}/cast?outfits=${outfits.map(({ id }) => id).join(',')}`}
        className="ml-auto rounded-[10px] border border-act/70 bg-card px-2.5 py-1 font-semibold text-act hover:border-act hover:bg-band"
      >
        Cast together
      </Link>
      <Button className="px-2.5 py-1" onClick={() => void off()}>
        Take off
      </Button>
    </form>
  )
}

/** Text that is changed in place: kept on leaving it or Enter, as it was on Escape. */
function Cell({
  value,
  label,
  needed = false,
  onSave,
}: {
  value: string
  label: string
  needed?: boolean
  onSave: (value: string) => void
}) {
  const [text, setText] = useState(value)
  const wrong = needed && text.trim() === ''
  return (
    <input
      value={text}
      aria-label={label}
      aria-invalid={wrong}
      maxLength={120}
      onChange={(event) => setText(event.target.value)}
      onBlur={() => {
        if (wrong) setText(value)
        else if (text.trim() !== value) onSave(text.trim())
      }}
      onKeyDown={(event) => {
        if (event.key === 'Enter') event.currentTarget.blur()
        if (event.key === 'Escape') setText(value)
      }}
      className={`${field} ${wrong ? '!border-problem' : ''}`}
    />
  )
}
