import { Download } from 'lucide-react'
import { useState } from 'react'
import { Link, useParams, useSearchParams } from 'react-router'
import { takeNamed } from '@outfit/core/roster'
import { api, errorText } from '../data/api.ts'
import { rosterApi } from '../data/rosterApi.ts'
import { rememberOutfit } from '../data/lastOutfit.ts'
import { ErrorNote, Waiting } from '../ui/Notes.tsx'
import { counted } from '../ui/counted.ts'

/** The card of a take, as it will be published. */
export function CardView() {
  const { outfit: id = '' } = useParams()
  const [search] = useSearchParams()
  const { currentData: outfit, error, refetch } = api.endpoints.outfit.useQuery(id)
  const [broken, setBroken] = useState(false)
  const [markShown] = rosterApi.endpoints.markShown.useMutation()
  if (error) return <ErrorNote onRetry={() => void refetch()}>{errorText(error)}</ErrorNote>
  if (!outfit) return <Waiting>Drawing the card…</Waiting>
  rememberOutfit(outfit.id)
  const take = takeNamed(outfit.takes, search.get('take'))!
  const file = (kind: 'svg' | 'png') => `/api/outfits/${outfit.id}/card.${kind}?take=${take.id}`
  // Once a built outfit's card is taken away, it counts as shown.
  const shown = () => void (take.chosen && markShown({ outfits: [outfit.id], how: 'card' }))
  const download = 'inline-flex items-center gap-1.5 rounded-[10px] border px-3.5 py-2 font-semibold'
  return (
    <div className="mx-auto flex h-full max-w-[1240px] flex-col px-5 py-4">
      <div className="flex items-end gap-4">
        <div>
          <h1 className="text-2xl">Card</h1>
          <p className="text-soft">{counted(take.placements.length, 'part')} with their sources, ready to publish.</p>
        </div>
        {outfit.takes.length > 1 && (
          <nav aria-label="Takes" className="flex gap-1.5">
            {outfit.takes.map((t) => (
              <Link
                key={t.id}
                to={`?take=${encodeURIComponent(t.label)}`}
                replace
                aria-current={t.id === take.id ? 'true' : undefined}
                className={`rounded-full border px-3 py-1 ${t.id === take.id ? 'border-act bg-act font-semibold text-act-ink' : 'border-rule bg-card hover:border-act'}`}
              >
                take {t.label}
              </Link>
            ))}
          </nav>
        )}
        <div className="ml-auto flex gap-2">
          <a
            href={file('svg')}
            download
            onClick={shown}
            className={`${download} border-act/70 bg-card text-act hover:border-act`}
          >
            <Download aria-hidden className="size-4" /> SVG
          </a>
          <a
            href={file('png')}
            download
            onClick={shown}
            className={`${download} border-act bg-act text-act-ink hover:brightness-110`}
          >
            <Download aria-hidden className="size-4" /> PNG
          </a>
        </div>
      </div>
      {broken ? (
        <ErrorNote onRetry={() => setBroken(false)}>The card could not be drawn.</ErrorNote>
      ) : (
        <img
          src={`${file('svg')}&version=${outfit.version}`}
          onError={() => setBroken(true)}
          alt={`Card of ${outfit.name}: the figure in the middle, lead lines from each part to its name, colour and source`}
          className="mt-3 min-h-0 w-full flex-1 rounded-[10px] object-contain"
        />
      )}
    </div>
  )
}
