import { judgesByPlace, judgesOf, likenessOfPart, placeOf } from '@outfit/core/brief'
import { mainColour, type Catalogue, type Placement } from '@outfit/core/catalogue'
import { isCopy } from '@outfit/core/drawer'
import { missingFrom } from '@outfit/core/allotment'
import { houseRulesFor } from '@outfit/core/fitting'
import { homeMoney } from '@outfit/core/market'
import { lowestSum, wholesWanted } from '@outfit/core/prices'
import { compareTakes, type ComparedRow, type OutfitDetail } from '@outfit/core/roster'
import { useAppSelector } from '../data/hooks.ts'
import { lookOf } from '../bench/lookOf.ts'
import { PinMark } from '../ui/PinMark.tsx'
import { Swatch } from '../ui/Swatch.tsx'
import type { JudgedTake } from './TakesView.tsx'

interface DifferencesProps {
  judged: readonly JudgedTake[]
  outfit: OutfitDetail
  catalogue: Catalogue
  columns: React.CSSProperties
}

/** Slot by slot what takes wear differently: part, colour, price, likeness and pins; what is alike is only counted. */
export function Differences({ judged, outfit, catalogue, columns }: DifferencesProps) {
  const rows = compareTakes(judged.map(({ take }) => take.placements))
  const differing = rows.filter(({ alike }) => !alike)
  const alike = rows.filter((row) => row.alike)
  return (
    <section aria-label="Differences" className="mt-3">
      <table className="block w-full">
        <caption className="sr-only">What the takes wear differently</caption>
        <thead className="sr-only">
          <tr>
            <th>Slot</th>
            {judged.map(({ take }) => (
              <th key={take.id}>Take {take.label}</th>
            ))}
          </tr>
        </thead>
        <tbody className="block">
          {differing.map((row) => (
            <tr key={row.key} className="grid gap-x-3 border-t border-rule py-1" style={columns}>
              <th scope="row" className="text-left font-semibold">
                {row.label}
              </th>
              {judged.map((entry, i) => (
                <td key={entry.take.id} className="px-3">
                  <Cell row={row} worn={row.worn[i]!} entry={entry} outfit={outfit} catalogue={catalogue} />
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      <p className="border-t border-rule pt-1.5 text-[13.5px] text-soft">
        {differing.length === 0
          ? 'They wear the same from crown to sole.'
          : alike.length > 0
            ? `Alike in ${alike.map(({ label }) => label.toLowerCase()).join(', ')}.`
            : 'They are alike in nothing.'}
      </p>
    </section>
  )
}

function Cell({
  row,
  worn,
  entry,
  outfit,
  catalogue,
}: {
  row: ComparedRow
  worn: readonly Placement[]
  entry: JudgedTake
  outfit: OutfitDetail
  catalogue: Catalogue
}) {
  const lowest = useAppSelector((state) => state.catalogue.lowest)
  if (worn.length === 0) return <span className="text-soft">nothing</span>
  const first = catalogue.parts.get(worn[0]!.part)
  // Legs speak for their hips.
  const seen = worn.filter(({ slot }) => slot !== 'hips' || worn.length === 1)
  const looks = new Set(seen.map(({ part }) => lookOf(catalogue, part)))
  const level = houseRulesFor(outfit).takingApart
  const missing = new Set(missingFrom(entry.take.placements, outfit.drawer, level))
  const toBuy = worn.filter((placement) => missing.has(placement))
  const wanted = toBuy.map(({ part }) => part)
  const price = lowestSum(
    wanted,
    lowest,
    wholesWanted(wanted, catalogue, (code) => lowest[code], level),
  )
  const judges = judgesByPlace(judgesOf(outfit.brief, catalogue))
  const share = first && likenessOfPart(first, placeOf(worn[0]!.slot), judges, catalogue, worn[0]!.turned).share
  const pins = entry.pins.filter((pin) => pin.slots.some((slot) => row.slots.includes(slot)))
  return (
    <span className="flex items-baseline gap-1.5">
      <span className="self-center">
        <Swatch colour={first && mainColour(catalogue, first)} />
      </span>
      <span className="min-w-0 flex-1">
        {[...looks].join(' + ')}
        {worn.some(({ turned }) => turned) && <span className="text-soft"> turned</span>}
        {pins.map((pin) => (
          <span key={pin.rule} title={`${pin.title}: ${pin.detail}`} className="ml-1.5 inline-block align-middle">
            <PinMark severity={pin.severity} size={11} />
          </span>
        ))}
      </span>
      <span className="shrink-0 text-[13px] text-soft">
        {worn.every(isCopy)
          ? 'by others'
          : toBuy.length === 0
            ? 'owned'
            : price === null
              ? 'not sold singly'
              : homeMoney(price)}
      </span>
      {share !== null && share !== undefined && (
        <strong className="w-7 shrink-0 text-right font-head text-act" title="likeness there">
          {Math.round(share * 100)}
        </strong>
      )}
    </span>
  )
}
