import { Link } from 'react-router'
import type { ShelfOutfit } from '@outfit/core/shelf'
import { PinMark } from '../ui/PinMark.tsx'
import { pinGroups } from '../roster/rosterFacts.ts'

/** What is amiss in a roster: each kind of pin with the outfits it sticks in, which open on the bench. */
export function RosterPins({ outfits }: { outfits: readonly ShelfOutfit[] }) {
  const groups = pinGroups(outfits)
  return (
    <section aria-labelledby="roster-pins" className="mt-8">
      <h2 id="roster-pins" className="text-xl">
        Pins
      </h2>
      {groups.length === 0 ? (
        <p className="text-soft">Nothing is amiss in this roster.</p>
      ) : (
        <ul>
          {groups.map(({ severity, title, stuck }) => (
            <li
              key={severity + title}
              className="grid grid-cols-[20px_290px_minmax(0,1fr)] items-baseline border-t border-rule py-1.5 phone:grid-cols-[20px_minmax(0,1fr)]"
            >
              <PinMark severity={severity} />
              <span className="font-semibold">{title}</span>
              <span className="flex flex-wrap gap-x-5 phone:col-start-2">
                {stuck.map(({ outfit, detail }) => (
                  <span key={outfit.id}>
                    <Link to={`/outfits/${outfit.id}/bench`} className="font-semibold text-act hover:underline">
                      {outfit.name}
                    </Link>{' '}
                    <span className="text-[13.5px] text-soft">{detail}</span>
                  </span>
                ))}
              </span>
            </li>
          ))}
        </ul>
      )}
    </section>
  )
}
