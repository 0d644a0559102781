import { NavLink } from 'react-router'

/** Ways to look at one thing, each with an address. */
export function Tabs({ label, views }: { label: string; views: readonly (readonly [name: string, to: string])[] }) {
  return (
    <nav aria-label={label} className="mt-2 flex gap-1 overflow-x-auto border-b border-rule">
      {views.map(([name, to]) => (
        <NavLink
          key={name}
          to={to}
          end
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
