import { useEffect, useState, type ReactNode } from 'react'
import { Link, useParams } from 'react-router'
import { SLOT_FACTS } from '@outfit/core/anatomy'
import { partLabel, type Catalogue, type Placement } from '@outfit/core/catalogue'
import { CAUTIONS } from '@outfit/core/fitting'
import { homeMoney } from '@outfit/core/market'
import { firstToMind, type Care, type Step, type WorkbenchPlan } from '@outfit/core/workbench'
import { errorText } from '../data/api.ts'
import { drawerApi } from '../data/drawerApi.ts'
import { rosterApi } from '../data/rosterApi.ts'
import { useKnownCatalogue } from '../data/useKnownCatalogue.ts'
import { RemarkForm, Remarks } from '../drawer/RemarkForm.tsx'
import { Button } from '../ui/Button.tsx'
import { Figure } from '../ui/Figure.tsx'
import { EmptyNote, ErrorNote, Waiting } from '../ui/Notes.tsx'
import { PartPicture } from '../ui/PartPicture.tsx'
import { tell, tellError } from '../ui/tell.ts'
import { useUndoKey } from '../ui/useUndoKey.ts'
import { useTicks } from './useTicks.ts'

const CARE_WORDS: Readonly<Record<Care, string>> = {
  'only-one': 'the only one, and nobody sells it',
  dear: 'dear',
  stress: 'under stress',
}

/** Building one outfit: what to gather where, what to do in which order, and finishing it. Works on a phone too. */
export function WorkbenchView() {
  const { outfit = '' } = useParams()
  const { currentData: data, error, refetch } = drawerApi.endpoints.workbench.useQuery(outfit)
  const catalogue = useKnownCatalogue(data)
  useUndoKey()
  if (error) return <ErrorNote onRetry={() => void refetch()}>{errorText(error)}</ErrorNote>
  if (!data || !catalogue) return <Waiting>Clearing the workbench…</Waiting>
  return <Workbench key={outfit} plan={data} catalogue={catalogue} />
}

function Workbench({ plan, catalogue }: { plan: WorkbenchPlan; catalogue: Catalogue }) {
  const { outfit, placements, stops, donors, steps, lacks, coming, built, others, remarks } = plan
  const ticks = useTicks(outfit.id)
  const [remarking, remark] = useState(false)
  const [build, { isLoading }] = rosterApi.endpoints.buildOutfit.useMutation()
  const [takeApart] = rosterApi.endpoints.takeApart.useMutation()
  const label = (code: string) => {
    const part = catalogue.parts.get(code)
    return part ? partLabel(catalogue, part) : code
  }
  const gathers = [
    ...stops.flatMap(({ bin, parts }) => parts.map(({ part }) => `${bin} ${part}`)),
    ...donors.map(({ code }) => `donor ${code}`),
  ]
  const gathered = gathers.filter(ticks.isTicked).length
  const done = steps.filter(({ key }) => ticks.isTicked(key)).length
  const parts = (moved: number) => `${moved} ${moved === 1 ? 'part' : 'parts'}`
  const finish = async () => {
    const answer = await build(outfit.id)
    if (answer.error) return tellError(answer.error)
    ticks.clear()
    tell(`${outfit.name} stands built: ${parts(answer.data.moved)} moved onto it.`, () => takeApart(outfit.id))
  }
  const apart = async () => {
    const answer = await takeApart(outfit.id)
    if (answer.error) return tellError(answer.error)
    tell(`${outfit.name} is taken apart: ${parts(answer.data.moved)} back in their bins.`, () => build(outfit.id))
  }
  if (placements.length === 0)
    return (
      <EmptyNote title={`${outfit.name} wears nothing yet`}>
        <Link to={`/outfits/${outfit.id}/bench`} className="text-act underline">
          Dress it on the bench
        </Link>
        , then come back to build it.
      </EmptyNote>
    )
  return (
    <div className="mx-auto grid max-w-[1200px] gap-x-8 gap-y-4 px-3 pt-4 pb-40 sm:px-5 lg:grid-cols-[250px_1fr_1fr]">
      <aside>
        <h1 className="text-2xl">{outfit.name}</h1>
        <p className="text-soft">
          <Link to={`/rosters/${outfit.roster}`} className="hover:text-ink hover:underline">
            {outfit.rosterName}
          </Link>
        </p>
        <div className="mt-2 hidden h-[330px] lg:block">
          <Figure placements={placements} from={catalogue} label={outfit.name} className="h-full w-full" />
        </div>
        <div className="mt-2 space-y-2">
          {built ? (
            <>
              <p className="font-semibold text-good">Stands built.</p>
              <Button onClick={() => void apart()}>Take it apart</Button>
            </>
          ) : lacks.length + coming.length > 0 ? (
            <div className="space-y-2">
              {lacks.length > 0 && (
                <div>
                  <p className="font-semibold text-problem">
                    Lacks {lacks.length === 1 ? 'one part' : `${lacks.length} parts`}:
                  </p>
                  <Missing placements={lacks} label={label} />
                  <Link to={`/outfits/${outfit.id}/sourcing`} className="font-semibold text-act hover:underline">
                    Buy what is missing
                  </Link>
                </div>
              )}
              {coming.length > 0 && (
                <div>
                  <p className="font-semibold">On {coming.length === 1 ? 'its' : 'their'} way:</p>
                  <Missing placements={coming} label={label} />
                  <Link to="/parcels" className="font-semibold text-act hover:underline">
                    Parcels to come
                  </Link>
                </div>
              )}
            </div>
          ) : (
            <>
              <Button look="act" disabled={isLoading} onClick={() => void finish()}>
                It stands: move all parts onto it
              </Button>
              {others.length > 0 && (
                <p className="text-[13px] text-notice">
                  {others.join(', ')} {others.length === 1 ? 'counts' : 'count'} on some of it.{' '}
                  <Link to="/drawer/allotment" className="underline">
                    Who gets what
                  </Link>
                </p>
              )}
              <p className="text-[13px] text-soft">
                {gathered} of {gathers.length} gathered, {done} of {steps.length} steps done. Ticks are for you;
                finishing moves everything at once.
              </p>
            </>
          )}
          <Clock ticks={ticks} />
          <Button look="plain" className="-ml-3" onClick={() => remark(true)}>
            Note, fault or picture…
          </Button>
          <Remarks remarks={remarks} />
        </div>
        {remarking && <RemarkForm outfit={outfit.id} title={outfit.name} onDone={() => remark(false)} />}
      </aside>

      {!built && (
        <>
          <section aria-label="Gather">
            <h2 className="text-lg">Gather</h2>
            {gathers.length === 0 && <p className="text-soft">Nothing of it is in the drawer.</p>}
            {stops.map(({ bin, name, inside, parts: held }) => (
              <div key={bin} className="mt-2">
                <h3 className="text-base">
                  <Link to={`/drawer/bins/${bin}`} className="hover:text-act hover:underline">
                    {name}
                  </Link>
                  {inside && <span className="font-sans text-[13px] font-normal text-soft"> in {inside}</span>}
                </h3>
                <ul className="border-t border-rule">
                  {held.map(({ part, qty }) => (
                    <Tick key={part} id={`${bin} ${part}`} ticks={ticks}>
                      <span aria-hidden className="h-10 w-10 shrink-0">
                        {catalogue.parts.has(part) && (
                          <PartPicture
                            part={catalogue.parts.get(part)!}
                            catalogue={catalogue}
                            label=""
                            className="h-full w-full"
                          />
                        )}
                      </span>
                      <span className="min-w-0 flex-1">
                        {qty > 1 && <strong>{qty} × </strong>}
                        {label(part)}
                      </span>
                    </Tick>
                  ))}
                </ul>
              </div>
            ))}
            {donors.length > 0 && (
              <div className="mt-2">
                <h3 className="text-base">Figures to take apart</h3>
                <ul className="border-t border-rule">
                  {donors.map(({ code, name }) => (
                    <Tick key={code} id={`donor ${code}`} ticks={ticks}>
                      {name}
                    </Tick>
                  ))}
                </ul>
              </div>
            )}
          </section>

          <section aria-label="Steps">
            <Mind steps={firstToMind(steps)} label={label} />
            <h2 className="text-lg">Steps</h2>
            <ol className="border-t border-rule">
              {steps.map((step, i) => (
                <Tick key={step.key} id={step.key} ticks={ticks}>
                  <span className="min-w-0 flex-1">
                    <strong>
                      {i + 1}. {step.title}
                    </strong>
                    {step.care.length > 0 && (
                      <span className="text-[13px] text-notice">
                        {' '}
                        {step.care.map((care) => CARE_WORDS[care]).join(', ')}
                      </span>
                    )}
                    <span className="block text-[13px]">
                      {step.pieces.map(({ part, slot }) => `${SLOT_FACTS[slot].label}: ${label(part)}`).join(' · ')}
                    </span>
                    {step.cautions.map((caution) => (
                      <span key={caution} className="block text-[13px] text-soft">
                        {CAUTIONS[caution]}
                      </span>
                    ))}
                    {step.atRisk !== null && step.care.includes('stress') && (
                      <span className="block text-[13px] text-notice">At risk: {homeMoney(step.atRisk)}</span>
                    )}
                  </span>
                </Tick>
              ))}
            </ol>
            {steps.length > 0 && (
              <p className="mt-2 text-[13px] text-soft">
                The usual cautions, not instructions of the maker. {CAUTIONS.small}
              </p>
            )}
          </section>
        </>
      )}
    </div>
  )
}

/** What to mind before one begins. */
function Mind({ steps, label }: { steps: readonly Step[]; label: (part: string) => string }) {
  if (steps.length === 0) return null
  return (
    <div className="mb-3 rounded-[12px] border border-notice bg-card p-2.5">
      <h2 className="text-base">Mind first</h2>
      <ul className="text-[13px]">
        {steps.map(({ key, title, care, pieces }) => (
          <li key={key}>
            <strong>{title}</strong>: {care.map((one) => CARE_WORDS[one]).join(', ')}{' '}
            <span className="text-soft">({pieces.map(({ part }) => label(part)).join(', ')})</span>
          </li>
        ))}
      </ul>
    </div>
  )
}

type Ticks = ReturnType<typeof useTicks>

function Tick({ id, ticks, children }: { id: string; ticks: Ticks; children: ReactNode }) {
  const ticked = ticks.isTicked(id)
  return (
    <li className="border-b border-rule">
      <label className={`flex min-h-11 cursor-pointer items-center gap-3 py-1 ${ticked ? 'opacity-55' : ''}`}>
        <input
          type="checkbox"
          checked={ticked}
          onChange={({ target }) => ticks.tick(id, target.checked)}
          className="size-5 shrink-0"
        />
        {children}
      </label>
    </li>
  )
}

/** How long it took, for those who want to know. */
function Clock({ ticks }: { ticks: Ticks }) {
  const [now, setNow] = useState(() => Date.now())
  useEffect(() => {
    if (!ticks.running) return
    const timer = setInterval(() => setNow(Date.now()), 1000)
    return () => clearInterval(timer)
  }, [ticks.running])
  const seconds = Math.max(0, Math.round(ticks.worked(Math.max(now, 0)) / 1000))
  const shown = `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`
  return (
    <p className="flex items-center gap-2">
      <Button
        look="plain"
        className="-ml-3"
        onClick={() => {
          const moment = Date.now()
          setNow(moment)
          ticks.run(!ticks.running, moment)
        }}
      >
        {ticks.running ? 'Stop the clock' : 'Start the clock'}
      </Button>
      {(seconds > 0 || ticks.running) && <span className="tabular-nums">{shown}</span>}
    </p>
  )
}

/** Slots with the parts nothing gives them. */
function Missing({ placements, label }: { placements: readonly Placement[]; label: (code: string) => string }) {
  return (
    <ul>
      {placements.map(({ part, slot, order }) => (
        <li key={`${slot} ${order}`}>
          {SLOT_FACTS[slot].label}:{' '}
          <Link to={`/parts/${part}`} className="hover:text-act hover:underline">
            {label(part)}
          </Link>
        </li>
      ))}
    </ul>
  )
}
