import { Link } from 'react-router'
import { partLabel, type Catalogue } from '@outfit/core/catalogue'
import { homeMoney } from '@outfit/core/market'
import type { Refill } from '@outfit/core/uses'
import { useKnownCatalogue } from '../data/useKnownCatalogue.ts'
import { usesApi } from '../data/usesApi.ts'
import { BeforeAfter } from './BeforeAfter.tsx'

/** Figures that stand together and have the part: what could take its place once it is taken off them. */
export function Refilled({ part }: { part: string }) {
  const { currentData: data } = usesApi.endpoints.refills.useQuery(part)
  const catalogue = useKnownCatalogue(data)
  if (!data || !catalogue || data.refills.length === 0) return null
  return (
    <section aria-label="Taken off a figure" className="mt-6 border-t border-rule pt-4">
      <h2 className="text-xl">Taken off a figure that stands together</h2>
      <p className="text-soft">
        It need not stay without: the same again, the cheapest there is, or what lies loose and looks like it.
      </p>
      <ul className="mt-3 grid gap-3 lg:grid-cols-2">
        {data.refills.map((refill) => (
          <OneRefill key={refill.donor.code} part={part} refill={refill} catalogue={catalogue} />
        ))}
      </ul>
    </section>
  )
}

function OneRefill({ part, refill, catalogue }: { part: string; refill: Refill; catalogue: Catalogue }) {
  const { donor, slot, worn, again, cheapest, loose } = refill
  const label = (code: string) => {
    const known = catalogue.parts.get(code)
    return known ? partLabel(catalogue, known) : code
  }
  const instead = loose ?? cheapest?.part ?? null
  const after = worn.flatMap((placement) =>
    placement.part !== part || placement.slot !== slot
      ? [placement]
      : instead === null
        ? []
        : [{ ...placement, part: instead }],
  )
  return (
    <li className="flex flex-wrap gap-4 rounded-[10px] border border-rule bg-card p-3">
      <BeforeAfter worn={worn} placements={after} catalogue={catalogue} />
      <div className="min-w-[180px] flex-1">
        <h3 className="text-lg leading-tight">
          <Link to={`/drawer/bins/${donor.code}`} className="hover:text-act hover:underline">
            {donor.name}
          </Link>
        </h3>
        <dl className="mt-1 grid grid-cols-[76px_1fr] text-[13.5px] leading-snug [&_dt]:text-soft">
          <dt>loose</dt>
          <dd>{loose === null ? 'nothing of its kind lies loose that counts for nobody' : label(loose)}</dd>
          <dt>cheapest</dt>
          <dd>
            {cheapest === null ? (
              'nobody sells one'
            ) : (
              <>
                {label(cheapest.part)}, from {homeMoney(cheapest.price)}
              </>
            )}
          </dd>
          <dt>the same</dt>
          <dd>{again === null ? 'nobody sells it' : `again from ${homeMoney(again)}`}</dd>
        </dl>
      </div>
    </li>
  )
}
