import { useMemo, useState, type ReactNode } from 'react'
import { useNavigate } from 'react-router'
import type { LookedAt } from '@outfit/core/intake'
import { readNames } from '@outfit/core/tables'
import { api, errorText } from '../data/api.ts'
import { rosterApi } from '../data/rosterApi.ts'
import { useSettings } from '../data/settingsApi.ts'
import { Button } from '../ui/Button.tsx'
import { counted } from '../ui/counted.ts'
import { actInWords } from './listWords.ts'

/** Names shown; the roster shows all of them. */
const SHOWN = 40
const LONGEST = 120

/** A list of characters: who they are, and the roster they go into. What is told of them becomes wishes there. */
export function CharactersTalk({
  list,
  more,
  heading,
  children,
}: {
  list: LookedAt
  /** Lists that wait behind this one. */
  more: number
  heading: ReactNode
  children: ReactNode
}) {
  const { data } = api.endpoints.shelves.useQuery()
  const [begin, { isLoading }] = rosterApi.endpoints.beginRoster.useMutation()
  const { school } = useSettings()
  const navigate = useNavigate()
  const [into, setInto] = useState('')
  const [name, setName] = useState(() => list.name.replace(/\.[^.]*$/, '').slice(0, LONGEST))
  const [problem, setProblem] = useState('')
  const { names, faults } = useMemo(() => readNames(list.text ?? ''), [list.text])
  const goOn = async () => {
    let roster = into
    if (roster === '') {
      const answer = await begin({ name: name.trim(), note: '', school, budget: null, dueOn: null })
      if (answer.error) return setProblem(errorText(answer.error))
      roster = answer.data.id
    }
    void navigate(`/rosters/${roster}`, { state: { characters: list.text } })
  }
  const field = 'mt-1 block w-full rounded-[8px] border border-rule bg-card px-2 py-1 font-normal'
  return (
    <div className="mx-auto grid max-w-[1280px] gap-8 px-5 py-4 lg:grid-cols-[1fr_360px]">
      <div className="min-w-0">
        {heading}
        <section aria-labelledby="who" className="mt-4 rounded-[10px] border border-rule bg-card px-4 py-3">
          <h2 id="who" className="text-lg">
            Who they are
          </h2>
          <ul>
            {faults.map(({ line, message }) => (
              <li key={`fault ${line}`} className="border-t border-rule py-1 text-problem">
                Line {line}: {message}. It is left out.
              </li>
            ))}
            {names.slice(0, SHOWN).map(({ line, name: who, faction, years, notes }) => (
              <li key={line} className="border-t border-rule py-1">
                <strong>{who}</strong>{' '}
                <span className="text-[14px] text-soft">
                  {[faction, years !== null && counted(years, 'year'), notes].filter(Boolean).join(' · ')}
                </span>
              </li>
            ))}
            {names.length > SHOWN && (
              <li className="border-t border-rule py-1 text-soft">and {names.length - SHOWN} more</li>
            )}
          </ul>
        </section>
      </div>
      <aside
        aria-label="What comes of it"
        className="self-start rounded-[10px] border border-rule bg-card px-4 py-4 lg:sticky lg:top-4"
      >
        <h2 className="text-lg">What comes of it</h2>
        <p className="mt-2">
          <strong>{counted(names.length, 'character')}</strong>, each with an outfit to dress. What is told of them
          becomes wishes; you see which before they are added.
        </p>
        <label className="mt-3 block font-semibold">
          Into
          <select value={into} onChange={({ target }) => setInto(target.value)} className={field}>
            <option value="">a new roster</option>
            {(data?.rosters ?? []).map((roster) => (
              <option key={roster.id} value={roster.id}>
                {roster.name}
              </option>
            ))}
          </select>
        </label>
        {into === '' && (
          <label className="mt-3 block font-semibold">
            Called
            <input
              value={name}
              maxLength={LONGEST}
              onChange={({ target }) => setName(target.value)}
              className={field}
            />
          </label>
        )}
        {more > 0 && (
          <p className="mt-3 text-[14px] text-notice">
            {counted(more, 'list waits', 'lists wait')} behind this one. Going on leads to the roster: bring the others
            in first.
          </p>
        )}
        {problem && (
          <p role="alert" className="mt-3 text-problem">
            {problem}
          </p>
        )}
        <Button
          look="act"
          className="mt-4 w-full py-2.5"
          disabled={names.length === 0 || (into === '' && name.trim() === '') || isLoading}
          onClick={() => void goOn()}
        >
          {actInWords(list)}
        </Button>
        {children}
      </aside>
    </div>
  )
}
