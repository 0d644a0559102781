import { CircleHelp, ClipboardList, Ellipsis, PackageOpen, Search, Settings, Users } from 'lucide-react'
import { Dialog } from 'radix-ui'
import { useState, type ReactNode } from 'react'
import { NavLink, useLocation } from 'react-router'
import { ROOMS, SETTINGS } from './rooms.ts'

/** Rooms one needs away from the desk, under the thumb; the others are behind the last of them. */
const NEAR = [
  ['/', Users],
  ['/drawer', PackageOpen],
  ['/later', ClipboardList],
] as const

const place = (isActive: boolean) =>
  `flex h-full min-w-14 flex-1 flex-col items-center justify-center gap-0.5 border-t-2 text-[12.5px] ${isActive ? 'border-[#d9573f] font-bold text-ink' : 'border-transparent text-soft'}`

interface PhoneBarProps {
  onFind: () => void
  onKeys: () => void
  /** What has happened since one looked last. */
  news: ReactNode
}

/** The rooms on a phone, in place of the head. */
export function PhoneBar({ onFind, onKeys, news }: PhoneBarProps) {
  const [open, setOpen] = useState(false)
  const { pathname } = useLocation()
  const isIn = ({ to, areas }: (typeof ROOMS)[number]) =>
    to === pathname || [...(to === '/' ? [] : [to]), ...areas].some((start) => pathname.startsWith(start))
  const near = NEAR.map(([to, Icon]) => ({ room: ROOMS.find((room) => room.to === to)!, Icon }))
  const far = ROOMS.filter((room) => !near.some((one) => one.room === room))
  const row = 'flex min-h-12 items-center gap-3 border-b border-rule px-1 text-[16px]'
  return (
    <nav
      aria-label="Rooms"
      className="flex h-14 shrink-0 items-stretch border-t border-rule bg-card pb-[env(safe-area-inset-bottom)]"
    >
      {near.map(({ room, Icon }) => (
        <NavLink key={room.to} to={room.to} end className={({ isActive }) => place(isActive || isIn(room))}>
          <Icon aria-hidden className="size-5" />
          {room.name}
        </NavLink>
      ))}
      <button type="button" onClick={onFind} className={place(false)}>
        <Search aria-hidden className="size-5" />
        Find
      </button>
      <Dialog.Root open={open} onOpenChange={setOpen}>
        <Dialog.Trigger className={place(far.some(isIn) || pathname.startsWith(SETTINGS.to))}>
          <Ellipsis aria-hidden className="size-5" />
          More
        </Dialog.Trigger>
        <Dialog.Portal>
          <Dialog.Overlay className="fixed inset-0 z-20 bg-black/40" />
          <Dialog.Content
            aria-describedby={undefined}
            className="fixed inset-x-0 bottom-0 z-30 max-h-[80dvh] overflow-y-auto rounded-t-[14px] border-t border-rule bg-card px-4 pt-3 pb-6"
          >
            <Dialog.Title className="text-xl">Where to</Dialog.Title>
            <div className="mt-2 flex flex-wrap gap-2" onClick={() => setOpen(false)}>
              {news}
            </div>
            <ul className="mt-2" onClick={() => setOpen(false)}>
              {far.map(({ name, to }) => (
                <li key={to}>
                  <NavLink to={to} className={row}>
                    {name}
                  </NavLink>
                </li>
              ))}
              <li>
                <NavLink to={SETTINGS.to} className={row}>
                  <Settings aria-hidden className="size-5" />
                  {SETTINGS.name}
                </NavLink>
              </li>
              <li>
                <button type="button" onClick={onKeys} className={`${row} w-full`}>
                  <CircleHelp aria-hidden className="size-5" />
                  Keys and words
                </button>
              </li>
            </ul>
          </Dialog.Content>
        </Dialog.Portal>
      </Dialog.Root>
    </nav>
  )
}
