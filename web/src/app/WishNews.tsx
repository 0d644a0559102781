import { Link } from 'react-router'
import { News } from '../ui/News.tsx'
import { api } from '../data/api.ts'

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
    <News
      label={news.length === 1 ? 'A wish came true' : `${news.length} wishes came true`}
      title="Made at last"
      onSeen={() => void markSeen()}
      items={news.map(({ id, name, fulfilledBy }) => ({ id, to: `/parts/${fulfilledBy}`, name, about: fulfilledBy }))}
    />
  )
}
