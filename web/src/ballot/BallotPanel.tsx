import { Download } from 'lucide-react'
import { useMemo, useState } from 'react'
import { Link } from 'react-router'
import { formatDay } from '@outfit/core/base'
import { answerText, BALLOT_TEXTS, tallyOf, type BallotAnswer } from '@outfit/core/ballot'
import { catalogueOf } from '@outfit/core/catalogue'
import { sureInWords } from '@outfit/core/shelf'
import { api, errorText } from '../data/api.ts'
import { ballotApi, type AnswersBrought } from '../data/ballotApi.ts'
import { Button } from '../ui/Button.tsx'
import { counted } from '../ui/counted.ts'
import { Figure } from '../ui/Figure.tsx'
import { ErrorNote, Waiting } from '../ui/Notes.tsx'
import { tell, tellError } from '../ui/tell.ts'

const DAY = { day: 'numeric', month: 'long', year: 'numeric' } as const

/** A question that was put: its file, the answers that came, and what they say together. */
export function BallotPanel({ id, onRemoved }: { id: string; onRemoved: () => void }) {
  const { currentData, error, refetch } = ballotApi.endpoints.ballot.useQuery(id)
  const basics = api.endpoints.basics.useQuery()
  const [remove] = ballotApi.endpoints.removeBallot.useMutation()
  const [putBack] = ballotApi.endpoints.putBallotBack.useMutation()
  const [bring] = ballotApi.endpoints.bringAnswers.useMutation()
  const [giveVoices] = ballotApi.endpoints.giveVoices.useMutation()
  const [takeOff] = ballotApi.endpoints.takeAnswerOff.useMutation()
  const catalogue = useMemo(
    () =>
      currentData && basics.data
        ? catalogueOf({ ...basics.data, parts: currentData.parts, prints: currentData.prints })
        : null,
    [currentData, basics.data],
  )
  const tally = useMemo(() => currentData && tallyOf(currentData.ballot, currentData.answers), [currentData])
  if (error) return <ErrorNote onRetry={() => void refetch()}>{errorText(error)}</ErrorNote>
  if (!currentData || !catalogue || !tally) return <Waiting>Counting…</Waiting>
  const { ballot, answers } = currentData
  const byId = new Map(ballot.candidates.map((candidate) => [candidate.id, candidate]))
  const give = async (outfit: string) => {
    const answer = await giveVoices({ id, outfit })
    if (answer.error) return tellError(answer.error)
    tell(
      answer.data.voices === 0
        ? 'Nobody who put a name to an answer is for one take alone.'
        : `${counted(answer.data.voices, 'voice')} given; each can be taken back under Takes.`,
    )
  }
  const take = async (one: BallotAnswer) => {
    const answer = await takeOff({ id, voter: one.voter })
    if (answer.error) return tellError(answer.error)
    tell(`The answer of ${one.name || 'somebody'} does not count any more.`, () =>
      bring({ id, text: answerText(id, one) }),
    )
  }
  return (
    <section aria-labelledby="ballot">
      <div className="flex flex-wrap items-start gap-3">
        <div className="min-w-0 flex-1">
          <h2 id="ballot" className="text-xl">
            {ballot.title}
          </h2>
          <p className="text-soft">
            {ballot.question && `${ballot.question} `}
            {ballot.way === 'pairs' ? 'Of two the better one' : 'One to five stars'},{' '}
            {counted(ballot.candidates.length, 'figure')} as they were on {formatDay(ballot.madeAt.slice(0, 10), DAY)}.
          </p>
        </div>
        <a
          href={`/api/ballots/${id}/ballot.html`}
          download
          className={`inline-flex items-center gap-1.5 rounded-[10px] border px-3 py-1.5 font-semibold ${answers.length === 0 ? 'border-act bg-act text-act-ink hover:brightness-110' : 'border-act/70 bg-card text-act hover:border-act'}`}
        >
          <Download aria-hidden className="size-4" /> The file to send
        </a>
      </div>
      <BringIn id={id} first={answers.length === 0} />
      <h3 className="mt-5 text-lg">
        {answers.length === 0
          ? 'No answers yet'
          : `What ${counted(answers.length, 'answer')} say${answers.length === 1 ? 's' : ''} together`}
      </h3>
      {answers.length > 0 && (
        <p className="text-soft">
          Each place is ahead of the next with {Math.round(tally.sure * 100)} % on average: {sureInWords(tally.sure)}.
        </p>
      )}
      <ol className="mt-2">
        {tally.ranked.map(({ id: own, name, stars, won, voices, ahead }, place) => (
          <li key={own} className="flex items-center gap-3 border-t border-rule py-1">
            <span className="w-7 shrink-0 text-right font-head text-lg font-bold tabular-nums">
              {answers.length > 0 ? place + 1 : ''}
            </span>
            <Figure
              placements={byId.get(own)!.placements}
              from={catalogue}
              label=""
              className="h-[56px] w-[42px] shrink-0"
            />
            <span className="min-w-0 flex-1 font-semibold">{name}</span>
            {answers.length > 0 && (
              <span className="shrink-0 text-right text-[13.5px] text-soft">
                {ballot.way === 'stars'
                  ? stars === null
                    ? 'no stars yet'
                    : `${stars.toFixed(1)} of 5 from ${counted(voices, 'voice')}`
                  : won === null
                    ? 'not chosen between yet'
                    : `preferred in ${Math.round(won * 100)} of 100, ${counted(voices, 'choice')}`}
                {ahead !== null && voices > 0 && (
                  <span className="block">
                    ahead of the next: {sureInWords(ahead)}, {Math.round(ahead * 100)} %
                  </span>
                )}
              </span>
            )}
          </li>
        ))}
      </ol>
      {answers.length > 0 && ballot.outfit !== null && (
        <p className="mt-2">
          <Button onClick={() => void give(ballot.outfit!)}>Count them as voices for the takes</Button>{' '}
          <Link to={`/outfits/${ballot.outfit}/takes`} className="font-semibold text-act hover:underline">
            To the takes
          </Link>
        </p>
      )}
      {answers.length > 0 && (
        <details className="mt-3">
          <summary className="cursor-pointer font-semibold">Who answered</summary>
          <ul className="mt-1">
            {answers.map((one) => (
              <li key={one.voter} className="flex items-center gap-2 border-t border-rule py-0.5">
                <span className="min-w-0 flex-1 truncate">{one.name || 'without a name'}</span>
                <span className="text-[13px] text-soft">{formatDay(one.at.slice(0, 10), DAY)}</span>
                <Button look="plain" className="px-2 py-0.5" onClick={() => void take(one)}>
                  Take off
                </Button>
              </li>
            ))}
          </ul>
        </details>
      )}
      <Button
        look="plain"
        className="mt-4 px-1"
        onClick={async () => {
          const answer = await remove(id)
          if (answer.error) return tellError(answer.error)
          tell(`“${ballot.title}” is removed.`, () => putBack(id))
          onRemoved()
        }}
      >
        Remove this ballot
      </Button>
    </section>
  )
}

/** Answers are pasted or dropped, with whatever stands around them. */
function BringIn({ id, first }: { id: string; first: boolean }) {
  const [bring, { isLoading }] = ballotApi.endpoints.bringAnswers.useMutation()
  const [text, type] = useState('')
  const [came, tellOf] = useState<AnswersBrought | null>(null)
  const bringIn = async (pasted: string) => {
    const answer = await bring({ id, text: pasted.slice(0, BALLOT_TEXTS.paste) })
    if (answer.error) return tellError(answer.error)
    tellOf(answer.data)
    // What could not be taken stays to be looked at.
    if (answer.data.refused.length === 0) type('')
  }
  return (
    <div className="mt-4 max-w-[640px]">
      <label className="block font-semibold">
        Answers that came back
        <textarea
          rows={3}
          value={text}
          placeholder="Paste them here, one or many, as they came"
          onChange={({ target }) => type(target.value)}
          onDrop={(event) => {
            const files = [...event.dataTransfer.files]
            if (files.length === 0) return
            event.preventDefault()
            void Promise.all(files.map((file) => file.text())).then((texts) => bringIn(texts.join('\n')))
          }}
          className="mt-1 w-full resize-y rounded-[8px] border border-rule bg-card px-2 py-1 font-mono text-[13px] font-normal break-all"
        />
      </label>
      <div className="mt-1 flex flex-wrap items-center gap-3">
        <Button look={first ? 'quiet' : 'act'} disabled={isLoading || !text.trim()} onClick={() => void bringIn(text)}>
          Count them
        </Button>
        <label className="cursor-pointer font-semibold text-act focus-within:underline hover:underline">
          Or choose files
          <input
            type="file"
            multiple
            accept="text/plain,.txt"
            className="sr-only"
            onChange={({ target }) => {
              const files = [...(target.files ?? [])]
              if (files.length > 0)
                void Promise.all(files.map((file) => file.text())).then((texts) => bringIn(texts.join('\n')))
              target.value = ''
            }}
          />
        </label>
      </div>
      {came && (
        <ul role="status" className="mt-2 space-y-0.5 text-[14px]">
          {came.taken > 0 && <li>{counted(came.taken, 'new answer')} counted.</li>}
          {came.instead.map((name) => (
            <li key={`instead ${name}`}>{name} answered again; the newer answer counts.</li>
          ))}
          {came.again.map((name) => (
            <li key={`again ${name}`} className="text-soft">
              The answer of {name} was here already and counts once.
            </li>
          ))}
          {came.older.map((name) => (
            <li key={`older ${name}`} className="text-soft">
              A newer answer of {name} is here already.
            </li>
          ))}
          {came.refused.map((words) => (
            <li key={words} className="text-problem">
              {words}
            </li>
          ))}
        </ul>
      )}
    </div>
  )
}
