import { formatLength } from '@outfit/core/base'
import { useState } from 'react'
import { Link, useParams } from 'react-router'
import { wornAlone } from '@outfit/core/anatomy'
import { colourGrid, commonness } from '@outfit/core/parts'
import { inColour, mainColour, mouldOf, type Catalogue, type Colour, type Part } from '@outfit/core/catalogue'
import { isComplete } from '@outfit/core/settings'
import { useSettings } from '../data/settingsApi.ts'
import { api, errorText, type Candidate, type PartDetail } from '../data/api.ts'
import { selectCatalogue } from '../data/catalogueSlice.ts'
import { useAppSelector } from '../data/hooks.ts'
import { Figure } from '../ui/Figure.tsx'
import { ErrorNote, Waiting } from '../ui/Notes.tsx'
import { sourceOfPicture } from '../ui/PartPicture.tsx'
import { Swatch } from '../ui/Swatch.tsx'
import { ColourGrid } from './ColourGrid.tsx'
import { GoesWith } from './GoesWith.tsx'
import { NearestColours } from './NearestColours.tsx'
import { PartSources } from './PartSources.tsx'
import { WaysToGet } from './WaysToGet.tsx'
import { WishButton } from './WishButton.tsx'

/** Everything about one part: drawn large, its mould in every colour, where it comes from and who sells it. */
export function PartView() {
  const { part: code = '' } = useParams()
  const basics = api.endpoints.basics.useQuery()
  const detail = api.endpoints.partDetail.useQuery(code)
  const mould = api.endpoints.sameMould.useQuery(code)
  const catalogue = useAppSelector(selectCatalogue)
  const error = detail.error ?? mould.error ?? basics.error
  if (error) return <ErrorNote onRetry={() => void detail.refetch()}>{errorText(error)}</ErrorNote>
  const part = catalogue?.parts.get(code)
  if (!detail.currentData || !mould.currentData || !basics.data || !catalogue || !part)
    return <Waiting>Fetching the part…</Waiting>
  return (
    <Page
      key={code}
      part={part}
      detail={detail.currentData}
      family={mould.currentData.items}
      palette={basics.data.colours}
      catalogue={catalogue}
    />
  )
}

interface PageProps {
  part: Part
  detail: PartDetail
  family: readonly Candidate[]
  palette: readonly Colour[]
  catalogue: Catalogue
}

function Page({ part, detail, family, palette, catalogue }: PageProps) {
  const [wished, setWished] = useState<Colour | null>(null)
  const { data: wishes = [] } = api.endpoints.wishes.useQuery()
  const own = wishes.filter((wish) => wish.mould === part.mould && wish.print === part.print && !wish.fulfilledBy)
  const picture = sourceOfPicture(part, catalogue)
  const colour = mainColour(catalogue, part)
  const mould = mouldOf(catalogue, part)
  const settings = useSettings()
  const grid = colourGrid(
    part,
    family.map((entry) => entry.part),
    palette,
  )
  const shown = wished ? inColour(part, wished.code, catalogue) : { part, catalogue }
  const worn = wornAlone(shown.part, shown.catalogue)
  return (
    <div className="mx-auto grid max-w-[1280px] grid-cols-[340px_1fr_310px] gap-7 px-5 py-5 phone:grid-cols-1 phone:gap-5 phone:px-3 phone:[&>*]:min-w-0">
      <section aria-label="Drawn">
        <div className="flex items-start gap-3">
          <h1 className="text-2xl leading-tight">{part.name}</h1>
          <Link to={`/catalogue/parts/${part.code}`} className="mt-1 ml-auto font-semibold text-act hover:underline">
            Change
          </Link>
        </div>
        <p className="mt-1 flex items-center gap-1.5">
          <Swatch colour={wished ?? colour} />
          <Link
            to={`/catalogue/colours/${(wished ?? colour)?.code}`}
            className="font-bold hover:text-act hover:underline"
            title="Change this colour"
          >
            {(wished ?? colour)?.name}
          </Link>
          <span className="text-soft">
            · {part.code}
            {part.year && !wished ? ` · ${part.year}` : ''}
          </span>
        </p>
        <div className="pattern-paper mt-3 flex rounded-[10px] border border-rule">
          {(['front', 'back'] as const).map((view) => (
            <figure key={view} className="flex-1 pb-1 text-center text-[13px] text-soft">
              <Figure
                placements={worn}
                from={shown.catalogue}
                view={view}
                label={`${part.name}, ${view}`}
                window={{ x: -84, y: -330, width: 168, height: 346 }}
                className="h-[346px] w-full"
              />
              <figcaption>{view}</figcaption>
            </figure>
          ))}
        </div>
        {wished ? (
          <p role="status" className="mt-2 rounded-[8px] border border-notice bg-card px-3 py-1.5">
            <strong className="text-notice">Preview only.</strong> {part.name}{' '}
            {isComplete(settings, mould.code)
              ? `was never made in ${wished.name}`
              : `in ${wished.name} is not in your catalogue`}
            .
          </p>
        ) : (
          <p className="mt-2 text-soft">
            <Link to={`/catalogue/moulds/${mould.code}`} className="hover:text-act hover:underline">
              {mould.name}
            </Link>
            {mould.neckThickness > 0 && `, ${formatLength(mould.neckThickness, 1)} on the neck`}
            {mould.height > 0 && `, adds ${formatLength(mould.height, 1)}`}, {mould.mass} g
          </p>
        )}
        {!wished && (
          <p className="mt-2">
            <Link to={`/parts/${part.code}/uses`} className="font-semibold text-act underline">
              What it could do for your outfits
            </Link>
          </p>
        )}
        {picture === 'guessed' && (
          <p className="mt-2 rounded-[8px] border border-notice bg-card px-3 py-1.5">
            <strong className="text-notice">Guessed.</strong> Nobody wrote a recipe for this print yet, so it is drawn
            from its name and colours.{' '}
            {part.print && (
              <Link to={`/catalogue/prints/${part.print}`} className="font-semibold text-act underline">
                Write the recipe
              </Link>
            )}
          </p>
        )}
        {part.photo && (
          <img
            src={`/api/photos/${part.photo}`}
            alt={`Photo of ${part.name}`}
            className="mt-3 max-h-[220px] rounded-[10px] border border-rule"
          />
        )}
        {wished && (
          <>
            <WishButton part={part} colour={wished} wish={own.find((wish) => wish.colour === wished.code)} />
            <NearestColours wished={wished} grid={grid} family={family} />
          </>
        )}
        <GoesWith part={part} catalogue={catalogue} />
      </section>
      <ColourGrid
        part={part}
        mould={mould}
        grid={grid}
        family={family}
        wished={wished}
        wishes={new Set(own.map((wish) => wish.colour))}
        onWish={setWished}
      />
      <div>
        <WaysToGet of={part.code}>
          <PartSources detail={detail} common={commonness(detail.releaseCount)} />
        </WaysToGet>
      </div>
    </div>
  )
}
