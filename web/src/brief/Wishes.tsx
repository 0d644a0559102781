import { Plus, X } from 'lucide-react'
import { Popover } from 'radix-ui'
import { SLOT_FACTS } from '@outfit/core/anatomy'
import {
  type BriefTrait,
  type BriefWish,
  colourInWords,
  type Place,
  PLACE_FACTS,
  PLACES,
  traitNamed,
  traitsAt,
  type Weight,
  WEIGHTS,
} from '@outfit/core/brief'
import { paletteOf } from '@outfit/core/starter'
import type { Catalogue } from '@outfit/core/catalogue'

interface WishesProps {
  wishes: readonly BriefWish[]
  onChange: (wishes: BriefWish[]) => void
  catalogue: Catalogue
}

/** What a new wish for a trait begins with. */
function firstTarget(trait: BriefTrait, place: Place, catalogue: Catalogue): string {
  if (trait.kind === 'colour') return trait.key === 'skin' ? '#EBB98E' : '#24527F'
  if (trait.kind === 'mould') return mouldsAt(place, catalogue)[0]?.code ?? ''
  return trait.values[trait.kind === 'scale' ? trait.values.length - 1 : 0]!
}

/** Moulds that can be worn at a place, by name. */
function mouldsAt(place: Place, catalogue: Catalogue) {
  const kinds = new Set(PLACE_FACTS[place].slots.flatMap((slot) => SLOT_FACTS[slot].accepts))
  return [...catalogue.moulds.values()]
    .filter(({ kind }) => kinds.has(kind))
    .sort((a, b) => a.name.localeCompare(b.name))
}

const control = 'rounded-[8px] border border-rule bg-card px-1.5 py-0.5 text-[13.5px] max-w-full'

/** The wishes from crown to sole, each with its target and how much it weighs. */
export function Wishes({ wishes, onChange, catalogue }: WishesProps) {
  const set = (index: number, change: Partial<BriefWish>) =>
    onChange(wishes.map((wish, i) => (i === index ? { ...wish, ...change } : wish)))
  const add = (place: Place, key: string) => {
    const target = firstTarget(traitNamed(key), place, catalogue)
    onChange([...wishes, { place, trait: key, target, weight: 'matters' }])
  }
  return (
    <ul aria-label="Wishes" className="divide-y divide-rule">
      {PLACES.map((place) => {
        const own = wishes.map((wish, index) => ({ wish, index })).filter(({ wish }) => wish.place === place)
        const { label } = PLACE_FACTS[place]
        return (
          <li key={place} className="grid grid-cols-[104px_1fr] py-1">
            <span className={`pt-1 ${own.length > 0 ? 'font-semibold' : 'text-soft'}`}>{label}</span>
            <div>
              {own.map(({ wish, index }) => {
                const { label: words } = traitNamed(wish.trait)
                return (
                  <div
                    key={index}
                    role="group"
                    aria-label={`${label}: ${words}`}
                    className={`grid grid-cols-[128px_1fr_122px_26px] items-center gap-2 py-0.5 ${wish.weight === 'none' ? 'opacity-60' : ''}`}
                  >
                    <span className="truncate">{words}</span>
                    <Target wish={wish} catalogue={catalogue} onChange={(target) => set(index, { target })} />
                    <select
                      aria-label={`How much ${words} of ${label} matters`}
                      value={wish.weight}
                      onChange={(event) => set(index, { weight: event.target.value as Weight })}
                      className={`${control} ${wish.weight === 'must' ? 'border-problem font-bold text-problem' : ''}`}
                    >
                      {Object.entries(WEIGHTS).map(([key, { label: weight }]) => (
                        <option key={key} value={key}>
                          {weight}
                        </option>
                      ))}
                    </select>
                    <button
                      type="button"
                      aria-label={`Drop the wish for ${words} of ${label}`}
                      onClick={() => onChange(wishes.filter((_, i) => i !== index))}
                      className="rounded-full p-1.5 text-soft hover:bg-band hover:text-ink"
                    >
                      <X aria-hidden className="size-3.5" />
                    </button>
                  </div>
                )
              })}
              <AddWish place={place} taken={own.map(({ wish }) => wish.trait)} onAdd={(key) => add(place, key)} />
            </div>
          </li>
        )
      })}
    </ul>
  )
}

/** What a place can still be asked for. Several things can be held, worn round the neck or stand beside. */
function AddWish({ place, taken, onAdd }: { place: Place; taken: readonly string[]; onAdd: (trait: string) => void }) {
  const several = ['held', 'neck', 'beside'].includes(place)
  const left = traitsAt(place).filter(({ key }) => several || !taken.includes(key))
  if (left.length === 0) return null
  return (
    <Popover.Root>
      <Popover.Trigger
        aria-label={`Wish for something of ${PLACE_FACTS[place].label}`}
        className="mt-0.5 inline-flex items-center gap-1 rounded-[7px] px-1 text-[13px] font-semibold text-act hover:bg-band"
      >
        <Plus aria-hidden className="size-3.5" /> {taken.length === 0 ? 'wish' : 'more'}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="start"
          sideOffset={4}
          className="z-20 flex max-w-[320px] flex-wrap gap-1 rounded-[12px] border border-rule bg-card p-2 shadow-lg"
        >
          {left.map(({ key, label }) => (
            <Popover.Close asChild key={key}>
              <button
                type="button"
                onClick={() => onAdd(key)}
                className="rounded-full border border-rule bg-paper px-2.5 py-0.5 text-[13px] hover:border-act"
              >
                {label}
              </button>
            </Popover.Close>
          ))}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  )
}

function Target({
  wish,
  catalogue,
  onChange,
}: {
  wish: BriefWish
  catalogue: Catalogue
  onChange: (target: string) => void
}) {
  const trait = traitNamed(wish.trait)
  const name = `${PLACE_FACTS[wish.place].label}: ${trait.label}`
  if (trait.kind === 'colour')
    return <ColourTargetField value={wish.target} name={name} catalogue={catalogue} onChange={onChange} />
  const options =
    trait.kind === 'mould'
      ? mouldsAt(wish.place, catalogue).map(({ code, name: label }) => ({ code, label }))
      : [...new Set([...trait.values, wish.target])].map((value) => ({ code: value, label: value }))
  return (
    <select
      aria-label={`${name}, wished for`}
      value={wish.target}
      onChange={(event) => onChange(event.target.value)}
      className={control}
    >
      {options.map(({ code, label }) => (
        <option key={code} value={code}>
          {label}
        </option>
      ))}
    </select>
  )
}

/** A colour to wish for: the palette by families, or whatever was sampled. */
function ColourTargetField({
  value,
  name,
  catalogue,
  onChange,
}: {
  value: string
  name: string
  catalogue: Catalogue
  onChange: (hex: string) => void
}) {
  const palette = [...paletteOf(catalogue)].sort((a, b) => a.family.localeCompare(b.family))
  const words = colourInWords(value, catalogue)
  return (
    <Popover.Root>
      <Popover.Trigger
        aria-label={`${name}, wished for: ${words}`}
        className={`${control} flex items-center gap-1.5 text-left`}
      >
        <span
          aria-hidden
          className="size-3.5 shrink-0 rounded-[3px] border border-ink/60"
          style={{ background: value }}
        />
        <span className="truncate">{words}</span>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="start"
          sideOffset={4}
          className="z-20 w-[316px] rounded-[12px] border border-rule bg-card p-2.5 shadow-lg"
        >
          <ul aria-label="Palette" className="grid grid-cols-10 gap-1">
            {palette.map(({ code, hex, name: label }) => (
              <li key={code}>
                <Popover.Close asChild>
                  <button
                    type="button"
                    title={label}
                    aria-label={label}
                    onClick={() => onChange(hex)}
                    className={`block size-6 rounded-[5px] border ${hex.toLowerCase() === value.toLowerCase() ? 'border-act ring-2 ring-act' : 'border-ink/50'}`}
                    style={{ background: hex }}
                  />
                </Popover.Close>
              </li>
            ))}
          </ul>
          <p className="mt-1.5 text-[13px] text-soft">{words}. Or point at the picture and hand the sample over.</p>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  )
}
