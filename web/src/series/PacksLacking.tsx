import { Link } from 'react-router'
import { errorText } from '../data/api.ts'
import { seriesApi } from '../data/seriesApi.ts'
import { counted } from '../ui/counted.ts'
import { ErrorNote } from '../ui/Notes.tsx'

/** Parts shown before it is only counted. */
const FIRST = 12

/** What the drawer lacks to fill all packs, and the way to buy it. */
export function PacksLacking({ roster, kept }: { roster: string; kept: boolean }) {
  const { currentData, error, refetch } = seriesApi.endpoints.packsLack.useQuery(roster, { skip: !kept })
  if (error) return <ErrorNote onRetry={() => void refetch()}>{errorText(error)}</ErrorNote>
  const parts = currentData?.parts
  const pieces = parts?.reduce((sum, { qty }) => sum + qty, 0) ?? 0
  return (
    <section aria-labelledby="lacking" className="mt-5">
      <h2 id="lacking" className="text-xl">
        What is lacking to fill them
      </h2>
      {!parts ? (
        <p role="status" className="text-soft">
          Counting…
        </p>
      ) : parts.length === 0 ? (
        <p className="text-soft">Nothing: the drawer has all of it, as if all of it were for these packs.</p>
      ) : (
        <>
          <p className="text-soft">
            {counted(pieces, 'piece')} of {counted(parts.length, 'part')}, as if the whole drawer were for these packs.{' '}
            <Link to={`/rosters/${roster}/series/buying`} className="font-semibold text-act hover:underline">
              Plan the buying
            </Link>
          </p>
          <ul className="mt-1 columns-1 gap-6 text-[14px] md:columns-2">
            {parts.slice(0, FIRST).map(({ part, name, colour, qty, forWhat }) => (
              <li key={part} className="break-inside-avoid border-t border-rule py-1">
                <span className="font-semibold tabular-nums">{qty} ×</span>{' '}
                <Link to={`/parts/${encodeURIComponent(part)}`} className="hover:text-act hover:underline">
                  {name}
                </Link>{' '}
                <span className="text-soft">
                  {colour} ·{' '}
                  {forWhat.length > 3
                    ? `${forWhat.slice(0, 3).join(', ')} and ${forWhat.length - 3} more`
                    : forWhat.join(', ')}
                </span>
              </li>
            ))}
          </ul>
          {parts.length > FIRST && <p className="text-soft">And {counted(parts.length - FIRST, 'more part')}.</p>}
        </>
      )}
    </section>
  )
}
