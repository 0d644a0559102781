import { putOn } from '@outfit/core/anatomy'
import {
  catalogueOf,
  type Catalogue,
  type Colour,
  type Mould,
  type Part,
  type Placement,
  type Print,
} from '@outfit/core/catalogue'
import { Figure } from '../ui/Figure.tsx'

const WINDOW = { x: -92, y: -336, width: 184, height: 352 }

/** What is being made, worn by the bare doll, from both sides. */
export function LivePicture({
  placements,
  catalogue,
  name,
}: {
  placements: readonly Placement[]
  catalogue: Catalogue
  name: string
}) {
  return (
    <div className="pattern-paper flex rounded-[10px] border border-rule">
      {(['front', 'back'] as const).map((view) => (
        <figure key={view} className="flex-1 pb-1 text-center text-[13px] text-soft">
          <Figure
            placements={placements}
            from={catalogue}
            view={view}
            label={`${name || 'Unnamed'}, ${view}`}
            window={WINDOW}
            className="h-[352px] w-full"
          />
          <figcaption>{view}</figcaption>
        </figure>
      ))}
    </div>
  )
}

const CODE = 'P-LIVE'

/** A part that is not saved, in a catalogue of its own, and how it is worn. */
export function livePart(
  part: Pick<Part, 'name' | 'mould' | 'colours' | 'print'>,
  { moulds, colours, prints }: { moulds: readonly Mould[]; colours: readonly Colour[]; prints: readonly Print[] },
): { catalogue: Catalogue; placements: Placement[] } {
  const live: Part = { ...part, code: CODE, year: null, photo: null, components: [] }
  const drawable = moulds.some(({ code }) => code === part.mould)
  const catalogue = catalogueOf({ colours, moulds, prints, parts: drawable ? [live] : [] })
  return { catalogue, placements: putOn([{ part: CODE, qty: 1 }], catalogue) }
}
