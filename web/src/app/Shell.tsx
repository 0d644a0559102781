import { NavLink, Outlet, useLocation, useMatch, useNavigate } from 'react-router'
import { useHotkeys } from 'react-hotkeys-hook'
import { Search, Settings } from 'lucide-react'
import { lazy, Suspense, useEffect, useRef, useState } from 'react'
import { Toaster } from 'sonner'
import { SampleBar } from '../sample/SampleBar.tsx'
import { api } from '../data/api.ts'
import { useSingleKeys } from '../data/singleKeys.ts'
import { SaveNote } from '../bench/SaveNote.tsx'
import { useEarlyKeys } from '../head/useEarlyKeys.ts'
import { lastOutfit } from '../head/lately.ts'
import { PhoneBar } from '../head/PhoneBar.tsx'
import { ROOMS, SETTINGS, stepsOf } from '../head/rooms.ts'
import { usePhone } from '../ui/usePhone.ts'
import { useLeftMessages } from './useLeftMessages.ts'
import { useTitle } from './useTitle.ts'
import { useViewTop } from './useViewTop.ts'
import { LaterNews, WishNews } from './WishNews.tsx'

const PriceNews = lazy(async () => ({ default: (await import('./PriceNews.tsx')).PriceNews }))
const OutfitSteps = lazy(() => import('../head/OutfitSteps.tsx'))
const loadPalette = () => import('../head/Palette.tsx')
const Palette = lazy(loadPalette)
const KeysDialog = lazy(async () => ({ default: (await import('./KeysDialog.tsx')).KeysDialog }))

const room = (isActive: boolean) =>
  `pb-1 border-b-2 ${isActive ? 'border-[#d9573f] font-bold text-ink' : 'border-transparent text-soft hover:text-ink'}`

/** The frame of every view: rooms, where one is, whether all is saved. */
export function Shell() {
  api.endpoints.basics.useQuery()
  const [keysShown, showKeys] = useState(false)
  const [finding, find] = useState(false)
  const singleKeys = useSingleKeys()
  const navigate = useNavigate()
  const shell = useRef<HTMLDivElement>(null)
  useTitle(shell)
  const { pathname, search } = useLocation()
  useLeftMessages(pathname)
  const main = useRef<HTMLElement>(null)
  const onScroll = useViewTop(main)
  const here = useMatch('/outfits/:outfit/*')?.params.outfit
  // Letters of steps lead back to the outfit that was open last; where there is none they lead nowhere.
  const outfit = here ?? lastOutfit()
  const rooms = [...ROOMS, SETTINGS, ...(outfit ? stepsOf(outfit, here ? search : '') : [])]
  // There at once when it is asked for: who presses Ctrl K types on.
  useEffect(() => {
    // Where the server is away just then, it is asked for again when it is needed.
    const timer = setTimeout(() => void loadPalette().catch(() => undefined), 1500)
    return () => clearTimeout(timer)
  }, [])
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
  const early = useEarlyKeys()
  const ask = () => {
    early.ask()
    find(true)
  }
  useHotkeys('mod+k', ask, { preventDefault: true, enableOnFormTags: true, enableOnContentEditable: true })
  const phone = usePhone()
  const news = (
    <>
      <WishNews />
      <LaterNews />
      <Suspense>
        <PriceNews />
      </Suspense>
    </>
  )
  return (
    <div ref={shell} className="flex h-full flex-col">
      <a href="#main" className="sr-only focus:not-sr-only">
        Skip to the view
      </a>
      <header className="shrink-0">
        {phone ? (
          <div className="flex justify-end px-2">
            <SaveNote quiet />
          </div>
        ) : (
          <div className="flex h-[52px] items-center gap-3 border-b border-rule px-3 sm:gap-4 sm:px-5">
            <NavLink
              to="/"
              className="font-head text-[22px] font-extrabold tracking-tight"
              aria-label="Outfit, to the rosters"
            >
              out<span className="text-problem">·</span>fit
            </NavLink>
            <nav aria-label="Rooms" className="flex h-full min-w-0 flex-1 items-center gap-3.5 overflow-x-auto pt-1">
              {ROOMS.map(({ name, to, areas }) => (
                <NavLink
                  key={name}
                  to={to}
                  end
                  className={({ isActive }) =>
                    room(
                      isActive || [...(to === '/' ? [] : [to]), ...areas].some((start) => pathname.startsWith(start)),
                    )
                  }
                >
                  {name}
                </NavLink>
              ))}
            </nav>
            <div className="flex shrink-0 items-center gap-2">
              {news}
              <SaveNote />
              <button
                type="button"
                onClick={ask}
                className="flex items-center gap-1.5 rounded-full border border-rule bg-card px-2.5 py-1 whitespace-nowrap text-soft hover:text-ink"
                aria-keyshortcuts="Control+K Meta+K"
              >
                <Search aria-hidden className="size-4" />
                <span className="sr-only sm:not-sr-only">Find anything</span>
                <kbd className="hidden font-sans text-[12px] md:inline">Ctrl K</kbd>
              </button>
              <NavLink
                to="/settings"
                className={({ isActive }) =>
                  `rounded-full border bg-card p-1.5 hover:text-ink ${isActive ? 'border-act text-ink' : 'border-rule text-soft'}`
                }
                aria-label="Settings"
                title="Settings"
              >
                <Settings aria-hidden className="size-4" />
              </NavLink>
              <button
                type="button"
                onClick={() => showKeys(true)}
                className="rounded-full border border-rule bg-card px-2.5 py-1 text-soft hover:text-ink"
                aria-label="Keys and words"
                title="Keys and words"
              >
                ?
              </button>
            </div>
          </div>
        )}
        <SampleBar />
        {here && (
          <Suspense fallback={<div className="h-9 shrink-0 border-b border-rule bg-band" />}>
            <OutfitSteps id={here} />
          </Suspense>
        )}
      </header>
      {/* What is hidden from sight lies within it, or the page would grow by where that lay instead. */}
      <main ref={main} onScroll={onScroll} id="main" className="relative min-h-0 flex-1 overflow-auto">
        <Outlet />
      </main>
      {phone && <PhoneBar onFind={ask} onKeys={() => showKeys(true)} news={news} />}
      {/* In the head's line, so that nothing one works with is covered; on a phone above the rooms. */}
      <Toaster
        position={phone ? 'bottom-center' : 'top-center'}
        offset={5}
        mobileOffset={{ bottom: 64, left: 8, right: 8 }}
        toastOptions={{ className: '!bg-ink !text-paper !border-ink !font-sans !min-h-[42px] !py-1.5 !shadow-md' }}
      />
      {finding && (
        <Suspense>
          <Palette
            outfit={here ?? null}
            typed={early.typed}
            onLeave={() => find(false)}
            onKeys={() => {
              find(false)
              showKeys(true)
            }}
          />
        </Suspense>
      )}
      {keysShown && (
        <Suspense>
          <KeysDialog open onOpenChange={showKeys} />
        </Suspense>
      )}
    </div>
  )
}
