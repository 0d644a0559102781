import { useMemo, useState } from 'react'
import { Link } from 'react-router'
import { wornAlone } from '@outfit/core/anatomy'
import {
  catalogueOf,
  PART_KINDS,
  plainPieces,
  SHELVES,
  SHELF_KEYS,
  shelfOf,
  type Colour,
  type Mould,
  type Component,
  type Part,
} from '@outfit/core/catalogue'
import { toneOf } from '@outfit/core/colour'
import type { View } from '@outfit/core/mannequin'
import { api, errorText } from '../data/api.ts'
import { Figure } from '../ui/Figure.tsx'
import { ErrorNote, Waiting } from '../ui/Notes.tsx'

/** Three colours to look at every mould in: a dark, a middle and a light one, of different families. */
function trial(colours: readonly Colour[]): Colour[] {
  const solid = colours.filter(({ finish, family }) => finish === 'solid' && family !== 'skin')
  const taken: Colour[] = []
  for (const tone of ['dark', 'middle', 'light'] as const) {
    const found = solid.find((colour) => toneOf(colour.hex) === tone && taken.every((t) => t.family !== colour.family))
    if (found) taken.push(found)
  }
  return taken
}

const tab = (on: boolean) =>
  `rounded-full border px-3 py-0.5 ${on ? 'border-act bg-act font-semibold text-act-ink' : 'border-rule bg-card hover:border-act'}`

/** Contact sheet: every mould in three colours, from the front or the back. */
export function MouldSheet() {
  const { data: basics, error, refetch } = api.endpoints.basics.useQuery()
  const [view, setView] = useState<View>('front')
  if (error) return <ErrorNote onRetry={() => void refetch()}>{errorText(error)}</ErrorNote>
  if (!basics) return <Waiting>Laying out the moulds…</Waiting>
  const { moulds, colours } = basics
  const three = trial(colours)
  const shown = [...moulds].sort((a, b) => PART_KINDS.indexOf(a.kind) - PART_KINDS.indexOf(b.kind))
  return (
    <div className="mx-auto max-w-[1280px] px-5 py-4">
      <div className="flex items-baseline gap-4">
        <h1 className="text-2xl">Moulds</h1>
        <p className="text-soft">
          {moulds.length} moulds, each in {three.map(({ name }) => name).join(', ')}
        </p>
        <div role="group" aria-label="Side" className="ml-auto flex gap-1.5">
          {(['front', 'back'] as const).map((side) => (
            <button
              key={side}
              type="button"
              aria-pressed={view === side}
              onClick={() => setView(side)}
              className={tab(view === side)}
            >
              {side}
            </button>
          ))}
          <Link to="/catalogue/moulds/new" className="ml-3 font-semibold text-act hover:underline">
            Own mould
          </Link>
        </div>
      </div>
      {SHELF_KEYS.map((key) => {
        const own = shown.filter(({ kind }) => shelfOf(kind) === key)
        return own.length === 0 ? null : (
          <section key={key} aria-label={SHELVES[key].label}>
            <h2 className="mt-5 border-b border-rule text-lg">
              {SHELVES[key].label} <span className="font-sans text-sm font-normal text-soft">{own.length}</span>
            </h2>
            <ul className="mt-2 grid grid-cols-4 gap-x-6 gap-y-3">
              {own.map((mould) => (
                <Contact key={mould.code} mould={mould} moulds={moulds} three={three} colours={colours} view={view} />
              ))}
            </ul>
          </section>
        )
      })}
    </div>
  )
}

interface ContactProps {
  mould: Mould
  moulds: readonly Mould[]
  three: readonly Colour[]
  colours: readonly Colour[]
  view: View
}

function Contact({ mould, moulds, three, colours, view }: ContactProps) {
  const drawn = useMemo(
    () =>
      three.map((colour) => {
        const second = three.find((other) => other.code !== colour.code) ?? colour
        const partOf = (own: Mould, components: Component[]): Part => ({
          code: own.code,
          name: own.name,
          mould: own.code,
          colours: [colour.code, second.code],
          print: null,
          year: null,
          photo: null,
          components,
        })
        const pieces = plainPieces(mould, moulds)
        const part = partOf(
          mould,
          pieces.map(({ slot, mould: own }) => ({ slot, part: own.code, level: 1 })),
        )
        const parts = [part, ...pieces.map(({ mould: own }) => partOf(own, []))]
        const catalogue = catalogueOf({ colours, moulds, prints: [], parts })
        return { colour, catalogue, worn: wornAlone(part, catalogue) }
      }),
    [mould, moulds, three, colours],
  )
  return (
    <li>
      <div className="flex">
        {drawn.map(({ colour, catalogue, worn }) => (
          <Figure
            key={colour.code}
            placements={worn}
            from={catalogue}
            view={view}
            {...(worn[0] ? { crop: worn[0].slot } : {})}
            plinth={false}
            label={`${mould.name} in ${colour.name}, ${view}`}
            className="h-[92px] min-w-0 flex-1"
          />
        ))}
      </div>
      <p className="truncate text-center text-[13px]">
        <Link to={`/catalogue/moulds/${mould.code}`} className="font-semibold hover:text-act hover:underline">
          {mould.name}
        </Link>{' '}
        <span className="text-soft">{mould.code}</span>
      </p>
    </li>
  )
}
