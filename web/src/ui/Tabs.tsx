import { NavLink } from 'react-router'

/** Ways to look at one thing, each with an address. */
export function Tabs({
  label,
  views,
}: {
  label: string
  /** A view of several steps is where one is as long as any of its steps is open. */
  views: readonly (readonly [name: string, to: string, steps?: 'steps'])[]
}) {
  return (
    <nav aria-label={label} className="mt-2 flex gap-1 overflow-x-auto border-b border-rule">
      {views.map(([name, to, steps]) => (
        <NavLink
          key={name}
          to={to}
          end={steps === undefined}
          className={({ isActive }) =>
            `rounded-t-[8px] border-b-2 px-2.5 py-1 whitespace-nowrap ${isActive ? 'border-act font-bold' : 'border-transparent text-soft hover:bg-band hover:text-ink'}`
          }
        >
          {name}
        </NavLink>
      ))}
    </nav>
  )
}
