import { Link, useParams } from 'react-router'
import { api, errorText } from '../data/api.ts'
import { useKnownCatalogue } from '../data/useKnownCatalogue.ts'
import { usesApi } from '../data/usesApi.ts'
import { counted } from '../ui/counted.ts'
import { EmptyNote, ErrorNote, Waiting } from '../ui/Notes.tsx'
import { Crowds, Parts } from './MineView.tsx'
import { Officials } from './Officials.tsx'

/** What a seller has new since the lists before: whom it lifts, what it goes with, whom it replaces. */
export function SellerNewsView() {
  const { seller: code = '' } = useParams()
  api.endpoints.basics.useQuery()
  const { currentData: data, error, refetch } = usesApi.endpoints.sellerNews.useQuery(code)
  const catalogue = useKnownCatalogue(data)
  if (error) return <ErrorNote onRetry={() => void refetch()}>{errorText(error)}</ErrorNote>
  if (!data || !catalogue) return <Waiting>Trying everything new on everybody…</Waiting>
  const { release, mined, crowds, asked } = data
  const fresh = mined.filter(({ owned }) => owned === 0).length
  return (
    <div className="mx-auto max-w-[1240px] px-5 py-4">
      <h1 className="text-3xl">New with {release.name}</h1>
      <p className="mt-1 text-soft">
        {mined.length > 0 &&
          `${counted(mined.length, 'part')} that no list before the newest had; ${fresh} you do not own. Tried on ${counted(asked, 'outfit')} with wishes. `}
        {data.passed > 0 && `${counted(data.passed, 'more thing')} are new and were not looked at. `}
        <Link to={`/market/sellers/${code}`} className="font-semibold text-act underline">
          All offers of {release.name}
        </Link>
      </p>
      {mined.length === 0 ? (
        <EmptyNote title="Nothing new">
          The newest list has nothing the lists before it did not have, or it is the first there is.
        </EmptyNote>
      ) : (
        <>
          <Officials data={data} catalogue={catalogue} />
          <Crowds crowds={crowds} catalogue={catalogue} isCase={false} />
          <Parts mined={mined} catalogue={catalogue} />
        </>
      )}
    </div>
  )
}
