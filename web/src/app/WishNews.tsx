import { Popover } from 'radix-ui'
import { Link } from 'react-router'
import { api } from './api.ts'

/** How many entries of the later list were answered and are not ticked off yet. */
export function LaterNews() {
  const { data: entries = [] } = api.endpoints.later.useQuery()
  const answered = entries.filter(({ answer, done }) => answer !== null && !done).length
  if (answered === 0) return null
  return (
    <Link
      to="/later"
      className="shrink-0 rounded-full border border-good bg-card px-3 py-1 font-semibold whitespace-nowrap text-good"
    >
      ✶ {answered === 1 ? 'What you waited for is here' : `${answered} you waited for are here`}
    </Link>
  )
}

/** Wishes that came true and were not looked at yet: what it was, and the part that brought it. */
export function WishNews() {
  const { data: wishes = [] } = api.endpoints.wishes.useQuery()
  const [markSeen] = api.endpoints.seenWishes.useMutation()
  const news = wishes.filter(({ fulfilledBy, seen }) => fulfilledBy !== null && !seen)
  if (news.length === 0) return null
  return (
    <Popover.Root onOpenChange={(open) => !open && void markSeen()}>
      <Popover.Trigger className="shrink-0 rounded-full border border-good bg-card px-3 py-1 font-semibold text-good">
        ✶ {news.length === 1 ? 'A wish came true' : `${news.length} wishes came true`}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          sideOffset={8}
          className="z-20 w-[320px] rounded-[12px] border border-rule bg-card p-4 shadow-lg"
        >
          <h2 className="text-lg">Made at last</h2>
          <ul className="mt-1">
            {news.map(({ id, name, fulfilledBy }) => (
              <li key={id} className="border-t border-rule py-1 first:border-0">
                <Popover.Close asChild>
                  <Link to={`/parts/${fulfilledBy}`} className="font-semibold text-act hover:underline">
                    {name}
                  </Link>
                </Popover.Close>{' '}
                <span className="text-soft">{fulfilledBy}</span>
              </li>
            ))}
          </ul>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  )
}
