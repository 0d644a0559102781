import { useEffect, useRef, useState } from 'react'
import type { Answered, RefreshProgress } from '@outfit/core/feed'
import { api, errorText } from '../data/api.ts'
import { CHANGED, marketApi } from '../data/marketApi.ts'
import { useAppDispatch } from '../data/hooks.ts'
import { watchJob, type JobEvent } from '../data/watchJob.ts'
import { dayInWords } from '../parcels/parcelWords.ts'
import { Button } from '../ui/Button.tsx'
import { answerInWords, outcomeInWords } from './askWords.ts'

const MARK: Record<Answered['state'], readonly [mark: string, look: string]> = {
  whole: ['✓', 'text-good'],
  partial: ['◆', 'text-notice'],
  silent: ['✕', 'text-problem'],
  blocked: ['–', 'text-soft'],
  strange: ['–', 'text-soft'],
}

interface Asking extends JobEvent<RefreshProgress> {
  job: string
}

/** Asks the market for today's lists, says how far it is, and what came of it last. */
export function AskMarket() {
  const { data } = marketApi.endpoints.connected.useQuery()
  const [ask] = marketApi.endpoints.askMarket.useMutation()
  const [cancel] = api.endpoints.cancelJob.useMutation()
  const [asking, setAsking] = useState<Asking | null>(null)
  const [problem, setProblem] = useState('')
  const dispatch = useAppDispatch()
  const leave = useRef(() => {})
  useEffect(() => () => leave.current(), [])
  // Its room is kept while it is asked for, so that nothing below jumps away under a click.
  if (!data) return <div aria-hidden className="mt-3 h-[62px] rounded-[12px] border border-rule bg-card" />
  if (data.market === null)
    return (
      <p className="mt-2 text-soft">
        No market is connected, so prices come from the lists you bring in, or by hand. A service that gives them can be
        named when Outfit is started; its README says how.
      </p>
    )
  const start = async (sellers?: string[]) => {
    setProblem('')
    const answer = await ask(sellers)
    if (answer.error) return setProblem(errorText(answer.error))
    const { job } = answer.data
    leave.current = watchJob<RefreshProgress>(job, (event) => {
      if (event.state === 'running')
        return setAsking((before) => ({ job, ...event, progress: event.progress ?? before?.progress ?? null }))
      // Whatever ended it, some lists may have been written.
      dispatch(api.util.invalidateTags([...CHANGED] as never))
      setAsking(null)
      if (event.state === 'failed') setProblem(event.detail ?? 'The market could not be asked.')
      if (event.state === 'cancelled')
        setProblem('Stopped. Lists that had come are kept; the others stand as they were.')
    })
  }
  const last = data.last
  const silent = last?.sellers.filter(({ state }) => state === 'silent' || state === 'partial') ?? []
  return (
    <section aria-label="The market asked" className="mt-3 rounded-[12px] border border-rule bg-card px-4 py-3">
      <div className="flex flex-wrap items-center gap-3">
        <p className="min-w-0 flex-1">
          {asking ? (
            <Progress asking={asking} />
          ) : last ? (
            <>
              <strong>{outcomeInWords(last.sellers)}</strong>{' '}
              <span className="text-soft">
                Asked {dayInWords(last.at)}, {last.at.slice(11, 16)} UTC, of {data.market}.
              </span>
            </>
          ) : (
            <>
              <strong>Prices are as the lists of sellers had them last.</strong>{' '}
              <span className="text-soft">Ask {data.market} for today’s; it takes a few seconds.</span>
            </>
          )}
        </p>
        {asking ? (
          <Button onClick={() => void cancel(asking.job)}>Stop</Button>
        ) : (
          <>
            {silent.length > 0 && (
              <Button onClick={() => void start(silent.map(({ seller }) => seller))}>
                Ask {silent.length === 1 ? silent[0]!.name : `those ${silent.length}`} again
              </Button>
            )}
            <Button look="act" onClick={() => void start()}>
              Ask the market
            </Button>
          </>
        )}
      </div>
      {asking && (
        <progress
          className="mt-2 w-full accent-(--act)"
          aria-label="Lists asked for"
          max={asking.progress?.of ?? 1}
          value={asking.progress?.done ?? 0}
        />
      )}
      {problem && (
        <p role="alert" className="mt-1 text-problem">
          {problem}
        </p>
      )}
      {!asking && last && <Outcome sellers={last.sellers} />}
    </section>
  )
}

function Progress({ asking: { progress } }: { asking: Asking }) {
  if (!progress) return <span role="status">Asking who sells…</span>
  const waits = progress.asking.map(({ name, attempt, tries }) =>
    attempt > 1 ? `${name} (again, ${attempt} of ${tries})` : name,
  )
  return (
    <span role="status">
      <strong>
        {progress.done} of {progress.of} lists.
      </strong>{' '}
      {waits.length > 0 && <span className="text-soft">Waiting for {waits.join(', ')}.</span>}
    </span>
  )
}

function Outcome({ sellers }: { sellers: readonly Answered[] }) {
  return (
    <details className="mt-1">
      <summary className="text-act">What came of whom</summary>
      <ul className="mt-1 grid gap-x-8 lg:grid-cols-2">
        {sellers.map((one) => {
          const [mark, look] = MARK[one.state]
          return (
            <li key={one.seller} className="border-t border-rule py-1">
              <span className={`mr-1 font-bold ${look}`}>{mark}</span>
              <strong>{one.name}</strong>: {answerInWords(one)}
              {one.rejects.length > 0 && (
                <details className="text-[13px]">
                  <summary className="text-act">Which lines</summary>
                  <ul>
                    {one.rejects.map(({ line, reason }, i) => (
                      <li key={i}>
                        Line {line}: {reason}
                      </li>
                    ))}
                  </ul>
                </details>
              )}
            </li>
          )
        })}
      </ul>
    </details>
  )
}
