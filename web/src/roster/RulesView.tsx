import { useState, type ReactNode } from 'react'
import { Link, useNavigate, useParams } from 'react-router'
import { toast } from 'sonner'
import {
  HOUSE_RULES,
  houseRulesOf,
  SCHOOL_WORDS,
  SCHOOLS,
  switchesOver,
  type HouseRules,
  type School,
  type Switches,
} from '@outfit/core/roster'
import { api, errorText } from '../data/api.ts'
import { Button } from '../ui/Button.tsx'
import { EmptyNote, ErrorNote, Waiting } from '../ui/Notes.tsx'
import { RuleSwitches } from './RuleSwitches.tsx'

/** House rules of a roster: its school, and every switch of it. */
export function RosterRulesView() {
  const { roster: id } = useParams()
  const { data, error, isLoading, refetch } = api.endpoints.shelves.useQuery()
  const [save, { isLoading: busy }] = api.endpoints.saveRosterRules.useMutation()
  const navigate = useNavigate()
  if (isLoading) return <Waiting>Looking up the house rules…</Waiting>
  if (error) return <ErrorNote onRetry={() => void refetch()}>{errorText(error)}</ErrorNote>
  const roster = data?.rosters.find((one) => one.id === id)
  if (!roster) return <EmptyNote title="There is no such roster">The others are under Rosters.</EmptyNote>
  return (
    <RosterRules
      key={roster.version}
      name={roster.name}
      back={`/rosters/${roster.id}`}
      school={houseRulesOf(roster.rules).school}
      switches={roster.switches}
      busy={busy}
      onSave={async (school, switches) => {
        const answer = await save({ roster: roster.id, version: roster.version, school, switches })
        if (answer.error) return void toast.error(errorText(answer.error))
        toast(`${roster.name} keeps to these rules now.`)
        void navigate(`/rosters/${roster.id}`)
      }}
    />
  )
}

interface RulesPageProps {
  /** What stands beside the switches: whose rules they are. */
  about: ReactNode
  rules: HouseRules
  base: HouseRules
  beneath: string
  onChange: (rules: HouseRules) => void
  /** What is done with them. */
  children: ReactNode
}

/** Whose rules they are on the left, every switch on the right, what is done with them below. */
function RulesPage({ about, children, ...switches }: RulesPageProps) {
  return (
    <div className="mx-auto grid h-full max-w-[1240px] min-w-[1040px] grid-cols-[330px_minmax(0,1fr)] gap-8 px-5 py-4 phone:block phone:h-auto phone:min-w-0 phone:px-3">
      <section aria-label="About these rules">
        <h1 className="text-2xl">House rules</h1>
        {about}
      </section>
      <section aria-label="Switches" className="flex min-h-0 flex-col">
        <div className="min-h-0 flex-1 overflow-y-auto">
          <RuleSwitches {...switches} />
        </div>
        <div className="flex flex-wrap items-center gap-3 border-t border-rule pt-3">{children}</div>
      </section>
    </div>
  )
}

interface RosterRulesProps {
  name: string
  back: string
  school: School
  switches: Switches
  busy: boolean
  onSave: (school: School, switches: Switches) => Promise<void>
}

function RosterRules({ name, back, school: kept, switches, busy, onSave }: RosterRulesProps) {
  const [school, setSchool] = useState(kept)
  const [rules, setRules] = useState<HouseRules>(houseRulesOf(kept, switches))
  const base = HOUSE_RULES[school]
  const changed = switchesOver(base, rules)
  const dirty = school !== kept || JSON.stringify(changed) !== JSON.stringify(switchesOver(base, switches))
  return (
    <RulesPage
      about={
        <>
          <p className="text-soft">
            of{' '}
            <Link to={back} className="font-semibold text-act hover:underline">
              {name}
            </Link>
          </p>
          <h2 id="school" className="mt-4 text-lg">
            School
          </h2>
          <div role="radiogroup" aria-labelledby="school" className="mt-1 space-y-2">
            {SCHOOLS.map((one) => (
              <label
                key={one}
                className={`block cursor-pointer rounded-[10px] border bg-card px-3 py-2 ${one === school ? 'border-act outline-2 outline-act' : 'border-rule hover:border-act'}`}
              >
                <input
                  type="radio"
                  name="school"
                  checked={one === school}
                  onChange={() => {
                    // Switches somebody set stay; the others follow the school.
                    setSchool(one)
                    setRules(houseRulesOf(one, changed))
                  }}
                  className="sr-only"
                />
                <span className="block font-head text-[17px] font-bold">{SCHOOL_WORDS[one].label}</span>
                <span className="block text-[13.5px] leading-snug text-soft">{SCHOOL_WORDS[one].allows}</span>
              </label>
            ))}
          </div>
          <p className="mt-3 text-[13.5px] text-soft">
            Each allows what those above it do. What differs from the school is marked, and goes for every outfit that
            has no rules of its own.
          </p>
        </>
      }
      rules={rules}
      base={base}
      beneath={SCHOOL_WORDS[school].label}
      onChange={setRules}
    >
      <Button look="act" disabled={!dirty || busy} onClick={() => void onSave(school, changed)}>
        Keep these rules
      </Button>
      <Button
        disabled={!dirty || busy}
        onClick={() => {
          setSchool(kept)
          setRules(houseRulesOf(kept, switches))
        }}
      >
        As they were
      </Button>
      <span className="text-[13.5px] text-soft">
        {dirty ? 'Pins, tray, castings and sourcing follow once they are kept.' : 'Nothing is changed.'}
      </span>
    </RulesPage>
  )
}

/** What one outfit does otherwise than its roster, and why. */
export function OutfitRulesView() {
  const { outfit: id = '' } = useParams()
  const { currentData: outfit, error, refetch } = api.endpoints.outfit.useQuery(id)
  const [save, { isLoading: busy }] = api.endpoints.saveOutfitRules.useMutation()
  const navigate = useNavigate()
  if (error) return <ErrorNote onRetry={() => void refetch()}>{errorText(error)}</ErrorNote>
  if (!outfit) return <Waiting>Looking up the house rules…</Waiting>
  return (
    <OutfitRules
      key={outfit.version}
      name={outfit.name}
      roster={outfit.roster}
      back={`/outfits/${outfit.id}/bench`}
      switches={outfit.switches}
      reason={outfit.switchesReason}
      busy={busy}
      onSave={async (switches, reason) => {
        const answer = await save({ outfit: outfit.id, version: outfit.version, switches, reason })
        if (answer.error) return void toast.error(errorText(answer.error))
        toast(
          Object.keys(switches).length > 0
            ? `${outfit.name} does otherwise now.`
            : `${outfit.name} keeps to the rules of ${outfit.roster.name}.`,
        )
        void navigate(`/outfits/${outfit.id}/bench`)
      }}
    />
  )
}

interface OutfitRulesProps {
  name: string
  roster: { id: string; name: string; rules: string; switches: Switches }
  back: string
  switches: Switches
  reason: string
  busy: boolean
  onSave: (switches: Switches, reason: string) => Promise<void>
}

function OutfitRules({ name, roster, back, switches, reason: kept, busy, onSave }: OutfitRulesProps) {
  const base = houseRulesOf(roster.rules, roster.switches)
  const [rules, setRules] = useState<HouseRules>({ ...base, ...switches })
  const [reason, setReason] = useState(kept)
  const changed = switchesOver(base, rules)
  const differs = Object.keys(changed).length > 0
  const dirty = JSON.stringify(changed) !== JSON.stringify(switchesOver(base, switches)) || (differs && reason !== kept)
  const lacksReason = differs && reason.trim() === ''
  return (
    <RulesPage
      about={
        <>
          <p className="text-soft">
            of{' '}
            <Link to={back} className="font-semibold text-act hover:underline">
              {name}
            </Link>{' '}
            alone
          </p>
          <p className="mt-4">
            {name} keeps to the rules of{' '}
            <Link to={`/rosters/${roster.id}/rules`} className="font-semibold text-act hover:underline">
              {roster.name}
            </Link>{' '}
            ({SCHOOL_WORDS[base.school].label}), but for what is marked here.
          </p>
          <label className="mt-4 block font-semibold">
            Why does it do otherwise?
            <textarea
              rows={3}
              maxLength={300}
              value={reason}
              onChange={(event) => setReason(event.target.value)}
              placeholder="For instance: the guest of honour is allowed five colours"
              className={`mt-1 block w-full rounded-[8px] border bg-card px-2 py-1 font-normal placeholder:text-soft ${lacksReason ? 'border-problem' : 'border-rule'}`}
            />
          </label>
          {lacksReason && <p className="text-[13.5px] text-problem">Say why, so that others know it is meant.</p>}
        </>
      }
      rules={rules}
      base={base}
      beneath={roster.name}
      onChange={setRules}
    >
      <Button look="act" disabled={!dirty || lacksReason || busy} onClick={() => void onSave(changed, reason)}>
        Keep these rules
      </Button>
      <Button disabled={!differs || busy} onClick={() => setRules(base)}>
        As the roster has them
      </Button>
    </RulesPage>
  )
}
