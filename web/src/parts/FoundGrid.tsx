import { useVirtualizer } from '@tanstack/react-virtual'
import { useEffect, useRef, useState, type KeyboardEvent, type RefObject } from 'react'
import type { Catalogue } from '@outfit/core/catalogue'
import { api, errorText, type Candidate, type FindRequest } from '../data/api.ts'
import { PartCard } from './PartCard.tsx'
import type { Question } from './question.ts'

/** Parts in one answer; a multiple of every number of columns, so that a row is never cut in two. */
export const PAGE = 60
const ROW = 168

interface FoundGridProps {
  question: Question
  total: number
  catalogue: Catalogue
  columns?: 3 | 4 | 5 | 6
  onPick?: (entry: Candidate) => void
}

/** Everything found, however much: only the rows in sight are fetched and drawn. Arrow keys move, Enter opens. */
export function FoundGrid({ question, total, catalogue, columns = 6, onPick }: FoundGridProps) {
  const scroller = useRef<HTMLDivElement>(null)
  const [at, setAt] = useState(0)
  const wanted = useRef<number | null>(null)
  const virtual = useVirtualizer({
    count: Math.ceil(total / columns),
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW,
    overscan: 2,
  })
  const key = JSON.stringify(question)
  useEffect(() => {
    setAt(0)
    wanted.current = null
    scroller.current?.scrollTo({ top: 0 })
  }, [key])
  const move = (event: KeyboardEvent) => {
    const by = {
      ArrowLeft: -1,
      ArrowRight: 1,
      ArrowUp: -columns,
      ArrowDown: columns,
      PageDown: columns * 3,
      PageUp: -columns * 3,
    }[event.key]
    const to = event.key === 'Home' ? 0 : event.key === 'End' ? total - 1 : by === undefined ? null : at + by
    if (to === null) return
    event.preventDefault()
    const next = Math.min(total - 1, Math.max(0, to))
    setAt(next)
    virtual.scrollToIndex(Math.floor(next / columns), { align: 'auto' })
    wanted.current = next
    focusWanted(scroller.current, wanted)
  }
  return (
    <div
      ref={scroller}
      onKeyDown={move}
      onPointerDown={() => (wanted.current = null)}
      className="h-full overflow-y-auto px-4 pt-1 pb-4"
    >
      <ul aria-label="Found parts" className="relative" style={{ height: virtual.getTotalSize() }}>
        {virtual.getVirtualItems().map((row) => (
          <Row
            key={row.key}
            request={{ ...question, offset: Math.floor((row.index * columns) / PAGE) * PAGE, limit: PAGE }}
            first={row.index * columns}
            columns={columns}
            top={row.start}
            catalogue={catalogue}
            scroller={scroller}
            wanted={wanted}
            {...(onPick ? { onPick } : {})}
          />
        ))}
      </ul>
    </div>
  )
}

/** The card that the keys have gone to, until it has the focus. */
type Wanted = RefObject<number | null>

/** The card may have to be fetched first, however long that takes; each row that comes asks again. */
function focusWanted(scroller: HTMLElement | null, wanted: Wanted) {
  if (wanted.current === null) return
  const card = scroller?.querySelector<HTMLElement>(`[data-at="${wanted.current}"] > :is(a, button)`)
  if (!card) return
  card.focus({ preventScroll: true })
  wanted.current = null
}

interface RowProps {
  request: FindRequest
  first: number
  columns: number
  top: number
  catalogue: Catalogue
  scroller: RefObject<HTMLElement | null>
  wanted: Wanted
  onPick?: (entry: Candidate) => void
}

function Row({ request, first, columns, top, catalogue, scroller, wanted, onPick }: RowProps) {
  const { currentData, error } = api.endpoints.findParts.useQuery(request)
  useEffect(() => focusWanted(scroller.current, wanted), [currentData, catalogue, scroller, wanted])
  const from = first - (request.offset ?? 0)
  const entries = currentData?.items.slice(from, from + columns) ?? []
  return (
    <>
      {error && first % PAGE === 0 && (
        <li role="alert" className="absolute text-problem" style={{ top }}>
          {errorText(error)}
        </li>
      )}
      {Array.from({ length: columns }, (_, i) => {
        const entry = entries[i]
        if (currentData && !entry) return null
        return (
          <li
            key={i}
            data-at={first + i}
            className="absolute h-[160px] pr-2.5"
            style={{ top, left: `${(i * 100) / columns}%`, width: `${100 / columns}%` }}
          >
            {entry && catalogue.parts.has(entry.part.code) ? (
              <PartCard entry={entry} catalogue={catalogue} {...(onPick ? { onPick } : {})} />
            ) : (
              <div className="h-full rounded-[10px] border border-rule/60 bg-band/50" />
            )}
          </li>
        )
      })}
    </>
  )
}
