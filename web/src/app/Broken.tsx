import { isRouteErrorResponse, useRouteError } from 'react-router'
import { ErrorNote } from '../ui/Notes.tsx'
import { Lost } from './Lost.tsx'

/** A view that broke: what happened, and that nothing is lost. */
export function Broken() {
  const error = useRouteError()
  if (isRouteErrorResponse(error) && error.status === 404) return <Lost />
  return (
    <ErrorNote onRetry={() => location.reload()}>
      This view broke: {error instanceof Error ? error.message : 'for an unknown reason'}. What you changed is kept.
    </ErrorNote>
  )
}
