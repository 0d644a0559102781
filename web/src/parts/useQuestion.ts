import { useCallback, useEffect, useMemo, useRef } from 'react'
import { useSearchParams } from 'react-router'
import { readQuestion, writeQuestion, type Question } from './question.ts'

/** What is asked otherwise, as it is or by what is asked now. */
export type Change = Partial<Question> | ((now: Question) => Partial<Question>)

/**
 * The question of the address, and how to ask another. The address is shown a moment after it was written; of two presses
 * within that moment neither is lost.
 */
export function useQuestion(): { question: Question; ask: (change: Change) => void } {
  const [search, setSearch] = useSearchParams()
  const question = useMemo(() => readQuestion(search), [search])
  const newest = useRef(question)
  /** Addresses written and not shown yet. */
  const written = useRef<string[]>([])
  useEffect(() => {
    const at = written.current.indexOf(search.toString())
    // What came by a link or the browser's way back is newer than all that was written here.
    written.current = at < 0 ? [] : written.current.slice(at + 1)
    if (written.current.length === 0) newest.current = question
  }, [search, question])
  const put = useRef(setSearch)
  useEffect(() => {
    put.current = setSearch
  })
  const ask = useCallback((change: Change) => {
    const now = newest.current
    newest.current = { ...now, ...(typeof change === 'function' ? change(now) : change) }
    const address = writeQuestion(newest.current)
    written.current.push(address.toString())
    put.current(address, { replace: true })
  }, [])
  return { question, ask }
}
