import { Plus } from 'lucide-react'
import { Link } from 'react-router'
import { MADE_SLOTS, wearMade, type Dressing } from '@outfit/core/anatomy'
import { MADE_AS, type Catalogue, type MadeAs, type Placement } from '@outfit/core/catalogue'
import { madeApi } from '../data/madeApi.ts'
import { MadePicture } from '../made/MadePicture.tsx'

interface MadeShelfProps {
  dressing: Dressing
  present: readonly Placement[]
  catalogue: Catalogue
  onChange: (placements: Placement[]) => void
}

/** What is made of several parts and goes where the tray is; nothing where no such thing does. */
export function MadeShelf({ dressing, present, catalogue, onChange }: MadeShelfProps) {
  /** Where something is put on here that is worn so. */
  const slotFor = (as: MadeAs) => MADE_SLOTS[as].find((slot) => dressing.slots.includes(slot))
  const fits = MADE_AS.some((as) => slotFor(as) !== undefined)
  const { data } = madeApi.endpoints.made.useQuery(undefined, { skip: !fits })
  if (!fits || !data) return null
  const items = data.items.filter(({ as }) => slotFor(as) !== undefined)
  const isKnown = (item: (typeof items)[number]) => item.pieces.every(({ part }) => catalogue.parts.has(part))
  return (
    <section aria-label="Made of several parts" className="flex items-center gap-2 text-[13px]">
      {items.length > 0 && <span className="shrink-0 text-soft">Made</span>}
      <ul className="flex min-w-0 gap-1.5 overflow-x-auto">
        {items.filter(isKnown).map((item) => (
          <li key={item.id} className="shrink-0">
            <button
              type="button"
              title={`Put on ${item.name}`}
              onClick={() => onChange(wearMade(present, slotFor(item.as)!, item))}
              className="flex items-center gap-1.5 rounded-[10px] border border-rule bg-card py-0.5 pr-2 pl-1 font-semibold hover:border-act"
            >
              <MadePicture item={item} catalogue={catalogue} label="" className="h-[42px] w-[38px]" />
              {item.name}
            </button>
          </li>
        ))}
      </ul>
      <Link
        to={items.length > 0 ? '/made' : '/made/new'}
        className="ml-auto inline-flex shrink-0 items-center gap-1 font-semibold text-act hover:underline"
        title="Things made of several parts: a staff of a rod and a jewel, a cart"
      >
        <Plus aria-hidden className="size-3.5" /> {items.length > 0 ? 'All made' : 'Make one of several parts'}
      </Link>
    </section>
  )
}
