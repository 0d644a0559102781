import { useMemo } from 'react'
import { checkSeries, numbered, SERIES_TEXTS, type SeriesEntry } from '@outfit/core/series'
import type { ShelfOutfit } from '@outfit/core/shelf'
import { seriesApi } from '../data/seriesApi.ts'
import { ChoicePanel, OwnWords } from '../show/ChoicePanel.tsx'
import { Button } from '../ui/Button.tsx'
import { Figure } from '../ui/Figure.tsx'
import { EmptyNote } from '../ui/Notes.tsx'
import { PinMark } from '../ui/PinMark.tsx'
import { tell, tellError } from '../ui/tell.ts'
import { SeriesFrame, type SeriesShown } from './SeriesFrame.tsx'

/** Numbers, lines of text and credits of a series, and what it lacks. */
export function SeriesView() {
  return <SeriesFrame>{(shown) => <Numbers {...shown} />}</SeriesFrame>
}

const field = 'w-full rounded-[8px] border border-rule bg-card px-2 py-1'

function Numbers({ roster, choices, members }: SeriesShown) {
  const { value: series, change } = choices
  const [end] = seriesApi.endpoints.endSeries.useMutation()
  const [begin] = seriesApi.endpoints.beginSeries.useMutation()
  const lacks = useMemo(() => checkSeries(series, roster.outfits), [series, roster.outfits])
  const entryOf = (id: string): SeriesEntry =>
    series.entries.find(({ outfit }) => outfit === id) ?? { outfit: id, number: null, line: '', credit: '' }
  const set = (id: string, next: Partial<SeriesEntry>) =>
    change({
      entries: series.entries.some(({ outfit }) => outfit === id)
        ? series.entries.map((entry) => (entry.outfit === id ? { ...entry, ...next } : entry))
        : [...series.entries, { ...entryOf(id), ...next }],
    })
  const inOrder = [...roster.outfits]
    .map((outfit, i) => ({ outfit, i, number: entryOf(outfit.id).number }))
    .sort((a, b) => (a.number ?? Infinity) - (b.number ?? Infinity) || a.i - b.i)
  const worn = new Map(members.map((member) => [member.id, [...member.items, ...member.companions]]))
  const ended = async () => {
    const answer = await end(roster.id)
    if (answer.error) return tellError(answer.error)
    tell(`${roster.name} is no series any more.`, () => begin({ id: roster.id, series }))
  }
  return (
    <div className="mt-3 flex flex-col gap-5 md:flex-row">
      <div className="min-w-0 flex-1">
        {inOrder.length === 0 ? (
          <EmptyNote title="Nobody is in the series yet">
            Add characters to the roster: each of their outfits gets a number, a line of text and a credit here.
          </EmptyNote>
        ) : (
          <table className="rows-on-phone w-full text-left">
            <thead>
              <tr className="border-b border-rule text-soft">
                <th className="w-[64px] py-1 font-normal">No.</th>
                <th className="w-[58px]" aria-label="Drawing" />
                <th className="w-[190px] font-normal">Who, with what</th>
                <th className="font-normal">One line of text</th>
                <th className="w-[180px] font-normal">Credit</th>
              </tr>
            </thead>
            <tbody>
              {inOrder.map(({ outfit }) => (
                <Entry
                  key={outfit.id}
                  outfit={outfit}
                  worn={worn.get(outfit.id) ?? []}
                  entry={entryOf(outfit.id)}
                  onChange={(next) => set(outfit.id, next)}
                />
              ))}
            </tbody>
          </table>
        )}
      </div>
      <ChoicePanel label="The series" choices={choices}>
        <OwnWords
          label="Title"
          most={SERIES_TEXTS.title}
          value={series.title}
          placeholder="What the series is called"
          onChange={(title) => change({ title })}
        />
        <label className="flex items-center gap-2 font-semibold">
          Series number
          <input
            value={series.number}
            maxLength={SERIES_TEXTS.number}
            onChange={({ target }) => change({ number: target.value })}
            className="w-[90px] rounded-[8px] border border-rule bg-card px-2 py-1 font-normal"
          />
        </label>
        <OwnWords
          label="Made by"
          most={SERIES_TEXTS.credit}
          value={series.credit}
          placeholder="Your name, or none"
          onChange={(credit) => change({ credit })}
        />
        <OwnWords
          label="That it is yours alone"
          rows={4}
          most={SERIES_TEXTS.privately}
          value={series.privately}
          placeholder="Made by a private person …"
          onChange={(privately) => change({ privately })}
        />
        <section aria-labelledby="lacks">
          <h2 id="lacks" className="font-semibold">
            {lacks.length === 0 ? 'Nothing is lacking' : 'What is lacking'}
          </h2>
          <ul className="mt-1 space-y-1.5 text-[14px]">
            {lacks.map(({ kind, severity, words }) => (
              <li key={`${kind} ${words}`} className="flex items-baseline gap-1.5">
                <PinMark severity={severity} />
                <span>{words}</span>
              </li>
            ))}
          </ul>
        </section>
        <Button className="self-start" onClick={() => change({ entries: numbered(roster.outfits, series.entries) })}>
          Number them as on the shelf
        </Button>
        <Button look="plain" className="self-start px-1 text-[14px]" onClick={() => void ended()}>
          Make it no series any more
        </Button>
      </ChoicePanel>
    </div>
  )
}

function Entry({
  outfit,
  worn,
  entry,
  onChange,
}: {
  outfit: ShelfOutfit
  worn: readonly string[]
  entry: SeriesEntry
  onChange: (next: Partial<SeriesEntry>) => void
}) {
  const left = SERIES_TEXTS.line - entry.line.length
  return (
    <tr className="border-b border-rule align-middle">
      <td className="py-1 pr-2">
        <input
          aria-label={`Number of ${outfit.name}`}
          inputMode="numeric"
          value={entry.number ?? ''}
          onChange={({ target }) => {
            const digits = target.value.replace(/\D/g, '').slice(0, 5)
            onChange({ number: digits === '' ? null : Number(digits) })
          }}
          className="w-[52px] rounded-[8px] border border-rule bg-card px-2 py-1 text-right font-head font-bold tabular-nums"
        />
      </td>
      <td>
        <Figure placements={outfit.placements} label="" className="h-[52px] w-[44px]" />
      </td>
      <td className="pr-3 phone:col-span-2">
        <span className="block font-semibold">{outfit.name}</span>
        <span className="block text-[13px] text-soft">{[outfit.faction, ...worn].filter(Boolean).join(' · ')}</span>
      </td>
      <td data-wide className="pr-3">
        <input
          aria-label={`Line of text of ${outfit.name}`}
          value={entry.line}
          maxLength={SERIES_TEXTS.line}
          placeholder="What the leaflet says of this one"
          onChange={({ target }) => onChange({ line: target.value })}
          className={field}
        />
        {left < 20 && <span className="text-[13px] text-soft">{left} letters left</span>}
      </td>
      <td data-wide>
        <input
          aria-label={`Credit of ${outfit.name}`}
          value={entry.credit}
          maxLength={SERIES_TEXTS.credit}
          placeholder="Whose idea"
          onChange={({ target }) => onChange({ credit: target.value })}
          className={field}
        />
      </td>
    </tr>
  )
}
