import { usePhone } from '../ui/usePhone.ts'
import { formatCount } from '@outfit/core/base'
import { Ruler, Table2 } from 'lucide-react'
import { useEffect, useRef, useState } from 'react'
import { useHotkeys } from 'react-hotkeys-hook'
import { Link } from 'react-router'
import { PART_ORDERS, type PartOrder } from '@outfit/core/parts'
import { api, errorText } from '../data/api.ts'
import { selectCatalogue } from '../data/catalogueSlice.ts'
import { useSingleKeys } from '../data/singleKeys.ts'
import { useAppSelector } from '../data/hooks.ts'
import { EmptyNote, ErrorNote, Waiting } from '../ui/Notes.tsx'
import { Button } from '../ui/Button.tsx'
import { Facets } from './Facets.tsx'
import { FoundGrid, PAGE } from './FoundGrid.tsx'
import { OwnMenu } from './OwnMenu.tsx'
import { isNarrowed, withoutFacets, ORDER_LABELS } from './question.ts'
import { useQuestion } from './useQuestion.ts'

/** Rest after a key before the server is asked, in milliseconds. */
const PAUSE = 120

const tool =
  'inline-flex items-center gap-1.5 rounded-[8px] px-1.5 py-1 font-semibold whitespace-nowrap text-act hover:bg-band'

/** All parts there are: words and facets narrow them, the address holds the question. */
export function FinderView() {
  const { question, ask: change } = useQuestion()
  const [words, setWords] = useState(question.text ?? '')
  const singleKeys = useSingleKeys()
  const field = useRef<HTMLInputElement>(null)
  const catalogue = useAppSelector(selectCatalogue)
  const { data, currentData, error, refetch } = api.endpoints.findParts.useQuery({
    ...question,
    offset: 0,
    limit: PAGE,
  })
  const asked = question.text ?? ''
  // What this field put into the address; anything else there came by a link or the browser's way back.
  const put = useRef(asked)
  useEffect(() => {
    const later = setTimeout(() => {
      if (words.trim() === put.current) return
      put.current = words.trim()
      change({ text: put.current })
    }, PAUSE)
    return () => clearTimeout(later)
  }, [words, change])
  useEffect(() => {
    if (asked === put.current) return
    put.current = asked
    setWords(asked)
  }, [asked])
  useHotkeys('/', () => field.current?.focus(), { enabled: singleKeys, useKey: true, preventDefault: true })
  const firstCard = () => document.querySelector<HTMLElement>('[data-at="0"] > :is(a, button)')?.focus()
  const clear = () => {
    setWords('')
    put.current = ''
    change(withoutFacets)
  }
  const total = (currentData ?? data)?.total
  const phone = usePhone()
  const facets = <Facets question={question} facets={(currentData ?? data)?.facets} onChange={change} />
  return (
    <div className="flex h-full phone:flex-col">
      {phone ? (
        <details className="shrink-0 border-b border-rule px-3">
          <summary className="flex items-center font-semibold text-act">Narrow it down</summary>
          {facets}
        </details>
      ) : (
        facets
      )}
      <div className="flex min-w-0 flex-1 flex-col">
        <div className="flex items-center gap-2.5 px-4 pt-3 pb-2 phone:flex-wrap phone:gap-2 phone:px-3">
          <h1 className="text-2xl leading-none">Parts</h1>
          <input
            ref={field}
            type="search"
            value={words}
            onChange={(event) => setWords(event.target.value)}
            onKeyDown={(event) => {
              if (event.key === 'ArrowDown' || event.key === 'Enter') firstCard()
            }}
            placeholder="Words: hair, short, side parting, dark"
            aria-label="Find parts by words"
            className="w-[290px] phone:w-full rounded-[10px] border border-rule bg-card px-3 py-1.5 placeholder:text-soft"
          />
          <p role="status" className="whitespace-nowrap text-soft">
            {total === undefined ? 'Looking…' : total === 1 ? '1 part' : `${formatCount(total)} parts`}
          </p>
          <select
            aria-label="Order"
            value={question.order ?? 'common'}
            onChange={(event) => change({ order: event.target.value as PartOrder })}
            className="w-[148px] rounded-[8px] border border-rule bg-card px-1 py-1"
          >
            {PART_ORDERS.map((order) => (
              <option key={order} value={order}>
                {ORDER_LABELS[order]}
              </option>
            ))}
          </select>
          {isNarrowed(question) && (
            <button type="button" onClick={clear} className={tool}>
              Show all
            </button>
          )}
          <nav aria-label="Catalogue" className="ml-auto flex phone:ml-0 phone:flex-wrap">
            <OwnMenu />
            <Link to="/tables" className={tool}>
              <Table2 aria-hidden className="size-4" /> Tables
            </Link>
            <Link to="/moulds" className={tool}>
              <Ruler aria-hidden className="size-4" /> Moulds
            </Link>
          </nav>
        </div>
        <div className="min-h-0 flex-1">
          {error ? (
            <ErrorNote onRetry={() => void refetch()}>{errorText(error)}</ErrorNote>
          ) : !catalogue || total === undefined ? (
            <Waiting>Opening the drawers…</Waiting>
          ) : total === 0 ? (
            <EmptyNote title={isNarrowed(question) ? 'No part answers to all of that' : 'No parts yet'}>
              {isNarrowed(question) ? (
                <>
                  <p>Take a word or a filter away, or look at everything there is.</p>
                  <Button look="act" className="mt-4" onClick={clear}>
                    Show all parts
                  </Button>
                </>
              ) : (
                <p>
                  Bring in a table of parts under{' '}
                  <Link to="/tables" className="font-semibold text-act underline">
                    Tables
                  </Link>
                  , or make your own.
                </p>
              )}
            </EmptyNote>
          ) : (
            <FoundGrid question={question} total={total} catalogue={catalogue} />
          )}
        </div>
      </div>
    </div>
  )
}
