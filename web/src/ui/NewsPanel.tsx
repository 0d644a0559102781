import { Popover } from 'radix-ui'
import { Link } from 'react-router'
import { NEWS_BUTTON, type NewsProps } from './newsButton.ts'

/** The button opened into what there is. */
export function NewsPanel({ label, title, items, onSeen }: NewsProps) {
  return (
    <Popover.Root defaultOpen onOpenChange={(open) => !open && onSeen()}>
      <Popover.Trigger className={NEWS_BUTTON}>✶ {label}</Popover.Trigger>
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
