import { useMemo } from 'react'
import { useHotkeys } from 'react-hotkeys-hook'
import { Link } from 'react-router'
import { rankingOf, sureInWords, type Choice, type RosterShelf, type ShelfOutfit } from '@outfit/core/shelf'
import { errorText } from '../data/api.ts'
import { rosterApi } from '../data/rosterApi.ts'
import { useSingleKeys } from '../data/singleKeys.ts'
import { Button } from '../ui/Button.tsx'
import { Figure } from '../ui/Figure.tsx'
import { ErrorNote, Waiting } from '../ui/Notes.tsx'
import { tell, tellError } from '../ui/tell.ts'
import { RosterFrame } from '../roster/RosterFrame.tsx'
import { RankingTabs } from './RankingTabs.tsx'

/** Outfits in order of merit, from choices between two. */
export function RankingView() {
  return (
    <RosterFrame>
      {({ roster }) => (
        <>
          <RankingTabs roster={roster.id} />
          <Ranking key={roster.id} roster={roster} />
        </>
      )}
    </RosterFrame>
  )
}

function Ranking({ roster }: { roster: RosterShelf }) {
  const { data: choices, error, refetch } = rosterApi.endpoints.preferences.useQuery(roster.id)
  const [prefer, { isLoading }] = rosterApi.endpoints.prefer.useMutation()
  const [forget] = rosterApi.endpoints.forgetPreference.useMutation()
  const singleKeys = useSingleKeys()
  const dressed = useMemo(() => roster.outfits.filter(({ placements }) => placements.length > 0), [roster.outfits])
  const ranking = useMemo(
    () =>
      choices
        ? rankingOf(
            dressed.map(({ id }) => id),
            choices,
          )
        : null,
    [choices, dressed],
  )
  const outfitOf = (id: string) => dressed.find((outfit) => outfit.id === id)!
  const pair = ranking?.next?.map(outfitOf)
  const choose = async (better: ShelfOutfit, worse: ShelfOutfit) => {
    const choice: Choice = { better: better.id, worse: worse.id }
    const answer = await prefer({ roster: roster.id, ...choice })
    if (answer.error) return tellError(answer.error)
    tell(`${better.name} rather than ${worse.name}.`, () => forget({ roster: roster.id, ...choice }))
  }
  const press = (at: 0 | 1) => {
    if (pair && !isLoading) void choose(pair[at]!, pair[1 - at]!)
  }
  useHotkeys('1', () => press(0), { enabled: singleKeys })
  useHotkeys('2', () => press(1), { enabled: singleKeys })
  if (error) return <ErrorNote onRetry={() => void refetch()}>{errorText(error)}</ErrorNote>
  if (!ranking || !choices) return <Waiting>Counting…</Waiting>
  if (dressed.length < 2)
    return <p className="mt-6 text-soft">Two dressed outfits at least are needed to choose between.</p>
  const enough = Math.ceil(dressed.length * Math.log2(dressed.length))
  return (
    <div className="mt-4 grid grid-cols-[minmax(0,1fr)_440px] gap-10 phone:grid-cols-1 phone:[&>*]:min-w-0">
      <section aria-labelledby="which">
        <h2 id="which" className="text-xl">
          Which of the two?
        </h2>
        <p className="text-soft">
          Press one, or the keys 1 and 2. About {enough} presses order all {dressed.length}; {choices.length}{' '}
          {choices.length === 1 ? 'was' : 'were'} made. The two that say most come next.
        </p>
        {pair && (
          <div className="mt-3 flex gap-5">
            {pair.map((outfit, at) => (
              <button
                key={outfit.id}
                type="button"
                aria-keyshortcuts={String(at + 1)}
                disabled={isLoading}
                onClick={() => press(at as 0 | 1)}
                className="group w-[260px] min-w-0 phone:flex-1 rounded-[14px] border border-rule bg-card px-4 pt-3 pb-4 text-center hover:border-act"
              >
                <Figure placements={outfit.placements} label="" className="mx-auto h-[320px] max-w-full" />
                <span className="mt-1 block font-head text-lg font-bold group-hover:text-act">{outfit.name}</span>
                <span className="block text-[13px] text-soft">{outfit.faction}</span>
              </button>
            ))}
          </div>
        )}
        {choices.length > 0 && (
          <p className="mt-3">
            <Button
              look="plain"
              className="px-1.5 py-0.5"
              onClick={() => {
                const last = choices.at(-1)!
                void forget({ roster: roster.id, better: last.better, worse: last.worse })
              }}
            >
              Take the last press back
            </Button>
          </p>
        )}
      </section>
      <section aria-labelledby="order">
        <h2 id="order" className="text-xl">
          The order so far
        </h2>
        <p className="text-soft">
          {choices.length === 0
            ? 'Nothing was chosen yet; this is the order of the shelf.'
            : `Each place is ahead of the next with ${Math.round(ranking.sure * 100)} % on average: ${sureInWords(ranking.sure)}.`}
        </p>
        <ol className="mt-2">
          {ranking.ranked.map(({ id, ahead, choices: times }, place) => {
            const outfit = outfitOf(id)
            return (
              <li key={id} className="flex items-center gap-3 border-t border-rule py-1">
                <span className="w-7 shrink-0 text-right font-head text-lg font-bold tabular-nums">{place + 1}</span>
                <Figure placements={outfit.placements} label="" crop="head" className="size-10 shrink-0" />
                <span className="min-w-0 flex-1">
                  <Link to={`/outfits/${id}/bench`} className="font-semibold hover:text-act hover:underline">
                    {outfit.name}
                  </Link>
                  {(outfit.verdict || outfit.credits) && (
                    <span className="block truncate text-[13px] text-soft">
                      {[outfit.verdict && `“${outfit.verdict}”`, outfit.credits].filter(Boolean).join(' ')}
                    </span>
                  )}
                </span>
                <span className="shrink-0 text-right text-[13px] text-soft phone:shrink">
                  {ahead === null
                    ? `${times} ${times === 1 ? 'press' : 'presses'}`
                    : `ahead of the next: ${sureInWords(ahead)}, ${Math.round(ahead * 100)} %`}
                </span>
              </li>
            )
          })}
        </ol>
      </section>
    </div>
  )
}
