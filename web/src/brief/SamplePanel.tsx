import { useMemo } from 'react'
import { type Brief, BRIEF_TRAITS, type Place, PLACE_FACTS } from '@outfit/core/brief'
import { mainColour, type Catalogue, type Colour, type Placement } from '@outfit/core/catalogue'
import { paletteOf } from '@outfit/core/starter'
import { nearestColours, type NearColour } from '@outfit/core/colour'
import { api } from '../data/api.ts'
import { Button } from '../ui/Button.tsx'
import { Swatch } from '../ui/Swatch.tsx'

/** A colour wish a sample can be handed to. */
export interface ColourTarget {
  place: Place
  trait: string
}

/** Every colour that can be wished for, in words: "Headgear: colour", "Head: skin". */
const COLOUR_TARGETS = BRIEF_TRAITS.filter(({ kind }) => kind === 'colour')
  .flatMap(({ key, label, places }) =>
    places.map((place) => ({ place, trait: key, words: `${PLACE_FACTS[place].label}: ${label}` })),
  )
  .sort((a, b) => Object.keys(PLACE_FACTS).indexOf(a.place) - Object.keys(PLACE_FACTS).indexOf(b.place))

interface SamplePanelProps {
  sample: string
  target: ColourTarget
  onTarget: (target: ColourTarget) => void
  onHand: (hex: string) => void
  onDone: () => void
  worn: readonly Placement[]
  brief: Brief
  catalogue: Catalogue
}

/** A colour in the hand: what of the palette is near, what of it was ever made for the mould in question, and who gets it. */
export function SamplePanel({ sample, target, onTarget, onHand, onDone, worn, brief, catalogue }: SamplePanelProps) {
  const nearest = useMemo(() => nearestColours(sample, paletteOf(catalogue)).slice(0, 4), [sample, catalogue])
  const { moulds, colours, isFetching } = useMadeIn(target.place, worn, brief, catalogue)
  const made = useMemo(() => nearestColours(sample, colours).slice(0, 4), [sample, colours])
  const key = `${target.place} ${target.trait}`
  return (
    <section aria-label="Sampled colour" className="rounded-[12px] border border-act bg-card px-3 py-2">
      <div className="flex items-center gap-2">
        <span
          aria-hidden
          className="size-8 shrink-0 rounded-[8px] border border-ink/60"
          style={{ background: sample }}
        />
        <code className="font-sans text-[13px] tabular-nums">{sample.toUpperCase()}</code>
        <label className="ml-auto flex items-center gap-1.5 text-[13px]">
          for
          <select
            value={key}
            onChange={({ target: { value } }) => {
              const [place, trait] = value.split(' ') as [Place, string]
              onTarget({ place, trait })
            }}
            className="rounded-[8px] border border-rule bg-paper px-1 py-1 font-semibold"
          >
            {COLOUR_TARGETS.map(({ place, trait, words }) => (
              <option key={`${place} ${trait}`} value={`${place} ${trait}`}>
                {words}
              </option>
            ))}
          </select>
        </label>
        <Button className="px-3 py-1" onClick={() => onHand(sample)}>
          Wish for it
        </Button>
        <Button look="plain" className="px-2 py-1" onClick={onDone}>
          Done
        </Button>
      </div>
      <dl className="mt-1.5 grid grid-cols-[104px_1fr] items-start gap-y-1 text-[13px]">
        <dt className="pt-0.5 text-soft">In the palette</dt>
        <dd>
          <Near list={nearest} onHand={onHand} />
        </dd>
        <dt className="pt-0.5 text-soft">Made so far</dt>
        <dd>
          {made.length > 0 ? (
            <Near list={made} onHand={onHand} />
          ) : (
            <span className="text-soft">{isFetching ? 'Looking…' : 'nothing'}</span>
          )}
          <span className="text-soft">{moulds.length > 0 && ` ${moulds.join(' or ')} comes in these`}</span>
        </dd>
      </dl>
    </section>
  )
}

function Near({ list, onHand }: { list: readonly NearColour<Colour>[]; onHand: (hex: string) => void }) {
  return (
    <ul className="flex flex-wrap gap-1">
      {list.map(({ colour, deltaE, words }) => (
        <li key={colour.code}>
          <button
            type="button"
            title={`${words}: wish for ${colour.name} instead`}
            onClick={() => onHand(colour.hex)}
            className="flex items-center gap-1 rounded-full border border-rule bg-paper px-2 py-0.5 hover:border-act"
          >
            <Swatch colour={colour} size={11} /> {colour.name}
            <span className="text-soft tabular-nums">ΔE {deltaE.toFixed(1)}</span>
          </button>
        </li>
      ))}
    </ul>
  )
}

/** The colours the mould in question was made in: the one wished for, else the one worn, else any that fits there. */
function useMadeIn(place: Place, worn: readonly Placement[], brief: Brief, catalogue: Catalogue) {
  const { slots } = PLACE_FACTS[place]
  const { data, isFetching } = api.endpoints.candidates.useQuery(slots[0]!)
  return useMemo(() => {
    const wished = brief.wishes.find((wish) => wish.place === place && wish.trait === 'shape')?.target
    const wornMoulds = worn
      .filter(({ slot }) => slots.includes(slot))
      .flatMap(({ part }) => catalogue.parts.get(part)?.mould ?? [])
    const codes = new Set(wished ? [wished] : wornMoulds)
    const parts = [...(data?.items ?? []), ...(data?.parts ?? [])].map(({ part }) => part)
    const fitting = parts.filter(({ mould }) => codes.has(mould))
    const all = fitting.length > 0 ? fitting : (data?.items ?? []).map(({ part }) => part)
    const colours = new Map(
      all.flatMap((part) => {
        const colour = mainColour(catalogue, part)
        return colour ? [[colour.code, colour] as const] : []
      }),
    )
    return {
      colours: [...colours.values()],
      moulds: fitting.length > 0 ? [...codes].map((code) => catalogue.moulds.get(code)?.name ?? code) : [],
      isFetching,
    }
  }, [data, place, slots, worn, brief, catalogue, isFetching])
}
