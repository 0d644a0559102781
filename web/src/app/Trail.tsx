import { Link, useMatch, useSearchParams } from 'react-router'
import { takeNamed } from '@outfit/core/roster'
import { api } from '../data/api.ts'

/** Where one is: roster, outfit, take. */
export function Trail() {
  const id = useMatch('/outfits/:outfit/*')?.params.outfit
  const { currentData: outfit } = api.endpoints.outfit.useQuery(id ?? '', { skip: !id })
  const [search] = useSearchParams()
  if (!outfit) return null
  const label = takeNamed(outfit.takes, search.get('take'))?.label
  return (
    <p className="truncate">
      <Link to={`/rosters/${outfit.roster.id}`} className="text-soft hover:text-ink hover:underline">
        {outfit.roster.name}
      </Link>{' '}
      <span className="text-soft">›</span> <strong>{outfit.name}</strong>
      {label && (
        <>
          {' '}
          <span className="text-soft">› take</span> <strong>{label}</strong>
        </>
      )}
    </p>
  )
}
