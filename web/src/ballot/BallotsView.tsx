import { useState } from 'react'
import { useSearchParams } from 'react-router'
import { formatDay } from '@outfit/core/base'
import { BALLOT_TEXTS, MOST_CANDIDATES, type BallotWay } from '@outfit/core/ballot'
import type { RosterShelf } from '@outfit/core/shelf'
import { api, errorText } from '../data/api.ts'
import { ballotApi } from '../data/ballotApi.ts'
import { RosterFrame } from '../roster/RosterFrame.tsx'
import { TickOutfits } from '../roster/TickOutfits.tsx'
import { withTick } from '../roster/withTick.ts'
import { RankingTabs } from '../shelf/RankingTabs.tsx'
import { OneOf } from '../show/ChoicePanel.tsx'
import { Button } from '../ui/Button.tsx'
import { counted } from '../ui/counted.ts'
import { ErrorNote, Waiting } from '../ui/Notes.tsx'
import { tellError } from '../ui/tell.ts'
import { BallotPanel } from './BallotPanel.tsx'

/** Questions put to others: a file to send, the answers that come back, and what they say together. */
export function BallotsView() {
  return (
    <RosterFrame>
      {({ roster }) => (
        <>
          <RankingTabs roster={roster.id} />
          <Ballots key={roster.id} roster={roster} />
        </>
      )}
    </RosterFrame>
  )
}

function Ballots({ roster }: { roster: RosterShelf }) {
  const { data, error, refetch } = ballotApi.endpoints.ballots.useQuery(roster.id)
  const [search, setSearch] = useSearchParams()
  if (error) return <ErrorNote onRetry={() => void refetch()}>{errorText(error)}</ErrorNote>
  if (!data) return <Waiting>Looking for ballots…</Waiting>
  const chosen = search.get('ballot') ?? (data.length > 0 ? data[0]!.id : 'new')
  const open = (id: string) => setSearch({ ballot: id }, { replace: true })
  return (
    <div className="mt-4 flex flex-col gap-6 md:flex-row">
      <nav aria-label="Ballots" className="w-full shrink-0 md:w-[230px]">
        <Button className="w-full" aria-current={chosen === 'new'} onClick={() => open('new')}>
          Put a question
        </Button>
        <ul className="mt-3">
          {data.map(({ id, title, madeAt, answers }) => (
            <li key={id}>
              <button
                type="button"
                aria-current={id === chosen}
                onClick={() => open(id)}
                className={`w-full border-t border-rule px-2 py-1.5 text-left hover:bg-band ${id === chosen ? 'bg-band font-semibold' : ''}`}
              >
                <span className="block truncate">{title}</span>
                <span className="block text-[13px] font-normal text-soft">
                  {formatDay(madeAt.slice(0, 10), { day: 'numeric', month: 'short' })}, {counted(answers, 'answer')}
                </span>
              </button>
            </li>
          ))}
        </ul>
      </nav>
      <div className="min-w-0 flex-1">
        {chosen === 'new' ? (
          <NewQuestion roster={roster} onMade={open} />
        ) : (
          <BallotPanel key={chosen} id={chosen} onRemoved={() => setSearch({}, { replace: true })} />
        )}
      </div>
    </div>
  )
}

/** A question to be put: about outfits of the roster, or about takes of one. */
function NewQuestion({ roster, onMade }: { roster: RosterShelf; onMade: (id: string) => void }) {
  const [make, { isLoading }] = ballotApi.endpoints.makeBallot.useMutation()
  const [title, setTitle] = useState(`Which of ${roster.name}?`)
  const [question, ask] = useState('')
  const [way, choose] = useState<BallotWay>('pairs')
  const [about, setAbout] = useState('')
  const dressed = roster.outfits.filter(({ placements }) => placements.length > 0)
  const [left, leave] = useState<ReadonlySet<string>>(() => new Set(dressed.slice(MOST_CANDIDATES).map(({ id }) => id)))
  const { currentData: outfit } = api.endpoints.outfit.useQuery(about, { skip: about === '' })
  const outfits = dressed.filter(({ id }) => !left.has(id)).map(({ id }) => id)
  const takes = outfit?.takes.filter(({ placements }) => placements.length > 0) ?? []
  const standing = about === '' ? outfits.length : takes.length
  const put = async () => {
    const answer = await make({
      roster: roster.id,
      title,
      question,
      way,
      ...(about === '' ? { outfits } : { outfit: about }),
    })
    if (answer.error) return tellError(answer.error)
    onMade(answer.data.id)
  }
  return (
    <section aria-labelledby="ask" className="max-w-[640px]">
      <h2 id="ask" className="text-xl">
        Put a question to others
      </h2>
      <p className="text-soft">
        You get one file to send. Whoever opens it chooses, and gets a short text to send back; it needs neither Outfit
        nor a network.
      </p>
      <label className="mt-3 block font-semibold">
        Title
        <input
          value={title}
          maxLength={BALLOT_TEXTS.title}
          onChange={({ target }) => setTitle(target.value)}
          className="mt-1 w-full rounded-[8px] border border-rule bg-card px-2 py-1 font-normal"
        />
      </label>
      <label className="mt-3 block font-semibold">
        What you want to know
        <input
          value={question}
          maxLength={BALLOT_TEXTS.question}
          placeholder="Which looks most like her?"
          onChange={({ target }) => ask(target.value)}
          className="mt-1 w-full rounded-[8px] border border-rule bg-card px-2 py-1 font-normal"
        />
      </label>
      <div className="mt-3">
        <OneOf
          label="How they choose"
          value={way}
          options={[
            ['pairs', 'the better of two, again and again'],
            ['stars', 'one to five stars for each'],
          ]}
          onChoose={choose}
        />
      </div>
      <label className="mt-3 block font-semibold">
        Between
        <select
          value={about}
          onChange={({ target }) => setAbout(target.value)}
          className="mt-1 block rounded-[8px] border border-rule bg-card px-2 py-1 font-normal"
        >
          <option value="">outfits of {roster.name}</option>
          {dressed.map(({ id, name }) => (
            <option key={id} value={id}>
              takes of {name}
            </option>
          ))}
        </select>
      </label>
      {about === '' ? (
        <fieldset className="mt-1 columns-2 gap-4">
          <legend className="sr-only">Who stands on it</legend>
          <TickOutfits
            outfits={dressed}
            isIn={(id) => !left.has(id)}
            onTick={(id, isIn) => leave(withTick(left, id, !isIn))}
          />
        </fieldset>
      ) : (
        <p className="mt-1 text-soft">
          {outfit
            ? `${counted(takes.length, 'take')}: ${takes.map(({ label }) => label).join(', ')}.`
            : 'Looking at its takes…'}
        </p>
      )}
      {(standing < 2 || standing > MOST_CANDIDATES) && (about === '' || outfit) && (
        <p role="alert" className="mt-2 text-problem">
          {standing < 2
            ? 'Two at least are needed to choose between.'
            : `At most ${MOST_CANDIDATES} stand on a ballot.`}
        </p>
      )}
      <Button
        look="act"
        className="mt-4"
        disabled={isLoading || !title.trim() || standing < 2 || standing > MOST_CANDIDATES}
        onClick={() => void put()}
      >
        Make the ballot
      </Button>
    </section>
  )
}
