import { useState } from 'react'
import type { RosterShelf } from '@outfit/core/shelf'
import { CARD_TEXTS, MOST_ON_SHEET, PAPER_SIZE_NAMES, PER_PAGE, type SheetChoices } from '@outfit/core/show'
import { api, errorText } from '../data/api.ts'
import { showApi } from '../data/showApi.ts'
import { RosterFrame } from '../roster/RosterFrame.tsx'
import { TickOutfits } from '../roster/TickOutfits.tsx'
import { withTick } from '../roster/withTick.ts'
import { EmptyNote, ErrorNote, Waiting } from '../ui/Notes.tsx'
import { ChoicePanel, OneOf, OwnWords, Ticks } from './ChoicePanel.tsx'
import { asQuery, ExportBar } from './ExportBar.tsx'
import { Preview } from './Preview.tsx'
import { useChoices } from './useChoices.ts'

/** A whole roster to be shown: a breakdown sheet, a page to share, and the recipe. */
export function SheetView() {
  return <RosterFrame ownUndo>{({ roster }) => <Loaded key={roster.id} roster={roster} />}</RosterFrame>
}

function Loaded({ roster }: { roster: RosterShelf }) {
  const { currentData, error, refetch } = showApi.endpoints.sheetChoices.useQuery(roster.id)
  if (error) return <ErrorNote onRetry={() => void refetch()}>{errorText(error)}</ErrorNote>
  if (!currentData) return <Waiting>Laying out the sheet…</Waiting>
  return <Sheet roster={roster} kept={currentData} />
}

function Sheet({ roster, kept }: { roster: RosterShelf; kept: SheetChoices }) {
  const [save] = showApi.endpoints.chooseSheet.useMutation()
  const choices = useChoices(kept, (next) => save({ id: roster.id, choices: next }))
  const dressed = roster.outfits.filter(({ placements }) => placements.length > 0)
  const [left, leave] = useState<ReadonlySet<string>>(() => new Set(dressed.slice(MOST_ON_SHEET).map(({ id }) => id)))
  // Tells the browser's cache one sheet from the next: whatever changed an outfit has loaded the shelves anew.
  const { fulfilledTimeStamp: version = 0 } = api.endpoints.shelves.useQueryState()
  if (dressed.length === 0)
    return (
      <EmptyNote title="Nobody is dressed yet">
        Once figures of this roster wear something, their parts, sources and prices stand here as a sheet to print, a
        page to send, and a recipe.
      </EmptyNote>
    )
  const { value, change } = choices
  const shown = dressed.filter(({ id }) => !left.has(id))
  const some = left.size === 0 ? {} : { outfits: shown.map(({ id }) => id).join(',') }
  const at = (file: string, asked: object = {}) => `/api/rosters/${roster.id}/${file}?${asQuery({ ...some, ...asked })}`
  return (
    <div className="mt-3 flex flex-col gap-5 md:flex-row">
      <div className="min-w-0 flex-1">
        <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
          <p className="text-soft">
            {shown.length} of {dressed.length} dressed figures, {value.perPage} to a page of {value.paper}.
          </p>
          {shown.length > 0 && (
            <ExportBar
              files={[
                { name: 'Recipe', href: at('recipe.json'), hint: 'A file from which others build the same figures' },
                { name: 'Page', href: at('page.html'), hint: 'One file to send or to put on a web site' },
                { name: 'SVG', href: at('sheet.svg', value), hint: 'All pages as one long picture' },
                { name: 'PNG', href: at('sheet.png', value), hint: 'All pages as one long picture' },
                { name: 'PDF', href: at('sheet.pdf', value), hint: 'To be printed, page by page' },
              ]}
            />
          )}
        </div>
        <div
          role="region"
          aria-label="The sheet"
          tabIndex={0}
          className="mt-3 max-h-[calc(100vh-300px)] min-h-[360px] overflow-y-auto rounded-[10px] border border-rule bg-band p-5"
        >
          {shown.length === 0 ? (
            <p className="p-8 text-center text-soft">Nobody is ticked. Tick whom the sheet shall show.</p>
          ) : (
            <Preview
              src={at('sheet.svg', { ...value, version })}
              alt={`Breakdown sheet of ${roster.name}`}
              className="mx-auto w-full max-w-[720px] shadow"
            />
          )}
        </div>
      </div>
      <ChoicePanel label="What the sheet shows" choices={choices}>
        <OneOf
          label="Figures on a page"
          value={value.perPage}
          options={PER_PAGE.map((count) => [count, `${count}`] as const)}
          onChoose={(perPage) => change({ perPage })}
        />
        <OneOf
          label="Paper"
          value={value.paper}
          options={PAPER_SIZE_NAMES.map((name) => [name, name] as const)}
          onChoose={(paper) => change({ paper })}
        />
        <Ticks
          label="On it"
          choices={choices}
          options={[
            ['cover', 'A cover with everybody'],
            ['index', 'The list of all parts'],
            ['colours', 'Colours'],
            ['sources', 'Where parts come from'],
            ['prices', 'Prices of the day'],
            ['altered', 'What was altered or made by others'],
          ]}
        />
        <OwnWords
          label="Note"
          rows={3}
          most={CARD_TEXTS.note}
          value={value.note}
          placeholder="What this is, in a sentence or two"
          onChange={(note) => change({ note })}
        />
        <OwnWords
          label="Credits"
          most={CARD_TEXTS.credits}
          value={value.credits}
          placeholder="Made by…"
          onChange={(credits) => change({ credits })}
        />
        <details>
          <summary className="cursor-pointer font-semibold">
            Who is on it: {shown.length} of {dressed.length}
          </summary>
          <TickOutfits
            outfits={dressed}
            isIn={(id) => !left.has(id)}
            onTick={(id, isIn) => leave(withTick(left, id, !isIn))}
          />
        </details>
      </ChoicePanel>
    </div>
  )
}
