import { useState } from 'react'
import { CLEARABLE, CLEARABLE_NAMES, SAMPLE_WORDS, type Clearable, type SampleAmongOwn } from '@outfit/core/archive'
import { formatCount, listed } from '@outfit/core/base'
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

/** What goes with the sample world, what you changed in it included, and what stays. */
function sampleInWords({ goes, stays }: SampleAmongOwn): string {
  const told = stays.flatMap(({ table, count }) => {
    const words = SAMPLE_WORDS[table]
    return words ? [`${formatCount(count)} ${count === 1 ? words.slice(0, -1) : words}`] : []
  })
  const rest = told.length > 0 ? `, and of the sample what that rests on: ${listed(told)}` : ''
  return `${formatCount(goes)} entries of it go, with their prices and what was changed in them. What you added yourself stays${rest}.`
}

/** Begin anew with some of it or with nothing, after a copy of all there was. */
export function ClearView() {
  const [what, setWhat] = useState<readonly Clearable[]>([])
  const [sure, ask] = useState(false)
  const [parting, askOfSample] = useState(false)
  const { data: among } = archiveApi.endpoints.sampleAmongOwn.useQuery()
  const sample = among?.sample ?? null
  const [withoutSample] = archiveApi.endpoints.withoutSample.useMutation()
  const [clear] = archiveApi.endpoints.clear.useMutation()
  const { job, run, cancel } = useArchiveJob()
  const busy = job.state === 'running'
  const all = what.length === CLEARABLE.length
  const words = all ? 'everything' : what.map((one) => CLEARABLE_NAMES[one].toLowerCase()).join(', ')
  return (
    <SettingsFrame>
      <p className="mt-3 max-w-[680px] text-soft">
        Begin anew with a part of the workspace, or with nothing. A copy of everything is saved first; bringing it back
        undoes all of it. Settings stay.
      </p>
      {sample && (
        <section aria-labelledby="sample-away" className="mt-4 rounded-[10px] border border-rule bg-card px-4 py-3">
          <h2 id="sample-away" className="text-xl">
            The sample world alone
          </h2>
          <p className="mt-1 text-soft">{sampleInWords(sample)}</p>
          <Button className="mt-3" disabled={busy} onClick={() => askOfSample(true)}>
            Take the sample world away
          </Button>
        </section>
      )}
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
      {parting && sample && (
        <FormDialog
          title="Take the sample world away?"
          about={`${sampleInWords(sample)} A copy of the whole workspace is saved first, under Copies.`}
          keep="Take it away"
          ready
          onKeep={() => {
            askOfSample(false)
            void run('clear', () => withoutSample())
          }}
          onLeave={() => askOfSample(false)}
        >
          {null}
        </FormDialog>
      )}
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
