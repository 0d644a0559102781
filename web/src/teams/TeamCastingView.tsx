import { useState } from 'react'
import { useStore } from 'react-redux'
import { Link } from 'react-router'
import { inPoints } from '@outfit/core/brief'
import type { CastingPool } from '@outfit/core/casting'
import type { TeamAsk, TeamCasting } from '@outfit/core/teams'
import { partLabel } from '@outfit/core/catalogue'
import { homeMoney } from '@outfit/core/market'
import type { RosterShelf } from '@outfit/core/shelf'
import { api } from '../data/api.ts'
import { selectCatalogue } from '../data/catalogueSlice.ts'
import { rosterApi } from '../data/rosterApi.ts'
import { useAppDispatch, useAppSelector, type DataState } from '../data/hooks.ts'
import { useWorker } from '../data/useWorker.ts'
import { Button } from '../ui/Button.tsx'
import { Figure } from '../ui/Figure.tsx'
import { tell, tellError } from '../ui/tell.ts'
import { RosterFrame } from '../roster/RosterFrame.tsx'
import type { TeamAnswer, TeamQuestion } from './teamQuestion.ts'

/** Give a whole team heads and headgear at once. */
export function TeamCastingView() {
  return <RosterFrame>{({ roster }) => <TeamCastingPage key={roster.id} roster={roster} />}</RosterFrame>
}

interface Settings {
  pool: CastingPool
  facesAlike: number | null
  sidesApart: boolean
  hairAlike: number | null
  /** At most one in so many of one skin tone; null for any number. */
  skinShare: number | null
  priceWeight: number
}

const FIRST: Settings = {
  pool: 'both',
  facesAlike: 1,
  sidesApart: true,
  hairAlike: null,
  skinShare: null,
  priceWeight: 4,
}
const KEPT = 'outfit.teamCasting'
const SECONDS = 20

const remembered = (): Settings => {
  try {
    return { ...FIRST, ...(JSON.parse(localStorage.getItem(KEPT) ?? '{}') as Partial<Settings>) }
  } catch {
    return FIRST
  }
}

function TeamCastingPage({ roster }: { roster: RosterShelf }) {
  const [uniform] = roster.uniforms
  const dressed = roster.outfits.filter(({ placements }) => placements.length > 0)
  const [picked, setPicked] = useState<ReadonlySet<string>>(
    () => new Set((uniform ? dressed.filter((one) => one.uniform === uniform.id) : dressed).map(({ id }) => id)),
  )
  const [settings, setSettings] = useState(remembered)
  const [state, ask, cancel] = useTeamCasting(roster)
  const change = (next: Partial<Settings>) => {
    const all = { ...settings, ...next }
    localStorage.setItem(KEPT, JSON.stringify(all))
    setSettings(all)
  }
  const team = roster.outfits.filter(({ id }) => picked.has(id))
  if (dressed.length === 0)
    return <p className="mt-6 text-soft">Nobody is dressed yet. A team casting needs bodies to put heads on.</p>
  return (
    <div className="mt-4 grid grid-cols-[300px_minmax(0,1fr)] gap-8 phone:grid-cols-1 phone:[&>*]:min-w-0">
      <form
        className="space-y-4"
        onSubmit={(event) => {
          event.preventDefault()
          void ask(
            team.map(({ id }) => id),
            settings,
          )
        }}
      >
        <fieldset>
          <legend className="font-semibold">Who gets a head and headgear</legend>
          <div className="mt-1 max-h-[210px] overflow-auto">
            {dressed.map(({ id, name, faction }) => (
              <label key={id} className="flex items-center gap-2 py-1">
                <input
                  type="checkbox"
                  checked={picked.has(id)}
                  onChange={() => {
                    const next = new Set(picked)
                    if (!next.delete(id)) next.add(id)
                    setPicked(next)
                  }}
                  className="size-4 accent-[var(--act)]"
                />
                {name} <span className="text-[13px] text-soft">{faction}</span>
              </label>
            ))}
          </div>
        </fieldset>
        <Choice
          label="Faces"
          value={settings.facesAlike}
          onChange={(facesAlike) => change({ facesAlike })}
          options={[
            [1, 'all differ'],
            [2, 'at most two alike'],
            [3, 'at most three alike'],
            [null, 'may be alike'],
          ]}
        />
        <label className="flex items-center gap-2">
          <input
            type="checkbox"
            checked={settings.sidesApart}
            onChange={(event) => change({ sidesApart: event.target.checked })}
            className="size-4 accent-[var(--act)]"
          />
          The other expression is another face
        </label>
        <Choice
          label="Same hair, same colour"
          value={settings.hairAlike}
          onChange={(hairAlike) => change({ hairAlike })}
          options={[
            [null, 'as often as it comes'],
            [1, 'nobody twice'],
            [2, 'at most two'],
            [3, 'at most three'],
          ]}
        />
        <Choice
          label="One skin tone"
          value={settings.skinShare}
          onChange={(skinShare) => change({ skinShare })}
          options={[
            [null, 'as often as it comes'],
            [3, 'at most a third of the team'],
            [2, 'at most half of the team'],
          ]}
        />
        <Choice
          label="From"
          value={settings.pool}
          onChange={(pool) => change({ pool })}
          options={[
            ['both', 'spares and the market'],
            ['owned', 'spares alone'],
            ['market', 'the market alone'],
          ]}
        />
        <label className="block">
          <span className="font-semibold">{homeMoney(100)} is worth</span> {settings.priceWeight} points of likeness
          <input
            type="range"
            min={0}
            max={20}
            value={settings.priceWeight}
            onChange={(event) => change({ priceWeight: Number(event.target.value) })}
            className="mt-1 block w-full accent-[var(--act)]"
          />
        </label>
        {state.state === 'running' ? (
          <Button onClick={cancel}>Stop</Button>
        ) : (
          <Button look="act" type="submit" disabled={team.length === 0}>
            Cast {team.length === 1 ? 'one' : `all ${team.length}`}
          </Button>
        )}
      </form>
      <section aria-label="Casting" aria-live="polite">
        {state.state === 'idle' && (
          <p className="max-w-xl text-soft">
            Every member keeps what it wears below the neck and gets the head and headgear that suit its brief, so that
            the whole team comes out best: faces as different as you ask, musts kept, owned parts no more often than
            they are there.
          </p>
        )}
        {state.state === 'running' && (
          <p>
            Casting…{' '}
            <span className="text-soft">
              {state.worth === null
                ? 'laying out the parts'
                : `best so far ${inPoints(state.worth)} points, none above ${inPoints(state.bound)}`}
            </span>
          </p>
        )}
        {(state.state === 'none' || state.state === 'failed') && (
          <p role="alert" className="text-problem">
            {state.why}
          </p>
        )}
        {state.state === 'cast' && <Result roster={roster} result={state.result} />}
      </section>
    </div>
  )
}

function Choice<T extends string | number | null>({
  label,
  value,
  options,
  onChange,
}: {
  label: string
  value: T
  options: readonly (readonly [T, string])[]
  onChange: (value: T) => void
}) {
  return (
    <label className="block font-semibold">
      {label}
      <select
        value={String(value)}
        onChange={(event) => onChange(options.find(([one]) => String(one) === event.target.value)![0])}
        className="mt-1 block w-full rounded-[8px] border border-rule bg-card px-2 py-1 font-normal"
      >
        {options.map(([one, words]) => (
          <option key={words} value={String(one)}>
            {words}
          </option>
        ))}
      </select>
    </label>
  )
}

function Result({ roster, result }: { roster: RosterShelf; result: TeamCasting }) {
  const catalogue = useAppSelector(selectCatalogue)!
  const [wearHeads, { isLoading }] = rosterApi.endpoints.wearHeads.useMutation()
  const [worn, setWorn] = useState(false)
  const { members, complete, bound, worth, price } = result
  const wearAll = async () => {
    const answer = await wearHeads({
      roster: roster.id,
      outfits: members.map(({ outfit, placements }) => ({
        outfit,
        placements: placements.filter(({ slot }) => slot === 'head' || slot === 'headgear'),
      })),
    })
    if (answer.error) return tellError(answer.error)
    setWorn(true)
    const { before } = answer.data
    tell(`${members.length} wear their new heads.`, async () => {
      setWorn(false)
      return wearHeads({ roster: roster.id, outfits: before })
    })
  }
  const sum = (pick: (member: TeamCasting['members'][number]) => number) =>
    members.reduce((total, member) => total + pick(member), 0) / members.length
  return (
    <>
      <div className="flex items-center gap-4">
        <p>
          <strong>
            Likeness {inPoints(sum(({ before }) => before))} before, {inPoints(sum(({ after }) => after))} after
          </strong>{' '}
          on average; {price === 0 ? 'all of it from spares' : `${homeMoney(price)} to buy`}.{' '}
          <span className="text-soft">
            {complete
              ? 'Proven: no casting of the team is better.'
              : `At most ${inPoints(bound - worth)} points better over the whole team; time ran out before more was proven.`}
          </span>
        </p>
        <Button look="act" className="ml-auto" disabled={isLoading || worn} onClick={() => void wearAll()}>
          {worn ? 'They wear it' : 'Wear all of it'}
        </Button>
      </div>
      <ul className="mt-3 grid grid-cols-[repeat(auto-fill,minmax(270px,1fr))] gap-x-6 gap-y-3">
        {members.map((member) => {
          const outfit = roster.outfits.find(({ id }) => id === member.outfit)
          if (!outfit) return null
          const name = (code: string) => {
            const part = catalogue.parts.get(code)
            return part ? partLabel(catalogue, part) : code
          }
          return (
            <li key={member.outfit} className="flex gap-2 border-t border-rule pt-2">
              <span className="relative shrink-0">
                <Figure
                  placements={member.placements}
                  from={catalogue}
                  label={`${outfit.name}, cast`}
                  crop="head"
                  className="h-[92px] w-[84px]"
                />
              </span>
              <span className="min-w-0 text-[13.5px]">
                <Link to={`/outfits/${outfit.id}/bench`} className="font-semibold hover:text-act hover:underline">
                  {outfit.name}
                </Link>{' '}
                <span className="tabular-nums">
                  {inPoints(member.before)} → <strong>{inPoints(member.after)}</strong>
                </span>
                <span className="block text-soft">
                  {catalogue.prints.get(member.head.print ?? '')?.name ?? member.head.name}
                  {member.turned ? ', the other face' : ''}, {member.owned.head ? 'a spare' : 'to buy'}
                </span>
                <span className="block text-soft">
                  {name(member.headgear.code)}, {member.owned.headgear ? 'a spare' : 'to buy'}
                </span>
                {member.price > 0 && <span className="block">{homeMoney(member.price)}</span>}
                {member.gaveUp && member.gaveUp.milli >= 500 && (
                  <span className="block text-soft">
                    Gave up {member.gaveUp.words} ({inPoints(member.gaveUp.milli)} points)
                    {member.gaveUp.holders.length > 0 ? `, which ${member.gaveUp.holders.join(' and ')} got` : ''}
                  </span>
                )}
              </span>
            </li>
          )
        })}
      </ul>
    </>
  )
}

const start = () => new Worker(new URL('./team.worker.ts', import.meta.url), { type: 'module' })

/** One team at a time to the worker. */
function useTeamCasting(roster: RosterShelf) {
  const dispatch = useAppDispatch()
  const store = useStore<DataState>()
  const { state, ask: put, cancel } = useWorker<TeamQuestion, TeamAnswer>(start)
  const ask = (cast: string[], { skinShare, ...settings }: Settings) =>
    put({ state: 'running', worth: null, bound: 0 }, async () => {
      const fresh = { subscribe: false, forceRefetch: true } as const
      const [{ members, spare }, heads, headgear] = await Promise.all([
        dispatch(rosterApi.endpoints.members.initiate({ roster: roster.id, cast }, fresh)).unwrap(),
        dispatch(api.endpoints.candidates.initiate('head', { subscribe: false })).unwrap(),
        dispatch(api.endpoints.candidates.initiate('headgear', { subscribe: false })).unwrap(),
      ])
      const known = store.getState()
      const outfits = roster.outfits.filter(({ id }) => cast.includes(id))
      const question: TeamAsk = {
        ...settings,
        members: outfits.map(({ id, name, placements }) => {
          const { brief, avoided } = members.find(({ outfit }) => outfit === id)!
          return { outfit: id, name, brief, worn: placements, avoided: new Set(avoided) }
        }),
        catalogue: selectCatalogue(known)!,
        heads: heads.items.map(({ part }) => part),
        headgear: headgear.items.map(({ part }) => part),
        spare,
        lowest: known.catalogue.lowest,
        others: roster.outfits.filter(({ id }) => !cast.includes(id)).map(({ placements }) => placements),
        skinsAlike: skinShare === null ? null : Math.max(1, Math.ceil(outfits.length / skinShare)),
      }
      return { ask: question, seconds: SECONDS }
    })
  return [state, ask, cancel] as const
}
