import { useState } from 'react'
import type { RosterShelf } from '@outfit/core/shelf'
import { errorText } from '../data/api.ts'
import { rosterApi, type RosterChange } from '../data/rosterApi.ts'
import { FIELD, FormDialog } from '../ui/FormDialog.tsx'
import { tell, warn } from '../ui/tell.ts'
import { collisionsInWords } from './collisions.ts'
import { RosterFields } from './RosterFields.tsx'

/** Call a roster otherwise, and say what it may cost until when. */
export function EditRoster({ roster, onDone }: { roster: RosterShelf; onDone: () => void }) {
  const [save, { isLoading }] = rosterApi.endpoints.changeRoster.useMutation()
  // As it was when the form was opened, so that what another window changes meanwhile is noticed.
  const [was] = useState<Required<RosterChange>>({
    name: roster.name,
    note: roster.note,
    budget: roster.budget,
    dueOn: roster.dueOn,
  })
  const [now, setNow] = useState(was)
  const [problem, setProblem] = useState('')
  const keep = async () => {
    const set = { ...now, name: now.name.trim(), note: now.note.trim() }
    const answer = await save({ roster: roster.id, set, was })
    if (answer.error) return setProblem(errorText(answer.error))
    onDone()
    const { collided } = answer.data
    if (collided.length > 0) warn(collisionsInWords(collided))
    else tell(`${set.name} changed.`, () => save({ roster: roster.id, set: was, was: set }))
  }
  return (
    <FormDialog
      title="Name, budget, date"
      keep="Keep it so"
      ready={now.name.trim() !== '' && !isLoading}
      problem={problem}
      onKeep={() => void keep()}
      onLeave={onDone}
    >
      <label className="block font-semibold">
        Name
        <input
          value={now.name}
          maxLength={120}
          onChange={(event) => setNow({ ...now, name: event.target.value })}
          className={FIELD}
        />
      </label>
      <label className="block font-semibold">
        What it is
        <textarea
          value={now.note}
          rows={3}
          maxLength={2000}
          onChange={(event) => setNow({ ...now, note: event.target.value })}
          className={FIELD}
        />
      </label>
      <RosterFields budget={now.budget} dueOn={now.dueOn} onChange={(next) => setNow({ ...now, ...next })} />
    </FormDialog>
  )
}
