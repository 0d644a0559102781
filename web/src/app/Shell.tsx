import { NavLink, Outlet, useLocation, useMatch, useNavigate } from 'react-router'
import { useHotkeys } from 'react-hotkeys-hook'
import { Archive } from 'lucide-react'
import { lazy, Suspense, useState } from 'react'
import { Toaster } from 'sonner'
import { api } from '../data/api.ts'
import { lastOutfit } from '../data/lastOutfit.ts'
import { useSingleKeys } from '../data/singleKeys.ts'
import { SaveNote } from '../bench/SaveNote.tsx'
import { Trail } from './Trail.tsx'
import { LaterNews, WishNews } from './WishNews.tsx'

const PriceNews = lazy(async () => ({ default: (await import('./PriceNews.tsx')).PriceNews }))
const KeysDialog = lazy(async () => ({ default: (await import('./KeysDialog.tsx')).KeysDialog }))

const room = (isActive: boolean) =>
  `pb-1 border-b-2 ${isActive ? 'border-[#d9573f] font-bold text-ink' : 'border-transparent text-soft hover:text-ink'}`

/** Addresses that belong to a room besides its own. */
const AREAS: Record<string, readonly string[]> = {
  Rosters: ['/rosters'],
  Market: ['/market', '/prices'],
  Parcels: ['/parcels'],
  Drawer: ['/drawer'],
  Parts: ['/parts', '/moulds', '/catalogue', '/packs', '/tables', '/bring-in'],
}

/** The frame of every view: rooms, where one is, whether all is saved. */
export function Shell() {
  api.endpoints.basics.useQuery()
  const { data } = api.endpoints.shelves.useQuery()
  const [keysShown, showKeys] = useState(false)
  const [singleKeys] = useSingleKeys()
  const navigate = useNavigate()
  const { pathname, search } = useLocation()
  const here = useMatch('/outfits/:outfit/*')?.params.outfit
  const known = data?.rosters.flatMap((roster) => roster.outfits) ?? []
  const remembered = lastOutfit()
  const outfit = here ?? known.find(({ id }) => id === remembered)?.id ?? known[0]?.id
  // The rooms of an outfit stay with the take that is looked at.
  const take = here ? search : ''
  const rooms = [
    { key: 'r', name: 'Rosters', to: '/' },
    ...(outfit
      ? [
          { key: 'i', name: 'Brief', to: `/outfits/${outfit}/brief${take}` },
          { key: 'b', name: 'Bench', to: `/outfits/${outfit}/bench${take}` },
          { key: 'a', name: 'Casting', to: `/outfits/${outfit}/casting${take}` },
          { key: 't', name: 'Takes', to: `/outfits/${outfit}/takes${take}` },
          { key: 'w', name: 'Workbench', to: `/outfits/${outfit}/workbench` },
          { key: 's', name: 'Sourcing', to: `/outfits/${outfit}/sourcing${take}` },
          { key: 'c', name: 'Card', to: `/outfits/${outfit}/card${take}` },
        ]
      : []),
    { key: 'm', name: 'Market', to: '/market' },
    { key: 'o', name: 'Parcels', to: '/parcels' },
    { key: 'd', name: 'Drawer', to: '/drawer' },
    { key: 'p', name: 'Parts', to: '/parts' },
    { key: 'l', name: 'Later', to: '/later' },
  ]
  const go = (key: string) => {
    const found = rooms.find((r) => r.key === key)
    if (found) void navigate(found.to)
  }
  useHotkeys(
    rooms.map(({ key }) => `g>${key}`),
    (_event, { keys }) => go(keys?.at(-1) ?? ''),
    { enabled: singleKeys, sequenceTimeoutMs: 1200 },
    [rooms],
  )
  useHotkeys('?', () => showKeys(true), { enabled: singleKeys, useKey: true })
  return (
    <div className="flex h-full flex-col">
      <a href="#main" className="sr-only focus:not-sr-only">
        Skip to the view
      </a>
      <header className="flex h-[52px] shrink-0 items-center gap-3 overflow-x-auto border-b border-rule px-3 sm:gap-4 sm:px-5">
        <NavLink
          to="/"
          className="font-head text-[22px] font-extrabold tracking-tight"
          aria-label="Outfit, to the rosters"
        >
          out<span className="text-problem">·</span>fit
        </NavLink>
        <nav aria-label="Rooms" className="flex gap-3.5 pt-1">
          {rooms.map(({ name, to }) => (
            <NavLink
              key={name}
              to={to}
              end
              className={({ isActive }) =>
                room(isActive || (AREAS[name]?.some((start) => pathname.startsWith(start)) ?? false))
              }
            >
              {name}
            </NavLink>
          ))}
        </nav>
        <div className="ml-auto flex min-w-0 items-center gap-2">
          <Trail />
          <WishNews />
          <LaterNews />
          <Suspense>
            <PriceNews />
          </Suspense>
          <SaveNote />
          <NavLink
            to="/copies"
            className={({ isActive }) =>
              `rounded-full border bg-card p-1.5 hover:text-ink ${isActive ? 'border-act text-ink' : 'border-rule text-soft'}`
            }
            aria-label="Copies of everything"
            title="Copies of everything"
          >
            <Archive aria-hidden className="size-4" />
          </NavLink>
          <button
            type="button"
            onClick={() => showKeys(true)}
            className="rounded-full border border-rule bg-card px-2.5 py-1 text-soft hover:text-ink"
            aria-label="All keys"
          >
            ?
          </button>
        </div>
      </header>
      <main id="main" className="min-h-0 flex-1 overflow-auto">
        <Outlet />
      </main>
      <Toaster
        position="bottom-center"
        offset={104}
        toastOptions={{ className: '!bg-ink !text-paper !border-ink !font-sans' }}
      />
      {keysShown && (
        <Suspense>
          <KeysDialog open onOpenChange={showKeys} />
        </Suspense>
      )}
    </div>
  )
}
