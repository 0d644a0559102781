import { useMemo, useState } from 'react'
import { formatLength } from '@outfit/core/base'
import { collate } from '@outfit/core/packs'
import {
  CARTON_LIMITS,
  CARTON_PAPER_NAMES,
  CARTON_SHAPES,
  cartonsOf,
  SERIES_TEXTS,
  tooLargeInWords,
  type CartonChoices,
  type CartonShape,
} from '@outfit/core/series'
import { TickOutfits } from '../roster/TickOutfits.tsx'
import { ChoicePanel, OneOf, OwnWords } from '../show/ChoicePanel.tsx'
import { ExportBar } from '../show/ExportBar.tsx'
import { Button } from '../ui/Button.tsx'
import { counted } from '../ui/counted.ts'
import { Faults } from './Faults.tsx'
import { FoldedCarton } from './FoldedCarton.tsx'
import { NobodyDressed } from './NobodyDressed.tsx'
import { NumberField } from './NumberField.tsx'
import { PagePicture } from './PagePicture.tsx'
import { printed } from './printed.ts'
import { SeriesFrame, type SeriesShown } from './SeriesFrame.tsx'

/** The carton of a series: its net on a sheet, and folded up. */
export function CartonView() {
  return <SeriesFrame>{(shown) => <Carton {...shown} />}</SeriesFrame>
}

const SHAPE_WORDS: Readonly<Record<CartonShape, string>> = {
  tuck: 'tuck carton',
  pillow: 'pillow box',
  header: 'header card for a bag',
}

/** The layers of the sheet, as a legend. */
const LINES = [
  ['cut', 'black', '#2A2730', ''],
  ['crease', 'red, dashed', '#D9573F', '4 3'],
] as const

function Carton({ roster, choices, members, catalogue, sealed }: SeriesShown) {
  const { value: series, change } = choices
  const { carton, packs } = series
  const [sheet, turnTo] = useState(0)
  const made = useMemo(() => {
    const plan = sealed?.plan ?? collate(packs, members, series.bonus).plan
    return cartonsOf(series, members, catalogue, plan)
  }, [series, packs, members, catalogue, sealed])
  if (!made) return <NobodyDressed />
  const set = (next: Partial<CartonChoices>) => change({ carton: { ...carton, ...next } })
  const { pages, fit, faults, net, art, inner, copies } = made
  const shown = Math.min(sheet, pages.length - 1)
  const { by } = made.largest
  const largest = [...new Set([by.width, by.depth, by.height])]
  return (
    <div className="mt-3 flex flex-col gap-5 md:flex-row">
      <div className="min-w-0 flex-1">
        <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
          <p className="min-w-0 flex-1 basis-[300px] text-soft">
            Inner {formatLength(inner.width, 1)} × {formatLength(inner.height, 1)} × {formatLength(inner.depth, 1)},{' '}
            {carton.inner
              ? 'as typed.'
              : `from the largest (${largest.join('; ')}) and ${formatLength(carton.clearance)} of air.`}{' '}
            {pages.length > 0 &&
              `${counted(copies, 'carton')}, ${fit.count} to a sheet of ${fit.paper}: ${counted(pages.length, 'sheet')}.`}
          </p>
          {pages.length > 0 && <ExportBar files={printed(roster.id, 'carton')} waits={!choices.kept} />}
        </div>
        <div className="mt-3 flex min-h-[420px] flex-col gap-4 rounded-[10px] border border-rule bg-band p-4 xl:flex-row">
          <div className="min-w-0 flex-1">
            {pages.length === 0 ? (
              <p role="alert" className="m-auto max-w-[420px] rounded-[10px] border border-problem bg-card p-4">
                <strong className="block">It does not go onto the sheet.</strong>
                {tooLargeInWords(made)}
              </p>
            ) : (
              <>
                <PagePicture
                  page={pages[shown]!}
                  label={`Sheet ${shown + 1} with ${fit.count} cartons of ${series.title}`}
                  className="[&>svg]:max-h-[calc(100vh-400px)] [&>svg]:min-h-[340px]"
                />
                {pages.length > 1 && (
                  <p className="mt-2 flex items-center justify-center gap-2 text-[14px] text-soft">
                    <Button
                      look="plain"
                      className="px-2 py-0.5"
                      disabled={shown === 0}
                      onClick={() => turnTo(shown - 1)}
                    >
                      Sheet before
                    </Button>
                    Sheet {shown + 1} of {pages.length}
                    <Button
                      look="plain"
                      className="px-2 py-0.5"
                      disabled={shown === pages.length - 1}
                      onClick={() => turnTo(shown + 1)}
                    >
                      Next sheet
                    </Button>
                  </p>
                )}
              </>
            )}
          </div>
          <FoldedCarton net={net} art={art} />
        </div>
      </div>
      <ChoicePanel label="The carton" choices={choices}>
        <Faults faults={faults} way="Shorten it, or make what is inside larger." />
        <OneOf
          label="Shape"
          value={carton.shape}
          options={CARTON_SHAPES.map((shape) => [shape, SHAPE_WORDS[shape]] as const)}
          onChoose={(shape) => set({ shape })}
        />
        <fieldset>
          <legend className="font-semibold">What is inside</legend>
          <div className="mt-0.5 flex flex-col gap-1">
            <label className="flex min-h-6 items-center gap-1.5">
              <input type="radio" name="inner" checked={!carton.inner} onChange={() => set({ inner: null })} />
              the largest of the series
            </label>
            <label className="flex min-h-6 items-center gap-1.5">
              <input
                type="radio"
                name="inner"
                checked={carton.inner !== null}
                onChange={() => set({ inner: made.largest.inner })}
              />
              as I type
            </label>
            {carton.inner ? (
              (['width', 'height', 'depth'] as const).map((side) => (
                <NumberField
                  key={side}
                  label={{ width: 'Wide', height: 'High', depth: 'Deep' }[side]}
                  value={carton.inner![side]}
                  least={CARTON_LIMITS.least}
                  most={CARTON_LIMITS.most}
                  step={0.1}
                  unit="mm"
                  onChange={(value) => set({ inner: { ...carton.inner!, [side]: value } })}
                />
              ))
            ) : (
              <NumberField
                label="Air"
                value={carton.clearance}
                least={0}
                most={CARTON_LIMITS.clearance}
                step={0.1}
                unit="mm"
                onChange={(clearance) => set({ clearance })}
              />
            )}
            <NumberField
              label="Cardboard"
              value={carton.board}
              least={0}
              most={CARTON_LIMITS.board}
              step={0.1}
              unit="mm"
              onChange={(board) => set({ board })}
            />
          </div>
        </fieldset>
        <OneOf
          label="Paper"
          value={carton.paper}
          options={CARTON_PAPER_NAMES.map((name) => [name, name] as const)}
          onChoose={(paper) => set({ paper })}
        />
        <fieldset>
          <legend className="font-semibold">How many</legend>
          <div className="mt-0.5 flex flex-col gap-1">
            <label className="flex min-h-6 items-center gap-1.5">
              <input
                type="radio"
                name="copies"
                checked={carton.copies === null}
                onChange={() => set({ copies: null })}
              />
              {packs.packs > 0 ? `one for each of ${packs.packs} packs` : 'one for each figure'}
            </label>
            <label className="flex min-h-6 items-center gap-1.5">
              <input type="radio" name="copies" checked={carton.copies !== null} onChange={() => set({ copies })} />
              {carton.copies === null ? 'as I type' : ''}
              {carton.copies !== null && (
                <NumberField
                  label="Cartons"
                  value={carton.copies}
                  least={1}
                  most={CARTON_LIMITS.copies}
                  onChange={(count) => set({ copies: count })}
                />
              )}
            </label>
          </div>
        </fieldset>
        <label className="flex items-center gap-2 font-semibold">
          Colour
          <input
            type="color"
            value={carton.colour}
            onChange={({ target }) => set({ colour: target.value })}
            className="h-7 w-11 rounded border border-rule bg-card"
          />
        </label>
        <OwnWords
          label="On its side"
          rows={3}
          most={SERIES_TEXTS.side}
          value={carton.side}
          placeholder="What the series is, in a sentence"
          onChange={(side) => set({ side })}
        />
        <details>
          <summary className="cursor-pointer font-semibold">
            On the front: {carton.front.length > 0 ? counted(carton.front.length, 'figure') : 'the first three'}
          </summary>
          <TickOutfits
            outfits={members}
            isIn={(id) => carton.front.includes(id)}
            onTick={(id, isIn) =>
              set({ front: isIn ? [...carton.front, id] : carton.front.filter((one) => one !== id) })
            }
          />
        </details>
        <section aria-label="Lines" className="text-[13.5px] text-soft">
          {LINES.map(([name, words, colour, dashes]) => (
            <p key={name} className="flex items-center gap-2">
              <svg width="30" height="6" aria-hidden>
                <path d="M0 3H30" stroke={colour} strokeWidth="1.6" strokeDasharray={dashes} />
              </svg>
              <strong className="text-ink">{name}</strong> {words}
            </p>
          ))}
          <p>Colour runs 3 mm beyond every cut. Cut, crease, colour, pictures and glue are layers of their own.</p>
        </section>
      </ChoicePanel>
    </div>
  )
}
