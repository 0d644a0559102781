import { useMemo } from 'react'
import {
  bonusTold,
  FOLDS,
  leafletPages,
  PANEL_LIMITS,
  STRIP_PANELS,
  type Fold,
  type LeafletChoices,
} from '@outfit/core/series'
import { formatLength } from '@outfit/core/base'
import { ChoicePanel, OneOf, Ticks } from '../show/ChoicePanel.tsx'
import { ExportBar } from '../show/ExportBar.tsx'
import type { Choices } from '../show/useChoices.ts'
import { Faults } from './Faults.tsx'
import { NumberField } from './NumberField.tsx'
import { PagePicture } from './PagePicture.tsx'
import { NobodyDressed } from './NobodyDressed.tsx'
import { printed } from './printed.ts'
import { SeriesFrame, type SeriesShown } from './SeriesFrame.tsx'

/** The leaflet of a series: a sheet that is folded, both sides of it. */
export function LeafletView() {
  return <SeriesFrame>{(shown) => <Leaflet {...shown} />}</SeriesFrame>
}

const FOLD_WORDS: Readonly<Record<Fold, string>> = { zigzag: 'zigzag', roll: 'rolled in', quarters: 'to quarters' }

/** Where the server keeps the picture of a step. */
const pictureOf = (photo: string) => `/api/photos/${photo}`

function Leaflet({ roster, choices, members }: SeriesShown) {
  const { value: series, change } = choices
  const made = useMemo(
    () => leafletPages(series, members, { bonus: bonusTold(series.bonus, pictureOf), guides: true }),
    [series, members],
  )
  const inner: Choices<LeafletChoices> = {
    ...choices,
    value: series.leaflet,
    change: (next) => change({ leaflet: { ...series.leaflet, ...next } }),
  }
  if (members.length === 0) return <NobodyDressed />
  const { leaflet } = series
  const { size, folded, faults } = made
  return (
    <div className="mt-3 flex flex-col gap-5 md:flex-row">
      <div className="min-w-0 flex-1">
        <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
          <p className="text-soft">
            {formatLength(size.width)} × {formatLength(size.height)} flat, {formatLength(folded.width)} ×{' '}
            {formatLength(folded.height)} folded; {members.length} figures at one scale.
          </p>
          <ExportBar files={printed(roster.id, 'leaflet')} waits={!choices.kept} />
        </div>
        <div
          role="region"
          aria-label="Both sides of the leaflet"
          tabIndex={0}
          className="mt-3 max-h-[calc(100vh-330px)] min-h-[360px] overflow-y-auto rounded-[10px] border border-rule bg-band p-5"
        >
          {made.pages.map((page, i) => (
            <figure key={i} className={i > 0 ? 'mt-5' : ''}>
              <figcaption className="mb-1 text-[13px] text-soft">
                {i === 0 ? 'Outside' : 'Inside, turned over from left to right'}
              </figcaption>
              <PagePicture
                page={page}
                label={`${i === 0 ? 'Outside' : 'Inside'} of the leaflet of ${series.title}`}
                className={leaflet.fold === 'quarters' ? 'mx-auto max-w-[440px]' : ''}
              />
            </figure>
          ))}
        </div>
      </div>
      <ChoicePanel label="The leaflet" choices={choices}>
        <Faults faults={faults} way="Shorten it, choose fewer things to show, or make the panels larger." />
        <OneOf
          label="Folded"
          value={leaflet.fold}
          options={FOLDS.map((fold) => [fold, FOLD_WORDS[fold]] as const)}
          onChoose={(fold) => inner.change({ fold })}
        />
        {leaflet.fold === 'quarters' ? (
          <OneOf
            label="Paper"
            value={leaflet.paper}
            options={[
              ['A4', 'A4'],
              ['Letter', 'Letter'],
            ]}
            onChoose={(paper) => inner.change({ paper })}
          />
        ) : (
          <>
            <OneOf
              label="Panels"
              value={leaflet.panels}
              options={STRIP_PANELS.map((count) => [count, `${count}`] as const)}
              onChoose={(panels) => inner.change({ panels })}
            />
            <fieldset>
              <legend className="font-semibold">One panel</legend>
              <div className="mt-1 space-y-1.5">
                <NumberField
                  label="Wide"
                  value={leaflet.width}
                  least={PANEL_LIMITS.width[0]}
                  most={PANEL_LIMITS.width[1]}
                  step={0.1}
                  unit="mm"
                  onChange={(width) => inner.change({ width })}
                />
                <NumberField
                  label="High"
                  value={leaflet.height}
                  least={PANEL_LIMITS.height[0]}
                  most={PANEL_LIMITS.height[1]}
                  step={0.1}
                  unit="mm"
                  onChange={(height) => inner.change({ height })}
                />
              </div>
            </fieldset>
          </>
        )}
        <Ticks
          label="On it"
          choices={inner}
          options={[
            ['lines', 'The line of text of each'],
            ['items', 'What each holds'],
            ['ticks', 'A box to tick'],
            ['marks', 'Bleed, crop and fold marks'],
          ]}
        />
        <p className="text-[13.5px] text-soft">
          Pencil lines are folds and the safe area; they are not printed. Who stands in front is chosen with the carton.
        </p>
      </ChoicePanel>
    </div>
  )
}
