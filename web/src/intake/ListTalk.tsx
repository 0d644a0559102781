import { useState } from 'react'
import { useNavigate } from 'react-router'
import {
  type Answer,
  type Choices,
  type Encoding,
  type Field,
  type IntakeMode,
  type ListFault,
  type ListKind,
  type Unknown,
} from '@outfit/core/intake'
import { homeCurrency } from '@outfit/core/market'
import { errorText } from '../data/api.ts'
import { intakeApi } from '../data/intakeApi.ts'
import { Button } from '../ui/Button.tsx'
import { ErrorNote, Waiting } from '../ui/Notes.tsx'
import { counted } from '../ui/counted.ts'
import { Swatch } from '../ui/Swatch.tsx'
import { tell } from '../ui/tell.ts'
import { ColumnsForm } from './ColumnsForm.tsx'
import { actInWords, entriesInWords, entryInWords, rowInWords, setsInWords } from './listWords.ts'
import { CharactersTalk } from './CharactersTalk.tsx'
import { ListHead } from './ListHead.tsx'
import { UnknownCard } from './UnknownCard.tsx'
import { Entries, Pictures } from './WhatComes.tsx'

interface ListTalkProps {
  id: string
  /** Lists that wait behind this one. */
  more: number
  onLeave: () => void
}

const keyOf = (id: string) => `outfit.intake.${id}`

/** What was said of a list so far, also after the page was loaded again. */
function keptChoices(id: string): Choices {
  try {
    return JSON.parse(sessionStorage.getItem(keyOf(id)) ?? '{}') as Choices
  } catch {
    return {}
  }
}

/** A list as it is understood, what is not known of it, and what will come of it. */
export function ListTalk({ id, more, onLeave }: ListTalkProps) {
  const [choices, setChoices] = useState(() => keptChoices(id))
  const [encoding, setEncoding] = useState<Encoding>()
  const [sheet, setSheet] = useState<number>()
  const [changing, change] = useState(false)
  const [mode, setMode] = useState<IntakeMode | null>(null)
  const look = { id, choices, ...(encoding ? { encoding } : {}), ...(sheet !== undefined ? { sheet } : {}) }
  const { data: list, error, isFetching, refetch } = intakeApi.endpoints.lookAt.useQuery(look)
  const [take, taking] = intakeApi.endpoints.takeList.useMutation()
  const [takeBack] = intakeApi.endpoints.takeListBack.useMutation()
  const navigate = useNavigate()
  if (error && !list) return <ErrorNote onRetry={() => void refetch()}>{errorText(error)}</ErrorNote>
  if (!list) return <Waiting>Reading the list…</Waiting>
  const choose = (more: Partial<Choices>) => {
    const next = { ...choices, ...more }
    setChoices(next)
    sessionStorage.setItem(keyOf(id), JSON.stringify(next))
  }
  const answer = (key: string, said: Answer) => choose({ answers: { ...choices.answers, [key]: said } })
  // A list that was brought in before says how many there are now; a new one brings more.
  const how: IntakeMode = mode ?? (list.before ? 'set' : 'add')
  const back = (taken: string, kind: ListKind) => async () => {
    const answered = await takeBack(taken)
    // The view is of a set that is gone.
    if (!answered.error && kind === 'sets') void navigate('/bring-in')
    return answered
  }
  const bring = async () => {
    const answered = await take({ ...look, mode: how })
    if (answered.error) return
    sessionStorage.removeItem(keyOf(id))
    const { id: taken, act, parts, rows, sets, entries } = answered.data
    const [first] = sets.releases
    if (list.kind === 'sets')
      tell(`${list.name}: ${setsInWords(sets)}`, sets.releases.length > 0 ? back(taken, list.kind) : undefined)
    else if (list.kind === 'sellers' || list.kind === 'colours')
      tell(
        `${list.name}: ${entriesInWords(list.kind, entries)}`,
        entries.made.length + entries.changed.length > 0 ? back(taken, list.kind) : undefined,
      )
    else if (list.kind === 'owned' && act === null) tell(`${list.name}: all of it is as it was.`)
    else
      tell(
        `${list.name}: ${list.kind === 'prices' ? counted(rows, 'price') : counted(parts, 'part')} brought in.`,
        act === null && list.kind !== 'prices' ? undefined : back(taken, list.kind),
      )
    if (more > 0) return onLeave()
    void navigate(
      {
        owned: '/drawer',
        prices: '/market',
        sellers: '/market',
        colours: '/bring-in',
        characters: '/',
        sets: first ? `/catalogue/releases/${first}` : '/parts',
      }[list.kind],
    )
  }
  const ofParts = list.kind !== 'sellers' && list.kind !== 'colours'
  const has = (field: Field) => list.columns.some((column) => column.field === field)
  const lacks = list.unrated.some((currency) => choices.rates?.[currency] === undefined)
  // What was settled with an earlier list need not be asked again; what was said just now stays where it is.
  const rests = ({ plain, settled, key }: Unknown) => plain || (settled && choices.answers?.[key] === undefined)
  const asked = list.unknown.filter((one) => !rests(one))
  const fresh = list.unknown.filter(rests)
  const heading = <ListHead {...{ list, isFetching, choose, setEncoding, setSheet }} />
  if (list.kind === 'characters')
    return (
      <CharactersTalk list={list} more={more} heading={heading}>
        <Button look="plain" className="mt-1 w-full" onClick={onLeave}>
          {more > 0 ? `Leave it, and read the next of ${more}` : 'Another list'}
        </Button>
      </CharactersTalk>
    )
  return (
    <div className="mx-auto grid max-w-[1280px] gap-8 px-5 py-4 lg:grid-cols-[1fr_360px]">
      <div className="min-w-0">
        {heading}
        <section aria-labelledby="cells" className="mt-4 rounded-[10px] border border-rule bg-card px-4 py-3">
          <h2 id="cells" className="text-lg">
            How I read your cells
          </h2>
          <table className="mt-2 w-full text-[14px]">
            <thead className="text-left text-soft">
              <tr>
                <th className="w-1/2 pr-4 font-normal">your row</th>
                <th className="font-normal">as I take it</th>
              </tr>
            </thead>
            <tbody>
              {list.sample.map(({ line, cells, row, entry }) => (
                <tr key={line} className="border-t border-rule align-top">
                  <td className="py-1.5 pr-4 text-soft">{cells.filter(Boolean).join(' · ')}</td>
                  <td className="py-1.5">
                    {entry ? (
                      <>
                        {entry.what === 'colour' && <Swatch colour={entry} />} <strong>{entry.name}</strong>{' '}
                        {entryInWords(entry)}
                      </>
                    ) : row ? (
                      <>
                        <Swatch colour={list.colours.find(({ code }) => code === row.part.colour)} />{' '}
                        <strong>
                          {list.moulds.find(({ code }) => code === row.part.mould)?.name ?? row.part.name}
                        </strong>{' '}
                        {rowInWords(row, list)}
                      </>
                    ) : list.headings.includes(cells.find(Boolean)?.replace(/:$/, '') ?? '') ? (
                      <span className="text-soft">a heading</span>
                    ) : (
                      <span className="text-problem">
                        {list.faults
                          .filter((fault) => fault.line === line)
                          .map(({ field, reason }) => `${field} ${reason}`)
                          .join('; ') || 'left out'}
                      </span>
                    )}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          <p className="mt-2 text-[14px] text-soft">
            {has('price') &&
              `Prices are whole ${list.style.currency}, cents after a ${list.style.decimal === ',' ? 'comma' : 'point'}. `}
            {has('date') && `Dates have the ${list.style.dayFirst ? 'day' : 'month'} first. `}
            {list.open.length > 0 && <span className="text-notice">Your cells do not tell which; please look. </span>}
            <button
              type="button"
              className="font-semibold text-act underline"
              aria-expanded={changing}
              onClick={() => change(!changing)}
            >
              Change columns
            </button>
          </p>
          {changing && <ColumnsForm list={list} choices={choices} onChange={choose} />}
        </section>
        {list.kind === 'prices' && !has('seller') && (
          <label className="mt-4 block max-w-[420px] font-semibold">
            Whose prices are these?
            {choices.same?.seller === undefined && list.whose !== '' && (
              <span className="ml-2 text-[13px] font-normal text-soft">by the name of the file</span>
            )}
            <input
              list="known-sellers"
              value={choices.same?.seller ?? list.whose}
              onChange={({ target }) => choose({ same: { ...choices.same, seller: target.value } })}
              className="mt-1 block w-full rounded-[8px] border border-rule bg-card px-2 py-1 font-normal"
            />
            <datalist id="known-sellers">
              {list.sellers.map(({ code, name }) => (
                <option key={code} value={name} />
              ))}
            </datalist>
          </label>
        )}
        {list.kind === 'sets' && !has('set') && (
          <label className="mt-4 block max-w-[420px] font-semibold">
            Which set is this?
            <input
              value={choices.same?.set ?? ''}
              maxLength={120}
              onChange={({ target }) => {
                const { set: _set, ...same } = choices.same ?? {}
                choose({ same: target.value === '' ? same : { ...same, set: target.value } })
              }}
              className="mt-1 block w-full rounded-[8px] border border-rule bg-card px-2 py-1 font-normal"
            />
          </label>
        )}
        {list.unrated.map((currency) => (
          <label key={currency} className="mt-4 block max-w-[420px] font-semibold">
            What is 1 {currency} worth in {homeCurrency()}?
            <input
              inputMode="decimal"
              defaultValue={choices.rates?.[currency] ?? ''}
              placeholder="0.23"
              onChange={({ target }) => {
                const rate = Number(target.value.replace(',', '.'))
                const { [currency]: _rate, ...others } = choices.rates ?? {}
                choose({ rates: rate > 0 ? { ...others, [currency]: rate } : others })
              }}
              className="mt-1 block w-32 rounded-[8px] border border-rule bg-card px-2 py-1 font-normal"
            />
          </label>
        ))}
        {asked.length > 0 && (
          <section aria-labelledby="unknown" className="mt-5">
            <h2 id="unknown" className="text-lg">
              {asked.length === 1 ? 'One word I am not sure of' : `${asked.length} words I am not sure of`}
            </h2>
            <p className="text-[14px] text-soft">
              One answer goes for all rows that say the same, and for the next list.
            </p>
            <div className="mt-2 grid gap-3 md:grid-cols-2">
              {asked.map((one) => (
                <UnknownCard key={one.key} unknown={one} list={list} onAnswer={(said) => answer(one.key, said)} />
              ))}
            </div>
          </section>
        )}
        {fresh.length > 0 && (
          <details className="mt-5">
            <summary className="cursor-pointer font-semibold">
              {fresh.every(({ plain }) => plain)
                ? counted(fresh.length, `new ${fresh[0]!.what}`)
                : `${counted(fresh.length, 'word')} new or settled before`}
              :{' '}
              {fresh
                .slice(0, 6)
                .map(({ words }) => words)
                .join(', ')}
              {fresh.length > 6 && ', …'}
            </summary>
            <div className="mt-2 grid gap-3 md:grid-cols-2">
              {fresh.map((one) => (
                <UnknownCard key={one.key} unknown={one} list={list} onAnswer={(said) => answer(one.key, said)} />
              ))}
            </div>
          </details>
        )}
      </div>
      <aside
        aria-label="What comes of it"
        className="self-start rounded-[10px] border border-rule bg-card px-4 py-4 lg:sticky lg:top-4"
      >
        <h2 className="text-lg">What comes of it</h2>
        {ofParts ? <Pictures list={list} /> : <Entries list={list} />}
        <p className="mt-2" hidden={!ofParts}>
          <strong>{counted(list.sum.parts, 'part')}</strong> of <strong>{counted(list.sum.kinds, 'kind')}</strong>
          {list.kind === 'owned' && list.sum.bins > 0 && ` in ${counted(list.sum.bins, 'bin')}`}
          {list.kind === 'sets' &&
            ` in ${counted(list.sum.sets, 'set')} with ${counted(list.sum.figures, 'figure')}; none of it counts as owned`}
        </p>
        <ul className="mt-1 space-y-1 text-[14px] text-soft">
          {list.sum.made > 0 && <li>{counted(list.sum.made, 'kind')} new to your parts, drawn from their words.</li>}
          {list.uncounted > 0 && <li>{counted(list.uncounted, 'row')} without a count: one each.</li>}
          {list.sum.undated > 0 && (
            <li>
              {counted(list.sum.undated, 'set')} without a year: {new Date().getFullYear()}, to be changed on its page.
            </li>
          )}
          {list.left.length > 0 && (
            <li>
              {counted(list.left.length, 'row')} left out.
              {list.headings.length > 0 &&
                ` ${list.headings.slice(0, 5).join(', ')}${list.headings.length > 5 ? ' …' : ''}: taken for ${list.headings.length === 1 ? 'a heading' : 'headings'}.`}
            </li>
          )}
          {list.mended.map(({ line, what }) => (
            <li key={line}>
              Mended on line {line}: {what}.
            </li>
          ))}
        </ul>
        <Cells cells={list.faults} words="cannot be read" look="text-problem" />
        <Cells
          cells={list.aside}
          words={list.aside.length === 1 ? 'kept as a remark' : 'kept as remarks'}
          look="text-notice"
        />
        {list.before && list.kind === 'owned' && (
          <fieldset className="mt-3 text-[14px]">
            <legend>
              You brought {list.before.same ? 'this list' : 'a list of this name'} in on {list.before.at}.{' '}
              <strong>
                {list.before.differ === 0
                  ? 'Nothing differs.'
                  : `${counted(list.before.differ, 'row differs', 'rows differ')}.`}
              </strong>
            </legend>
            {(
              [
                ['set', 'Set to these counts'],
                ['add', 'Add to what is there'],
              ] as const
            ).map(([value, words]) => (
              <label key={value} className="mt-1 flex items-center gap-2">
                <input type="radio" name="mode" checked={how === value} onChange={() => setMode(value)} />
                {words}
              </label>
            ))}
          </fieldset>
        )}
        {(error ?? taking.error) && (
          <p role="alert" className="mt-3 text-problem">
            {errorText(error ?? taking.error)}
          </p>
        )}
        <Button
          look="act"
          className="mt-4 w-full py-2.5"
          disabled={list.sum.rows === 0 || lacks || taking.isLoading || isFetching}
          onClick={() => void bring()}
        >
          {taking.isLoading ? 'Bringing it in…' : actInWords(list)}
        </Button>
        {lacks && (
          <p className="mt-2 text-center text-[13px] text-notice">
            Say first what {list.unrated.join(' and ')} is worth: without it no price can be compared.
          </p>
        )}
        {list.kind !== 'prices' && (
          <p className="mt-2 text-center text-[13px] text-soft">One press takes it all back, here or any day later.</p>
        )}
        <Button look="plain" className="mt-1 w-full" onClick={onLeave}>
          {more > 0 ? `Leave it, and read the next of ${more}` : 'Another list'}
        </Button>
      </aside>
    </div>
  )
}

/** Cells with what is amiss in each; a few of them lie open. */
function Cells({ cells, words, look }: { cells: readonly ListFault[]; words: string; look: string }) {
  if (cells.length === 0) return null
  return (
    <details className="mt-2 text-[14px]" open={cells.length <= 3}>
      <summary className={`cursor-pointer ${look}`}>
        {counted(cells.length, 'cell')} {words}
      </summary>
      <ul>
        {cells.map(({ line, field, reason }, i) => (
          <li key={i}>
            line {line}: {field} {reason}
          </li>
        ))}
      </ul>
    </details>
  )
}
