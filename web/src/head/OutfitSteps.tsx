import { Link, NavLink, useLocation, useSearchParams } from 'react-router'
import { Check } from 'lucide-react'
import { useEffect, useMemo, useRef } from 'react'
import { inPoints, likenessOf } from '@outfit/core/brief'
import { takeNamed } from '@outfit/core/roster'
import { api } from '../data/api.ts'
import { selectCatalogue } from '../data/catalogueSlice.ts'
import { useAppSelector } from '../data/hooks.ts'
import { outfitEntry } from './entries.ts'
import { chosen } from './lately.ts'
import { STEPS, stepsOf } from './rooms.ts'
import { stepStates } from './stepStates.ts'

/** The line below the head while an outfit is open: whose it is, and its steps in the order of the work with how far each is. */
export default function OutfitSteps({ id }: { id: string }) {
  const { currentData: outfit } = api.endpoints.outfit.useQuery(id)
  const { currentData: shelved } = api.endpoints.onShelf.useQuery(id)
  const catalogue = useAppSelector(selectCatalogue)
  const [search] = useSearchParams()
  const states = useMemo(() => {
    if (!outfit || !shelved) return null
    const known = catalogue && shelved.placements.every(({ part }) => catalogue.parts.has(part))
    const likeness =
      known && outfit.brief.wishes.length > 0 && shelved.placements.length > 0
        ? inPoints(likenessOf(shelved.placements, outfit.brief, catalogue).milli)
        : null
    return stepStates(outfit, shelved, likeness)
  }, [outfit, shelved, catalogue])
  useEffect(() => {
    if (outfit) chosen(outfitEntry(outfit.id, outfit.name, outfit.roster.name))
  }, [outfit])
  const take = search.get('take')
  const nav = useRef<HTMLElement>(null)
  const { pathname } = useLocation()
  // On a phone the steps are longer than the line.
  useEffect(() => {
    nav.current?.querySelector('[aria-current="page"]')?.scrollIntoView({ block: 'nearest', inline: 'nearest' })
  }, [pathname, states])
  const label = outfit && takeNamed(outfit.takes, take)?.label
  return (
    <div
      data-steps
      className="flex h-9 shrink-0 items-center gap-5 phone:h-11 overflow-x-auto border-b border-rule bg-band px-3 sm:px-5"
    >
      <p className="max-w-[34%] min-w-0 shrink-0 truncate">
        {outfit && (
          <>
            <Link to={`/rosters/${outfit.roster.id}`} className="text-soft hover:text-ink hover:underline">
              {outfit.roster.name}
            </Link>{' '}
            <span className="text-soft">›</span> <strong data-outfit>{outfit.name}</strong>
            {label && (
              <>
                {' '}
                <span className="text-soft">› take</span> <strong>{label}</strong>
              </>
            )}
          </>
        )}
      </p>
      <nav ref={nav} aria-label="Steps of this outfit" className="flex h-full items-stretch gap-4">
        {stepsOf(id, take ? `?take=${take}` : '').map(({ name, to }, i) => {
          const state = states?.[STEPS[i]!.path]
          return (
            <NavLink
              key={name}
              to={to}
              end
              // What is said beside a name describes the link and is no part of it.
              aria-label={name}
              {...(state?.says ? { 'aria-description': state.says, title: state.says } : {})}
              className={({ isActive }) =>
                `flex items-center gap-1 border-b-2 pt-0.5 whitespace-nowrap ${isActive ? 'border-problem font-bold text-ink' : 'border-transparent hover:text-ink'}`
              }
            >
              {name}
              {state?.says && (
                <span className="hidden items-center gap-0.5 text-[12.5px] font-normal text-soft lg:flex">
                  {state.done && <Check aria-hidden className="size-3.5 text-good" />}
                  {state.says}
                </span>
              )}
            </NavLink>
          )
        })}
      </nav>
    </div>
  )
}
