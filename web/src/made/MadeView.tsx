import { Plus } from 'lucide-react'
import { Link } from 'react-router'
import { errorText } from '../data/api.ts'
import { madeApi } from '../data/madeApi.ts'
import { useKnownCatalogue } from '../data/useKnownCatalogue.ts'
import { counted } from '../ui/counted.ts'
import { EmptyNote, ErrorNote, Waiting } from '../ui/Notes.tsx'
import { MadePicture } from './MadePicture.tsx'
import { madeOfInWords, WORN_AS } from './words.ts'

const begin =
  'inline-flex items-center gap-1.5 rounded-[10px] border border-act bg-act px-3 py-1.5 font-semibold text-act-ink hover:brightness-110'

/** All that is made of several parts. */
export function MadeView() {
  const { data, error, refetch } = madeApi.endpoints.made.useQuery()
  const catalogue = useKnownCatalogue(data)
  if (error) return <ErrorNote onRetry={() => void refetch()}>{errorText(error)}</ErrorNote>
  if (!data || !catalogue) return <Waiting>Fetching what is made…</Waiting>
  return (
    <div className="mx-auto max-w-[1180px] px-5 py-5 phone:px-3">
      <div className="flex items-center gap-3">
        <h1 className="text-2xl">Made items</h1>
        <Link to="/made/new" className={`${begin} ml-auto`}>
          <Plus aria-hidden className="size-4" /> Make one
        </Link>
      </div>
      <p className="text-soft">
        Staffs, bows, carts and bodies put together of several parts. They are worn like one part, and count as their
        pieces wherever something is owned, dealt out or bought.
      </p>
      {data.items.length === 0 ? (
        <EmptyNote title="Nothing is made yet">
          Lay two or three parts on the board, where a hand would hold them:{' '}
          <Link to="/made/new" className="font-semibold text-act underline">
            make the first one
          </Link>
          . It can then be put on from the tray of any outfit.
        </EmptyNote>
      ) : (
        <ul className="mt-4 grid grid-cols-[repeat(auto-fill,minmax(250px,1fr))] gap-3">
          {data.items.map((item) => (
            <li key={item.id}>
              <Link
                to={`/made/${item.id}`}
                className="block h-full rounded-[12px] border border-rule bg-card p-3 hover:border-act"
              >
                <MadePicture item={item} catalogue={catalogue} label="" className="mx-auto h-[190px] w-full" />
                <span className="mt-2 block font-semibold">{item.name}</span>
                <span className="block text-[13px] text-soft">{WORN_AS[item.as]}</span>
                <span className="mt-1 block text-[13px]">{madeOfInWords(item.pieces, catalogue)}</span>
                <span className="mt-1 block text-[13px] text-soft">
                  {item.wornBy.length === 0 ? 'Nobody wears it' : `Worn by ${counted(item.wornBy.length, 'outfit')}`}
                  {item.credit && ` · idea: ${item.credit}`}
                </span>
              </Link>
            </li>
          ))}
        </ul>
      )}
    </div>
  )
}
