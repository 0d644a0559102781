import { Popover } from 'radix-ui'
import type { ReactNode } from 'react'
import { Link } from 'react-router'

interface NewsProps {
  /** What the button says. */
  label: string
  title: string
  items: readonly { id: string; to: string; name: string; about: ReactNode }[]
  /** It was looked at. */
  onSeen: () => void
}

/** News in the head of every room: a button that opens into what there is, each with the way to it. */
export function News({ label, title, items, onSeen }: NewsProps) {
  return (
    <Popover.Root onOpenChange={(open) => !open && onSeen()}>
      <Popover.Trigger className="shrink-0 rounded-full border border-good bg-card px-3 py-1 font-semibold whitespace-nowrap text-good">
        ✶ {label}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          sideOffset={8}
          className="z-20 w-[320px] rounded-[12px] border border-rule bg-card p-4 shadow-lg"
        >
          <h2 className="text-lg">{title}</h2>
          <ul className="mt-1">
            {items.map(({ id, to, name, about }) => (
              <li key={id} className="border-t border-rule py-1 first:border-0">
                <Popover.Close asChild>
                  <Link to={to} className="font-semibold text-act hover:underline">
                    {name}
                  </Link>
                </Popover.Close>{' '}
                <span className="text-soft">{about}</span>
              </li>
            ))}
          </ul>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  )
}
