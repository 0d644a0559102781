import { useState } from 'react'
import { Link } from 'react-router'
import { skipToken } from '@reduxjs/toolkit/query'
import { homeMoney } from '@outfit/core/market'
import type { RosterShelf } from '@outfit/core/shelf'
import {
  allInAll,
  comparedOf,
  type CastCompared,
  type CastOptions,
  type CastPlan,
  type CastReport,
  type CastWho,
} from '@outfit/core/wardrobe'
import { castApi } from '../data/castApi.ts'
import { useKnownCatalogue } from '../data/useKnownCatalogue.ts'
import { useJob } from '../sourcing/usePlan.ts'
import { Button } from '../ui/Button.tsx'
import { counted } from '../ui/counted.ts'
import { tell, tellError } from '../ui/tell.ts'
import { CastCurve } from './CastCurve.tsx'
import { CastWall } from './CastWall.tsx'
import { findingOf, meanPoints, obstacleOf, provenInWords } from './castWords.ts'

type Held = Readonly<Record<string, NonNullable<CastWho['held']>>>

interface CastResultProps {
  job: string
  report: CastReport
  roster: RosterShelf
  held: Held
  onHold: (held: Held) => void
  /** Cast again with something changed. */
  onCast: (change?: Partial<CastOptions>, held?: Held) => void
}

/** What came of a cast: the money beside other ways, everybody before and after, and the way to wear it. */
export function CastResult({ job, report, roster, held, onHold, onCast }: CastResultProps) {
  const { plans, leftOut, asTheyAre, castFirst, now, options } = report
  const [main] = plans
  const [curveAsked, setCurveAsked] = useState(false)
  const [startCurve] = castApi.endpoints.startCurve.useMutation()
  const curve = useJob(curveAsked ? job : null, () => startCurve(job).unwrap())
  const more = castApi.endpoints.cast.useQuery(curve.state === 'done' && curve.job ? curve.job : skipToken)
  const [picked, setPicked] = useState<CastPlan | null>(null)
  const plan = picked ?? main
  const catalogue = useKnownCatalogue(more.data ?? report)
  const names = new Map(roster.outfits.map(({ id, name }) => [id, name]))
  const heldCount = Object.values(held).filter((places) => places.length > 0).length
  const left = leftOut.length > 0 && <LeftOut leftOut={leftOut} />
  if (!plan || !main || !catalogue)
    return (
      <>
        <h2 className="text-xl">Nobody could be cast</h2>
        {left}
      </>
    )
  if (main.status === 'impossible') {
    const { words, mend } = obstacleOf(main, options, names, homeMoney)
    return (
      <>
        <div role="alert" className="max-w-xl rounded-[10px] border border-problem bg-card p-4">
          <p className="font-semibold text-problem">That cannot all be kept</p>
          <p className="mt-1">{words}</p>
          {mend && (
            <Button className="mt-3" onClick={() => onCast(mend.change)}>
              {mend.label} and cast again
            </Button>
          )}
        </div>
        {left}
      </>
    )
  }
  const own = comparedOf(plan)
  return (
    <>
      <div className="flex flex-wrap items-stretch gap-3">
        {asTheyAre && (
          <Way words="As they are, the rest bought" way={asTheyAre} outfits={now.length} worth={main.worth} />
        )}
        <Way words="One by one, bought after" way={castFirst} outfits={now.length} worth={main.worth} />
        <Way words="Cast together" way={own} outfits={now.length} worth={main.worth} best />
      </div>
      <p className="mt-2">
        <strong>{plan === main ? findingOf(report, homeMoney) : ''}</strong>{' '}
        <span className="text-soft">
          {provenInWords(plan, homeMoney)}{' '}
          {plan.parcels.length > 0
            ? `${counted(plan.parcels.length, 'parcel')} (${plan.parcels.map(({ name, cost }) => `${name} ${homeMoney(cost)}`).join(', ')}), ${homeMoney(plan.sending)} of it for sending.`
            : 'Nothing has to be bought.'}
        </span>
      </p>
      <CastCurve
        plans={[main, ...(more.data?.plans ?? [])].filter(({ status }) => status !== 'impossible')}
        picked={plan}
        state={curve.state}
        done={curve.progress as { plans: number; of: number } | null}
        problem={curve.problem}
        onAsk={() => setCurveAsked(true)}
        onPick={setPicked}
      />
      <Wear
        // Another plan is another thing to wear.
        key={plan.worth}
        plan={plan}
        report={report}
        roster={roster}
        catalogue={catalogue}
        held={held}
        onHold={onHold}
      />
      {heldCount > 0 && (
        <p className="sticky bottom-3 mt-3 flex items-center gap-3 rounded-[12px] border border-act bg-card px-4 py-2 shadow-lg">
          <span>{counted(heldCount, 'figure')} held as shown.</span>
          <Button look="act" className="ml-auto" onClick={() => onCast()}>
            Cast the others again
          </Button>
          <Button
            look="plain"
            onClick={() => {
              onHold({})
            }}
          >
            Let go
          </Button>
        </p>
      )}
      {left}
    </>
  )
}

/** One way to dress them, with what it costs and how like their briefs they come out. */
function Way({
  words,
  way,
  outfits,
  worth,
  best = false,
}: {
  words: string
  way: CastCompared | null
  outfits: number
  worth: number
  best?: boolean
}) {
  return (
    <div
      className={`min-w-[180px] flex-1 rounded-[12px] border bg-card px-4 py-2 ${best ? 'border-act outline-1 outline-act' : 'border-rule'}`}
    >
      <h3 className={best ? 'font-semibold' : 'text-soft'}>{words}</h3>
      {way ? (
        <>
          <p className="font-head text-[23px] tabular-nums">{homeMoney(way.spending)}</p>
          <p className="text-[13.5px]">
            likeness <strong>{meanPoints(way.likeness, outfits)}</strong> on average
            <span className="block text-soft">
              {way.unmet > 0
                ? `${counted(way.unmet, 'part')} nobody sells`
                : `all in all ${homeMoney(allInAll(way, outfits, worth))}`}
            </span>
          </p>
        </>
      ) : (
        <p className="mt-1 text-[13.5px] text-soft">Not all of that can be bought within these limits.</p>
      )}
    </div>
  )
}

function LeftOut({ leftOut }: { leftOut: CastReport['leftOut'] }) {
  return (
    <section aria-label="Left out" className="mt-5">
      <h3 className="font-semibold">
        {leftOut.length === 1 ? 'One was left out' : `${leftOut.length} were left out`}, not dressed at random
      </h3>
      <ul className="mt-1 gap-8 text-[14px] lg:columns-2">
        {leftOut.map(({ outfit, name, why }) => (
          <li key={outfit} className="break-inside-avoid py-0.5">
            <Link to={`/outfits/${outfit}/brief`} className="font-semibold text-act hover:underline">
              {name}
            </Link>{' '}
            {why}
          </li>
        ))}
      </ul>
    </section>
  )
}

/** Everybody before and after, and the button that makes takes of it. */
function Wear({
  plan,
  report,
  roster,
  catalogue,
  held,
  onHold,
}: {
  plan: CastPlan
  report: CastReport
  roster: RosterShelf
  catalogue: NonNullable<ReturnType<typeof useKnownCatalogue>>
  held: Held
  onHold: (held: Held) => void
}) {
  const changed = plan.figures.filter((figure) => figure.changed.length > 0)
  const [without, setWithout] = useState<ReadonlySet<string>>(new Set())
  const [worn, setWorn] = useState<readonly string[] | null>(null)
  const [wear, { isLoading }] = castApi.endpoints.wearCast.useMutation()
  const [undo] = castApi.endpoints.undoCast.useMutation()
  const taking = changed.filter(({ outfit }) => !without.has(outfit))
  const wearAll = async () => {
    const outfits = taking.map(({ outfit, placements }) => ({ outfit, placements }))
    const answer = await wear({ roster: roster.id, outfits })
    if (answer.error) return tellError(answer.error)
    setWorn(outfits.map(({ outfit }) => outfit))
    const { takes } = answer.data
    tell(`${counted(takes.length, 'outfit')} of ${roster.name} wear what was cast.`, async () => {
      const back = await undo({ roster: roster.id, takes })
      if (!back.error) setWorn(null)
      return back
    })
  }
  return (
    <>
      <div className="mt-4 flex flex-wrap items-center gap-x-4 gap-y-1">
        <h3 className="text-lg">Before and after</h3>
        <p className="text-soft">
          {changed.length === plan.figures.length
            ? 'All of them change.'
            : `${changed.length} of ${plan.figures.length} change.`}
        </p>
        <span className="ml-auto flex items-center gap-3">
          {worn ? (
            <Link
              to={`/rosters/${roster.id}/buying?outfits=${plan.figures.map(({ outfit }) => outfit).join(',')}`}
              className="rounded-[10px] bg-act px-3 py-1.5 font-semibold text-act-ink"
            >
              Plan the buying
            </Link>
          ) : (
            <Button look="act" disabled={isLoading || taking.length === 0} onClick={() => void wearAll()}>
              {taking.length === changed.length ? 'Let all wear it' : `Let ${taking.length} wear it`}
            </Button>
          )}
        </span>
      </div>
      {worn && (
        <p role="status" className="mt-1 text-soft">
          Each has a new take, which is the chosen one; what was worn before is kept among the takes.
        </p>
      )}
      <CastWall
        plan={plan}
        report={report}
        roster={roster}
        catalogue={catalogue}
        without={without}
        onWithout={setWithout}
        held={held}
        onHold={onHold}
      />
    </>
  )
}
