import { useEffect, useState } from 'react'
import { useSearchParams } from 'react-router'
import { skipToken } from '@reduxjs/toolkit/query'
import { type Place } from '@outfit/core/brief'
import { homeCurrency, homeMoney } from '@outfit/core/market'
import { houseRulesOf } from '@outfit/core/roster'
import type { RosterShelf } from '@outfit/core/shelf'
import type { CastOptions, CastWho } from '@outfit/core/wardrobe'
import { useSettings } from '../data/settingsApi.ts'
import { errorText } from '../data/api.ts'
import { castApi, type CastAsk } from '../data/castApi.ts'
import { RosterFrame } from '../roster/RosterFrame.tsx'
import { useJob } from '../sourcing/usePlan.ts'
import { EmptyNote, ErrorNote } from '../ui/Notes.tsx'
import { Searching } from '../ui/Searching.tsx'
import { CastResult } from './CastResult.tsx'
import { CastForm } from './CastForm.tsx'
import { remember, settingsFor, whoOf, type CastSettings } from './castSettings.ts'

/** Everybody of a roster dressed and bought for in one decision. */
export function CastRosterView() {
  return <RosterFrame>{({ roster }) => <CastRoster key={roster.id} roster={roster} />}</RosterFrame>
}

type Held = Readonly<Record<string, NonNullable<CastWho['held']>>>

function CastRoster({ roster }: { roster: RosterShelf }) {
  const [search, setSearch] = useSearchParams()
  const known = search.get('cast')
  const rules = houseRulesOf(roster.rules, roster.switches)
  const workspace = useSettings()
  const [settings, setSettings] = useState(() => settingsFor(roster, rules.faces === 'all-different', workspace.worth))
  const [picked, setPicked] = useState<ReadonlySet<string>>(() => {
    const named = search.get('outfits')?.split(',') ?? []
    const all = roster.outfits.map(({ id }) => id)
    return new Set(named.length > 0 ? all.filter((id) => named.includes(id)) : all)
  })
  const [kept, setKept] = useState<Readonly<Record<string, readonly Place[]>>>({})
  const [held, setHeld] = useState<Held>({})
  const [asked, setAsked] = useState<{ ask: CastAsk; time: number } | null>(null)
  const [start] = castApi.endpoints.startCast.useMutation()
  const job = useJob(asked && `${asked.time}`, () => start(asked!.ask).unwrap())
  const done = job.state === 'done' ? job.job : known
  const report = castApi.endpoints.cast.useQuery(job.state === 'running' ? skipToken : (done ?? skipToken))
  // The address names the cast, so that it is there again after a look elsewhere.
  const made = job.state === 'done' ? job.job : null
  useEffect(() => {
    if (made && made !== known) setSearch({ cast: made }, { replace: true })
  }, [made, known, setSearch])
  if (roster.outfits.length === 0)
    return (
      <EmptyNote title="Nobody to cast">
        Add characters first, and say in their briefs what they must show: by words, from a picture, or from what they
        wear.
      </EmptyNote>
    )
  const change = (next: Partial<CastSettings>) => {
    const all = { ...settings, ...next }
    remember(all)
    setSettings(all)
  }
  const cast = (next: Partial<CastOptions> = {}, holds: Held = held) => {
    change(next)
    const { uniformsStay, ...options } = { ...settings, ...next }
    const who = whoOf(roster, picked, kept, holds, uniformsStay)
    setAsked({ ask: { roster: roster.id, who, options }, time: Date.now() })
  }
  const running = job.state === 'running'
  return (
    <div className="mt-4 grid gap-7 lg:grid-cols-[290px_minmax(0,1fr)]">
      <CastForm
        roster={roster}
        settings={settings}
        onChange={change}
        picked={picked}
        onPick={setPicked}
        kept={kept}
        onKeep={setKept}
        running={running}
        onCast={() => cast()}
        onStop={job.cancel}
      />
      <section aria-label="Cast" aria-live="polite" className="min-w-0">
        {running && (
          <Searching
            title="Casting everybody…"
            heading="h2"
            label="Casting"
            currency={homeCurrency()}
            progress={job.progress}
            least="nothing comes to less than"
            onEnough={job.enough}
            stop="Stop"
            onStop={job.cancel}
          >
            <span className="block text-[13px]">
              what is spent, and what is missed in likeness at {homeMoney(asked!.ask.options.worth)} a point
            </span>
          </Searching>
        )}
        {job.state === 'failed' && <ErrorNote onRetry={() => cast()}>{job.problem}</ErrorNote>}
        {job.state === 'cancelled' && !known && (
          <EmptyNote title="Casting was stopped">Nothing was changed and nothing was bought.</EmptyNote>
        )}
        {!running && job.state !== 'failed' && report.error && (
          <ErrorNote onRetry={() => cast()}>{errorText(report.error)}</ErrorNote>
        )}
        {!running && report.data && report.data.roster === roster.id && (
          <CastResult
            key={done}
            job={done!}
            report={report.data}
            roster={roster}
            held={held}
            onHold={setHeld}
            onCast={cast}
          />
        )}
        {job.state === 'idle' && !done && <Beginning />}
      </section>
    </div>
  )
}

/** What it is, for who sees it the first time. */
function Beginning() {
  return (
    <div className="max-w-xl text-soft">
      <h2 className="text-xl text-ink">Everybody at once, and the buying with it</h2>
      <p className="mt-2">
        Whoever is dressed one by one and bought for afterwards pays for nine parcels. Here it is decided together: who
        wears which spare part, who shares a parcel, whose head can be a little less like her because it comes along
        anyway.
      </p>
      <p className="mt-2">
        Say on the left how much money a point of likeness is worth to you, and press <strong>Cast</strong>. Nothing
        changes until you take the result over, and that can be taken back.
      </p>
    </div>
  )
}
