import { useState } from 'react'
import { CLEARABLE, CLEARABLE_NAMES, type Clearable } from '@outfit/core/archive'
import { archiveApi } from '../data/archiveApi.ts'
import { SettingsFrame } from '../settings/SettingsFrame.tsx'
import { Button } from '../ui/Button.tsx'
import { FormDialog } from '../ui/FormDialog.tsx'
import { JobCourse } from './JobCourse.tsx'
import { useArchiveJob } from './useArchiveJob.ts'

const HOLDS: Record<Clearable, string> = {
  prices: 'all price lists, their history, and prices waited for',
  parcels: 'all orders and what they cost',
  rosters: 'characters, outfits, takes, briefs and the later list',
  drawer: 'bins, what lies in them, and its history',
  sellers: 'their terms, and the rate table',
  catalogue: 'parts, moulds, prints, colours, figures and releases; not what ships with Outfit',
}

/** Begin anew with some of it or with nothing, after a copy of all there was. */
export function ClearView() {
  const [what, setWhat] = useState<readonly Clearable[]>([])
  const [sure, ask] = useState(false)
  const [clear] = archiveApi.endpoints.clear.useMutation()
  const { job, run, cancel } = useArchiveJob()
  const busy = job.state === 'running'
  const all = what.length === CLEARABLE.length
  const words = all ? 'everything' : what.map((one) => CLEARABLE_NAMES[one].toLowerCase()).join(', ')
  return (
    <SettingsFrame>
      <p className="mt-3 max-w-[680px] text-soft">
        Take the sample world away, or begin anew with a part of the workspace. A copy of everything is saved first;
        bringing it back undoes all of it. Settings stay.
      </p>
      <fieldset className="mt-4" disabled={busy}>
        <legend className="text-xl font-bold">What is to go</legend>
        <ul className="mt-2 divide-y divide-rule border-y border-rule">
          {CLEARABLE.map((one) => (
            <li key={one}>
              <label className="flex cursor-pointer items-baseline gap-3 px-1 py-2 hover:bg-band">
                <input
                  type="checkbox"
                  checked={what.includes(one)}
                  onChange={({ target }) =>
                    setWhat(CLEARABLE.filter((other) => (other === one ? target.checked : what.includes(other))))
                  }
                  className="accent-[var(--act)]"
                />
                <strong className="min-w-[120px]">{CLEARABLE_NAMES[one]}</strong>
                <span className="text-soft">{HOLDS[one]}</span>
              </label>
            </li>
          ))}
        </ul>
      </fieldset>
      <div className="mt-3 flex gap-3">
        <Button disabled={busy || what.length === 0} onClick={() => ask(true)}>
          Clear what is ticked
        </Button>
        <Button look="plain" disabled={busy} onClick={() => setWhat(all ? [] : CLEARABLE)}>
          {all ? 'Tick nothing' : 'Tick everything'}
        </Button>
      </div>
      <JobCourse job={job} onCancel={cancel} />
      {sure && (
        <FormDialog
          title={`Clear ${words}?`}
          about="All of it goes at once. A copy of the whole workspace is saved first, under Copies."
          keep="Clear it"
          ready
          onKeep={() => {
            ask(false)
            void run('clear', () => clear([...what]))
          }}
          onLeave={() => ask(false)}
        >
          {null}
        </FormDialog>
      )}
    </SettingsFrame>
  )
}
