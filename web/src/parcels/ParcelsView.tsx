import { usePhone } from '../ui/usePhone.ts'
import { Link, useParams } from 'react-router'
import { homeMoney } from '@outfit/core/market'
import { type ToldParcel } from '@outfit/core/parcels'
import { errorText } from '../data/api.ts'
import { parcelsApi } from '../data/parcelsApi.ts'
import { useKnownCatalogue } from '../data/useKnownCatalogue.ts'
import { EmptyNote, ErrorNote, Waiting } from '../ui/Notes.tsx'
import { Parcel } from './Parcel.tsx'
import { ParcelsFrame } from './ParcelsFrame.tsx'
import { inOrder, standInWords } from './parcelWords.ts'

/** All orders: late ones first, and one of them opened. */
export function ParcelsView() {
  const phone = usePhone()
  const { parcel: chosen } = useParams()
  const { data, error, refetch } = parcelsApi.endpoints.parcels.useQuery()
  const catalogue = useKnownCatalogue(data)
  if (error) return <ErrorNote onRetry={() => void refetch()}>{errorText(error)}</ErrorNote>
  if (!data || !catalogue) return <Waiting>Looking who brings what…</Waiting>
  const groups = inOrder(data.parcels)
  const [first] = groups.flatMap(({ parcels }) => parcels)
  if (!first)
    return (
      <EmptyNote title="No parcels yet">
        Plan the buying of an outfit or a roster, and press “Order this parcel” on a bag.
      </EmptyNote>
    )
  const shown = chosen ? data.parcels.find(({ id }) => id === chosen) : first
  return (
    <ParcelsFrame parcels={data.parcels}>
      <div className="mt-3 flex items-start gap-6 phone:block">
        <nav
          aria-label="Parcels"
          className={`w-[300px] shrink-0 space-y-3 phone:w-full ${chosen ? 'phone:hidden' : ''}`}
        >
          {groups.map(({ title, parcels }) => (
            <section key={title}>
              <h2 className="text-lg">{title}</h2>
              <ul>
                {parcels.map((parcel) => (
                  <Row key={parcel.id} parcel={parcel} shown={parcel.id === shown?.id} />
                ))}
              </ul>
            </section>
          ))}
        </nav>
        {chosen && (
          <Link to="/parcels" className="mb-2 hidden items-center gap-1 font-semibold text-act phone:inline-flex">
            ‹ All parcels
          </Link>
        )}
        {phone && !chosen ? null : shown ? (
          <Parcel key={`${shown.id} ${shown.state}`} parcel={shown} catalogue={catalogue} />
        ) : (
          <EmptyNote title="There is no such parcel">The others are on the left.</EmptyNote>
        )}
      </div>
    </ParcelsFrame>
  )
}

function Row({ parcel, shown }: { parcel: ToldParcel; shown: boolean }) {
  return (
    <li className="border-t border-rule">
      <Link
        to={`/parcels/${parcel.id}`}
        aria-current={shown ? 'page' : undefined}
        className={`block px-2 py-1.5 ${shown ? 'bg-card outline-2 outline-act' : 'hover:bg-band'}`}
      >
        <span className="flex justify-between gap-2 font-bold">
          <span className="truncate">{parcel.seller.name}</span>
          <span>{homeMoney(parcel.home)}</span>
        </span>
        <span className={`block text-[13px] ${parcel.late > 0 ? 'font-semibold text-problem' : 'text-soft'}`}>
          {parcel.late > 0 && <span aria-hidden>▲ </span>}
          {standInWords(parcel)}
        </span>
        {parcel.roster && <span className="block text-[13px] text-soft">for {parcel.roster.name}</span>}
      </Link>
    </li>
  )
}
