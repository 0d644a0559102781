import { Link, useParams, useSearchParams } from 'react-router'
import type { OutfitDetail } from '@outfit/core/roster'
import { takeNamed } from '@outfit/core/roster'
import { CARD_SIZES, CARD_TEXTS, type CardChoices, type CardSize } from '@outfit/core/show'
import { api, errorText } from '../data/api.ts'
import { rosterApi } from '../data/rosterApi.ts'
import { showApi } from '../data/showApi.ts'
import { ErrorNote, Waiting } from '../ui/Notes.tsx'
import { PICTURE_TYPES, PICTURE_WORDS } from '../picture/pictureFiles.ts'
import { DropZone } from '../ui/DropZone.tsx'
import { BesideChoice } from './BesideChoice.tsx'
import { ChoicePanel, OneOf, OwnWords, Ticks } from './ChoicePanel.tsx'
import { asQuery, ExportBar } from './ExportBar.tsx'
import { Preview } from './Preview.tsx'
import { PhotoArrangement } from './PhotoArrangement.tsx'
import { useCardPhoto } from './useCardPhoto.ts'
import { useChoices } from './useChoices.ts'
import { usePastedFiles } from '../ui/usePastedFiles.ts'

const SIZES = (Object.keys(CARD_SIZES) as CardSize[]).map(
  (size) =>
    [
      size,
      `${/^A/.test(size) ? size : size[0]!.toUpperCase() + size.slice(1)}, ${CARD_SIZES[size].width} × ${CARD_SIZES[size].height}`,
    ] as const,
)

const TICKS = [
  ['lines', 'Lines to the parts'],
  ['colours', 'Colours'],
  ['sources', 'Where parts come from'],
  ['prices', 'Prices of the day'],
  ['altered', 'What was altered or made by others'],
] as const
/** What only a card of one figure has room for. */
const OF_ONE: ReadonlySet<string> = new Set(['lines', 'sources'])

/** The card of a take, as it will be published. */
export function CardView() {
  const { outfit: id = '' } = useParams()
  const { currentData: outfit, error, refetch } = api.endpoints.outfit.useQuery(id)
  const choices = showApi.endpoints.cardChoices.useQuery(id)
  if (error) return <ErrorNote onRetry={() => void refetch()}>{errorText(error)}</ErrorNote>
  if (choices.error) return <ErrorNote onRetry={() => void choices.refetch()}>{errorText(choices.error)}</ErrorNote>
  if (!outfit || !choices.currentData) return <Waiting>Drawing the card…</Waiting>
  return <Card key={id} outfit={outfit} kept={choices.currentData} />
}

function Card({ outfit, kept }: { outfit: OutfitDetail; kept: CardChoices }) {
  const [search] = useSearchParams()
  const [markShown] = rosterApi.endpoints.markShown.useMutation()
  const [save] = showApi.endpoints.chooseCard.useMutation()
  const choices = useChoices(kept, (next) => save({ id: outfit.id, choices: next }))
  const take = takeNamed(outfit.takes, search.get('take'))!
  const photoWork = useCardPhoto(choices)
  usePastedFiles(([file]) => photoWork.take(file))
  const { value, change } = choices
  const file = (kind: string) =>
    `/api/outfits/${outfit.id}/card.${kind}?${asQuery({ take: take.id, version: outfit.version, ...value })}`
  const onPhoto = value.picture === 'photo'
  // Once a built outfit's card is taken away, it counts as shown.
  const shown = () => void (take.chosen && markShown({ outfits: [outfit.id], how: 'card' }))
  return (
    <div
      onDragOver={(event) => event.preventDefault()}
      onDrop={(event) => {
        event.preventDefault()
        photoWork.take(event.dataTransfer.files[0])
      }}
      className="mx-auto flex h-full max-w-[1400px] flex-col px-5 py-4"
    >
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
        <h1 className="text-2xl">Card</h1>
        {outfit.takes.length > 1 && (
          <nav aria-label="Takes" className="flex gap-1.5">
            {outfit.takes.map((t) => (
              <Link
                key={t.id}
                to={`?take=${encodeURIComponent(t.label)}`}
                replace
                aria-current={t.id === take.id ? 'true' : undefined}
                className={`rounded-full border px-3 py-1 ${t.id === take.id ? 'border-act bg-act font-semibold text-act-ink' : 'border-rule bg-card hover:border-act'}`}
              >
                take {t.label}
              </Link>
            ))}
          </nav>
        )}
        <Link to={`/rosters/${outfit.roster.id}/sheet`} className="font-semibold text-act hover:underline">
          All of {outfit.roster.name} as a sheet
        </Link>
        <ExportBar
          onTaken={shown}
          files={[
            { name: 'SVG', href: file('svg'), hint: 'To be edited, at any size' },
            { name: 'PDF', href: file('pdf'), hint: 'To be printed at its size' },
            { name: 'PNG', href: file('png'), hint: 'A picture of 300 dots an inch' },
          ]}
        />
      </div>
      <div className="mt-3 flex min-h-0 flex-1 flex-col gap-5 md:flex-row">
        {onPhoto && value.photo && (
          <PhotoArrangement
            photo={value.photo}
            take={take}
            view={value.view}
            work={photoWork}
            onChange={(photo) => change({ photo })}
            onTakeAway={() => change({ photo: null, picture: 'drawing' })}
          />
        )}
        <div className="flex min-w-0 flex-1 flex-col items-center justify-center">
          {onPhoto && !value.photo && (
            <div className="w-full max-w-[560px]">
              <DropZone
                title={photoWork.busy || 'Drop a photo of the built figure'}
                hint={`or press here to choose one, or paste it: ${PICTURE_WORDS}. It stays in this workspace. Until then the card shows the drawing.`}
                label="Choose a photo of the built figure"
                accept={PICTURE_TYPES}
                small
                disabled={photoWork.busy !== ''}
                onFiles={([file]) => photoWork.take(file)}
              />
            </div>
          )}
          {!(onPhoto && value.photo) && photoWork.note && (
            <p role="alert" className="mt-2 mb-3 w-full max-w-[560px] text-problem">
              {photoWork.note}
            </p>
          )}
          <Preview
            src={`${file('svg')}&draft=yes`}
            alt={`Card of ${outfit.name}: the ${onPhoto && value.photo ? 'photo' : 'figure'} in the middle, lead lines from each part to its name, colour and source`}
            className="max-h-full min-h-0 w-full object-contain drop-shadow-sm"
          />
        </div>
        <ChoicePanel label="What the card shows" choices={choices}>
          <OneOf label="Size in millimetres" value={value.size} options={SIZES} onChoose={(size) => change({ size })} />
          <OneOf
            label="Picture"
            value={value.picture}
            options={[
              ['drawing', 'as drawn'],
              ['photo', 'a photo'],
            ]}
            onChoose={(picture) => change({ picture })}
          />
          <OneOf
            label="Seen from"
            value={value.view}
            options={[
              ['front', 'the front'],
              ['back', 'behind'],
            ]}
            onChoose={(view) => change({ view })}
          />
          <BesideChoice outfit={outfit} take={take} value={value.beside} onChange={(beside) => change({ beside })} />
          <Ticks
            label="On it"
            choices={choices}
            options={TICKS.filter(([tick]) => value.beside === '' || !OF_ONE.has(tick))}
          />
          <OwnWords
            label="Note"
            rows={3}
            most={CARD_TEXTS.note}
            value={value.note}
            placeholder="Who this is, in a sentence or two"
            onChange={(note) => change({ note })}
          />
          <OwnWords
            label="Credits"
            most={CARD_TEXTS.credits}
            value={value.credits}
            placeholder="Made by…"
            onChange={(credits) => change({ credits })}
          />
        </ChoicePanel>
      </div>
    </div>
  )
}
