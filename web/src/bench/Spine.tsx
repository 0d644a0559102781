import { useEffect, useMemo, useRef } from 'react'
import { SLOT_FACTS, SPINE } from '@outfit/core/anatomy'
import { mainColour, partWorn, piecesWorn, type Catalogue, type Placement, type Slot } from '@outfit/core/catalogue'
import type { Pin } from '@outfit/core/fitting'
import { isCopy } from '@outfit/core/drawer'
import { homeMoney } from '@outfit/core/market'
import { costToFinish, type SoldWhole } from '@outfit/core/prices'
import { PinMark } from '../ui/PinMark.tsx'
import { Swatch } from '../ui/Swatch.tsx'
import { lookOf } from './lookOf.ts'

interface SpineProps {
  placements: readonly Placement[]
  catalogue: Catalogue
  pins: readonly Pin[]
  row: string
  onRow: (row: string) => void
  /** Where a placed part comes from: null when the drawer gives it, else its lowest price if one is known. */
  priceOf: (part: string) => number | null | undefined
  /** What is sold as one and brings something that is worn. */
  wholes: readonly SoldWhole[]
  isOwned: (placement: Placement) => boolean
  /** What is on the way in a parcel. */
  isComing: (placement: Placement) => boolean
}

/** The tape measure from crown to sole, one mark a row of slots. */
export function Spine({ placements, catalogue, pins, row, onRow, priceOf, wholes, isOwned, isComing }: SpineProps) {
  const picked = useRef<HTMLButtonElement>(null)
  useEffect(() => void picked.current?.scrollIntoView({ block: 'nearest', inline: 'center' }), [row])
  const stateOf = (worn: readonly Placement[]) => {
    if (worn.length === 0) return ''
    if (worn.every(isCopy)) return 'by others'
    const missing = worn.filter((p) => !isOwned(p))
    if (missing.length === 0 && worn.some(isComing)) return 'on the way'
    if (missing.length === 0) return worn.length > 1 ? 'all owned' : 'owned'
    const prices = missing.map((p) => priceOf(p.part))
    if (prices.some((price) => price === undefined)) return `${missing.length} to buy`
    const { money, unsold } = costToFinish(
      missing.map(({ part }) => part),
      priceOf,
      wholes,
    )
    if (unsold > 0) return 'not for sale'
    return `${prices.includes(null) ? 'as one, from' : 'from'} ${homeMoney(money)}`
  }
  const seen = useMemo(() => piecesWorn(placements, catalogue), [placements, catalogue])
  /** What fills a row though it is worn in another: a pair nobody has told the pieces of, a torso with arms. */
  const along = (slots: readonly Slot[]): string | null => {
    const piece = seen.find((one) => slots.includes(one.slot))
    const whole = piece && catalogue.parts.get(piece.placement.part)
    return whole ? `of ${whole.name}` : null
  }
  return (
    <nav
      aria-label="Slots"
      className="tape-marks h-full overflow-y-auto border-r border-rule pl-[34px] phone:order-2 phone:h-auto phone:shrink-0 phone:overflow-x-auto phone:border-y phone:border-r-0 phone:bg-none phone:bg-band phone:pl-0"
    >
      <ul className="phone:flex">
        {SPINE.map(({ key, label, slots }) => {
          const worn = placements
            .filter((p) => slots.includes(p.slot))
            // Of a hat over hair the hat is what one sees first.
            .sort(
              (a, b) =>
                slots.indexOf(a.slot) - slots.indexOf(b.slot) ||
                (SLOT_FACTS[a.slot].layered ? b.order - a.order : a.order - b.order),
            )
          const part = worn[0] && partWorn(worn[0], catalogue)
          const looks = new Set(
            worn
              .filter((p) => p.slot !== 'hips' || worn.length === 1)
              .map((p) => p.made?.name ?? lookOf(catalogue, p.part)),
          )
          const stuck = pins.filter((pin) => pin.slots.some((slot) => slots.includes(slot)))
          return (
            <li key={key}>
              <button
                type="button"
                ref={key === row ? picked : undefined}
                aria-current={key === row ? 'true' : undefined}
                onClick={() => onRow(key)}
                className={`block h-[46px] w-full border-l-[3px] leading-tight pr-3 pl-2.5 text-left phone:h-[52px] phone:w-[128px] phone:border-b-[3px] phone:border-l-0 phone:px-2 ${key === row ? 'border-act bg-card' : 'border-transparent hover:bg-card/60'}`}
              >
                <span className="flex items-center gap-1.5 text-[13px] text-soft">
                  {label}
                  <span className="ml-auto phone:hidden">{stateOf(worn)}</span>
                  {stuck.map((pin) => (
                    <PinMark key={pin.rule + pin.slots.join()} severity={pin.severity} />
                  ))}
                </span>
                {part ? (
                  <span className="flex items-center gap-1.5 font-semibold">
                    <Swatch colour={mainColour(catalogue, part)} />
                    <span className="truncate">{worn[0]?.made?.name ?? lookOf(catalogue, part.code)}</span>
                    {worn.some(({ altered }) => altered) && (
                      <span className="shrink-0 text-[13px] font-normal text-soft italic">altered</span>
                    )}
                    {looks.size > 1 && (
                      <span className="shrink-0 text-[13px] font-normal text-soft">+ {looks.size - 1}</span>
                    )}
                  </span>
                ) : (
                  <span className="block truncate text-soft">{along(slots) ?? 'nothing'}</span>
                )}
              </button>
            </li>
          )
        })}
      </ul>
    </nav>
  )
}
