import { Link } from 'react-router'
import { EmptyNote } from '../ui/Notes.tsx'

/** An address that leads nowhere. */
export function Lost() {
  return (
    <EmptyNote title="Nothing hangs here">
      This address leads to no view. Your outfits are safe; go back to the{' '}
      <Link to="/" className="font-semibold text-act underline">
        rosters
      </Link>
      .
    </EmptyNote>
  )
}
