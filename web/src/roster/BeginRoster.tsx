import { useState } from 'react'
import { useNavigate } from 'react-router'
import { SCHOOL_WORDS, SCHOOLS, type School } from '@outfit/core/roster'
import { errorText } from '../data/api.ts'
import { rosterApi } from '../data/rosterApi.ts'
import { useSettings } from '../data/settingsApi.ts'
import { FIELD, FormDialog } from '../ui/FormDialog.tsx'
import { RosterFields } from './RosterFields.tsx'

/** Begin a roster: its name, its school, and what it may cost until when. */
export function BeginRoster({ onDone }: { onDone: () => void }) {
  const [begin, { isLoading }] = rosterApi.endpoints.beginRoster.useMutation()
  const navigate = useNavigate()
  const [roster, setRoster] = useState({
    name: '',
    note: '',
    school: useSettings().school,
    budget: null as number | null,
    dueOn: null as string | null,
  })
  const [problem, setProblem] = useState('')
  const { name, note, school, budget, dueOn } = roster
  const save = async () => {
    const answer = await begin({ ...roster, name: name.trim(), note: note.trim() })
    if (answer.error) return setProblem(errorText(answer.error))
    onDone()
    void navigate(`/rosters/${answer.data.id}`)
  }
  return (
    <FormDialog
      title="Begin a roster"
      about="Outfits that belong together: a cast, a team, a series. Characters come next."
      keep="Begin it"
      ready={name.trim() !== '' && !isLoading}
      problem={problem}
      onKeep={() => void save()}
      onLeave={onDone}
    >
      <label className="block font-semibold">
        Name
        <input
          autoFocus
          value={name}
          maxLength={120}
          onChange={(event) => setRoster({ ...roster, name: event.target.value })}
          className={FIELD}
        />
      </label>
      <label className="block font-semibold">
        What it is
        <input
          value={note}
          maxLength={2000}
          onChange={(event) => setRoster({ ...roster, note: event.target.value })}
          className={FIELD}
        />
      </label>
      <label className="block font-semibold">
        House rules
        <select
          value={school}
          onChange={(event) => setRoster({ ...roster, school: event.target.value as School })}
          className={FIELD}
        >
          {SCHOOLS.map((one) => (
            <option key={one} value={one}>
              {SCHOOL_WORDS[one].label}
            </option>
          ))}
        </select>
        <span className="mt-1 block text-[13.5px] font-normal text-soft">{SCHOOL_WORDS[school].allows}</span>
      </label>
      <RosterFields budget={budget} dueOn={dueOn} onChange={(next) => setRoster({ ...roster, ...next })} />
    </FormDialog>
  )
}
