import { formatCount } from '@outfit/core/base'
import type { ReactNode } from 'react'
import type { PartsBox } from '@outfit/core/drawer'
import type { Catalogue } from '@outfit/core/catalogue'
import { Link } from 'react-router'
import { errorText } from '../data/api.ts'
import { useKnownCatalogue } from '../data/useKnownCatalogue.ts'
import { drawerApi } from '../data/drawerApi.ts'
import { ErrorNote, Waiting } from '../ui/Notes.tsx'
import { Tabs } from '../ui/Tabs.tsx'
import { useUndoKey } from '../ui/useUndoKey.ts'
import { BringIn } from './BringIn.tsx'

const VIEWS: readonly (readonly [string, string])[] = [
  ['Parts box', '/drawer'],
  ['Can be built', '/drawer/buildable'],
  ['Who gets what', '/drawer/allotment'],
  ['Left over', '/drawer/leftovers'],
  ['History', '/drawer/history'],
]

/** The frame of every view of the drawer: where owned parts are, in numbers, and the ways to look at them. */
export function DrawerFrame({ children }: { children: (box: PartsBox, catalogue: Catalogue) => ReactNode }) {
  const { data, error, refetch } = drawerApi.endpoints.box.useQuery()
  const catalogue = useKnownCatalogue(data)
  useUndoKey()
  if (error) return <ErrorNote onRetry={() => void refetch()}>{errorText(error)}</ErrorNote>
  if (!data || !catalogue) return <Waiting>Opening the drawer…</Waiting>
  const { loose, stand, donor, lent, onTheWay, sold } = data.counts
  const facts: [number, string][] = [
    [loose, 'loose'],
    [stand, 'on built outfits'],
    [donor, 'on figures that stand together'],
    [onTheWay, 'on the way'],
    [lent, 'lent'],
    [sold, 'sold'],
  ]
  return (
    <div className="mx-auto max-w-[1400px] px-3 pt-4 pb-40 sm:px-5">
      <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
        <h1 className="text-3xl">Drawer</h1>
        <p className="w-full min-w-0 text-soft sm:w-auto sm:flex-1">
          {facts
            .filter(([count], i) => count > 0 || i === 0)
            .map(([count, words]) => (
              <span key={words} className="mr-3 inline-block">
                <strong className="text-ink">{formatCount(count)}</strong> {words}
              </span>
            ))}
        </p>
        <Link to="/bring-in" className="self-center font-semibold text-act underline">
          Bring a list in
        </Link>
        <BringIn bins={data.bins} />
      </div>
      <Tabs label="Ways to look at the drawer" views={VIEWS} />
      {children(data, catalogue)}
    </div>
  )
}
